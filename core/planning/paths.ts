import { type Fate, firstPick, massOf, nextPick, stripMassG, unripeRest, worthOf } from "../supply/fate";
import type { Supply } from "../supply/supply";
import type { PlanProblem } from "./problem";

/** How a planting is taken at a slot: what is ready, or everything down to the unripe. */
export type Take = "ready" | "strip";
export type PathStep = { slot: number; take: Take };

/** All that can happen to one planting, worked out once: what each pick brings after each earlier one. */
export type Arcs = {
  supply: Supply;
  slots: number;
  /** index (previous + 1) × slots + slot; previous −1 is "not picked yet" */
  worth: Float64Array;
  minutes: Float64Array;
  /** extra worth and minutes of stripping at a slot; −Infinity where it makes no sense */
  stripWorth: Float64Array;
  stripMinutes: Float64Array;
  /** worth of what still stands when the plan ends, by previous pick + 1 */
  rest: Float64Array;
};

/** What stands at the end can mostly still be had later. */
export const LATER_SHARE = 0.94;

/** Works out the arcs of one planting over the problem's slots. */
export function arcsOf(problem: PlanProblem, supply: Supply): Arcs {
  const n = problem.slots.length;
  const arcs: Arcs = {
    supply,
    slots: n,
    worth: new Float64Array((n + 1) * n).fill(Number.NEGATIVE_INFINITY),
    minutes: new Float64Array((n + 1) * n),
    stripWorth: new Float64Array(n).fill(Number.NEGATIVE_INFINITY),
    stripMinutes: new Float64Array(n),
    rest: new Float64Array(n + 1),
  };
  const fill = (previous: number, slot: number, fate: Fate) => {
    const at = (previous + 1) * n + slot;
    arcs.worth[at] = worthOf(supply, fate);
    arcs.minutes[at] = problem.lineMinutes + massOf(fate) * supply.minutesPerG;
  };
  for (let j = 0; j < n; j++) {
    fill(-1, j, fateOf(problem, supply, -1, j));
    const unripeG = stripMassG(supply, problem.nowT, problem.slots[j]!.t);
    if (unripeG > 0) {
      arcs.stripWorth[j] = unripeG * supply.worthPerG * supply.stripShare;
      arcs.stripMinutes[j] = unripeG * supply.minutesPerG;
    }
    if (!supply.once) for (let i = 0; i < j; i++) fill(i, j, fateOf(problem, supply, i, j));
  }
  const end = problem.horizonDays - 0.01;
  const unripe = unripeRest(supply, problem.nowT, end);
  arcs.rest[0] = unripe + LATER_SHARE * worthOf(supply, firstPick(supply, problem.nowT, end));
  for (let i = 0; i < n; i++)
    arcs.rest[i + 1] = supply.once
      ? 0
      : unripe + LATER_SHARE * worthOf(supply, nextPick(supply, problem.nowT, problem.slots[i]!.t, end));
  return arcs;
}

/** Expected fate of a pick at a slot after the pick at an earlier slot (−1: none yet). */
export const fateOf = (problem: PlanProblem, supply: Supply, previous: number, slot: number): Fate =>
  previous < 0
    ? firstPick(supply, problem.nowT, problem.slots[slot]!.t)
    : nextPick(supply, problem.nowT, problem.slots[previous]!.t, problem.slots[slot]!.t);

/**
 * What a path is charged per use of a slot and per minute in it, the slots it may use (usable 1), the minutes left in
 * each, and the slot it must use (−1: none).
 */
export type Prices = {
  perUse: Float64Array;
  perMinute: Float64Array;
  usable: Uint8Array;
  room: Float64Array | null;
  must: number;
};
export type BestPath = { value: number; steps: PathStep[] };

/**
 * The best sequence of picks for one planting under prices: exact longest path over the slots in order of time.
 * @returns its value net of prices, and the steps; an empty path is worth what is left standing
 */
export function bestPath(arcs: Arcs, prices: Prices): BestPath {
  const n = arcs.slots;
  const best = new Float64Array(n).fill(Number.NEGATIVE_INFINITY);
  const from = new Int32Array(n).fill(-1);
  const { must, room } = prices;
  let value = must >= 0 ? Number.NEGATIVE_INFINITY : arcs.rest[0]!;
  let last = -1;
  let take: Take = "ready";
  for (let j = 0; j < n; j++) {
    if (!prices.usable[j]) continue;
    const perMinute = prices.perMinute[j]!;
    const lowest = must >= 0 && j > must ? must : -1;
    for (let i = lowest; i < j; i++) {
      const before = i < 0 ? 0 : best[i]!;
      if (before === Number.NEGATIVE_INFINITY) continue;
      const at = (i + 1) * n + j;
      if (room && arcs.minutes[at]! > room[j]! + 1e-9) continue;
      const got = before + arcs.worth[at]! - perMinute * arcs.minutes[at]!;
      if (got > best[j]!) {
        best[j] = got;
        from[j] = i;
      }
    }
    if (best[j] === Number.NEGATIVE_INFINITY) continue;
    best[j]! -= prices.perUse[j]!;
    if (j < must) continue;
    const stays = best[j]! + arcs.rest[j + 1]!;
    if (stays > value + 1e-12) {
      value = stays;
      last = j;
      take = "ready";
    }
    const lastMinutes = arcs.minutes[(from[j]! + 1) * n + j]! + arcs.stripMinutes[j]!;
    if (room && lastMinutes > room[j]! + 1e-9) continue;
    const strips = best[j]! + arcs.stripWorth[j]! - perMinute * arcs.stripMinutes[j]!;
    if (strips > value + 1e-12) {
      value = strips;
      last = j;
      take = "strip";
    }
  }
  const steps: PathStep[] = [];
  for (let j = last; j >= 0; j = from[j]!) steps.unshift({ slot: j, take: j === last ? take : "ready" });
  return { value, steps };
}

/** Minutes of a path's step at its slot. */
export function stepMinutes(arcs: Arcs, steps: readonly PathStep[], index: number): number {
  const step = steps[index]!;
  const previous = index === 0 ? -1 : steps[index - 1]!.slot;
  return (
    arcs.minutes[(previous + 1) * arcs.slots + step.slot]! + (step.take === "strip" ? arcs.stripMinutes[step.slot]! : 0)
  );
}

/** Worth of a given path without any prices. */
export function pathWorth(arcs: Arcs, steps: readonly PathStep[]): number {
  let worth = 0;
  let previous = -1;
  for (const step of steps) {
    worth += arcs.worth[(previous + 1) * arcs.slots + step.slot]!;
    if (step.take === "strip") return worth + Math.max(0, arcs.stripWorth[step.slot]!);
    previous = step.slot;
  }
  return worth + arcs.rest[previous + 1]!;
}
