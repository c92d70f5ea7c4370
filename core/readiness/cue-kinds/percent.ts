import { landmarkAt } from "../stage-grid";
import { type CueKindRules, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Spread of a share judged by eye, percentage points. */
const SPREAD = { high: 11, med: 15, low: 24 };

/** A share judged by eye, 0 to 100: normal around the landmark curve, with a floor for slips. */
export const percent: CueKindRules<"percent"> = {
  kind: "percent",
  fault: (_, value) =>
    typeof value === "number" && value >= 0 && value <= 100 ? null : "a share from 0 to 100 percent",
  likelihood(cue, value, stage, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    const z = (Number(value) - landmarkAt(marks, stage)) / (SPREAD[cue.reliability] * doubtOf(cue.guessed));
    return (1 - SLIP[cue.reliability]) * Math.exp(-0.5 * z * z) + SLIP[cue.reliability] * SLIP_HEIGHT;
  },
  answers: () => [0, 10, 25, 50, 75, 90, 100],
  say: (cue, value) => `${cue.label} ${Math.round(Number(value))} %`,
};
