import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { type AgeingDay, ageDay, type Population } from "../planting/population";
import { ageingDays } from "../planting/standing";
import { expectedYieldG } from "../planting/yield";
import type { WeatherDay } from "../weather/daily";

/** Intervals that are played through, days. */
export const INTERVALS = [1, 2, 3, 5, 7, 10] as const;

/** What a rhythm of picking would have brought over a season, by the supply model. Masses in g. */
export type Brought = {
  rounds: number;
  primeG: number;
  /** picked over-age */
  overG: number;
  /** in grams of prime worth: over-age at its share */
  worthG: number;
  /** over-age crop still standing at the end */
  leftG: number;
};
export type Rhythm = {
  from: Day;
  to: Day;
  /** by what was weighed: pieces that a day of reference warmth brought */
  ratePerDay: number;
  done: Brought;
  every: { days: number; brought: Brought }[];
  /** interval that brings most once each round costs its minutes */
  best: number;
  /** rounds that came later than the best rhythm, with what each cost in prime worth, g; dearest first */
  late: { day: Day; gap: number; costG: number }[];
};

/**
 * Plays a season through: pieces come, ripen and age by the weather as it was; on picking days everything ready and
 * over-age is taken. What stands on the last day counts as left.
 */
export function playThrough(
  days: readonly AgeingDay[],
  ratePerDay: number,
  start: Population,
  pickOn: (day: Day) => boolean,
  pieceG: number,
  pastShare: number,
): Brought {
  const now = { ...start };
  let [prime, over, rounds] = [0, 0, 0];
  for (const [i, d] of days.entries()) {
    // the first pick begins the story: it finds what stands, as every rhythm does
    if (i > 0) ageDay(now, d, ratePerDay);
    if (!pickOn(d.day)) continue;
    rounds += 1;
    prime += now.ready;
    over += now.over;
    now.ready = 0;
    now.over = 0;
  }
  return {
    rounds,
    primeG: prime * pieceG,
    overG: over * pieceG,
    worthG: (prime + pastShare * over) * pieceG,
    leftG: now.over * pieceG,
  };
}

/** Fewer picks than this have no rhythm. */
const LEAST_PICKS = 4;
const LATE_SHOWN = 5;

/**
 * What picking every one, two, three ... days would have brought over the season's real weather, beside the days on
 * which it was picked. The rate is set so that the days as they were bring the weight that was picked; all rhythms then
 * share it, the first pick and the last day.
 *
 * @param picked day and net mass of each pick of the season, in order
 * @param roundCostG what a round costs in grams of this crop's prime worth (its minutes at the gardener's price)
 * @returns null for crops that are picked once, for too few picks, or where the weather has gaps
 */
export function rhythmOf(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  picked: readonly { day: Day; netG: number }[],
  weather: readonly WeatherDay[],
  roundCostG: number,
): Rhythm | null {
  if (crop.habit !== "repeat") return null;
  const dates = [...new Set(picked.map((p) => p.day))].sort();
  if (dates.length < LEAST_PICKS) return null;
  const [from, to] = [dates[0]!, dates.at(-1)!];
  const days = ageingDays(weather, from, to, bed, crop);
  if (days.length !== daysBetween(from, to) + 1) return null;
  const { pieceG } = crop.yield;
  const { pastShare } = crop.worth;
  const totalG = picked.reduce((s, p) => s + p.netG, 0);
  const start = (rate: number): Population => ({ nearly: 2 * rate, ready: 2 * rate, over: 0 });
  const onDates = new Set(dates);
  const asDone = (rate: number) => playThrough(days, rate, start(rate), (d) => onDates.has(d), pieceG, pastShare);
  // everything is in proportion to the rate, so one run sets it
  const probe = asDone(1);
  const ratePerDay =
    probe.primeG + probe.overG > 0
      ? totalG / (probe.primeG + probe.overG)
      : expectedYieldG(planting, bed, crop) / 55 / pieceG;
  const done = asDone(ratePerDay);
  const every = INTERVALS.map((n) => ({
    days: n,
    brought: playThrough(
      days,
      ratePerDay,
      start(ratePerDay),
      // the last day is picked in every rhythm, so that none leaves more standing than another
      (d) => daysBetween(from, d) % n === 0 || d === to,
      pieceG,
      pastShare,
    ),
  }));
  const net = (b: Brought) => b.worthG - b.rounds * roundCostG;
  const best = every.reduce((a, b) => (net(b.brought) > net(a.brought) ? b : a)).days;
  const late = dates.slice(1).flatMap((day, i) => {
    const gap = daysBetween(dates[i]!, day);
    if (gap <= best + 1) return [];
    // the same season with that gap filled at the best rhythm
    const filled = new Set(dates);
    for (let k = best; k < gap; k += best) filled.add(addDays(dates[i]!, k));
    const mended = playThrough(days, ratePerDay, start(ratePerDay), (d) => filled.has(d), pieceG, pastShare);
    return [{ day, gap, costG: Math.max(0, mended.worthG - done.worthG) }];
  });
  late.sort((a, b) => b.costG - a.costG || (a.day < b.day ? -1 : 1));
  return { from, to, ratePerDay, done, every, best, late: late.slice(0, LATE_SHOWN) };
}
