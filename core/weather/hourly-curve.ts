/** Extremes that shape one day's curve; hours are local clock hours (5.5 is half past five). */
export type CurveDay = {
  tempMaxC: number;
  tempMinC: number;
  /** minimum of the following morning, towards which the evening falls */
  nextMinC: number;
  /** maximum of the day before, from which the small hours fall; this day's when it is not known */
  prevMaxC?: number;
  sunriseHour: number;
  sunsetHour: number;
};

/** Hours from solar noon to the warmest of the day. */
const PEAK_AFTER_NOON_H = 2;

/**
 * Air temperature at an hour of the day, °C: a half cosine from the minimum at sunrise to the maximum two hours after
 * solar noon, and another down to the next morning; meets both extremes exactly and never jumps. Chosen among four
 * published schemes as the one nearest to an open record of hourly normals (open-hours.test.ts).
 * Source: the de Wit scheme as tested by D. C. Reicosky et al., Agric. For. Meteorol. 46 (1989) 193–209; its fixed
 * 14 h is taken as solar time.
 *
 * @param hour 0 to 24; before sunrise the air still falls from the maximum of the day before
 */
export function tempAtHour(day: CurveDay, hour: number): number {
  const rise = day.sunriseHour;
  const peak = (day.sunriseHour + day.sunsetHour) / 2 + PEAK_AFTER_NOON_H;
  if (hour >= rise && hour <= peak) {
    const half = (day.tempMaxC - day.tempMinC) / 2;
    return day.tempMinC + half * (1 - Math.cos((Math.PI * (hour - rise)) / (peak - rise)));
  }
  const evening = hour > peak;
  const high = evening ? day.tempMaxC : (day.prevMaxC ?? day.tempMaxC);
  const low = evening ? day.nextMinC : day.tempMinC;
  const since = evening ? hour - peak : hour + 24 - peak;
  return low + ((high - low) / 2) * (1 + Math.cos((Math.PI * since) / (24 - peak + rise)));
}

/** The 24 hourly temperatures of a day, °C, at 0, 1 … 23 h. */
export const hourlyTemps = (day: CurveDay): number[] => Array.from({ length: 24 }, (_, hour) => tempAtHour(day, hour));
