import type { PlanProblem } from "../question/problem";
import { type Assignment, assign, keptPlan } from "./assign";
import { storesFilled } from "./fill";
import { frameOf, overfilled, type Unmet } from "./frame";
import { type Arcs, arcsOf, type PathStep, pathWorth, stepMinutes } from "./paths";
import { polish, refine } from "./refine";
import { noPrices, nudge, relax, type SlotPrices } from "./relax";

const copyOf = ({ link, minute, store }: SlotPrices): SlotPrices => ({
  link: link.map((l) => l.slice()),
  minute: minute.slice(),
  store: store.slice(),
});

/** Steps of every planting, in the order of the problem's supplies. */
export type Schedule = PathStep[][];

export type Plan = {
  schedule: Schedule;
  /** worth less minutes, in kilos of potatoes */
  value: number;
  /** no plan within the limits can be worth more */
  bound: number;
  /** (bound − value) as a share of the bound */
  gap: number;
  /** wishes that could not be met */
  unmet: Unmet[];
};

/** Rounds of prices; a plan is made from them every tenth, and the step shortens after this many without a better bound. */
const ROUNDS_OF_PRICES = 150;
const PLAN_EVERY = 10;
const PATIENCE = 8;
/** Times that every slot is tried open and shut in the best plan; it ends sooner where that brings nothing. */
const PASSES = 3;

/**
 * Plans which slots to open and what to take in each: most worth less minutes, within each slot's minutes and what
 * the stores hold. Deterministic: the same problem gives the same plan.
 */
export function plan(problem: PlanProblem): Plan {
  let last: Plan | null = null;
  for (const made of planning(problem)) last = made;
  return last!;
}

/** The best plan found within so many milliseconds; there is always one. @param now a clock in ms */
export function planWithin(problem: PlanProblem, limitMs: number, now: () => number): Plan {
  const until = now() + limitMs;
  let last: Plan | null = null;
  for (const made of planning(problem)) {
    last = made;
    if (now() >= until) break;
  }
  return last!;
}

/**
 * A plan and ever better ones, until nothing more is tried. First prices on "this slot must be open", on its minutes
 * and on the stores (Lagrangian relaxation by subgradient, which gives the bound), with an exact path for each planting
 * inside; then local search: each slot opened and shut in the best plan; at the end branch and bound where the slots are
 * few, and single paths against stores filled to the brim.
 *
 * A beam search and simulated annealing after that were tried for a year of gardens: they bring the gap from 1.9 to
 * 0.7 %, in eight times the time, and the season trial no kilo (bench/planner.md, bench/season.md). So they are not here.
 */
export function* planning(problem: PlanProblem): Generator<Plan> {
  const frame = frameOf(
    problem,
    problem.supplies.map((s) => arcsOf(problem, s)),
  );
  const prices = noPrices(frame);
  let best: Assignment = assign(frame, frame.forced, prices);
  let bestPrices = copyOf(prices);
  const before = keptPlan(frame);
  if (before && before.value > best.value) best = before;
  let bound = Number.POSITIVE_INFINITY;
  const said = (proven = false): Plan => {
    const top = proven ? best.value : Math.max(bound, best.value);
    return {
      schedule: best.schedule,
      value: best.value,
      bound: top,
      gap: top > 1e-9 ? Math.max(0, (top - best.value) / top) : 0,
      unmet: [...frame.contradictions, ...best.unmet],
    };
  };
  const tried = new Set<string>();
  /** Makes a plan for a set of open slots, once. */
  const attempt = (open: Uint8Array, at: SlotPrices): void => {
    const key = open.join("");
    if (tried.has(key)) return;
    tried.add(key);
    const found = assign(frame, open, at);
    if (found.value > best.value + 1e-9) best = found;
  };
  let pace = 1;
  let sinceBetter = 0;
  for (let round = 0; round < ROUNDS_OF_PRICES; round++) {
    const relaxed = relax(frame, prices);
    if (relaxed.bound < bound - 1e-9) {
      bound = relaxed.bound;
      bestPrices = copyOf(prices);
      sinceBetter = 0;
    } else if (++sinceBetter >= PATIENCE) {
      pace *= 0.6;
      sinceBetter = 0;
    }
    if (round % PLAN_EVERY === 0 || round === ROUNDS_OF_PRICES - 1) {
      const open = frame.forced.slice();
      problem.slots.forEach((s, j) => {
        if (s.allowed && (relaxed.open[j] || relaxed.uses[j]! >= 2)) open[j] = 1;
      });
      attempt(open, prices);
      yield said();
    }
    if (relaxed.slope < 1e-12) break;
    nudge(frame, prices, relaxed, (pace * Math.max(1e-6, bound - best.value)) / relaxed.slope);
  }
  for (let pass = 0; pass < PASSES; pass++) {
    const before = best.value;
    for (let j = 0; j < frame.n; j++) {
      if (!problem.slots[j]!.allowed || frame.forced[j]) continue;
      const open = best.open.slice();
      open[j] = 1 - open[j]!;
      attempt(open, bestPrices);
      yield said();
    }
    if (best.value <= before + 1e-9) break;
  }
  const exact = refine(frame, best);
  best = exact.proven ? exact.best : polish(frame, exact.best);
  yield said(exact.proven);
}

export type Outcome = { worth: number; value: number; minutesBySlot: Float64Array };

/** What a given schedule is worth, whoever made it: for comparing a hand-moved round with the plan before. */
export function outcomeOf(problem: PlanProblem, arcs: readonly Arcs[], schedule: Schedule): Outcome {
  const minutesBySlot = new Float64Array(problem.slots.length);
  let worth = 0;
  schedule.forEach((steps, p) => {
    worth += pathWorth(arcs[p]!, steps);
    steps.forEach((step, k) => {
      minutesBySlot[step.slot]! += stepMinutes(arcs[p]!, steps, k);
    });
  });
  if (problem.stores?.length) worth -= overfilled(problem, storesFilled(problem, schedule));
  let minutes = 0;
  for (let j = 0; j < minutesBySlot.length; j++)
    if (minutesBySlot[j]! > 0) minutes += minutesBySlot[j]! + problem.roundMinutes;
  return { worth, value: worth - (minutes * problem.hourWorth) / 60, minutesBySlot };
}
