import { z } from "zod";
import { daySchema } from "../../calendar/schemas";

/** A planned outing. */
export const roundSchema = z.object({
  id: z.string().min(1).max(40),
  day: daySchema,
  startsAt: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "write the time as 17:30"),
  status: z.enum(["planned", "done", "dropped"]),
  /** moved or fixed by hand: planning again leaves it where it is */
  pinned: z.boolean(),
  note: z.string().max(500),
});
export type Round = z.infer<typeof roundSchema>;

/** One planting within a round, with what was expected when it was planned and why. */
export const roundLineSchema = z.object({
  id: z.string().min(1).max(40),
  roundId: z.string().min(1).max(40),
  plantingId: z.string().min(1).max(40),
  take: z.enum(["ready", "strip"]),
  expectedG: z.number().min(0),
  lostG: z.number().min(0),
  minutes: z.number().min(0),
  why: z.string().max(400),
});
export type RoundLine = z.infer<typeof roundLineSchema>;

/** What the planner promised when the rounds now standing were planned. */
export const planNoteSchema = z.object({
  id: z.literal("current"),
  at: z.string(),
  value: z.number(),
  bound: z.number(),
  keptG: z.number().min(0),
  lostG: z.number().min(0),
  minutes: z.number().min(0),
  forecastId: z.string(),
});
export type PlanNote = z.infer<typeof planNoteSchema>;
