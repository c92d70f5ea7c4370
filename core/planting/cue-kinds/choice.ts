import type { ReadingValue } from "../check";
import { READY_FROM } from "../stage-grid";
import { type CueContext, type CueKindRules, type CueOf, SLIP } from "./kind";
import { stageMeans } from "./numeric";

/** How soft the borders between neighbouring answers are, in stage. */
const SOFT = { high: 0.045, med: 0.075, low: 0.14 };

/** How likely such an answer is given where nothing is ready yet (own estimate). */
const ASKED_OF = 0.3;

/**
 * One of a few described or drawn stages, each given between its borders: short of the target a sign changes late,
 * beyond it half way to its neighbour; between the last answer short of the target and the first one at it lies the
 * target itself: what the school calls ready is ready.
 */
export const choice: CueKindRules<"choice"> = {
  kind: "choice",
  fault(cue, value) {
    const told = answersIn(value);
    const fit = told.length <= 2 && new Set(told).size === told.length;
    return fit && told.every((id) => cue.options.some((o) => o.id === id))
      ? null
      : `one of: ${cue.options.map((o) => o.id).join(", ")}, or two of them joined by ${MIXED}`;
  },
  likelihood(cue, value, stage, context) {
    const steps = stepsOf(cue, context);
    const told = answersIn(value).map((id) => steps.findIndex((s) => s.id === id));
    const k = Math.min(...told);
    const mixedWith = told.length === 2 ? steps[Math.max(...told)] : undefined;
    const soft = SOFT[cue.reliability];
    const above = (border: number) => 1 / (1 + Math.exp(-(stage - border) / soft));
    const slip = SLIP[cue.reliability];
    // some are here, some there: the usual piece stands between the two
    if (mixedWith) return (1 - slip) * Math.max(0, above(steps[k]!.at) - above(mixedWith.at)) + slip / steps.length;
    // an answer that is right from the first (still tight, still glossy) is given of a piece in the hand, worth asking of
    const first = steps[0]!.at >= READY_FROM ? ASKED_OF + (1 - ASKED_OF) * above(READY_FROM) : 1;
    const low = k <= 0 ? first : above(borderOf(steps[k - 1]!.at, steps[k]!.at));
    const high = k >= steps.length - 1 ? 0 : above(borderOf(steps[k]!.at, steps[k + 1]!.at));
    return (1 - slip) * Math.max(0, low - high) + slip / steps.length;
  },
  means(cue, value, context) {
    const told = stepsOf(cue, context).filter((s) => answersIn(value).includes(s.id));
    return stageMeans(told.reduce((sum, s) => sum + s.at, 0) / Math.max(1, told.length));
  },
  answers: (cue) => cue.options.map((o) => o.id),
};

/** Joins two answers given at once: some pods dry, some green. */
export const MIXED = "+";

/** The one or two answers in a reading. */
export const answersIn = (value: ReadingValue): string[] => String(value).split(MIXED);

/** The answers in order of stage, as the school sees them. */
const stepsOf = (cue: CueOf<"choice">, { school }: CueContext): { id: string; at: number }[] => {
  const shifted = school.cues[cue.id]?.optionAt;
  return cue.options.map((o) => ({ id: o.id, at: shifted?.[o.id] ?? o.at })).sort((a, b) => a.at - b.at);
};

/** An unready sign (stiff necks, fruit that must be torn off) stays as it is until shortly before the next one, in stage. */
const LATE = 0.05;

const borderOf = (below: number, above: number): number => {
  if (below < READY_FROM && above >= READY_FROM) return READY_FROM;
  return above < READY_FROM ? Math.max((below + above) / 2, above - LATE) : (below + above) / 2;
};
