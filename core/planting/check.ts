import { z } from "zod";
import { localTimeSchema } from "../calendar/schemas";
import { photosSchema } from "../garden/photos";
import { MOST_MARKED, markedSchema } from "./marked";

/** What one cue showed: millimetres, percent or a count as a number; an option's id; yes or no. */
export const readingSchema = z.object({
  cueId: z.string().min(1).max(60),
  value: z.union([z.number().min(0).max(100_000), z.string().min(1).max(60), z.boolean()]),
});
export type Reading = z.infer<typeof readingSchema>;
export type ReadingValue = Reading["value"];

/** The readings of one planting at one time. A check without readings says only that somebody
 * looked: nothing new. */
export const checkSchema = z.object({
  id: z.string().min(1).max(40),
  plantingId: z.string().min(1).max(40),
  at: localTimeSchema,
  by: z.string().max(60),
  note: z.string().max(500),
  readings: z.array(readingSchema).max(40),
  photos: photosSchema,
  /** pieces marked one by one: melons, squash, heads */
  marked: z
    .array(markedSchema)
    .max(MOST_MARKED)
    .refine((all) => new Set(all.map((m) => m.n)).size === all.length, "a piece is marked twice")
    .default([]),
});
export type Check = z.infer<typeof checkSchema>;
