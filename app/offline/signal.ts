import { useSyncExternalStore } from "react";

/** When what the page shows was had from the server, ms since 1970, where it is a kept copy; null: it is fresh. */
let keptMs: number | null = null;
const listeners = new Set<() => void>();

/** Says that the page now shows what was kept, and since when; null: it came from the server. */
export function showsKept(ms: number | null): void {
  if (ms === keptMs) return;
  keptMs = ms;
  for (const listener of listeners) listener();
}

/** Whether the page shows a kept copy now. */
export const showingKept = (): boolean => keptMs !== null;

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Since when the page has been a kept copy; null: it is fresh. */
export const useKeptSince = (): number | null =>
  useSyncExternalStore(
    subscribe,
    () => keptMs,
    () => null,
  );

/** What the service worker tells a page about the answer that it gave to it. */
export type WorkerWord = { kept: number | null };

/**
 * Takes the service worker into use where the browser has one (the page came encrypted, or from this machine) and
 * listens to what it says of its answers.
 */
export function withWorker(): void {
  if (!("serviceWorker" in navigator)) return;
  navigator.serviceWorker.addEventListener("message", (event: MessageEvent<WorkerWord>) => showsKept(event.data.kept));
  navigator.serviceWorker.startMessages();
  void navigator.serviceWorker.register("/service-worker.js").catch(() => undefined);
}
