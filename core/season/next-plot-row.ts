import { z } from "zod";
import { daySchema } from "../calendar/schemas";
import { STARTS } from "../handbook/crop";

/** A planting of a season that is still to come: it can be changed freely until it is made. */
export const plannedSchema = z
  .object({
    id: z.string().min(1).max(60),
    year: z.number().int().min(2000).max(2200),
    bedId: z.string().min(1).max(40),
    cropId: z.string().min(1).max(60),
    kind: z.string().trim().max(60, "at most 60 letters"),
    startedHow: z.enum(STARTS),
    startOn: daySchema,
    /** the day on which it is sown in trays, where it is raised before it is set out; null: it is not */
    trayOn: daySchema.nullable().default(null),
    plants: z.number("whole plants").int("whole plants").min(1, "at least one").max(100_000).nullable(),
    rowM: z.number("metres of row").min(0.05, "at least 5 cm").max(2000).nullable(),
    areaM2: z.number("square metres").min(0.01).max(100_000).nullable(),
    /** the planting of the season before that it follows; null: new */
    after: z.string().max(40).nullable(),
    /** the planting that was made of it; null: not yet */
    made: z.string().max(40).nullable(),
    note: z.string().max(500),
  })
  .refine((p) => p.trayOn === null || p.trayOn <= p.startOn, {
    path: ["trayOn"],
    message: "sown before it is set out",
  });
export type Planned = z.infer<typeof plannedSchema>;
