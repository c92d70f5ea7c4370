import type { Arcs } from "./paths";
import type { PlanProblem } from "./problem";

/** What stays the same through one planning run: prices, room, wishes. Slots are counted as in the problem. */
export type Frame = {
  problem: PlanProblem;
  arcs: readonly Arcs[];
  /** number of slots */
  n: number;
  /** worth of a minute, and of the minutes that opening a round costs, in kilos of potatoes */
  perMinute: number;
  openCost: number;
  /** the plain prices of a path: nothing for a use, the worth of a minute for each minute */
  perUse: Float64Array;
  perMinutes: Float64Array;
  /** minutes for picking in each slot; one opened by the gardener's own hand is not held to a window */
  capacity: number[];
  /** the slot each planting must be taken in; −1: none */
  musts: number[];
  /** slots that must be open (1) */
  forced: Uint8Array;
  /** slots each planting may use at all (1) */
  mayUse: Uint8Array[];
  /** wishes that contradict each other or the calendar, in words; the rest is planned without them */
  contradictions: string[];
};

/** Minutes of a slot that no window bounds. */
export const UNBOUNDED_MINUTES = 24 * 60;

/** Works out the frame of a planning run. */
export function frameOf(problem: PlanProblem, arcs: readonly Arcs[]): Frame {
  const n = problem.slots.length;
  const perMinute = problem.hourWorth / 60;
  const slotIndex = new Map(problem.slots.map((s, j) => [s.id, j]));
  const contradictions: string[] = [];
  const sayHour = (slotId: string) => `${slotId.slice(0, 10)} ${slotId.slice(11)}`;
  for (const w of problem.wishes.take)
    if (!slotIndex.has(w.slotId)) contradictions.push(`${sayHour(w.slotId)} is not an hour of this fortnight`);
  const forbidden = (plantingId: string, slotId: string) =>
    problem.wishes.leave.some((l) => l.plantingId === plantingId && l.slotId === slotId);
  const musts = arcs.map((a) => {
    const asked = problem.wishes.take.filter((w) => w.plantingId === a.supply.plantingId && slotIndex.has(w.slotId));
    const wish = asked.find((w) => !forbidden(w.plantingId, w.slotId));
    for (const w of asked)
      if (forbidden(w.plantingId, w.slotId))
        contradictions.push(`one crop is both to be taken and to be left on ${sayHour(w.slotId)}; it is left`);
    if (a.supply.once && asked.length > 1)
      contradictions.push(
        `a crop that is taken once is wished for on ${asked.map((w) => sayHour(w.slotId)).join(" and on ")}; it is taken on the first`,
      );
    return wish ? slotIndex.get(wish.slotId)! : -1;
  });
  const forced = new Uint8Array(n);
  for (const id of problem.wishes.open) if (slotIndex.has(id)) forced[slotIndex.get(id)!] = 1;
  for (const must of musts) if (must >= 0) forced[must] = 1;
  return {
    contradictions,
    problem,
    arcs,
    n,
    perMinute,
    openCost: problem.roundMinutes * perMinute,
    perUse: new Float64Array(n),
    perMinutes: new Float64Array(n).fill(perMinute),
    capacity: problem.slots.map((s) => (s.allowed ? Math.max(0, s.minutes - problem.roundMinutes) : UNBOUNDED_MINUTES)),
    musts,
    forced,
    mayUse: arcs.map((a) => {
      const usable = Uint8Array.from(problem.slots, (s, j) => Number(s.allowed || forced[j] === 1));
      for (const w of problem.wishes.leave)
        if (w.plantingId === a.supply.plantingId && slotIndex.has(w.slotId)) usable[slotIndex.get(w.slotId)!] = 0;
      return usable;
    }),
  };
}
