import type { Day } from "../calendar/day";
import { dayLengthHours } from "../calendar/sun";

/** Growth stands still in days shorter than this (E. Coleman's rule of ten hours; from memory), hours. */
export const STILL_HOURS = 10;
/** From this day length on it is not held back; between, in proportion (own estimate: about a fortnight in autumn). */
const FULL_HOURS = 13;
/** Share of growth just above the shortest day that still grows. */
const LEAST_SHARE = 0.6;

/** How much of the warmth of a day a leaf can use, by the length of its light: 0 below ten hours, 1 from thirteen. */
export function lightShare(day: Day, latitudeDeg: number): number {
  const hours = dayLengthHours(day, latitudeDeg);
  if (hours < STILL_HOURS) return 0;
  return Math.min(1, LEAST_SHARE + ((1 - LEAST_SHARE) * (hours - STILL_HOURS)) / (FULL_HOURS - STILL_HOURS));
}
