import { z } from "zod";
import data from "./bed-after.json";
import { source } from "./sources";

/** Months and days of a season at a mild northern site. */
const monthDay = z.string().regex(/^\d\d-\d\d$/);
const clearingSchema = z.object({
  id: z.string(),
  /** of whole families, "*" of every one; or of single crops; `not`: left out of the families */
  families: z.array(z.string()).default([]),
  crops: z.array(z.string()).default([]),
  not: z.array(z.string()).default([]),
  /** always, or only where disease was seen */
  when: z.enum(["always", "sick"]).default("always"),
  words: z.string(),
  why: z.string(),
  caution: z.string().default(""),
  source,
});
export type ClearingRule = z.infer<typeof clearingSchema>;

const followSchema = z.object({
  /** crops or families that stood before, and that are to come */
  after: z.array(z.string()),
  next: z.array(z.string()),
  /** holds for so many years after; by itself only for what stood last */
  years: z.number().default(1),
  verdict: z.enum(["good", "note", "wary"]),
  words: z.string(),
  source,
});
const perennialSchema = z.object({
  crop: z.string(),
  /** year after its start in which the first full crop is taken, and a first light one */
  firstCrop: z.object({ sown: z.number(), planted: z.number() }),
  firstLight: z.object({ sown: z.number(), planted: z.number() }),
  /** whether picking before the first light crop costs later years: nothing is taken then */
  spared: z.boolean(),
  otherwise: z.string(),
  lastDay: monthDay.nullable(),
  lastWhy: z.string(),
  tasks: z.array(z.object({ from: monthDay, to: monthDay, words: z.string(), why: z.string() })),
  renewYears: z.number(),
  source,
});
export type PerennialRule = z.infer<typeof perennialSchema>;

const all = z
  .object({
    clearing: z.array(clearingSchema),
    follow: z.array(followSchema),
    longer: z.array(
      z.object({ id: z.string(), name: z.string(), family: z.string(), years: z.number(), words: z.string(), source }),
    ),
    perennials: z.array(perennialSchema),
  })
  .parse(data);

/** What is done after the last pick, and why. */
export const CLEARING = all.clearing;
/** What may, should or must not follow what. */
export const FOLLOW = all.follow;
/** Diseases that last in the ground and make a family wait longer; one that was seen stands at its planting, by its id. */
export const LONGER = all.longer;
/** Years, season ends and tasks of what stands for years. */
export const PERENNIALS = all.perennials;
