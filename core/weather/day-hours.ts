import type { WeatherDay } from "./daily";
import { wetHours } from "./foliage";
import { type CurveDay, hourlyTemps } from "./hourly-curve";
import { dewPointC } from "./humid-air";

/** The curve of one of several days in order, with its neighbours' extremes. */
export function curveOf(
  days: readonly WeatherDay[],
  at: number,
  sun: { sunriseHour: number; sunsetHour: number },
): CurveDay {
  const day = days[at]!;
  return {
    tempMaxC: day.tempMaxC,
    tempMinC: day.tempMinC,
    prevMaxC: days[at - 1]?.tempMaxC ?? day.tempMaxC,
    nextMinC: days[at + 1]?.tempMinC ?? day.tempMinC,
    sunriseHour: sun.sunriseHour,
    sunsetHour: sun.sunsetHour,
  };
}

/** Dew point of a day from its mean humidity, °C; null where that is not known. */
export const dewOf = (day: WeatherDay): number | null =>
  day.humidityPct === null ? null : dewPointC((day.tempMinC + day.tempMaxC) / 2, day.humidityPct);

/** A day hour by hour: 24 temperatures, °C, and whether leaves are wet. */
export function hoursOf(
  days: readonly WeatherDay[],
  at: number,
  sun: { sunriseHour: number; sunsetHour: number },
): { temps: number[]; wet: boolean[] } {
  const curve = curveOf(days, at, sun);
  const { rainMm, windMs } = days[at]!;
  return { temps: hourlyTemps(curve), wet: wetHours({ curve, dewC: dewOf(days[at]!), rainMm, windMs }) };
}
