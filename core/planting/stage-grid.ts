import type { Day } from "../calendar/day";
import type { Landmarks } from "../handbook/crop";

/** Cells of the stage grid: 0 unready, 1 at the chosen target, 2 past use. */
export const CELLS = 161;
export const STEP = 2 / (CELLS - 1);
/** Stage at the middle of each cell. */
export const STAGES: Float64Array = Float64Array.from({ length: CELLS }, (_, i) => i * STEP);

/** A probability distribution over stage. */
export type Stage = Float64Array<ArrayBuffer>;

/**
 * From where a crop counts as nearly ready, ready, and past. Ready begins a little below the target: nobody's eye tells
 * 95 from 100 %, and who stands at the bed takes it.
 */
export const NEARLY_FROM = 0.78;
export const READY_FROM = 0.95;
export const PAST_FROM = 1.94;

export type StageChances = { unready: number; nearly: number; ready: number; past: number };
/** The chances of one day. */
export type DayChances = StageChances & { day: Day; meanStage: number };

/** The distribution of a planting just begun: all at zero, the least spread the grid can hold. */
export function freshStage(): Stage {
  const stage = new Float64Array(CELLS);
  stage[0] = 0.8;
  stage[1] = 0.2;
  return stage;
}

/**
 * The distribution just after everything ready was taken from what bears on: the next handful is so far below the target
 * as its pieces take to come, a gamma distribution (pieces come one after the other, by chance).
 * @param gap mean distance of the next handful below the target, in stage
 * @param pieces pieces of a handful: the more, the surer the distance
 */
export function pickedStage(gap: number, pieces: number): Stage {
  const stage = new Float64Array(CELLS);
  const shape = Math.min(12, Math.max(1, pieces));
  const scale = Math.max(STEP / 2, gap) / shape;
  const ready = Math.round(READY_FROM / STEP);
  let total = 0;
  for (let i = 0; i < ready; i++) {
    const below = (ready - i) * STEP;
    const p = Math.exp((shape - 1) * Math.log(below / scale) - below / scale);
    stage[i] = p;
    total += p;
  }
  if (!(total > 1e-200)) {
    stage.fill(0);
    stage[0] = 1;
    return stage;
  }
  for (let i = 0; i < ready; i++) stage[i] = stage[i]! / total;
  return stage;
}

/** Sums a distribution into the four chances shown to the gardener; they add up to 1. */
export function chancesOf(stage: Stage): StageChances {
  const chances = { unready: 0, nearly: 0, ready: 0, past: 0 };
  for (let i = 0; i < CELLS; i++) {
    const s = STAGES[i]!;
    const p = stage[i]!;
    if (s < NEARLY_FROM - 1e-9) chances.unready += p;
    else if (s < READY_FROM - 1e-9) chances.nearly += p;
    else if (s < PAST_FROM) chances.ready += p;
    else chances.past += p;
  }
  return chances;
}

/** Mean stage. */
export function meanStage(stage: Stage): number {
  let mean = 0;
  for (let i = 0; i < CELLS; i++) mean += STAGES[i]! * stage[i]!;
  return mean;
}

/** Shannon entropy in bits of the four chances. */
export function entropyBits(chances: StageChances): number {
  let bits = 0;
  for (const p of [chances.unready, chances.nearly, chances.ready, chances.past])
    if (p > 1e-12) bits -= p * Math.log2(p);
  return bits;
}

/** The landmark curve read at a stage: straight lines between start 0, early 0.6, ready 1, upper 1.5, past 2. */
export function landmarkAt(marks: Landmarks, stage: number): number {
  const between = (from: number, to: number, share: number) => from + (to - from) * share;
  if (stage <= 0.6) return between(marks.start, marks.early, stage / 0.6);
  if (stage <= 1) return between(marks.early, marks.ready, (stage - 0.6) / 0.4);
  if (stage <= 1.5) return between(marks.ready, marks.upper, (stage - 1) / 0.5);
  return between(marks.upper, marks.past, (stage - 1.5) / 0.5);
}

/** A sign of the end is not seen before the first of these, and stands at its early mark at the second (own estimate). */
const LATE_FROM = 0.82;
export const LATE_EARLY = 0.9;
/** So little of it, as a share of its early mark, is none. */
const HARDLY = 0.4;
/** A sign that ends with all of it (every top down) is as good the day after: it says ready, never spoilt. */
const ALL_OF_IT = 95;

/**
 * The stages at which a landmark curve shows a value, lowest and highest: one stage, or a stretch where the curve stands
 * still. Below the first landmark stage 0, beyond the last one past use.
 * @param late a sign of the end: nothing of it says only that the end is not near
 */
export function stagesAt(marks: Landmarks, value: number, late = false): [number, number] {
  const steps: [number, number][] = [
    [late ? LATE_FROM : 0, marks.start],
    [late ? LATE_EARLY : 0.6, marks.early],
    [1, marks.ready],
    [1.5, marks.upper],
    [2, marks.past],
  ];
  if (value > marks.past) return [2, 2];
  if (value < marks.start) return [0, 0];
  const at = (pick: "first" | "last"): number => {
    const order = pick === "first" ? [0, 1, 2, 3] : [3, 2, 1, 0];
    for (const i of order) {
      const [s0, v0] = steps[i]!;
      const [s1, v1] = steps[i + 1]!;
      if (value < v0 || value > v1) continue;
      if (v1 === v0) return pick === "first" ? s0 : s1;
      return s0 + ((s1 - s0) * (value - v0)) / (v1 - v0);
    }
    return 2;
  };
  if (late && value >= marks.upper && marks.past >= ALL_OF_IT) return [1.2, 2];
  const hardly = value <= marks.start + HARDLY * (marks.early - marks.start);
  return [late && hardly ? 0 : at("first"), at("last")];
}
