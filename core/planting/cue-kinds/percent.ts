import type { CueKindRules } from "./kind";
import { numberLikelihood, numberMeans } from "./numeric";

/** A share judged by eye, 0 to 100: around the school's landmarks. */
export const percent: CueKindRules<"percent"> = {
  kind: "percent",
  fault: (_, value) =>
    typeof value === "number" && value >= 0 && value <= 100 ? null : "a share from 0 to 100 percent",
  likelihood: (cue, value, stage, context) => numberLikelihood(cue, Number(value), stage, context),
  means: (cue, value, context) => numberMeans(cue, Number(value), context),
  answers: () => [0, 10, 25, 50, 75, 90, 100],
};
