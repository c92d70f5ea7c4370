import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import { CLEARING } from "../handbook/bed-after";
import type { Crop } from "../handbook/crop";
import type { WeatherDay } from "../weather/daily";

export type ClearingTask = { id: string; words: string; why: string; caution: string; source: string };

/** What is to be done in a bed once a crop is over, with reasons; what is for disease only where it was seen. */
export function clearingOf(planting: Pick<Planting, "id">, crop: Crop, sick: boolean): ClearingTask[] {
  return CLEARING.filter(
    (r) =>
      (r.crops.includes(crop.like) || r.families.includes("*") || r.families.includes(crop.family)) &&
      !r.not.includes(crop.like) &&
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
