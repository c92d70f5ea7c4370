import { z } from "zod";
import { SCALES, type ScaleName } from "./scales";
import { source } from "./sources";

export const RELIABILITIES = ["high", "med", "low"] as const;

/** A value for each landmark of the stage: start 0, early 0.6, ready 1, upper 1.5, past 2. */
export type Landmarks = { start: number; early: number; ready: number; upper: number; past: number };
const LANDMARK_STAGES = [0, 0.6, 1, 1.5, 2] as const;

/**
 * Landmarks as the data files write them: five values, null where nobody says. A gap is read off the straight line
 * between its neighbours; a missing start is a sixth of the ready value, a missing past one goes on as the last step
 * did. How many were guessed stays with the cue, and the engine doubts its readings the more.
 */
export function fillLandmarks(values: readonly (number | null)[]): { marks: Landmarks; guessed: number } {
  const known = values.map((v) => v);
  const guessed = known.filter((v, i) => v === null && i > 0).length;
  if (known[0] === null) known[0] = Math.min((known[1] ?? known[2] ?? 0) / 6, known[1] ?? Number.POSITIVE_INFINITY);
  const stageOf = (i: number) => LANDMARK_STAGES[i]!;
  for (let i = 1; i < 5; i++) {
    if (known[i] !== null && known[i] !== undefined) continue;
    const before = known[i - 1]!;
    const next = known.findIndex((v, k) => k > i && v !== null && v !== undefined);
    if (next > 0)
      known[i] = before + ((known[next]! - before) * (stageOf(i) - stageOf(i - 1))) / (stageOf(next) - stageOf(i - 1));
    else {
      const slope = i >= 2 ? (before - known[i - 2]!) / (stageOf(i - 1) - stageOf(i - 2)) : before;
      known[i] = before + Math.max(0, slope) * (stageOf(i) - stageOf(i - 1));
    }
  }
  const [start, early, ready, upper, past] = known as number[];
  return { marks: { start: start!, early: early!, ready: ready!, upper: upper!, past: past! }, guessed };
}

const written = z.tuple([
  z.number().nullable(),
  z.number().nullable(),
  z.number(),
  z.number().nullable(),
  z.number().nullable(),
]);
const rising = (v: Landmarks) => v.start <= v.early && v.early <= v.ready && v.ready <= v.upper && v.upper <= v.past;
export const landmarks = z
  .object({ start: z.number(), early: z.number(), ready: z.number(), upper: z.number(), past: z.number() })
  .refine(rising, "landmarks must rise");
/** Landmarks written out, or as five values with gaps. */
const marks = z.preprocess((v) => {
  const five = written.safeParse(v);
  return five.success ? fillLandmarks(five.data).marks : v;
}, landmarks);

const cueBase = {
  id: z.string().regex(/^[a-z-]+$/),
  label: z.string().min(1),
  /** the question asked in the bed */
  ask: z.string().min(1),
  /** decisive: if it says no, do not pick; supporting: moves the confidence; override: act whatever the rest says */
  role: z.enum(["decisive", "supporting", "override"]),
  reliability: z.enum(RELIABILITIES),
  /** what the observation costs in the bed */
  seconds: z.number().positive(),
  /** a test dig or a cut fruit: the reading uses up a plant or a piece */
  usesUp: z.boolean().default(false),
  source,
  /**
   * For kinds of another ripe colour than the usual one: the question and the answers with {colour} in its place.
   * `unripe` is the colour before ripeness: a kind that ripens in that very colour does not show it by colour.
   */
  inColour: z
    .object({
      ask: z.string().optional(),
      options: z.record(z.string(), z.string()).default({}),
      unripe: z.string().optional(),
    })
    .optional(),
};
const numeric = {
  marks,
  /** landmarks that nobody states and the engine had to guess */ guessed: z.number().int().default(0),
};

/** An answer of a choice: as [id, label, stage] or written out. */
const option = z.preprocess(
  (v) => (Array.isArray(v) ? { id: v[0], label: v[1], at: v[2] } : v),
  z.object({ id: z.string(), label: z.string(), at: z.number().min(0).max(2) }),
);

const cue = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("measure"),
    ...cueBase,
    quantity: z.enum(["diameter", "length", "height", "girth"]),
    ...numeric,
  }),
  /** weight of one piece, g */
  z.object({ kind: z.literal("weight"), ...cueBase, ...numeric }),
  z.object({
    kind: z.literal("percent"),
    ...cueBase,
    ...numeric,
    /** a sign of the end that shows only shortly before readiness (tops, brown leaves, colour), or one that comes steadily */
    comes: z.enum(["late", "steadily"]).default("late"),
  }),
  z.object({ kind: z.literal("choice"), ...cueBase, options: z.array(option).min(2).max(8) }),
  /** pieces on the whole planting; the landmarks are pieces per plant */
  z.object({
    kind: z.literal("count"),
    ...cueBase,
    of: z.enum(["ready", "nearly", "over"]).default("ready"),
    ...numeric,
  }),
  /** days since something happened: flower, set, silk, scape cut, death of the haulm */
  z.object({ kind: z.literal("since"), ...cueBase, event: z.string(), ...numeric }),
  z.object({
    kind: z.literal("event"),
    ...cueBase,
    /** what it decides; null where it is only noted and advised upon */
    verdict: z.enum(["pick-all", "pick-some", "past-prime", "leave-for-seed"]).nullable(),
    advice: z.string(),
    /** what is said of the planting when it decides, beside its own advice; null: the advice says it all */
    call: z.enum(["bolting", "diseased", "take-bitten"]).nullable().default(null),
    /** a sign many crops share, not this crop's own */
    shared: z.boolean().default(false),
  }),
]);
export type Cue = z.infer<typeof cue>;
export type CueKind = Cue["kind"];
export type NumericCue = Extract<Cue, { marks: Landmarks }>;

const isScale = (name: unknown): name is ScaleName => typeof name === "string" && name in SCALES;

/**
 * A cue as the data files may write it: a choice may name a shared scale and the stage of each of its steps
 * (null leaves a step out); numeric landmarks may have gaps.
 */
export const cueSchema = z.preprocess((raw) => {
  if (typeof raw !== "object" || raw === null) return raw;
  const entry = raw as Record<string, unknown>;
  if (entry.kind === "choice" && isScale(entry.scale) && Array.isArray(entry.at)) {
    const { scale, at, ...rest } = entry as { scale: ScaleName; at: (number | null)[] };
    const steps: readonly (readonly [string, string])[] = SCALES[scale];
    return {
      ...rest,
      options: steps.flatMap(([id, label], i) => (typeof at[i] === "number" ? [[id, label, at[i]]] : [])),
    };
  }
  const five = written.safeParse(entry.marks);
  return five.success && entry.guessed === undefined ? { ...entry, guessed: fillLandmarks(five.data).guessed } : entry;
}, cue);

/** Landmarks as a school writes them. */
export const schoolLandmarks = marks;
