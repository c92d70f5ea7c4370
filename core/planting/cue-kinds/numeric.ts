import type { Landmarks, NumericCue, RELIABILITIES } from "../../handbook/crop";
import { LATE_EARLY, PAST_FROM, READY_FROM, stagesAt } from "../stage-grid";
import type { Meaning } from "../verdict";
import { type CueContext, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Landmarks of a cue as the school of the planting sees them. */
export const marksOf = (cue: NumericCue, { school }: CueContext): Landmarks =>
  school.cues[cue.id]?.landmarks ?? cue.marks;

const isLate = (cue: NumericCue): boolean => cue.kind === "percent" && cue.comes === "late";

/** How far the stage of what was read lies from the planting's: the hand, the ruler, the next piece (own estimates). */
const SPREAD: Record<(typeof RELIABILITIES)[number], number> = { high: 0.07, med: 0.1, low: 0.2 };

/** The school's own mark is right for it, a tenth below is not. */
const RIGHT_FROM = 0.992;
const NEARLY_READ = 0.7;
/** How likely a number is read on the wrong side of the school's mark, against the right one (own estimate). */
const BEYOND_MARK = 0.35;

/**
 * Likelihood of a number read at the bed at a stage. The number is turned into the stage that shows it, by the school's
 * landmarks; where several stages show the same (tops all down from ready to the end) none of them is preferred. Beyond
 * the last landmark it is past use, however far beyond.
 */
export function numberLikelihood(cue: NumericCue, value: number, stage: number, context: CueContext): number {
  const [from, to] = stagesAt(marksOf(cue, context), value, isLate(cue));
  const off = stage < from ? from - stage : stage > to ? stage - to : 0;
  const z = off / (SPREAD[cue.reliability] * doubtOf(cue.guessed));
  const slip = SLIP[cue.reliability];
  // at the school's own mark it is ready by the school's own word, short of it it is not: on the other side it counts less
  const otherSide = to >= RIGHT_FROM ? stage < READY_FROM - 1e-9 : stage >= READY_FROM - 1e-9;
  return (1 - slip) * (otherSide ? BEYOND_MARK : 1) * Math.exp(-0.5 * z * z) + slip * SLIP_HEIGHT;
}

/** What a number means by itself. */
export function numberMeans(cue: NumericCue, value: number, context: CueContext): Meaning {
  const marks = marksOf(cue, context);
  const [from, to] = stagesAt(marks, value, isLate(cue));
  if (from >= PAST_FROM && value > marks.upper) return "past";
  if (to >= RIGHT_FROM) return "right";
  // a sign of the end is nearly there from its own early mark on
  return to >= (isLate(cue) ? LATE_EARLY : NEARLY_READ) ? "nearly" : "short";
}

/** Meaning of an answer that stands at a stage of its own. */
export const stageMeans = (at: number): Meaning =>
  at >= 1.85 ? "past" : at >= READY_FROM ? "right" : at >= NEARLY_READ ? "nearly" : "short";
