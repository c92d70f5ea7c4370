import type { Day } from "../calendar/day";
import type { WeatherDay } from "./daily";
import { dewPointC } from "./humid-air";
import { normalCdf } from "./normal";

export type HazardKind = "frost" | "gale" | "downpour" | "heat" | "dew";
/** Something of the weather that a gardener plans around. `level` is the quantity that makes it so, metric. */
export type Hazard = { day: Day; kind: HazardKind; chance: number; level: number };

/** Gust from which stalls, hoops and fruit are in danger: Beaufort 8, 17.2 m/s (WMO). */
export const GALE_GUST_MS = 17.2;
/** Rain in a day that knocks, splits and muddies: 20 mm (own threshold). */
export const DOWNPOUR_MM = 20;
/** Heat in which people and leaf crops suffer: 30 °C (common practice). */
export const HEAT_C = 30;

/** Beaufort number of a wind, v = 0.836·B^1.5 (WMO). @example beaufort(17.2) // 8 */
export function beaufort(speedMs: number): number {
  const upper = [0.2, 1.5, 3.3, 5.4, 7.9, 10.7, 13.8, 17.1, 20.7, 24.4, 28.4, 32.6];
  const index = upper.findIndex((bound) => speedMs <= bound + 0.0499);
  return index === -1 ? 12 : index;
}

/** Whether dew is to be expected in the morning: the night cools to within a degree of the evening's dew point. */
export function isDewy(day: WeatherDay): boolean {
  if (day.humidityPct === null) return (day.cloudPct ?? 50) < 50 && (day.windMs ?? 2) < 3;
  return day.tempMinC - dewPointC((day.tempMinC + day.tempMaxC) / 2, day.humidityPct) < 1 && (day.windMs ?? 2) < 4;
}

/**
 * The hazards of one day at the station (frost is reckoned bed by bed elsewhere; here it is the station's own).
 * Chances widen with the days ahead: gusts by 12 % + 1.5 % a day, rain by half of itself, highs by the error given.
 * @param errorC standard error of the forecast's temperatures that day, K
 */
export function hazardsOf(day: WeatherDay, errorC: number, daysAhead: number): Hazard[] {
  const found: Hazard[] = [];
  const add = (kind: HazardKind, chance: number, level: number) => {
    if (chance >= 0.1) found.push({ day: day.day, kind, chance, level });
  };
  add("frost", normalCdf((0 - day.tempMinC) / errorC), day.tempMinC);
  if (day.gustMs !== null) {
    const spread = day.gustMs * (0.12 + 0.015 * daysAhead);
    add("gale", spread > 0 ? normalCdf((day.gustMs - GALE_GUST_MS) / spread) : 0, day.gustMs);
  }
  if (day.rainMm > 0) add("downpour", normalCdf((day.rainMm - DOWNPOUR_MM) / (0.5 * day.rainMm)), day.rainMm);
  add("heat", normalCdf((day.tempMaxC - HEAT_C) / errorC), day.tempMaxC);
  if (isDewy(day)) add("dew", 0.7, day.tempMinC);
  return found;
}
