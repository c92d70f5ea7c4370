import { addDays, type Day, dayOfYear } from "../calendar/day";
import type { WeatherDay } from "./daily";
import { ofRecord } from "./of-record";

/** The usual extremes of each day of the year (index 1 to 366) at a site, °C. */
export type Climate = { tempMinC: number[]; tempMaxC: number[]; years: number };

const SMOOTHING_DAYS = 10;

/**
 * The site's usual year from its record, smoothed over three weeks; days of the year without any record are
 * filled from a plain seasonal curve for the latitude (own estimate for mild maritime climates), so that a new
 * garden has something to reckon with.
 */
export const climateOf = (record: readonly WeatherDay[], latitudeDeg: number): Climate =>
  ofRecord(record, `climate at ${latitudeDeg}`, () => usualYear(record, latitudeDeg));

function usualYear(record: readonly WeatherDay[], latitudeDeg: number): Climate {
  const sumMin = new Array<number>(367).fill(0);
  const sumMax = new Array<number>(367).fill(0);
  const count = new Array<number>(367).fill(0);
  const years = new Set<string>();
  for (const d of record) {
    const j = dayOfYear(d.day);
    sumMin[j]! += d.tempMinC;
    sumMax[j]! += d.tempMaxC;
    count[j]! += 1;
    years.add(d.day.slice(0, 4));
  }
  const tempMinC = new Array<number>(367).fill(0);
  const tempMaxC = new Array<number>(367).fill(0);
  for (let j = 1; j <= 366; j++) {
    let n = 0;
    let low = 0;
    let high = 0;
    for (let k = -SMOOTHING_DAYS; k <= SMOOTHING_DAYS; k++) {
      const i = ((j - 1 + k + 366) % 366) + 1;
      n += count[i]!;
      low += sumMin[i]!;
      high += sumMax[i]!;
    }
    const usual = seasonalCurve(j, latitudeDeg);
    tempMinC[j] = n > 0 ? low / n : usual.tempMinC;
    tempMaxC[j] = n > 0 ? high / n : usual.tempMaxC;
  }
  return { tempMinC, tempMaxC, years: years.size };
}

function seasonalCurve(j: number, latitudeDeg: number): { tempMinC: number; tempMaxC: number } {
  const north = latitudeDeg >= 0 ? 1 : -1;
  const mean = 27 - 0.33 * Math.abs(latitudeDeg);
  const swing = 0.14 * Math.abs(latitudeDeg);
  const wave = north * Math.cos((2 * Math.PI * (j - 203)) / 365.25);
  return { tempMinC: mean + swing * wave - 4.5, tempMaxC: mean + swing * wave + 4.5 };
}

/** A day of the usual year as weather, all else unknown. */
export function usualDay(climate: Climate, day: Day): WeatherDay {
  const j = dayOfYear(day);
  return {
    day,
    tempMinC: climate.tempMinC[j] ?? 5,
    tempMaxC: climate.tempMaxC[j] ?? 14,
    rainMm: 0,
    windMs: null,
    gustMs: null,
    humidityPct: null,
    cloudPct: null,
  };
}

/**
 * One weather for every day from the first to the last: the record where there is one, then the forecast, then
 * the usual year. @returns days in order with where each came from
 */
export function weatherFor(
  from: Day,
  to: Day,
  record: ReadonlyMap<Day, WeatherDay>,
  forecast: ReadonlyMap<Day, WeatherDay>,
  climate: Climate,
): { weather: WeatherDay; from: "record" | "forecast" | "usual" }[] {
  const days: { weather: WeatherDay; from: "record" | "forecast" | "usual" }[] = [];
  for (let day = from; day <= to; day = addDays(day, 1)) {
    const seen = record.get(day);
    const expected = forecast.get(day);
    if (seen) days.push({ weather: seen, from: "record" });
    else if (expected) days.push({ weather: expected, from: "forecast" });
    else days.push({ weather: usualDay(climate, day), from: "usual" });
  }
  return days;
}
