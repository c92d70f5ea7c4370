import { addDays, type Day } from "../calendar/day";
import type { Crop } from "../handbook/crop";

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

/** Days in a tray where the handbook does not tell days from seed and from a young plant apart (common practice). */
const TRAY_DAYS = 35;
/** No young plant is ready sooner, and none waits longer in its tray (common practice). */
const LEAST_TRAY_DAYS = 21;
const MOST_TRAY_DAYS = 70;

/** Days from seed in a tray to setting out: what the handbook's days from seed are longer than those from a young plant. */
export function trayDays(crop: Pick<Crop, "days">): number {
  const { sown, transplanted } = crop.days;
  if (!sown || !transplanted) return TRAY_DAYS;
  const days = Math.round((sown[0] + sown[1] - transplanted[0] - transplanted[1]) / 2);
  return Math.min(MOST_TRAY_DAYS, Math.max(LEAST_TRAY_DAYS, days));
}
