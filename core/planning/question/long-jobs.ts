import type { Supply } from "../../planting/supply";
import type { PlanProblem, PlanSlot } from "./problem";

/** A part is made so long that this share of the longest hour holds it: something is left for walking and the rest. */
const FILLS = 0.9;
/** More parts are no plan any more; what is longer wants another pair of hands. */
const MOST_PARTS = 24;

type Minutes = Pick<PlanProblem, "roundMinutes" | "lineMinutes">;

/**
 * A crop that is lifted once and takes longer than any hour there is, as equal parts that the planner puts on several
 * days; everything else as it is. Parts bear the planting's id; together they are the whole.
 *
 * Potatoes that take 480 minutes to lift, where an evening has 90, come in six parts.
 */
export function inParts(supply: Supply, slots: readonly PlanSlot[], { roundMinutes, lineMinutes }: Minutes): Supply[] {
  const longest = Math.max(0, ...slots.filter((s) => s.allowed).map((s) => s.minutes - roundMinutes));
  const minutes = supply.standingG * supply.minutesPerG;
  const room = FILLS * longest - lineMinutes;
  if (!supply.once || lineMinutes + minutes <= longest || room <= 0) return [supply];
  const of = Math.ceil(minutes / room);
  if (of > MOST_PARTS) return [supply];
  const share = (g: number) => g / of;
  return Array.from({ length: of }, (_, index) => ({
    ...supply,
    standingG: share(supply.standingG),
    leftG: share(supply.leftG),
    stockG: share(supply.stockG),
    stockOverG: share(supply.stockOverG),
    stripG: share(supply.stripG),
    laterG: share(supply.laterG),
    part: { index, of },
  }));
}

/** Entries of plantings joined where several are of parts of one and the same. @param join puts a second to a first */
export function joined<T extends { plantingId: string }>(
  entries: readonly T[],
  join: (a: T, b: T) => T = (a) => a,
  keyOf: (entry: T) => string = (entry) => entry.plantingId,
): T[] {
  const of = new Map<string, T>();
  for (const entry of entries) {
    const key = keyOf(entry);
    const known = of.get(key);
    of.set(key, known ? join(known, entry) : entry);
  }
  return [...of.values()];
}
