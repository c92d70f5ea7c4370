import type { Cue, CueKind, RELIABILITIES, School } from "../../handbook/crop";
import type { ReadingValue } from "../check";
import type { Meaning } from "../verdict";

export type CueOf<K extends CueKind> = Extract<Cue, { kind: K }>;
export type CueContext = { school: School; plants: number };

/**
 * The contract every kind of cue fills: what a reading of it must be, how likely it is at a stage, and which
 * answers are worth imagining beforehand. How it is said stands in `planting/words.ts`.
 */
export type CueKindRules<K extends CueKind> = {
  kind: K;
  /** null when the value fits the cue, else what is wrong */
  fault(cue: CueOf<K>, value: ReadingValue): string | null;
  /** likelihood of the value at a stage, up to a factor that does not depend on the stage */
  likelihood(cue: CueOf<K>, value: ReadingValue, stage: number, context: CueContext): number;
  /** what the value means by itself, by the school's own marks */
  means(cue: CueOf<K>, value: ReadingValue, context: CueContext): Meaning;
  /** answers to weigh when asking how much this cue could tell */
  answers(cue: CueOf<K>, context: CueContext): ReadingValue[];
};

/** Share of readings that are simply wrong: the wrong plant, a slip of the thumb. */
export const SLIP: Record<(typeof RELIABILITIES)[number], number> = { high: 0.02, med: 0.05, low: 0.14 };

/** How much wider a reading is taken for each landmark that nobody states and the engine had to guess (own estimate). */
export const doubtOf = (guessed: number): number => 1 + 0.06 * guessed;

/** Height at which a slip may fall anywhere on the scale, relative to the peak of an honest reading (own estimate). */
export const SLIP_HEIGHT = 0.05;
