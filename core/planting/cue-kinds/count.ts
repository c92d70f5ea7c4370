import { NEARLY_FROM, READY_FROM } from "../stage-grid";
import type { CueKindRules } from "./kind";

/** Chance of overlooking all the ready ones where there are some, of seeing ready ones where none are (own estimates). */
const OVERLOOKED = 0.015;
const MISTAKEN = 0.04;
/** From here on the ripest piece is too old. */
const OVER_FROM = 1.85;

/**
 * Pieces of picking size on the whole planting. What is counted stands there: one ready piece seen is something to
 * take, more of them never make it less ready; none seen means that there is hardly anything.
 */
export const count: CueKindRules<"count"> = {
  kind: "count",
  fault: (_, value) =>
    typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= 10_000
      ? null
      : "a whole number from 0 to 10 000",
  likelihood(cue, value, stage) {
    const from = cue.of === "ready" ? READY_FROM : cue.of === "nearly" ? NEARLY_FROM : OVER_FROM;
    const there = stage >= from - 1e-9;
    if (Number(value) === 0) {
      // no young ones and no old ones says little about whether any are ready
      const blind = cue.of === "ready" ? OVERLOOKED : cue.of === "nearly" ? 0.6 : 0.35;
      return there ? blind : 1;
    }
    if (cue.of === "over") return there ? 1 : 0.25;
    if (cue.of === "nearly") return there ? 1 : 0.2;
    return there ? 1 : MISTAKEN;
  },
  means: (cue, value) =>
    Number(value) === 0 ? "short" : cue.of === "ready" ? "right" : cue.of === "nearly" ? "nearly" : "past",
  answers: () => [0, 1],
};
