import type { PlanProblem } from "../question/problem";
import { outcomeOf, type Schedule } from "../solver/optimise";
import { type Arcs, arcAt, arcsOf, type PathStep } from "../solver/paths";
import { totalsOf } from "./explain";

/** What else could be done with a round: the day before, the day after, or not at all. */
export type Alternative = {
  kind: "earlier" | "later" | "without";
  /** where the round would be; −1: nowhere */
  slot: number;
  /** change against the plan: masses kept and lost, g; minutes; worth less minutes, in kilos of potatoes */
  keptG: number;
  lostG: number;
  minutes: number;
  value: number;
};

/** A window is not overrun by more than so many minutes. */
const SLACK = 0.5;

/**
 * The nearest alternatives to a round of a plan, everything else as it is: all its lines at the planner's nearest
 * hour on an earlier day, on a later day, or left until their next pick. Hours too short for them are not offered.
 * What every planting may do is reckoned once for all rounds of the plan.
 * @returns the alternatives to the round at a slot
 */
export function alternativesIn(problem: PlanProblem, schedule: Schedule): (slot: number) => Alternative[] {
  const arcs = problem.supplies.map((s) => arcsOf(problem, s));
  const now = { ...totalsOf(problem, schedule), ...outcomeOf(problem, arcs, schedule) };
  const barred = new Set(problem.bars?.map((b) => `${b.plantingId} ${b.slotId}`));
  const plan = { problem, schedule, arcs, now, barred };
  return (slot) => alternativesTo(plan, slot);
}

type Reckoned = {
  problem: PlanProblem;
  schedule: Schedule;
  arcs: Arcs[];
  now: ReturnType<typeof totalsOf> & ReturnType<typeof outcomeOf>;
  barred: ReadonlySet<string>;
};

function alternativesTo({ problem, schedule, arcs, now, barred }: Reckoned, slot: number): Alternative[] {
  const { day } = problem.slots[slot]!;
  const against = (kind: Alternative["kind"], to: number): Alternative[] => {
    const other = schedule.map((steps, p) => movedSteps(problem, arcs[p]!, steps, slot, to, barred));
    if (other.some((s) => s === null)) return [];
    const then = other as Schedule;
    const outcome = outcomeOf(problem, arcs, then);
    const room = to >= 0 ? problem.slots[to]!.minutes - problem.roundMinutes : 0;
    if (to >= 0 && outcome.minutesBySlot[to]! > room + SLACK) return [];
    const totals = totalsOf(problem, then);
    return [
      {
        kind,
        slot: to,
        keptG: totals.keptG - now.keptG,
        lostG: totals.lostG - now.lostG,
        minutes: totals.minutes - now.minutes,
        value: outcome.value - now.value,
      },
    ];
  };
  const allowed = problem.slots.flatMap((s, j) => (s.allowed ? [j] : []));
  const earlier = allowed.filter((j) => problem.slots[j]!.day < day).at(-1);
  const later = allowed.find((j) => problem.slots[j]!.day > day);
  return [
    ...(earlier === undefined ? [] : against("earlier", earlier)),
    ...(later === undefined ? [] : against("later", later)),
    ...against("without", -1),
  ];
}

/** A planting's steps with one moved or left out; null where it may not be taken there. */
function movedSteps(
  problem: PlanProblem,
  arcs: Arcs,
  steps: readonly PathStep[],
  from: number,
  to: number,
  barred: ReadonlySet<string>,
): PathStep[] | null {
  const step = steps.find((s) => s.slot === from);
  if (!step) return [...steps];
  const rest = steps.filter((s) => s.slot !== from && s.slot !== to);
  if (to < 0) return rest;
  if (barred.has(`${arcs.supply.plantingId} ${problem.slots[to]!.id}`)) return null;
  const moved = [...rest, { slot: to, take: step.take }].sort((a, b) => a.slot - b.slot);
  // a strip ends the crop, and rest days may forbid the new order
  const possible = moved.every(
    (s, k) =>
      arcs.worth[arcAt(arcs.slots, moved[k - 1]?.slot ?? -1, s.slot)]! > Number.NEGATIVE_INFINITY &&
      (s.take === "ready" || k === moved.length - 1),
  );
  return possible ? moved : null;
}
