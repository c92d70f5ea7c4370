import { type Assignment, assign } from "./assign";
import { frameOf } from "./frame";
import { type Arcs, arcsOf, type PathStep, pathWorth, stepMinutes } from "./paths";
import type { PlanProblem } from "./problem";
import { refine } from "./refine";
import { noPrices, nudge, relax } from "./relax";
import { search } from "./search";

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
  /** wishes that could not be met, in words */
  unmet: string[];
};

/** Rounds of prices; a plan is made from them every tenth, and the step shortens after this many without a better bound. */
const ROUNDS_OF_PRICES = 150;
const PLAN_EVERY = 10;
const PATIENCE = 8;

/**
 * Plans which slots to open and what to take in each: most worth less minutes, within each slot's minutes.
 * Outside, prices on "this slot must be open" and on its minutes (Lagrangian relaxation by subgradient, which gives
 * the bound); inside, an exact path for each planting; then a search over opened slots from the best prices.
 * Deterministic: the same problem gives the same plan.
 */
export function plan(problem: PlanProblem): Plan {
  const frame = frameOf(
    problem,
    problem.supplies.map((s) => arcsOf(problem, s)),
  );
  const prices = noPrices(frame);
  let best: Assignment = assign(frame, frame.forced, prices.minute);
  let bestPrice = prices.minute.slice();
  let bound = Number.POSITIVE_INFINITY;
  const tried = new Set<string>();
  let pace = 1;
  let sinceBetter = 0;
  for (let round = 0; round < ROUNDS_OF_PRICES; round++) {
    const relaxed = relax(frame, prices);
    if (relaxed.bound < bound - 1e-9) {
      bound = relaxed.bound;
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
      const key = open.join("");
      if (!tried.has(key)) {
        tried.add(key);
        const found = assign(frame, open, prices.minute);
        if (found.value > best.value + 1e-9) {
          best = found;
          bestPrice = prices.minute.slice();
        }
      }
    }
    if (relaxed.slope < 1e-12) break;
    nudge(frame, prices, relaxed, (pace * Math.max(1e-6, bound - best.value)) / relaxed.slope);
  }
  const refined = refine(frame, search(frame, best, bestPrice));
  best = refined.best;
  bound = refined.proven ? best.value : Math.max(bound, best.value);
  const gap = bound > 1e-9 ? Math.max(0, (bound - best.value) / bound) : 0;
  return { schedule: best.schedule, value: best.value, bound, gap, unmet: [...frame.contradictions, ...best.unmet] };
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
  let minutes = 0;
  for (let j = 0; j < minutesBySlot.length; j++)
    if (minutesBySlot[j]! > 0) minutes += minutesBySlot[j]! + problem.roundMinutes;
  return { worth, value: worth - (minutes * problem.hourWorth) / 60, minutesBySlot };
}
