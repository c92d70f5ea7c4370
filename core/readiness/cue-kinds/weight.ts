import { sayMass } from "../../units/mass";
import { landmarkAt } from "../stage-grid";
import { type CueKindRules, doubtOf, SLIP, SLIP_HEIGHT } from "./kind";

/** Spread of the weight of one piece around the planting's middle: three times that of its width, nearly. */
const SPREAD = { high: 0.35, med: 0.5, low: 0.75 };

/** Weight of one piece in g: log-normal around the landmark curve, with a floor for slips. */
export const weight: CueKindRules<"weight"> = {
  kind: "weight",
  fault: (_, value) =>
    typeof value === "number" && value > 0 && value <= 50_000 ? null : "a weight in grams, above zero and up to 50 000",
  likelihood(cue, value, stage, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    const z = Math.log(Number(value) / landmarkAt(marks, stage)) / (SPREAD[cue.reliability] * doubtOf(cue.guessed));
    return (1 - SLIP[cue.reliability]) * Math.exp(-0.5 * z * z) + SLIP[cue.reliability] * SLIP_HEIGHT;
  },
  answers(cue, { school }) {
    const marks = school.cues[cue.id]?.landmarks ?? cue.marks;
    return [0.3, 0.7, 1, 1.3, 1.7, 2].map((s) => Math.max(1, Math.round(landmarkAt(marks, s))));
  },
  say: (cue, value, system) => `${cue.label} ${sayMass(Number(value), system)}`,
};
