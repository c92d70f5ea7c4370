import { z } from "zod";
import { localTimeSchema } from "../readiness/check";

export const EXTENTS = ["some", "all-ready", "final"] as const;
export const EXTENT_WORDS: Record<(typeof EXTENTS)[number], string> = {
  some: "some of it",
  "all-ready": "all that was ready",
  final: "all, crop finished",
};
export const GRADES = ["sound", "eat-first", "damaged", "green-to-ripen", "seed", "animals", "compost"] as const;
export const GRADE_WORDS: Record<(typeof GRADES)[number], string> = {
  sound: "sound",
  "eat-first": "eat first",
  damaged: "damaged",
  "green-to-ripen": "green, to ripen",
  seed: "for seed",
  animals: "for animals",
  compost: "compost",
};

/** Empties of one type that stood on the scale with the crop. */
export const tareItemSchema = z.object({
  name: z.string().trim().min(1).max(40),
  tareG: z.number().min(0, "not below zero").max(50_000),
  count: z.number().int().min(1).max(500),
});
export type TareItem = z.infer<typeof tareItemSchema>;

/** A container type with its own tare, ready to choose at the scale. */
export const containerSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(40),
  tareG: z.number().min(0).max(50_000),
  /** what one holds, and how many there are; null: nobody said */
  litres: z.number().positive("more than nothing").max(1000, "at most 1,000 litres").nullable().default(null),
  atHand: z.number().int("a whole number").min(0).max(1000).nullable().default(null),
});
export type Container = z.infer<typeof containerSchema>;

/** A logged harvest. Gross is null when only counted; `entered` keeps the weight as it was typed. */
export const pickSchema = z
  .object({
    id: z.string().min(1).max(40),
    plantingId: z.string().min(1).max(40),
    roundId: z.string().max(40).nullable(),
    at: localTimeSchema,
    by: z.string().max(60),
    method: z.string().max(60),
    extent: z.enum(EXTENTS),
    count: z.number().int("whole pieces").min(0).max(1_000_000).nullable(),
    grossG: z.number().min(0).max(5_000_000).nullable(),
    entered: z.string().max(60),
    tare: z.array(tareItemSchema).max(20),
    topsOn: z.boolean(),
    grade: z.enum(GRADES),
    estimated: z.boolean(),
    note: z.string().max(500),
  })
  .superRefine((p, ctx) => {
    if (p.grossG === null && p.count === null)
      ctx.addIssue({ code: "custom", path: ["gross"], message: "give a weight or a count" });
    if (p.grossG !== null && tareOf(p.tare) > p.grossG)
      ctx.addIssue({
        code: "custom",
        path: ["gross"],
        message: "the empty containers weigh more than the whole load: check the weight and the containers",
      });
  });
export type Pick = z.infer<typeof pickSchema>;

/** Sum of the empties, g, to a hundredth. */
export const tareOf = (tare: readonly TareItem[]): number =>
  Math.round(tare.reduce((sum, t) => sum + t.tareG * t.count, 0) * 100) / 100;
