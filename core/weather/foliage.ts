import { type CurveDay, tempAtHour } from "./hourly-curve";
import { humidityPct } from "./humid-air";

/** Relative humidity from which leaves are taken to be wet with dew, percent (a usual threshold; common practice). */
const WET_FROM_PCT = 90;
/** Water a leaf holds after rain, mm, and what an hour dries: more in dry, warm, moving air (own estimate). */
const HELD_MM = 0.6;

export type FoliageDay = {
  curve: CurveDay;
  /** dew point through the day, °C; null when the humidity is not known */
  dewC: number | null;
  rainMm: number;
  windMs: number | null;
};

/**
 * Which hours of a day the leaves are wet: while the air is near saturation (dew), and after rain until it has dried.
 * Rain whose hour is not known is taken to fall until the middle of the day.
 * @returns 24 values, one an hour
 */
export function wetHours(day: FoliageDay): boolean[] {
  let water = 0;
  const wet: boolean[] = [];
  const rainEnds = 12;
  for (let hour = 0; hour < 24; hour++) {
    const temp = tempAtHour(day.curve, hour);
    const humidity = day.dewC === null ? 75 : Math.min(100, humidityPct(temp, day.dewC));
    const dew = day.dewC !== null && humidity >= WET_FROM_PCT;
    if (dew) water = Math.min(HELD_MM, Math.max(water, 0.15));
    if (day.rainMm >= 0.2 && hour < rainEnds) water = HELD_MM;
    const dries = (0.03 + 0.0035 * (100 - humidity)) * (0.5 + 0.2 * (day.windMs ?? 2)) * Math.max(0.2, temp / 15);
    if (!dew && !(day.rainMm >= 0.2 && hour < rainEnds)) water = Math.max(0, water - dries);
    wet.push(water > 0.02);
  }
  return wet;
}

/**
 * The hour from which leaves are dry enough to touch beans and tomatoes, and stay so for at least two hours by
 * daylight; null when they never are.
 */
export function dryFrom(wet: readonly boolean[], sunriseHour: number, sunsetHour: number): number | null {
  for (let hour = Math.ceil(sunriseHour); hour + 1 <= Math.floor(sunsetHour); hour++)
    if (!wet[hour] && !wet[hour + 1]) return hour;
  return null;
}

/** Hours of the day on which the leaves are wet. @example wetCount([true, false, true]) // 2 */
export const wetCount = (wet: readonly boolean[]): number => wet.filter(Boolean).length;
