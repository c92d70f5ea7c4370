import { type Assignment, assign, keptPlan } from "./assign";
import { addTo, drawer, drawPlan, keepBest, noMix } from "./blend";
import { storesFilled } from "./fill";
import { frameOf, overfilled } from "./frame";
import { type Arcs, arcsOf, type PathStep, pathWorth, stepMinutes } from "./paths";
import type { PlanProblem } from "./problem";
import { polish, refine } from "./refine";
import { noPrices, nudge, relax } from "./relax";
import { dice, relay, search } from "./search";
import { tempering } from "./temper";

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
/** Short searches from one beginning, before the best of them is gone on with. */
const HEATS = 5;
/** What came of a heat counts in the mix like so many rounds of prices. */
const LEARNED = 20;
/** A drawn plan this far below the best, as a share of it, is not gone on from. */
const FAR = 0.012;
/** Plans drawn from the mix of paths that the prices chose. */
const DRAWS = 60;
/** At the end single lines are shifted about, so many times from the best plan so far. */
const TEMPERINGS = 10;
const TEMPERING_TURNS = 30_000;
/** Turns of relaying: as many as a second or so bears, more where there are few plantings, fewer where stores bind. */
const turnsFor = ({ supplies, stores = [] }: PlanProblem): number =>
  Math.round(Math.min(2200, (stores.length > 0 ? 45_000 : 90_000) / Math.max(1, supplies.length)));

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
 * A plan and ever better ones, until nothing more is tried. Outside, prices on "this slot must be open", on its minutes
 * and on the stores (Lagrangian relaxation by subgradient, which gives the bound); inside, an exact path for each
 * planting; then a search over opened slots from the best prices, and lines laid out anew a few slots at a time.
 */
export function* planning(problem: PlanProblem): Generator<Plan> {
  const frame = frameOf(
    problem,
    problem.supplies.map((s) => arcsOf(problem, s)),
  );
  const prices = noPrices(frame);
  let best: Assignment = assign(frame, frame.forced, prices);
  let bestPrice = prices.minute.slice();
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
  const mix = noMix(frame);
  let pace = 1;
  let sinceBetter = 0;
  for (let round = 0; round < ROUNDS_OF_PRICES; round++) {
    const relaxed = relax(frame, prices);
    addTo(mix, relaxed.paths);
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
        const found = assign(frame, open, prices);
        if (found.value > best.value + 1e-9) {
          best = found;
          bestPrice = prices.minute.slice();
        }
      }
      yield said();
    }
    if (relaxed.slope < 1e-12) break;
    nudge(frame, prices, relaxed, (pace * Math.max(1e-6, bound - best.value)) / relaxed.slope);
  }
  for (const better of search(frame, best)) {
    best = better;
    yield said();
  }
  const exact = refine(frame, best);
  best = exact.best;
  if (!exact.proven && best.value < bound - 1e-6 * Math.abs(bound)) {
    // several beginnings, for chance may lead astray: the best so far and plans drawn from what prices chose; the best
    // of them is gone on with
    const turns = turnsFor(problem);
    let draw = drawer(frame, mix);
    const roll = dice(frame.n + 31);
    const drawn: Assignment[] = [];
    for (let k = 0; k < DRAWS; k++) {
      keepBest(drawn, drawPlan(frame, draw, roll), HEATS);
      if (k % 10 === 0) yield said();
    }
    // what was drawn far below the best is no beginning
    const from = [best, ...drawn.filter((d) => d.value > best.value - FAR * Math.abs(best.value))];
    for (let heat = 0; heat <= HEATS; heat++) {
      let top = best;
      for (const found of relay(
        frame,
        heat < HEATS ? (from[heat] ?? best) : best,
        bestPrice,
        draw,
        (turns / (HEATS + 2)) * (heat < HEATS ? 1 : 2),
        heat,
      )) {
        top = found;
        if (found.value > best.value) best = found;
        yield said();
      }
      // what came of a heat is drawn the more in the next ones
      const paths = top.schedule.map((steps) => ({ steps }));
      for (let k = 0; k < LEARNED; k++) addTo(mix, paths);
      draw = drawer(frame, mix);
    }
    const usualPrice = frame.perMinute + bestPrice.reduce((sum, m) => sum + m, 0) / frame.n;
    const temper = tempering(frame, usualPrice);
    for (let k = 0; k < TEMPERINGS; k++) {
      const found = temper(best, TEMPERING_TURNS, k);
      if (found.value > best.value) best = found;
      yield said();
    }
  }
  if (!exact.proven) best = polish(frame, best);
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
