import type { CueKindRules } from "./kind";

/** A yes that overrides the stage. As evidence about the stage it says nothing; the verdict handles it. */
export const event: CueKindRules<"event"> = {
  kind: "event",
  fault: (_, value) => (typeof value === "boolean" ? null : "yes or no"),
  likelihood: () => 1,
  means: () => "short",
  answers: () => [],
};
