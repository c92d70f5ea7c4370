import { useEffect } from "react";
import { keep, readKept } from "./queue";
import { showsKept } from "./signal";
import { unreachable } from "./unreachable";

type Dated<T> = { at: number; data: T };

/**
 * A page's data from the server, else what it was when it was last had: for pages that stay open without a signal.
 * @param name what it is kept under
 */
export async function lastGood<T>(name: string, fromServer: () => Promise<T>): Promise<T> {
  try {
    const data = await fromServer();
    void keep(name, { at: Date.now(), data });
    // with a service worker the answer may be a kept copy: there it says so itself
    if (!navigator.serviceWorker?.controller) showsKept(null);
    return data;
  } catch (error) {
    if (!unreachable(error)) throw error;
    const before = await readKept<Dated<T>>(name);
    if (before?.data === undefined) throw error;
    showsKept(before.at);
    return before.data;
  }
}

/** Keeps a page's data that came with the document itself, which no client loader sees. */
export function useKept(name: string, data: unknown): void {
  useEffect(() => void keep(name, { at: Date.now(), data }), [name, data]);
}
