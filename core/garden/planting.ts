import { z } from "zod";
import { daySchema } from "../calendar/schemas";
import { STARTS } from "../handbook/crop";

/** One crop of one kind in one bed, started once. Unknown quantities stay null. */
export const plantingSchema = z
  .object({
    id: z.string().min(1).max(40),
    bedId: z.string().min(1).max(40),
    cropId: z.string().min(1).max(60),
    kind: z.string().trim().max(60, "at most 60 letters"),
    /** the colour this kind is ripe in, where it is not the crop's usual one; empty: the usual one */
    ripeColour: z.string().trim().max(20, "at most 20 letters").default(""),
    startedHow: z.enum(STARTS),
    startedOn: daySchema,
    plants: z.number().int("whole plants").min(1, "at least one").max(100_000).nullable(),
    rowM: z.number().min(0.05).max(2000).nullable(),
    areaM2: z.number().min(0.01).max(100_000).nullable(),
    packetMinDays: z.number().int().min(5, "at least 5 days").max(1500).nullable(),
    packetMaxDays: z.number().int().min(5, "at least 5 days").max(1500).nullable(),
    schoolId: z.string().max(60),
    /** a disease that lasts in the ground and was seen here, by its id in the handbook; empty: none */
    disease: z.string().max(40).default(""),
    note: z.string().max(500),
    endedOn: daySchema.nullable(),
  })
  .superRefine((p, ctx) => {
    if ((p.packetMinDays === null) !== (p.packetMaxDays === null))
      ctx.addIssue({
        code: "custom",
        path: ["packetMaxDays"],
        message: "give both ends of the packet’s range, or neither",
      });
    else if (p.packetMinDays !== null && p.packetMaxDays !== null && p.packetMaxDays < p.packetMinDays)
      ctx.addIssue({ code: "custom", path: ["packetMaxDays"], message: "the range ends before it begins" });
    if (p.endedOn !== null && p.endedOn < p.startedOn)
      ctx.addIssue({ code: "custom", path: ["endedOn"], message: "it ended before it was started" });
  });
export type Planting = z.infer<typeof plantingSchema>;
