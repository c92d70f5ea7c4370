import { addDays, type Day } from "../calendar/day";

/** Most sowings in one series. */
export const MOST_SOWINGS = 40;

/**
 * The days of a series of sowings: so many days apart, so many times, as far as the last date on which it is still worth
 * it.
 * @param latest the last date; null: nothing ends it
 * @returns the days, and those that come too late
 */
export function seriesOf(
  first: Day,
  everyDays: number,
  times: number,
  latest: Day | null,
): { days: Day[]; late: Day[] } {
  const all = Array.from({ length: Math.min(times, MOST_SOWINGS) }, (_, k) => addDays(first, k * everyDays));
  return {
    days: all.filter((d) => latest === null || d <= latest),
    late: all.filter((d) => latest !== null && d > latest),
  };
}
