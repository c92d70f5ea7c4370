import { addDays, type Day } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { firstPick, nextPick } from "../planting/fate";
import type { Judgement } from "../planting/judgement";
import { perennialYear } from "../planting/perennial";
import type { Supply } from "../planting/supply";
import { likelyWindow, type ReadyWindow } from "../planting/window";
import type { WeatherDay } from "../weather/daily";
import { frostLimit, type Site } from "./sowing-clock";

/** When a planting is expected to give its last, and what ends it. */
export type LastPick = { day: Day; why: "lifted" | "borne" | "frost" | "season" };

/** Half the years have their frost earlier than the day told. */
const EVEN_CHANCE = 0.5;
/** A flush of so much is over: what still comes is a handful (own threshold). */
const BORNE_SHARE = 0.95;

/**
 * When a planting is expected to give its last: what is taken at once when it is lifted, a flush when it has borne, what
 * bears for weeks at the frost that kills it in half the years, what stands for years at the end of its season.
 * @param expected the days in which it is expected ready, for what is taken at once and not yet ripe
 * @returns null where nothing ends it: what bears on through the winter
 */
export function lastPickOf(
  planting: Planting,
  crop: Crop,
  judgement: Pick<Judgement, "days" | "regime" | "borneDays">,
  supply: Pick<Supply, "once" | "days">,
  expected: ReadyWindow,
  record: readonly WeatherDay[],
  site: Site,
  today: Day,
): LastPick | null {
  const later = (a: Day, b: Day): Day => (a > b ? a : b);
  if (supply.once) {
    const { to } = likelyWindow(judgement);
    return { day: later(to ?? expected.to, today), why: "lifted" };
  }
  const season = crop.days.yearly ? perennialYear(planting, crop, today, site.latitudeDeg) : null;
  if (season?.lastDay) return { day: season.lastDay, why: "season" };
  const year = Number(today.slice(0, 4));
  const frosts = [year, year + 1].map((y) => frostLimit(crop, record, y, site.latitudeDeg, site.bed, EVEN_CHANCE));
  const frost = frosts.find((day) => day !== null && day >= today) ?? null;
  const borne = borneOn(supply);
  if (borne && (frost === null || borne < frost)) return { day: borne, why: "borne" };
  return frost === null ? null : { day: frost, why: "frost" };
}

/** The day within the plan's sight by which all but a handful of what is still to come has come; null: not within it. */
function borneOn({ days }: Pick<Supply, "days">): Day | null {
  const whole = days.reduce((sum, d) => sum + d.bringsG, 0);
  // what still brings on its last day is not at an end there
  if (whole <= 0 || days.at(-1)!.bringsG > ((1 - BORNE_SHARE) * whole) / 2) return null;
  let sum = 0;
  for (const d of days) {
    sum += d.bringsG;
    if (sum >= BORNE_SHARE * whole) return d.day;
  }
  return null;
}

/**
 * What is lost while nobody picks: all that is ready is taken today, and what comes after waits so many days. By the
 * rate that the picks of this planting have shown.
 * @returns g over-age, frozen or blown down by the end of the days
 */
export function missedG(supply: Supply, nowT: number, days: number): number {
  const end = Math.min(nowT + days, supply.days.length - 1);
  if (!supply.once) {
    const left = nextPick(supply, nowT, nowT, end);
    return left.pastG + left.frostG + left.galeG + left.sickG;
  }
  const [now, then] = [firstPick(supply, nowT, nowT), firstPick(supply, nowT, end)];
  return Math.max(0, then.pastG - now.pastG) + then.frostG + then.galeG + then.sickG;
}

/** More of a crop than the house eats in a week: how much comes, and from when on it is no longer too much. */
export type Glut = { weekG: number; eatenG: number; easesOn: Day | null };

const WEEK = 7;

/**
 * Whether more of a crop comes in the coming week than the house eats, and when that eases.
 * @param supplies of all its plantings
 * @returns null where it is eaten up; `easesOn` null: not within the plan's sight
 */
export function glutOf(supplies: readonly Pick<Supply, "once" | "days" | "stockG">[], weeklyG: number): Glut | null {
  const bearing = supplies.filter((s) => !s.once);
  const sight = Math.min(...bearing.map((s) => s.days.length), Number.POSITIVE_INFINITY);
  if (bearing.length === 0 || weeklyG <= 0) return null;
  const weekFrom = (k: number) =>
    bearing.reduce((sum, s) => sum + s.days.slice(k, k + WEEK).reduce((g, d) => g + d.bringsG, 0), 0);
  const weekG = weekFrom(0);
  if (weekG <= weeklyG) return null;
  for (let k = 1; k + WEEK <= sight; k++)
    if (weekFrom(k) <= weeklyG) return { weekG, eatenG: weeklyG, easesOn: bearing[0]!.days[k]!.day };
  return { weekG, eatenG: weeklyG, easesOn: null };
}

/** The day on which a bed is expected free: its last planting's last pick; today where it is free; null: not in sight. */
export const freeOn = (lasts: readonly (LastPick | null)[], today: Day): Day | null =>
  lasts.some((l) => l === null)
    ? null
    : lasts.reduce((latest, l) => (addDays(l!.day, 1) > latest ? addDays(l!.day, 1) : latest), today);
