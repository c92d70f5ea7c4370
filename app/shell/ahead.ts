import { keepSheets } from "../walk/walk-offline";

/** How long after a page came the rest is had: what the gardener does comes first. */
const LATER_MS = 2_500;

const worker = async (): Promise<ServiceWorker | null> =>
  "serviceWorker" in navigator ? (await navigator.serviceWorker.ready).active : null;

/** Scripts of every page, as React Router knows them. */
type Manifest = { routes: Record<string, { module: string; imports?: string[] } | undefined> };

/** What pages load when it is first asked for, had in good time. */
const PARTS_LATER: readonly (() => Promise<unknown>)[] = [
  () => import("./more-menu"),
  () => import("./done"),
  () => import("./keys-sheet"),
  () => import("../ui/meaning"),
  () => import("../ui/month"),
];

/**
 * Has what the garden needs without a signal, once the page has come to rest: with a service worker the pages
 * themselves; without one every page's script, so that a tap on a page ends in a word and not in the browser's own
 * error page; the sheets of the walk in any case.
 */
export function keepAhead(): () => void {
  const timer = setTimeout(async () => {
    void keepSheets();
    await Promise.allSettled(PARTS_LATER.map((load) => load()));
    try {
      if (navigator.serviceWorker?.controller || (await hasWorker())) {
        const response = await fetch("/pages-ahead");
        if (!response.ok) return;
        (await worker())?.postMessage(await response.json());
      } else await haveScripts();
    } catch {
      // without a signal what was kept before stays good
    }
  }, LATER_MS);
  return () => clearTimeout(timer);
}

/** Has the page that is seen whole, so that it opens again as it was. */
export function keepSeen(pathname: string): () => void {
  const timer = setTimeout(() => navigator.serviceWorker?.controller?.postMessage({ seen: pathname }), LATER_MS);
  return () => clearTimeout(timer);
}

const hasWorker = async (): Promise<boolean> =>
  "serviceWorker" in navigator && (await navigator.serviceWorker.getRegistration()) !== undefined;

/** They come with a year's leave to be kept by the browser, so asked for once they are there without a signal too. */
async function haveScripts(): Promise<void> {
  const manifest = (window as { __reactRouterManifest?: Manifest }).__reactRouterManifest;
  const files = Object.values(manifest?.routes ?? {}).flatMap((r) => (r ? [r.module, ...(r.imports ?? [])] : []));
  for (const file of new Set(files)) await fetch(file);
}
