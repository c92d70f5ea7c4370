import {
  type Fate,
  firstPick,
  massOf,
  nextPick,
  stripMassG,
  survivals,
  unripeRest,
  worthOf,
} from "../../planting/fate";
import type { Supply } from "../../planting/supply";
import type { PlanProblem } from "../question/problem";

/** How a planting is taken at a slot: what is ready, or everything down to the unripe. */
export type Take = "ready" | "strip";
export type PathStep = { slot: number; take: Take };

/** All that can happen to one planting, worked out once: what each pick brings after each earlier one. */
export type Arcs = {
  supply: Supply;
  slots: number;
  /** minutes of a line besides picking */
  lineMinutes: number;
  /** by `arcAt`; worth −Infinity where it may not be taken; mass in g */
  worth: Float64Array;
  massG: Float64Array;
  /** what stripping at a slot adds; worth −Infinity where it makes no sense */
  stripWorth: Float64Array;
  stripG: Float64Array;
  /** worth of what still stands when the plan ends, by previous pick + 1 */
  rest: Float64Array;
};

/** What stands at the end can mostly still be had later, but a meal now is worth more than one in weeks (own estimate). */
export const LATER_SHARE = 0.88;
/** Rest days are counted from evening to morning too: this much of a day is let pass. */
const REST_SLACK = 0.5;

/** Place of "taken at a slot, last taken at an earlier one" (−1: not picked yet) in the arcs. */
export const arcAt = (slots: number, previous: number, slot: number): number => slot * (slots + 1) + previous + 1;

/** Works out the arcs of one planting over the problem's slots. */
export function arcsOf(problem: PlanProblem, supply: Supply): Arcs {
  const n = problem.slots.length;
  const arcs: Arcs = {
    supply,
    slots: n,
    lineMinutes: problem.lineMinutes,
    worth: new Float64Array((n + 1) * n).fill(Number.NEGATIVE_INFINITY),
    massG: new Float64Array((n + 1) * n),
    stripWorth: new Float64Array(n).fill(Number.NEGATIVE_INFINITY),
    stripG: new Float64Array(n),
    rest: new Float64Array(n + 1),
  };
  const times = problem.slots.map((s) => s.t);
  const fill = (previous: number, slot: number) => {
    const fate = atMost(fateOf(problem, supply, previous, slot), supply.mostG);
    arcs.worth[arcAt(n, previous, slot)] = worthOf(supply, fate);
    arcs.massG[arcAt(n, previous, slot)] = massOf(fate);
  };
  const wished = new Set(problem.wishes.take.filter((w) => w.plantingId === supply.plantingId).map((w) => w.slotId));
  for (let j = 0; j < n; j++) {
    if (times[j]! >= supply.fromT || wished.has(problem.slots[j]!.id)) fill(-1, j);
    const unripeG = stripMassG(supply, problem.nowT, times[j]!);
    if (unripeG > 0) {
      arcs.stripWorth[j] = unripeG * supply.worthPerG * supply.stripShare;
      arcs.stripG[j] = unripeG;
    }
    if (supply.once) continue;
    for (let i = 0; i < j; i++) if (times[j]! - times[i]! >= supply.restDays - REST_SLACK) fill(i, j);
  }
  const end = problem.horizonDays - 0.01;
  const unripe = unripeRest(supply, problem.nowT, end);
  const later = (fate: Fate) =>
    LATER_SHARE * worthOf(supply, fate) * Math.min(1, supply.laterG / Math.max(1e-9, massOf(fate)));
  arcs.rest[0] = supply.once ? onceLater(problem, supply, end) : unripe + later(firstPick(supply, problem.nowT, end));
  for (let i = 0; i < n; i++)
    arcs.rest[i + 1] = supply.once ? 0 : unripe + later(nextPick(supply, problem.nowT, times[i]!, end));
  return arcs;
}

/** As much of a pick as is worth carrying home: what is in its prime first; the rest is left. */
export function atMost(fate: Fate, mostG: number): Fate {
  if (massOf(fate) <= mostG) return fate;
  const primeG = Math.min(fate.primeG, mostG);
  const earlyG = Math.min(fate.earlyG, mostG - primeG);
  return { ...fate, primeG, earlyG, pastG: Math.min(fate.pastG, mostG - primeG - earlyG) };
}

/** What is not ready at the end will be picked in its prime, a little later than now (own estimate). */
const UNRIPE_LATER = 0.97;

/**
 * What a crop that is lifted once is worth standing at the end of the plan: what is unripe then will be lifted at its own
 * best time, for the same minutes; so it is never lifted early but for a hazard, a trip or a wish.
 */
function onceLater(problem: PlanProblem, supply: Supply, end: number): number {
  const fate = firstPick(supply, problem.nowT, end);
  const { unready, nearly, ready, past } = supply.days.at(-1)!.chances;
  const standing = massOf({ ...fate, earlyG: 0 });
  const { frost, gale } = survivals(supply, problem.nowT, end);
  const sound = (1 - supply.sickLossShare) ** (end - problem.nowT);
  const unripeG = supply.standingG * (unready + nearly) * frost * gale * sound;
  const ripeShare = ready + past > 1e-9 ? past / (ready + past) : 0;
  const worth = UNRIPE_LATER * unripeG + LATER_SHARE * standing * (1 - ripeShare + supply.pastShare * ripeShare);
  const mass = unripeG + standing;
  const minutes = problem.lineMinutes + mass * supply.minutesPerG;
  const usable = Math.min(1, supply.laterG / Math.max(1e-9, mass));
  return Math.max(0, worth * supply.worthPerG * usable - (minutes * problem.hourWorth) / 60);
}

/** Expected fate of a pick at a slot after the pick at an earlier slot (−1: none yet). */
export const fateOf = (problem: PlanProblem, supply: Supply, previous: number, slot: number): Fate =>
  previous < 0
    ? firstPick(supply, problem.nowT, problem.slots[slot]!.t)
    : nextPick(supply, problem.nowT, problem.slots[previous]!.t, problem.slots[slot]!.t);

/** What a path is charged and held to, by slot. */
export type Prices = {
  perUse: Float64Array;
  perG: Float64Array;
  /** slots it may use (1) */
  usable: Uint8Array;
  /** most that can be taken at each, g; null: no limit */
  mostG: Float64Array | null;
  /** the slots it must use, rising */
  musts: readonly number[];
};
export type BestPath = { value: number; steps: PathStep[] };

/** Room to work in, kept between calls: this is asked a hundred thousand times in one planning. */
let best = new Float64Array(64);
let from = new Int32Array(64);
let order = new Int32Array(64);

/**
 * The best sequence of picks for one planting under prices: exact longest path over the slots in order of time.
 * @returns its value net of prices, and the steps; an empty path is worth what is left standing
 */
export function bestPath(arcs: Arcs, prices: Prices): BestPath {
  const { slots: n, worth, massG, rest } = arcs;
  const { musts, mostG, usable, perUse, perG } = prices;
  const lastMust = musts.at(-1) ?? -1;
  if (best.length < n) {
    best = new Float64Array(2 * n);
    from = new Int32Array(2 * n);
    order = new Int32Array(2 * n);
  }
  let value = lastMust >= 0 ? Number.NEGATIVE_INFINITY : rest[0]!;
  let last = -1;
  let take: Take = "ready";
  let passed = 0;
  let reached = 0;
  for (let j = 0; j < n; j++) {
    if (!usable[j]) continue;
    const price = perG[j]!;
    const most = mostG ? mostG[j]! : Number.POSITIVE_INFINITY;
    if (most < 0) continue;
    const row = j * (n + 1) + 1;
    let top = Number.NEGATIVE_INFINITY;
    let by = -1;
    if (passed === 0 && massG[row - 1]! <= most) top = worth[row - 1]! - price * massG[row - 1]!;
    // what is taken once has no earlier pick
    for (let k = arcs.supply.once ? reached : 0; k < reached; k++) {
      const i = order[k]!;
      const mass = massG[row + i]!;
      const got = best[i]! + worth[row + i]! - price * mass;
      if (got > top && mass <= most) {
        top = got;
        by = i;
      }
    }
    if (top === Number.NEGATIVE_INFINITY) continue;
    top -= perUse[j]!;
    best[j] = top;
    from[j] = by;
    if (j === musts[passed]) {
      // nothing steps over a slot that must be used
      passed += 1;
      reached = 0;
    }
    order[reached++] = j;
    if (j < lastMust) continue;
    if (top + rest[j + 1]! > value + 1e-12) {
      value = top + rest[j + 1]!;
      last = j;
      take = "ready";
    }
    const strips = top + arcs.stripWorth[j]! - price * arcs.stripG[j]!;
    if (strips > value + 1e-12 && massG[row + by]! + arcs.stripG[j]! <= most) {
      value = strips;
      last = j;
      take = "strip";
    }
  }
  if (passed < musts.length) return { value: Number.NEGATIVE_INFINITY, steps: [] };
  const steps: PathStep[] = [];
  for (let j = last; j >= 0; j = from[j]!) steps.push({ slot: j, take: j === last ? take : "ready" });
  return { value, steps: steps.reverse() };
}

/** Mass that a path's step brings, g. */
export function stepG(arcs: Arcs, steps: readonly PathStep[], index: number): number {
  const step = steps[index]!;
  const previous = index === 0 ? -1 : steps[index - 1]!.slot;
  return arcs.massG[arcAt(arcs.slots, previous, step.slot)]! + (step.take === "strip" ? arcs.stripG[step.slot]! : 0);
}

/** Minutes of a path's step at its slot. */
export const stepMinutes = (arcs: Arcs, steps: readonly PathStep[], index: number): number =>
  arcs.lineMinutes + stepG(arcs, steps, index) * arcs.supply.minutesPerG;

/** Worth of a given path without any prices. */
export function pathWorth(arcs: Arcs, steps: readonly PathStep[]): number {
  let worth = 0;
  let previous = -1;
  for (const step of steps) {
    worth += arcs.worth[arcAt(arcs.slots, previous, step.slot)]!;
    if (step.take === "strip") return worth + Math.max(0, arcs.stripWorth[step.slot]!);
    previous = step.slot;
  }
  return worth + arcs.rest[previous + 1]!;
}
