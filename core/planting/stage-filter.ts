import { CELLS, READY_FROM, STEP, type Stage } from "./stage-grid";

/**
 * How far one day carries the stage and the spread that a whole unit of stage gathers: `set` while the plant has not
 * set the piece yet, `before` from there to readiness, `after` from then on.
 * `holdAt`: from this stage up to readiness nothing moves today (bulbs wait for longer days); absent when nothing waits.
 */
export type DayStep = {
  /** absent: the piece is as old as the plant, and there is only one way to readiness */
  set?: { by: number; spread: number };
  before: number;
  after: number;
  spreadBefore: number;
  spreadAfter: number;
  holdAt?: number;
};

/** Stage at which a fruit or pod is set: what the plant needs before it is the stretch below. */
export const SET_STAGE = 0.2;
const SET_CELL = Math.round(SET_STAGE / STEP);

/**
 * The distribution a day later: every cell drifts by the day's progress and spreads by what is unknown. Each cell's
 * mass goes to three neighbours that keep mean and variance; the last cell holds what is past use. Mass is kept
 * exactly, and more progress never makes readiness less likely.
 *
 * @param into a grid to write into; must not be the one read
 */
export function predictDay(stage: Stage, step: DayStep, into: Stage): Stage {
  into.fill(0);
  const held = step.holdAt === undefined ? READY_CELL : Math.min(READY_CELL, Math.ceil(step.holdAt / STEP - 1e-9));
  const set = step.set ? Math.min(SET_CELL, held) : 0;
  if (step.set) spread(stage, 0, set, kernel(step.set.by, step.set.spread), into);
  spread(stage, set, held, kernel(step.before, step.spreadBefore), into);
  for (let i = held; i < READY_CELL; i++) into[i]! += stage[i]!;
  spread(stage, READY_CELL, CELLS, kernel(step.after, step.spreadAfter), into);
  return into;
}

/** First cell of what has reached its target. */
const READY_CELL = Math.round(READY_FROM / STEP);

/** Adds the cells from one to another, moved and spread, to a grid; what would leave it stays in its last cell. */
function spread(stage: Stage, from: number, to: number, k: Kernel, into: Stage): void {
  const { shift, low, mid, high } = k;
  const clamp = (cell: number) => (cell < 0 ? 0 : cell >= CELLS ? CELLS - 1 : cell);
  for (let i = from; i < to; i++) {
    const p = stage[i]!;
    if (p === 0) continue;
    const centre = i + shift;
    if (centre > 0 && centre < CELLS - 1) {
      into[centre - 1]! += p * low;
      into[centre]! += p * mid;
      into[centre + 1]! += p * high;
    } else {
      into[clamp(centre - 1)]! += p * low;
      into[clamp(centre)]! += p * mid;
      into[clamp(centre + 1)]! += p * high;
    }
  }
}

type Kernel = { shift: number; low: number; mid: number; high: number };

/** Three weights around a whole shift with the mean and variance of one day's step, in cells. */
function kernel(progress: number, spread: number): Kernel {
  const mean = Math.max(0, progress) / STEP;
  const shift = Math.round(mean);
  const offset = mean - shift;
  const least = Math.abs(offset) - offset * offset;
  const variance = Math.min(
    1 - offset * offset,
    Math.max(least, (spread * spread * Math.max(0, progress)) / (STEP * STEP)),
  );
  const square = variance + offset * offset;
  return { shift, low: (square - offset) / 2, mid: 1 - square, high: (square + offset) / 2 };
}

/**
 * Bayes' rule on the grid: each cell times its likelihood, made to sum to one again, in place.
 * @returns false, leaving the grid as it was, when the reading is impossible everywhere
 */
export function observe(stage: Stage, likelihood: Float64Array): boolean {
  let total = 0;
  for (let i = 0; i < CELLS; i++) total += stage[i]! * likelihood[i]!;
  if (!(total > 1e-300)) return false;
  for (let i = 0; i < CELLS; i++) stage[i] = (stage[i]! * likelihood[i]!) / total;
  return true;
}

/** Part of the crop starts its clock again: a mixture of the grid and a fresh one, in place. */
export function restart(stage: Stage, share: number, fresh: Stage): void {
  for (let i = 0; i < CELLS; i++) stage[i] = (1 - share) * stage[i]! + share * fresh[i]!;
}
