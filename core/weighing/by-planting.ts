import type { PickRecord } from "./pick";

const known = new WeakMap<readonly PickRecord[], Map<string, PickRecord[]>>();
const NONE: readonly PickRecord[] = [];

/** The picks of one planting, in the order of the list; the list is sorted out once, however often it is asked. */
export function picksOf(picks: readonly PickRecord[], plantingId: string): readonly PickRecord[] {
  let by = known.get(picks);
  if (!by) {
    by = new Map();
    for (const p of picks) {
      const list = by.get(p.plantingId);
      if (list) list.push(p);
      else by.set(p.plantingId, [p]);
    }
    known.set(picks, by);
  }
  return by.get(plantingId) ?? NONE;
}
