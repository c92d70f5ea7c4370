import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Crop, Start } from "../handbook/crop";
import { daysAtTemp, warmth } from "../planting/clock";
import { bedDay } from "../weather/bed-night";
import { usualDay } from "../weather/climate";
import { meanTempC, type WeatherDay } from "../weather/daily";
import { lastSowings, lastStartFor, readyDay, type Site, usualStartIn } from "./sowing-clock";
import { isKeeper } from "./weeks";

/** Days over which one sowing of a crop is picked, where its habit says so (own estimates from common practice). */
const PICKED_DAYS: Partial<Record<Crop["habit"], number>> = {
  "leaf-by-leaf": 60,
  "cut-again": 35,
  "main-then-side": 28,
};
/** Fruits and pods of one sowing come for so long before the next one should take over. */
const FRUIT_DAYS = 35;
/** What is lifted as it is needed stands in the ground for about so long. */
const GROUND_DAYS = 45;
/** Picked crop waits in the refrigerator for no more than this before it is eaten, days. */
const FRIDGE_DAYS = 14;

/** Days over which one start of a crop feeds the table, from its first pick on. */
export function bearsDays(crop: Crop, ready: Day, site: Site): number {
  const fixed = PICKED_DAYS[crop.habit];
  if (fixed) return fixed;
  if (crop.habit === "lift-as-needed") return GROUND_DAYS;
  const first = crop.parts[0]!;
  if (crop.habit === "repeat" && (first === "fruit" || first === "pod")) return FRUIT_DAYS;
  const temp = meanTempC(bedDay(usualDay(site.climate, ready), site.bed));
  const prime = daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, temp);
  return Math.round(prime + Math.min(FRIDGE_DAYS, (crop.after.days[0] + crop.after.days[1]) / 2));
}

export type Sowing = {
  startOn: Day;
  readyOn: Day;
  untilOn: Day;
  /** plants that feed the table until the next one is ready; null: nobody knows what a plant gives */
  plants: number | null;
  /** days and warmth after the one before; null for the first */
  gapDays: number | null;
  gapDd: number | null;
};
export type Succession = {
  how: Start;
  sowings: Sowing[];
  /** latest start of the season */
  latest: Day;
  /** the same season sown by the calendar, every fortnight: how many, and which could be skipped */
  byCalendar: { startOn: Day; readyOn: Day; skip: boolean }[];
};

const FORTNIGHT = 14;
/** Of a calendar's sowings one is skipped that is ready within this share of the time the one before it bears. */
const BUNCHED = 0.5;
const MOST_SOWINGS = 14;

/** Warmth of the usual year between two days, °C·day. */
export function usualWarmth(crop: Crop, from: Day, to: Day, site: Site): number {
  let sum = 0;
  for (let day = from; day < to; day = addDays(day, 1))
    sum += warmth(bedDay(usualDay(site.climate, day), site.bed), crop);
  return sum;
}

/**
 * How many sowings a season, and how far apart: each is placed so that it is ready when the one before it is eaten up.
 * Counted back from there by warmth, spring sowings stand further apart in days than those of early summer bring to the
 * table, which is why a sowing every fortnight comes in bunches.
 *
 * @param perPlantG what a plant gives, g; null: unknown
 * @returns null for what keeps over winter, stands for years, or has no last sowing
 */
export function successionOf(
  crop: Crop,
  record: readonly WeatherDay[],
  year: number,
  site: Site,
  risk: number,
  weeklyG: number,
  perPlantG: number | null,
  prefer: Start | null = null,
): Succession | null {
  if (crop.days.yearly || isKeeper(crop)) return null;
  const lasts = lastSowings(crop, record, year, site, risk);
  const last = lasts.find((l) => l.how === prefer && l.latest) ?? lasts.find((l) => l.latest !== null);
  if (!last?.latest) return null;
  const { how, needDd, latest } = last;
  const first = usualStartIn(crop, year, site.latitudeDeg);
  if (first > latest) return null;
  const sowings: Sowing[] = [];
  let startOn = first;
  for (let k = 0; k < MOST_SOWINGS; k++) {
    const ready = readyDay(crop, startOn, needDd, site);
    if (!ready) break;
    const bears = bearsDays(crop, ready, site);
    const before = sowings.at(-1);
    sowings.push({
      startOn,
      readyOn: ready,
      untilOn: addDays(ready, bears),
      plants: perPlantG ? Math.max(1, Math.ceil((weeklyG * bears) / 7 / perPlantG)) : null,
      gapDays: before ? daysBetween(before.startOn, startOn) : null,
      gapDd: before ? Math.round(usualWarmth(crop, before.startOn, startOn, site)) : null,
    });
    const next = lastStartFor(crop, addDays(ready, bears), needDd, site);
    if (!next) break;
    startOn = next > startOn ? next : addDays(startOn, 1);
    if (startOn > latest) break;
  }
  return { how, sowings, latest, byCalendar: calendarSowings(crop, first, latest, needDd, site) };
}

/** The season sown every fortnight: each that is ready soon after the last one kept could be skipped. */
export function calendarSowings(
  crop: Crop,
  first: Day,
  latest: Day,
  needDd: number,
  site: Site,
): Succession["byCalendar"] {
  const out: Succession["byCalendar"] = [];
  let kept: { readyOn: Day; bears: number } | null = null;
  for (let startOn = first; startOn <= latest; startOn = addDays(startOn, FORTNIGHT)) {
    const readyOn = readyDay(crop, startOn, needDd, site);
    if (!readyOn) break;
    const skip = kept !== null && daysBetween(kept.readyOn, readyOn) < BUNCHED * kept.bears;
    if (!skip) kept = { readyOn, bears: bearsDays(crop, readyOn, site) };
    out.push({ startOn, readyOn, skip });
  }
  return out;
}

/** Whether it is time for the next sowing of a crop: warmth since the last one was started against what is wanted between. */
export function nextSowing(
  crop: Crop,
  lastStart: Day,
  wantDd: number,
  site: Site,
  weather: ReadonlyMap<Day, WeatherDay>,
  today: Day,
): { gatheredDd: number; due: boolean; expected: Day | null } {
  const on = (day: Day) => warmth(bedDay(weather.get(day) ?? usualDay(site.climate, day), site.bed), crop);
  let gathered = 0;
  for (let day = lastStart; day < today; day = addDays(day, 1)) gathered += on(day);
  if (gathered >= wantDd) return { gatheredDd: gathered, due: true, expected: today };
  let sum = gathered;
  for (let k = 0; k < 120; k++) {
    sum += on(addDays(today, k));
    if (sum >= wantDd) return { gatheredDd: gathered, due: false, expected: addDays(today, k + 1) };
  }
  return { gatheredDd: gathered, due: false, expected: null };
}
