import { landmarkAt } from "../stage-grid";
import type { CueKindRules } from "./kind";
import { marksOf, numberLikelihood, numberMeans } from "./numeric";

/** Days since a dated event (flower, set, silk): around the school's landmarks. */
export const since: CueKindRules<"since"> = {
  kind: "since",
  fault: (_, value) =>
    typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= 400
      ? null
      : "whole days, from 0 to 400",
  likelihood: (cue, value, stage, context) => numberLikelihood(cue, Number(value), stage, context),
  means: (cue, value, context) => numberMeans(cue, Number(value), context),
  answers(cue, context) {
    const marks = marksOf(cue, context);
    return [...new Set([0.3, 0.7, 1, 1.3, 1.7, 2].map((s) => Math.round(landmarkAt(marks, s))))];
  },
};
