import { z } from "zod";
import { type Day, dayRange, isDay, weekday } from "./day";

export const daySchema = z.string().refine(isDay, "not a day: write it as 2026-10-06");
const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "write the time as 17:30");

/** A part of a weekday when someone can usually go out. */
export const windowSchema = z.object({
  id: z.string(),
  weekday: z.number().int().min(0).max(6),
  startsAt: clockSchema,
  minutes: z.number().int().min(5).max(600),
});
export type Window = z.infer<typeof windowSchema>;

/** Days away, both ends included. */
export const tripSchema = z
  .object({
    id: z.string(),
    name: z.string().min(1).max(80),
    fromDay: daySchema,
    toDay: daySchema,
    standIn: z.string().max(80),
  })
  .refine((t) => t.toDay >= t.fromDay, { message: "the trip ends before it begins", path: ["toDay"] });
export type Trip = z.infer<typeof tripSchema>;

/** A dated window: a slot the planner may use. */
export type Slot = { id: string; day: Day; startsAt: string; minutes: number };

/** Whether the household is away on that day. */
export const isAway = (day: Day, trips: readonly Trip[]): boolean =>
  trips.some((t) => t.fromDay <= day && day <= t.toDay);

/**
 * The slots of the coming days in order of time: each weekday's windows, less the days of trips and the
 * windows already over at `now`.
 * @param now local time "2026-10-06T15:30"
 */
export function slotsAhead(now: string, days: number, windows: readonly Window[], trips: readonly Trip[]): Slot[] {
  const today = now.slice(0, 10);
  return dayRange(today, days)
    .filter((day) => !isAway(day, trips))
    .flatMap((day) =>
      windows
        .filter((w) => w.weekday === weekday(day))
        .map((w) => ({ id: `${day}T${w.startsAt}`, day, startsAt: w.startsAt, minutes: w.minutes })),
    )
    .filter((slot) => slot.id >= now.slice(0, 16))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
