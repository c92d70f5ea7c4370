import { landmarkAt } from "../stage-grid";
import { type CueKindRules, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Counts vary more between plants than chance alone: the variance is this many times the mean. */
const OVERDISPERSION = 3;

/** Pieces of picking size on the whole planting: a widened Poisson around the landmark curve per plant. */
export const count: CueKindRules<"count"> = {
  kind: "count",
  fault: (_, value) =>
    typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= 10_000
      ? null
      : "a whole number from 0 to 10 000",
  likelihood(cue, value, stage, { school, plants }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    const mean = Math.max(0.05, landmarkAt(marks, stage) * plants);
    const n = Number(value);
    // Poisson log-likelihood relative to its best, shared out over the extra variance
    const log = (n > 0 ? n * Math.log(mean / n) : 0) - mean + n;
    const slip = SLIP[cue.reliability];
    return (1 - slip) * Math.exp(log / (OVERDISPERSION * doubtOf(cue.guessed) ** 2)) + slip * SLIP_HEIGHT;
  },
  answers(cue, { school, plants }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    return [...new Set([0, 0.6, 1, 1.25, 1.5, 2].map((s) => Math.round(landmarkAt(marks, s) * plants)))];
  },
  say: (cue, value) => `${value} ${cue.label}`,
};
