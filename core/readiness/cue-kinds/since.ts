import { landmarkAt } from "../stage-grid";
import { type CueKindRules, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Spread of the days from an event to a stage, as a share of them: warm and cool years differ. */
const SPREAD = { high: 0.12, med: 0.18, low: 0.28 };

/** Days since a dated event (flower, set, silk): normal around the landmark curve, wider the longer it takes. */
export const since: CueKindRules<"since"> = {
  kind: "since",
  fault: (_, value) =>
    typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= 400
      ? null
      : "whole days, from 0 to 400",
  likelihood(cue, value, stage, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    const spread = Math.max(1, marks.ready * SPREAD[cue.reliability] * doubtOf(cue.guessed));
    const z = (Number(value) - landmarkAt(marks, stage)) / spread;
    return (1 - SLIP[cue.reliability]) * Math.exp(-0.5 * z * z) + SLIP[cue.reliability] * SLIP_HEIGHT;
  },
  answers(cue, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    return [...new Set([0.3, 0.7, 1, 1.3, 1.7, 2].map((s) => Math.round(landmarkAt(marks, s))))];
  },
  say: (cue, value) => `${value} ${Number(value) === 1 ? cue.label.replace(/^days/, "day") : cue.label}`,
};
