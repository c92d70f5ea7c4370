import type { Landmarks } from "../handbook/crop";

/** Cells of the stage grid: 0 unready, 1 at the chosen target, 2 past use. */
export const CELLS = 161;
export const STEP = 2 / (CELLS - 1);
/** Stage at the middle of each cell. */
export const STAGES: Float64Array = Float64Array.from({ length: CELLS }, (_, i) => i * STEP);

/** A probability distribution over stage. */
export type Stage = Float64Array<ArrayBuffer>;

/** From where a crop counts as nearly ready, and as past. */
export const NEARLY_FROM = 0.78;
export const READY_FROM = 1;
export const PAST_FROM = 1.94;

export type StageChances = { unready: number; nearly: number; ready: number; past: number };

/** The distribution of a planting just begun: all at zero, the least spread the grid can hold. */
export function freshStage(): Stage {
  const stage = new Float64Array(CELLS);
  stage[0] = 0.8;
  stage[1] = 0.2;
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
