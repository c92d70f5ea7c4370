import { z } from "zod";
import { isDay } from "../calendar/day";
import { daySchema, localTimeSchema } from "../calendar/schemas";

export const JOB_MARKS = ["done", "skipped", "never"] as const;
/** What was said of a job on a day: done, left out this time, or not wanted for this planting at all. */
export const jobMarkSchema = z.object({
  id: z.string().min(1).max(40),
  /** the rule of the handbook, or the gardener's own job */
  jobId: z.string().min(1).max(60),
  /** what it was done to: a planting's id, or a planting's and a place's; empty: to none */
  of: z.string().max(100),
  day: daySchema,
  at: localTimeSchema,
  what: z.enum(JOB_MARKS),
});
export type JobMark = z.infer<typeof jobMarkSchema>;

const optionalDay = z
  .string()
  .nullable()
  .refine((d) => d === null || isDay(d), "write a day as 2026-10-06");

/** A job of the gardener's own: once, or again and again. */
export const ownJobSchema = z
  .object({
    id: z.string().min(1).max(40),
    words: z.string().trim().min(1, "say what is to be done").max(160, "at most 160 letters"),
    /** of one planting, one bed, or one lot; null: of none */
    plantingId: z.string().max(40).nullable(),
    bedId: z.string().max(40).nullable(),
    lotId: z.string().max(60).nullable(),
    startOn: daySchema,
    /** again so many days after it was done; null: once */
    everyDays: z.number("whole days").int("whole days").min(1, "at least one day").max(400, "at most 400").nullable(),
    /** so many times at most; null: until its last day, or for ever */
    times: z.number("a whole number").int("a whole number").min(1, "at least once").max(500).nullable(),
    untilOn: optionalDay,
    /** only on evenings before a night of frost */
    onFrost: z.boolean(),
    dryLeaves: z.boolean(),
    minutes: z.number("minutes").min(0, "0 or more").max(600, "at most ten hours"),
    note: z.string().max(500),
  })
  .superRefine((j, ctx) => {
    if (j.untilOn !== null && j.untilOn < j.startOn)
      ctx.addIssue({ code: "custom", path: ["untilOn"], message: "the last day comes before the first" });
    if (j.everyDays === null && j.times !== null && j.times > 1)
      ctx.addIssue({ code: "custom", path: ["everyDays"], message: "several times: say after how many days again" });
  });
export type OwnJob = z.infer<typeof ownJobSchema>;
