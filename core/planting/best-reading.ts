import type { Crop, Cue } from "../handbook/crop";
import { answersOf, type CueContext, likelihoodOf } from "./cue-kinds";
import { CELLS, chancesOf, entropyBits, type Stage } from "./stage-grid";

/** What a reading of a cue would tell: expected drop in doubt, in bits, and per second it takes. */
export type ReadingWorth = { cue: Cue; bits: number; bitsPerSecond: number };

/** Share of gardeners who can say on which day a flower opened or a haulm died (own estimate). */
const DATE_NOTED = 0.3;

/**
 * The cues of a crop in order of what a reading would tell for the time it takes: for each answer, how likely it
 * is and how much doubt about the four chances it would leave. Override cues have no expected drop and come last.
 */
export function bestReadings(stage: Stage, crop: Crop, context: CueContext): ReadingWorth[] {
  const doubt = entropyBits(chancesOf(stage));
  return crop.cues
    .map((cue) => {
      const noted = cue.kind === "since" ? DATE_NOTED : 1;
      const bits = cue.kind === "event" ? 0 : noted * Math.max(0, doubt - expectedDoubt(stage, cue, context));
      return { cue, bits, bitsPerSecond: bits / cue.seconds };
    })
    .sort((a, b) => b.bitsPerSecond - a.bitsPerSecond);
}

function expectedDoubt(stage: Stage, cue: Cue, context: CueContext): number {
  const likelihoods = answersOf(cue, context).map((answer) => likelihoodOf(cue, answer, context));
  const total = new Float64Array(CELLS);
  for (const l of likelihoods) for (let i = 0; i < CELLS; i++) total[i]! += l[i]!;
  let expected = 0;
  const after = new Float64Array(CELLS);
  for (const l of likelihoods) {
    let chance = 0;
    for (let i = 0; i < CELLS; i++) {
      after[i] = (stage[i]! * l[i]!) / total[i]!;
      chance += after[i]!;
    }
    if (chance < 1e-9) continue;
    for (let i = 0; i < CELLS; i++) after[i]! /= chance;
    expected += chance * entropyBits(chancesOf(after));
  }
  return expected;
}
