import { useEffect } from "react";
import { keep, kept } from "./queue";
import { unreachable } from "./walk-offline";

/**
 * A page's data from the server, else what it was when it was last had: for pages that stay open without a signal.
 * @param name what it is kept under
 */
export async function lastGood<T>(name: string, fromServer: () => Promise<T>): Promise<T> {
  try {
    const data = await fromServer();
    void keep(name, data);
    return data;
  } catch (error) {
    if (!unreachable(error)) throw error;
    const before = await kept<T>(name);
    if (before === undefined) throw error;
    return before;
  }
}

/** Keeps a page's data that came with the document itself, which no client loader sees. */
export function useKept(name: string, data: unknown): void {
  useEffect(() => void keep(name, data), [name, data]);
}
