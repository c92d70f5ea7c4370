import { z } from "zod";
import { isDay } from "./day";

/** Years a garden's log may speak of: an old orchard's planting to the plans of the next generation. */
export const FIRST_YEAR = 1900;
export const LAST_YEAR = 2199;

const inReach = (day: string): boolean => {
  const year = Number(day.slice(0, 4));
  return year >= FIRST_YEAR && year <= LAST_YEAR;
};

/** Whether a text is a day that exists, in a year a garden can speak of. @example isGardenDay("0026-05-01") // false */
export const isGardenDay = (text: string): boolean => isDay(text) && inReach(text);

/** A day that exists, in a year a garden can speak of: the one type for days at every edge. */
export const daySchema = z
  .string()
  .refine(isDay, "not a day: write it as 2026-10-06")
  .refine((day) => !isDay(day) || inReach(day), `the year must lie between ${FIRST_YEAR} and ${LAST_YEAR}`);

/** Local wall-clock time to the minute, on a day that exists: "2026-10-06T17:40". */
export const localTimeSchema = z
  .string()
  .regex(/^\d{4}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d$/, "write it as 2026-10-06T17:40")
  .refine((at) => !/^\d{4}-\d\d-\d\dT/.test(at) || isDay(at.slice(0, 10)), "there is no such day in the calendar")
  .refine((at) => !isDay(at.slice(0, 10)) || inReach(at), `the year must lie between ${FIRST_YEAR} and ${LAST_YEAR}`);

/** Time of day to the minute: "17:30". */
export const clockSchema = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "write the time as 17:30");
