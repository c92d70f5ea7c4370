import { sayLength } from "../../units/say";
import { landmarkAt } from "../stage-grid";
import { type CueKindRules, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Spread of one measured piece around the planting's middle, as a share of its size. */
const SPREAD = { high: 0.14, med: 0.22, low: 0.38 };

/** A length or width in mm: log-normal around the landmark curve, with a floor for slips. */
export const measure: CueKindRules<"measure"> = {
  kind: "measure",
  fault: (_, value) =>
    typeof value === "number" && value > 0 && value <= 3000 ? null : "a size in millimetres, above zero and up to 3000",
  likelihood(cue, value, stage, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    const spread = SPREAD[cue.reliability] * doubtOf(cue.guessed);
    const z = Math.log(Number(value) / landmarkAt(marks, stage)) / spread;
    return (1 - SLIP[cue.reliability]) * Math.exp(-0.5 * z * z) + SLIP[cue.reliability] * SLIP_HEIGHT;
  },
  answers(cue, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    return [0.2, 0.5, 0.75, 0.95, 1.15, 1.4, 1.7, 2].map((s) => Math.round(landmarkAt(marks, s)));
  },
  say: (cue, value, system) => `${cue.label} ${sayLength(Number(value), system)}`,
};
