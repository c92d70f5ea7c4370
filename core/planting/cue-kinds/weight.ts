import { landmarkAt } from "../stage-grid";
import type { CueKindRules } from "./kind";
import { marksOf, numberLikelihood, numberMeans } from "./numeric";

/** Weight of one piece in g: around the school's landmarks. */
export const weight: CueKindRules<"weight"> = {
  kind: "weight",
  fault: (_, value) =>
    typeof value === "number" && value > 0 && value <= 50_000 ? null : "a weight in grams, above zero and up to 50 000",
  likelihood: (cue, value, stage, context) => numberLikelihood(cue, Number(value), stage, context),
  means: (cue, value, context) => numberMeans(cue, Number(value), context),
  answers(cue, context) {
    const marks = marksOf(cue, context);
    return [0.3, 0.7, 1, 1.3, 1.7, 2].map((s) => Math.max(1, Math.round(landmarkAt(marks, s))));
  },
};
