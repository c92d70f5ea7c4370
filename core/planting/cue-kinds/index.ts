import type { Cue, CueKind } from "../../handbook/crop";
import type { ReadingValue } from "../check";
import { CELLS, STAGES } from "../stage-grid";
import type { Meaning } from "../verdict";
import { choice } from "./choice";
import { count } from "./count";
import { event } from "./event";
import type { CueContext, CueKindRules } from "./kind";
import { measure } from "./measure";
import { percent } from "./percent";
import { since } from "./since";
import { weight } from "./weight";

const REGISTRY: { [K in CueKind]: CueKindRules<K> } = { measure, weight, percent, choice, count, since, event };

/** The rules of a cue's kind; the one place where a cue's kind is looked up. */
const rulesOf = (cue: Cue): CueKindRules<CueKind> => REGISTRY[cue.kind] as unknown as CueKindRules<CueKind>;

/** null when a value is a fit reading of the cue, else what a fit one would be. */
export const readingFault = (cue: Cue, value: ReadingValue): string | null => rulesOf(cue).fault(cue, value);

/** Likelihoods worked out once for each cue, school, number of plants and value: seasons are recomputed often. */
const known = new WeakMap<Cue, WeakMap<CueContext["school"], Map<string, Float64Array>>>();
const MOST_KNOWN = 400;

/** Likelihood of a reading at every stage of the grid. The array is shared: it must not be changed. */
export function likelihoodOf(cue: Cue, value: ReadingValue, context: CueContext): Float64Array {
  const bySchool = known.get(cue) ?? new WeakMap<CueContext["school"], Map<string, Float64Array>>();
  known.set(cue, bySchool);
  const byValue = bySchool.get(context.school) ?? new Map<string, Float64Array>();
  bySchool.set(context.school, byValue);
  const key = cue.kind === "count" ? `${value}/${context.plants}` : String(value);
  const before = byValue.get(key);
  if (before) return before;
  const rules = rulesOf(cue);
  const out = new Float64Array(CELLS);
  for (let i = 0; i < CELLS; i++) out[i] = rules.likelihood(cue, value, STAGES[i]!, context);
  if (byValue.size >= MOST_KNOWN) byValue.clear();
  byValue.set(key, out);
  return out;
}

/** What a reading means by itself, by the school's own marks. */
export const meaningOf = (cue: Cue, value: ReadingValue, context: CueContext): Meaning =>
  rulesOf(cue).means(cue, value, context);

/** Answers worth imagining for a cue. */
export const answersOf = (cue: Cue, context: CueContext): ReadingValue[] => rulesOf(cue).answers(cue, context);

export type { CueContext } from "./kind";
