/** Extremes that shape one day's curve; hours are local clock hours (5.5 is half past five). */
export type CurveDay = {
  tempMaxC: number;
  tempMinC: number;
  /** minimum of the following morning, towards which the evening falls */
  nextMinC: number;
  sunriseHour: number;
  sunsetHour: number;
};

const LAG_H = 1.5;
const NIGHT_TAU_H = 4;

/**
 * Air temperature at an hour of the day, °C: sine by day, exponential by night; meets both extremes exactly.
 * Source: J. Goudriaan & H. H. van Laar, Modelling Potential Crop Growth Processes, 1994 (P = 1.5 h, τ = 4 h).
 *
 * @param hour 0 to 24; hours before sunrise use the same day's minimum and the given evening's shape
 */
export function tempAtHour(day: CurveDay, hour: number): number {
  const length = day.sunsetHour - day.sunriseHour;
  const noon = (day.sunriseHour + day.sunsetHour) / 2;
  const daytime = (h: number) =>
    day.tempMinC + (day.tempMaxC - day.tempMinC) * Math.sin((Math.PI * (h - noon + length / 2)) / (length + 2 * LAG_H));
  if (hour >= day.sunriseHour && hour <= day.sunsetHour) return daytime(hour);
  const beforeDawn = hour < day.sunriseHour;
  const night = 24 - length;
  const sinceSunset = beforeDawn ? hour + 24 - day.sunsetHour : hour - day.sunsetHour;
  const floor = beforeDawn ? day.tempMinC : day.nextMinC;
  const atSunset = daytime(day.sunsetHour);
  const decay = Math.exp(-night / NIGHT_TAU_H);
  return (floor - atSunset * decay + (atSunset - floor) * Math.exp(-sinceSunset / NIGHT_TAU_H)) / (1 - decay);
}

/** The 24 hourly temperatures of a day, °C, at 0, 1 … 23 h. */
export const hourlyTemps = (day: CurveDay): number[] => Array.from({ length: 24 }, (_, hour) => tempAtHour(day, hour));
