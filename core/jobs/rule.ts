import { z } from "zod";
import { PERENNIALS } from "../handbook/bed-after";
import { type Crop, STARTS } from "../handbook/crop";
import { source } from "../handbook/sources";
import other from "./other-jobs.json";
import data from "./rules.json";

const days = z.number().int().min(-400).max(400);
/** A moment in the life of a planting from which a job is due, or after which it is void. */
export const momentSchema = z.union([
  /** so many days after it was started, first or last picked (this season, where it stands for years) */
  z.strictObject({ after: z.enum(["start", "first-pick", "last-pick"]), days }),
  /** so many days after the day on which it is expected ready; below zero: before it */
  z.strictObject({ ready: days }),
  /** so many days after the usual last or first frost of the site */
  z.strictObject({ frost: z.enum(["last", "first"]), days }),
  /** a day of the year at a northern site, half a year later in the south */
  z.strictObject({ on: z.string().regex(/^\d\d-\d\d$/) }),
  /** a cue read at or beyond a mark, or at one of some options */
  z.strictObject({ cue: z.string(), from: z.number() }),
  z.strictObject({ cue: z.string(), is: z.array(z.string()).min(1) }),
  /** a sign seen */
  z.strictObject({ sign: z.string() }),
]);
export type Moment = z.infer<typeof momentSchema>;

const ruleSchema = z
  .strictObject({
    id: z.string(),
    /** crops it is done to, by the ids of the handbook */
    crops: z.array(z.string()).min(1),
    /** only for plantings started in one of these ways; empty: for all */
    how: z.array(z.enum(STARTS)).default([]),
    /** from the so manieth year after its start, for what stands for years */
    fromYear: z.number().int().min(0).default(0),
    what: z.string().min(1),
    why: z.string().min(1),
    caution: z.string().default(""),
    /** due from the first of these that has come */
    begins: z.array(momentSchema).default([]),
    /** weather that calls for it instead, °C and m/s; `young`, `bloom`: only so many days after its start, or its bloom */
    weather: z
      .strictObject({
        nightUpTo: z.number().optional(),
        nightFrom: z.number().optional(),
        dayFrom: z.number().optional(),
        days: z.number().int().min(1).optional(),
        gustFrom: z.number().optional(),
        young: z.number().optional(),
        bloom: z.number().optional(),
        season: z.boolean().optional(),
      })
      .nullable()
      .default(null),
    /** void after the first of these that has come */
    ends: z.array(momentSchema).default([]),
    /** void after so many days; null: it stays until it is done, or the crop is over */
    stays: z.number().int().min(0).nullable(),
    /** done again after so many days, warm and cool; null: once */
    again: z.tuple([z.number(), z.number()]).nullable().default(null),
    /** done so many times in a season at most */
    times: z.number().int().min(1).nullable().default(null),
    /** a look at the planting on the walk does it as well */
    byLook: z.boolean().default(false),
    leaves: z.enum(["any", "dry"]).default("any"),
    soil: z.enum(["any", "moist", "workable"]).default("any"),
    minutes: z.strictObject({ per: z.enum(["plant", "metre", "square", "visit"]), n: z.number().positive() }),
    /** what not doing it costs: 3 much of a crop, 2 some of it or its quality, 1 little (own estimate) */
    saves: z.union([z.literal(1), z.literal(2), z.literal(3)]),
    source,
  })
  .refine((r) => r.begins.length > 0 !== (r.weather !== null), "it begins by a moment, or by the weather");
export type JobRule = z.infer<typeof ruleSchema>;

/**
 * The jobs of the handbook: what is done beside picking, and serves it. Common practice and extension guides, from
 * memory; minutes, repeats and what they save are own estimates.
 */
export const JOB_RULES: readonly JobRule[] = z.array(ruleSchema).parse(data);

const byCrop = new Map<string, JobRule[]>();
for (const rule of JOB_RULES) for (const id of rule.crops) byCrop.set(id, [...(byCrop.get(id) ?? []), rule]);

/** The jobs of a crop: those of the handbook, and what the crop itself wants some days before a pick. */
export const rulesOf = (crop: Pick<Crop, "like" | "prepare">): JobRule[] => [
  ...(byCrop.get(crop.like) ?? []),
  ...crop.prepare.map(
    (p, i): JobRule => ({
      ...PLAIN,
      id: `prepare-${i}`,
      what: unended(p.words),
      why: p.daysBefore <= 1 ? other.prepare.tomorrow : other.prepare.soon,
      begins: [{ ready: -p.daysBefore }],
      stays: Math.max(2, p.daysBefore),
      source: p.source,
    }),
  ),
  ...PERENNIALS.filter((p) => p.crop === crop.like).flatMap((p) =>
    p.tasks.map(
      (t, i): JobRule => ({
        ...PLAIN,
        id: `year-${i}`,
        what: unended(t.words),
        why: unended(t.why),
        fromYear: 1,
        begins: [{ on: t.from }],
        ends: [{ on: t.to }],
        stays: null,
        minutes: { per: "plant", n: 5 },
        source: p.source,
      }),
    ),
  ),
];

/** Words that go on in a line: without the full stop at their end. */
const unended = (words: string): string => (words.endsWith(".") ? words.slice(0, -1) : words);

const PLAIN: JobRule = {
  ...{ id: "", crops: [], how: [], fromYear: 0, what: "", why: "", caution: "", begins: [], weather: null, ends: [] },
  ...{
    stays: 14,
    again: null,
    times: null,
    byLook: false,
    leaves: "any",
    soil: "any",
    minutes: { per: "visit", n: 3 },
    saves: 2,
  },
  source: "CP",
};
