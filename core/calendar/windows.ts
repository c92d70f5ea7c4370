import { z } from "zod";
import { type Day, dayRange, daysBetween, weekday } from "./day";
import { clockSchema, daySchema } from "./schemas";

/** A part of a weekday when someone can usually go out. */
export const windowSchema = z.object({
  id: z.string(),
  weekday: z.number().int().min(0).max(6),
  startsAt: clockSchema,
  minutes: z.number().int().min(5).max(600),
});
export type Window = z.infer<typeof windowSchema>;

/** A day on which the week's windows do not hold: nobody can go, or there is another hour. */
export const datedWindowSchema = z
  .object({
    id: z.string().min(1).max(40),
    day: daySchema,
    /** null: no time at all that day */
    startsAt: clockSchema.nullable(),
    minutes: z.number("whole minutes, 5 to 600").int("whole minutes").min(0).max(600, "5 to 600 minutes"),
  })
  .refine((w) => w.startsAt === null || w.minutes >= 5, { message: "5 to 600 minutes", path: ["minutes"] });
export type DatedWindow = z.infer<typeof datedWindowSchema>;

/** Days away, both ends included. */
export const tripSchema = z
  .object({
    id: z.string(),
    name: z.string().min(1).max(80),
    fromDay: daySchema,
    toDay: daySchema,
    standIn: z.string().max(80),
    /** minutes that the stand-in can pick every other day; 0 when nobody picks meanwhile */
    standInMinutes: z.number().int().min(0, "0 to 240 minutes").max(240, "0 to 240 minutes").default(0),
  })
  .refine((t) => t.toDay >= t.fromDay, { message: "the trip ends before it begins", path: ["toDay"] });
export type Trip = z.infer<typeof tripSchema>;

/** A dated window: a slot the planner may use. `by` names who goes when the household is away, else it is empty. */
export type Slot = { id: string; day: Day; startsAt: string; minutes: number; by: string };

/** When a stand-in goes, and every how many days of a trip (common practice: every other evening). */
const STAND_IN_AT = "18:00";
const STAND_IN_EVERY = 2;

/**
 * Whether the household is away on that day.
 * @example isAway("2026-10-11", [{ fromDay: "2026-10-10", toDay: "2026-10-17" }]) // true
 */
export const isAway = (day: Day, trips: readonly Trip[]): boolean =>
  trips.some((t) => t.fromDay <= day && day <= t.toDay);

/** Days of a trip on which its stand-in goes: the second, then every other one. */
export const standInDays = (trip: Trip): Day[] =>
  trip.standInMinutes > 0
    ? dayRange(trip.fromDay, daysBetween(trip.fromDay, trip.toDay) + 1).filter((_, k) => k % STAND_IN_EVERY === 1)
    : [];

/** Who goes out on a day of a trip: its stand-in, where one picks; empty: the household itself, or nobody. */
export function standInOn(day: Day, trips: readonly Trip[]): string {
  const trip = trips.find((t) => isAway(day, [t]));
  return trip && trip.standInMinutes > 0 ? trip.standIn || "your stand-in" : "";
}

/**
 * The slots of the coming days in order of time: each weekday's windows, less the days of trips and the
 * windows already over at `now`; a day with windows of its own has only those; on trips with a stand-in who picks, short rounds every other evening.
 * @param now local time "2026-10-06T15:30"
 */
export function slotsAhead(
  now: string,
  days: number,
  windows: readonly Window[],
  trips: readonly Trip[],
  dated: readonly DatedWindow[] = [],
): Slot[] {
  const today = now.slice(0, 10);
  const horizon = dayRange(today, days);
  const own = horizon
    .filter((day) => !isAway(day, trips))
    .flatMap((day) => {
      const said = dated.filter((w) => w.day === day);
      const open = said.length > 0 ? said : windows.filter((w) => w.weekday === weekday(day));
      return open.flatMap(({ startsAt, minutes }) =>
        startsAt === null ? [] : [{ id: `${day}T${startsAt}`, day, startsAt, minutes, by: "" }],
      );
    });
  const theirs = trips.flatMap((trip) =>
    standInDays(trip)
      .filter((day) => horizon.includes(day))
      .map((day) => ({
        id: `${day}T${STAND_IN_AT}`,
        day,
        startsAt: STAND_IN_AT,
        minutes: trip.standInMinutes,
        by: trip.standIn || "your stand-in",
      })),
  );
  // of two trips over one day only the first sends someone
  return [...new Map([...theirs.reverse(), ...own].map((s) => [s.id, s])).values()]
    .filter((slot) => slot.id >= now.slice(0, 16))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
