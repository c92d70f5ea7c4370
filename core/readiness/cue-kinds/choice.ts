import { type CueKindRules, SLIP } from "./kind";

/** How far from its own stage an answer is still given. */
const WIDTH = { high: 0.17, med: 0.26, low: 0.42 };

/** One of a few described or drawn stages: each answer is likeliest at its own stage. */
export const choice: CueKindRules<"choice"> = {
  kind: "choice",
  fault: (cue, value) =>
    cue.options.some((o) => o.id === value) ? null : `one of: ${cue.options.map((o) => o.id).join(", ")}`,
  likelihood(cue, value, stage, { school }) {
    const shifted = school.cues[cue.id]?.optionAt;
    const width = WIDTH[cue.reliability];
    const nearest = Math.min(...cue.options.map((o) => Math.abs(stage - (shifted?.[o.id] ?? o.at))));
    let total = 0;
    let mine = 0;
    for (const option of cue.options) {
      const distance = stage - (shifted?.[option.id] ?? option.at);
      // relative to the nearest answer, so that far stages do not underflow to nothing
      const weight = Math.exp((nearest * nearest - distance * distance) / (2 * width * width));
      total += weight;
      if (option.id === value) mine = weight;
    }
    const slip = SLIP[cue.reliability];
    return (1 - slip) * (mine / total) + slip / cue.options.length;
  },
  answers: (cue) => cue.options.map((o) => o.id),
  say: (cue, value) => `${cue.label}: ${cue.options.find((o) => o.id === value)?.label ?? value}`,
};
