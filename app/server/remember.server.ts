import type { GardenNow } from "./garden-now.server";

const known = new WeakMap<GardenNow, Map<string, unknown>>();

/**
 * What a garden as it stands is asked for again and again, worked out once; the next change makes a new one, and
 * nothing is remembered of the old one.
 * @param key what is asked, with all that the answer hangs on besides the garden
 */
export function remembered<T>(d: GardenNow, key: string, make: () => T): T {
  const of = known.get(d) ?? new Map<string, unknown>();
  known.set(d, of);
  if (of.has(key)) return of.get(key) as T;
  const made = make();
  of.set(key, made);
  return made;
}
