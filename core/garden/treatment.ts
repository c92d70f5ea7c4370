import { z } from "zod";
import { addDays, type Day, daysBetween } from "../calendar/day";
import { daySchema } from "../calendar/schemas";

export const TREATMENTS = ["spray", "feed", "manure", "tops-cut"] as const;
export type TreatmentKind = (typeof TREATMENTS)[number];

/** Something done to a planting after which it must not be picked for some days. */
export const treatmentSchema = z.object({
  id: z.string().min(1).max(40),
  plantingId: z.string().min(1).max(40),
  day: daySchema,
  kind: z.enum(TREATMENTS),
  /** what was given; empty when tops were cut */
  product: z.string().trim().max(80),
  /** days until it may be picked: for a spray or feed the label's pre-harvest interval */
  waitDays: z.number("whole days, 0 to 365").int("whole days").min(0, "0 to 365 days").max(365, "0 to 365 days"),
  note: z.string().max(500),
});
export type Treatment = z.infer<typeof treatmentSchema>;

/** Days that tubers stand after their tops were cut until their skins are set (common practice, 14 at least). */
export const SKINS_SET_DAYS = 14;

/**
 * Days that a crop is waited for after raw manure was worked in, at least: 120 where what is eaten touches the soil, 90
 * where it does not; composted to the rule there is no wait (7 CFR 205.203(c), the US organic rule; local rules may ask for
 * more).
 */
export const manureWaitDays = (crop: { touchesSoil: boolean }): number => (crop.touchesSoil ? 120 : 90);

/** The first day on which a treated planting may be picked: so many whole days after it. */
export const allowedFrom = (t: Treatment): Day => addDays(t.day, t.waitDays);

/** Whether the treatment is bound by its label: nobody may lift that wait by hand. */
export const isLaw = (t: Treatment): boolean => t.kind !== "tops-cut";

/** The treatments of a planting inside whose wait a day falls, the longest first. */
export const waitingOn = (treatments: readonly Treatment[], plantingId: string, day: Day): Treatment[] =>
  treatments
    .filter((t) => t.plantingId === plantingId && t.day <= day && day < allowedFrom(t))
    .sort((a, b) => daysBetween(allowedFrom(a), allowedFrom(b)));
