import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import { CLEARING, PERENNIALS, type PerennialRule } from "../handbook/bed-after";
import type { Crop } from "../handbook/crop";
import type { WeatherDay } from "../weather/daily";

export type ClearingTask = { id: string; words: string; why: string; caution: string; source: string };

/** What is to be done in a bed once a crop is over, with reasons; what is for disease only where it was seen. */
export function clearingOf(planting: Pick<Planting, "id">, crop: Crop, sick: boolean): ClearingTask[] {
  return CLEARING.filter(
    (r) =>
      (r.crops.includes(crop.id) || r.families.includes("*") || r.families.includes(crop.family)) &&
      !r.not.includes(crop.id) &&
      (r.when === "always" || sick),
  ).map((r) => ({
    id: `clear ${planting.id} ${r.id}`,
    words: r.words,
    why: r.why,
    caution: r.caution,
    source: r.source,
  }));
}

/** Whether a crop stands for years and is never cleared. */
export const standsForYears = (crop: Pick<Crop, "days">): boolean => crop.days.yearly !== null;

/** How a crop that stands for years does this year. */
export type PerennialYear = {
  /** years it has stood: 0 in the one of its start */
  age: number;
  /** season year in which it is first cropped in full */
  firstCropYear: number;
  young: boolean;
  lastDay: Day | null;
  lastWhy: string;
  /** its season is over for this year */
  over: boolean;
  tasks: { id: string; words: string; why: string; from: Day; to: Day; state: "now" | "soon" | "later" | "past" }[];
  old: boolean;
  otherwise: string;
};
const SOON_DAYS = 21;

/** Shifts a northern month and day into a year; half a year later in the south. */
const inYear = (year: number, md: string, latitudeDeg: number): Day => {
  const day = `${year}-${md === "02-29" ? "02-28" : md}`;
  return latitudeDeg >= 0 ? day : addDays(day, 182);
};

/**
 * First harvest year, the season's last day, renewal and tasks of a planting that stands for years, by the handbook
 * (common practice and published advice, marked there).
 * @returns null where the handbook has no rule for its crop
 */
export function perennialYear(planting: Planting, today: Day, latitudeDeg: number): PerennialYear | null {
  const rule: PerennialRule | undefined = PERENNIALS.find((r) => r.crop === planting.cropId);
  if (!rule) return null;
  const year = Number(today.slice(0, 4));
  const started = Number(planting.startedOn.slice(0, 4));
  const wait = planting.startedHow === "sown" ? rule.firstCrop.sown : rule.firstCrop.planted;
  const lastDay = rule.lastDay ? inYear(year, rule.lastDay, latitudeDeg) : null;
  return {
    age: year - started,
    firstCropYear: started + wait,
    young: year < started + wait,
    lastDay,
    lastWhy: rule.lastWhy,
    over: lastDay !== null && today > lastDay,
    tasks: rule.tasks.map((t, i) => {
      const from = inYear(year, t.from, latitudeDeg);
      // a span over New Year ends in the next one
      const to = inYear(t.to < t.from ? year + 1 : year, t.to, latitudeDeg);
      const state =
        today > to ? "past" : today >= from ? "now" : daysBetween(today, from) <= SOON_DAYS ? "soon" : "later";
      return { id: `perennial ${planting.id} ${i} ${year}`, words: t.words, why: t.why, from, to, state };
    }),
    old: year - started >= rule.renewYears,
    otherwise: rule.otherwise,
  };
}

/** A stump that still bears: when to look again, and whether rain threatens it. */
export type Regrowth = { since: Day; nextLook: Day; rainMm: number; rots: boolean };
/** Rain within two weeks of the cut from which stumps begin to rot (own estimate from common practice). */
const ROT_RAIN_MM = 45;
const WATCHED_DAYS = 60;

/**
 * Watch over crops whose side shoots come after the main head: a look every week from the last cut, before the stump
 * rots (common practice); told for two months.
 * @param picks days on which it was picked, in order
 * @returns null for other crops, before the main cut, or long after it
 */
export function regrowthOf(
  planting: Planting,
  crop: Crop,
  picks: readonly Day[],
  weather: readonly WeatherDay[],
  today: Day,
): Regrowth | null {
  if (crop.habit !== "main-then-side" || planting.endedOn !== null) return null;
  const last = picks.at(-1);
  const first = picks[0];
  if (!last || !first || daysBetween(last, today) > WATCHED_DAYS) return null;
  const rainMm = weather.filter((w) => w.day >= first && w.day <= addDays(first, 14)).reduce((s, w) => s + w.rainMm, 0);
  return { since: first, nextLook: addDays(last, 7), rainMm, rots: rainMm >= ROT_RAIN_MM };
}
