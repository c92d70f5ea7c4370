import type { SoilState } from "../handbook/soil-state";
import { meanTempC, type WeatherDay } from "./daily";

/** How much of a day's departure the soil at 10 cm follows: it lags two to three days (own estimate, damped average). */
const FOLLOW = 0.32;
/** Soil under sun is a little warmer than the air over the season, K. */
const WARMER_C = 0.8;

/**
 * Soil temperature at 10 cm, °C, on the last of the days: the air's daily mean, damped and lagged by an exponential
 * average. Good to about 2 K in a bed without cover; a thermometer in the soil overrules it.
 * @param days in order, at least one; thirty are enough. Throws RangeError without any
 */
export function soilTempC(days: readonly WeatherDay[]): number {
  if (days.length === 0) throw new RangeError("no day to reckon the soil from");
  let soil = meanTempC(days[0]!) + WARMER_C;
  for (const day of days.slice(1)) soil += FOLLOW * (meanTempC(day) + WARMER_C - soil);
  return soil;
}

/** Water the top of the soil holds, mm, above which it smears, and below which it is hard (own estimates). */
const SODDEN_MM = 22;
const DRY_MM = 7;
const BAKED_MM = 2;
const FULL_MM = 30;

/**
 * Whether the soil can be worked: a little water account of the top layer, rain in, warmth-driven drying out.
 * @param days in order, the last being today; three weeks are enough. Without any, nothing speaks against working it
 */
export function soilState(days: readonly WeatherDay[]): { state: SoilState; waterMm: number } {
  let water = 14;
  for (const day of days) {
    const drying = Math.max(0.2, 0.17 * Math.max(0, meanTempC(day)) * (1 - 0.006 * (day.cloudPct ?? 50)));
    water = Math.min(FULL_MM, Math.max(0, water + day.rainMm - drying));
  }
  if (days.length > 0 && soilTempC(days) <= 0) return { state: "frozen", waterMm: water };
  const state = water >= SODDEN_MM ? "sodden" : water <= BAKED_MM ? "baked" : water <= DRY_MM ? "dry" : "workable";
  return { state, waterMm: water };
}

/** Days since rain of at least an amount, counted back from the last of the days; null when there was none. */
export function daysSinceRain(days: readonly WeatherDay[], leastMm = 5): number | null {
  for (let back = 0; back < days.length; back++) if (days[days.length - 1 - back]!.rainMm >= leastMm) return back;
  return null;
}
