import { landmarkAt } from "../stage-grid";
import type { CueKindRules } from "./kind";
import { marksOf, numberLikelihood, numberMeans } from "./numeric";

/** A length or width in mm: around the school's landmarks. */
export const measure: CueKindRules<"measure"> = {
  kind: "measure",
  fault: (_, value) =>
    typeof value === "number" && value > 0 && value <= 3000 ? null : "a size in millimetres, above zero and up to 3000",
  likelihood: (cue, value, stage, context) => numberLikelihood(cue, Number(value), stage, context),
  means: (cue, value, context) => numberMeans(cue, Number(value), context),
  answers(cue, context) {
    const marks = marksOf(cue, context);
    return [0.2, 0.5, 0.75, 0.95, 1.15, 1.4, 1.7, 2].map((s) => Math.round(landmarkAt(marks, s)));
  },
};
