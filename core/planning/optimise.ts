import { type Assignment, assign, keptPlan } from "./assign";
import { beam } from "./beam";
import { storesFilled } from "./fill";
import { type Frame, frameOf, overfilled } from "./frame";
import { type Arcs, arcsOf, type PathStep, pathWorth, stepMinutes } from "./paths";
import type { PlanProblem } from "./problem";
import { polish, refine } from "./refine";
import { noPrices, nudge, relax, type SlotPrices } from "./relax";
import { tempering } from "./temper";
import { toGoOf } from "./to-go";

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
  /** wishes that could not be met, in words */
  unmet: string[];
};

/** Rounds of prices; a plan is made from them every tenth, and the step shortens after this many without a better bound. */
const ROUNDS_OF_PRICES = 150;
const PLAN_EVERY = 10;
const PATIENCE = 8;
/** States that a beam goes on from after each hour at 40 plantings; fewer where there are more of these. */
const WIDTH = 60;
const LEAST_WIDTH = 10;
/** One beam for each: so many of its states may have taken the same of what can be taken only once. */
const ALIKE = [2, 20];
/** Where stores bind, another beam found nothing that was missed. */
const ALIKE_WITH_STORES = [2];
/** Plans that are bettered line by line, and in how many turns at 40 plantings: the best of them again, and longer. */
const MOST_BEGINNINGS = 10;
const HEATS = [
  { keep: 10, turns: 8_000 },
  { keep: 5, turns: 24_000 },
  { keep: 2, turns: 80_000 },
];
/**
 * All that is done so many times from other chances, and the winners meet in a last heat. Where stores bind, many plans
 * are nearly the best and quite unlike each other: several short cups find more than one long one (by trial).
 */
const CUPS = 1;
const CUPS_WITH_STORES = 5;
const LAST_HEAT = { keep: 2, turns: 220_000 };
const SEEDS_APART = 100;
/** So many heats are run in any case; the others only where those brought something. */
const LEAST_HEATS = 2;
const USUAL_PLANTINGS = 40;

/**
 * Plans which slots to open and what to take in each: most worth less minutes, within each slot's minutes and what
 * the stores hold. Deterministic: the same problem gives the same plan.
 */
export function plan(problem: PlanProblem): Plan {
  let last: Plan | null = null;
  for (const made of planning(problem)) last = made;
  return last!;
}

/** Keeps the best few of several plans, best first, in place; of two that are worth the same the first. */
export function keepBest(best: Assignment[], made: Assignment, keep: number): void {
  if (best.some((b) => Math.abs(b.value - made.value) < 1e-9)) return;
  best.push(made);
  best.sort((a, b) => b.value - a.value);
  if (best.length > keep) best.pop();
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
 * inside; then plans laid out hour by hour with these prices in view; and at the end single lines shifted about in the
 * best of these.
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
      const key = open.join("");
      if (!tried.has(key)) {
        tried.add(key);
        const found = assign(frame, open, prices);
        if (found.value > best.value + 1e-9) best = found;
      }
      yield said();
    }
    if (relaxed.slope < 1e-12) break;
    nudge(frame, prices, relaxed, (pace * Math.max(1e-6, bound - best.value)) / relaxed.slope);
  }
  const beginnings: Assignment[] = [best];
  const toGo = toGoOf(frame, bestPrices);
  const width = Math.max(LEAST_WIDTH, Math.min(WIDTH, Math.round((WIDTH * USUAL_PLANTINGS) / problem.supplies.length)));
  const storesBind = bestPrices.store.some((price) => price > 0);
  for (const alike of storesBind ? ALIKE_WITH_STORES : ALIKE) {
    const laying = beam(frame, toGo, width, alike);
    let laid = laying.next();
    for (; !laid.done; laid = laying.next()) yield said();
    for (const made of laid.value) keepBest(beginnings, made, MOST_BEGINNINGS);
  }
  best = beginnings[0]!;
  const exact = refine(frame, best);
  best = exact.best;
  if (!exact.proven && best.value < bound - 1e-6 * Math.abs(bound)) {
    const minuteWorth = frame.perMinute + bestPrices.minute.reduce((sum, m) => sum + m, 0) / frame.n;
    const pool = [best, ...beginnings.filter((b) => b.value < best.value)];
    for (const better of heated(frame, pool, minuteWorth, storesBind ? CUPS_WITH_STORES : CUPS)) {
      best = better;
      yield said();
    }
  }
  if (!exact.proven) best = polish(frame, best);
  yield said(exact.proven);
}

/**
 * Betters plans line by line, best first: many a little, the best of them more and more, looking where these differ.
 * @returns the best so far
 */
function* heated(
  frame: Frame,
  beginnings: readonly Assignment[],
  minuteWorth: number,
  cups: number,
): Generator<Assignment> {
  const temper = tempering(frame, minuteWorth);
  const share = Math.min(1, frame.arcs.length / USUAL_PLANTINGS);
  let best = beginnings[0]!;
  let seed = 0;
  const heat = function* (
    pool: readonly Assignment[],
    { keep, turns } = LAST_HEAT,
  ): Generator<Assignment, Assignment[]> {
    const made: Assignment[] = [];
    for (const [k, from] of pool.slice(0, keep).entries()) {
      let last = from;
      for (const found of temper.better(from, Math.ceil(turns * share), seed + keep + k)) {
        last = found;
        if (found.value > best.value) best = found;
        yield best;
      }
      made.push(last);
    }
    return made.sort((a, b) => b.value - a.value);
  };
  const winners: Assignment[] = [];
  for (let cup = 0; cup < cups; cup++) {
    seed = cup * SEEDS_APART;
    temper.lookEverywhere();
    let pool = beginnings;
    for (const [k, size] of HEATS.entries()) {
      if (k > 0) temper.lookWhereTheyDiffer(pool);
      pool = yield* heat(pool, size);
      if (k + 1 >= LEAST_HEATS && best === beginnings[0]) return;
    }
    winners.push(...pool);
  }
  winners.sort((a, b) => b.value - a.value);
  temper.lookWhereTheyDiffer(winners);
  yield* heat(winners);
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
