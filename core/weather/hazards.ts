import type { Day } from "../calendar/day";
import type { Member, WeatherDay } from "./daily";
import { type Night, nightChance, shareOfMembers } from "./ensemble";
import { dewPointC } from "./humid-air";
import { chanceAtOrBelow, normalCdf } from "./normal";
import { thunderChance } from "./thunder";

export type HazardKind = "frost" | "gale" | "downpour" | "heat" | "thunder" | "dew";
/** Something of the weather that a gardener plans around. `level` is the quantity that makes it so, metric. */
export type Hazard = { day: Day; kind: HazardKind; chance: number; level: number };

/** Gust from which stalls, hoops and fruit are in danger: Beaufort 8, 17.2 m/s (WMO). */
export const GALE_GUST_MS = 17.2;
/** Rain in a day that knocks, splits and muddies: 20 mm (own threshold). */
export const DOWNPOUR_MM = 20;
/** Heat in which people and leaf crops suffer: 30 °C (common practice). */
export const HEAT_C = 30;
/** Members from which on they are counted. */
export const LEAST_MEMBERS = 8;

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
 * Chance of a gale on a day so many days ahead: the one reckoning for lists, verdicts and plans. The members of an
 * ensemble are counted where there are enough; else the gust forecast is in error by 12 % + 1.5 % a day.
 * @param gustMs strongest gust forecast, m/s; null: nobody said
 * @example galeChance(null, 3) // 0
 */
export function galeChance(gustMs: number | null, daysAhead: number, members: readonly Member[] = []): number {
  if (gustMs === null) return 0;
  const single = 1 - chanceAtOrBelow(GALE_GUST_MS, gustMs, Math.max(0.5, gustMs * (0.12 + 0.015 * daysAhead)));
  return members.length >= LEAST_MEMBERS
    ? shareOfMembers(members, (m) => (m.gustMs ?? 0) >= GALE_GUST_MS, single)
    : single;
}

/**
 * The hazards of one day at the station (frost is reckoned bed by bed elsewhere; here it is the station's own).
 * Chances widen with the days ahead: gusts by 12 % + 1.5 % a day, rain by half of itself, highs by the error given.
 * Where an ensemble is at hand, gusts, rain and heat count its members instead.
 * @param night the station's night minimum as far as it is known
 */
export function hazardsOf(day: WeatherDay, night: Night, daysAhead: number, members: readonly Member[] = []): Hazard[] {
  const found: Hazard[] = [];
  const add = (kind: HazardKind, chance: number, level: number) => {
    if (chance >= 0.1) found.push({ day: day.day, kind, chance, level });
  };
  const byMembers = (happens: (m: Member) => boolean, otherwise: number) =>
    members.length >= LEAST_MEMBERS ? shareOfMembers(members, happens, otherwise) : otherwise;
  add("frost", nightChance(night, 0), day.tempMinC);
  add("gale", galeChance(day.gustMs, daysAhead, members), day.gustMs ?? 0);
  const wet = day.rainMm > 0 ? normalCdf((day.rainMm - DOWNPOUR_MM) / (0.5 * day.rainMm)) : 0;
  add(
    "downpour",
    byMembers((m) => m.rainMm >= DOWNPOUR_MM, wet),
    day.rainMm,
  );
  add(
    "heat",
    byMembers((m) => m.tempMaxC >= HEAT_C, normalCdf((day.tempMaxC - HEAT_C) / night.errorC)),
    day.tempMaxC,
  );
  add("thunder", thunderChance(day), day.rainMm);
  if (isDewy(day)) add("dew", 0.7, day.tempMinC);
  return found;
}
