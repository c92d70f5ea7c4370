import type { Day } from "../calendar/day";

/** Pieces on a planting by age, expected numbers. */
export type Population = { nearly: number; ready: number; over: number };
/** A count at a look: how many ready, nearly ready, or too old. */
export type Counted = { day: Day; of: keyof Population; pieces: number };
/** What a pick took: everything of picking size, or some pieces. */
export type PastPick = { day: Day; all: boolean; pieces: number };

/** Over-age pieces stand for so many primes before they rot, open or drop (own estimate). */
export const OVER_PRIMES = 1.5;

/** One day as it bears on the ageing of pieces. */
export type AgeingDay = { day: Day; growth: number; readyInDays: number; primeDays: number };

/**
 * Runs the pieces of a repeat cropper from day to day: new ones come nearly ready at a rate by the day's warmth, age
 * into ready ones, and these into over-age ones, which slow the plant in proportion; picks take from the oldest; a
 * count sets what it counted. Numbers are kept: what comes equals what stands and what was taken.
 *
 * @param days every day from the first event to today, in order
 * @param ratePerDay pieces a day of reference warmth bring
 * @returns what stands on the last day
 */
export function populationOf(
  days: readonly AgeingDay[],
  ratePerDay: number,
  counts: readonly Counted[],
  picks: readonly PastPick[],
): Population {
  const now: Population = { nearly: ratePerDay * 2, ready: 0, over: 0 };
  for (const d of days) {
    ageDay(now, d, ratePerDay);
    for (const c of counts) if (c.day === d.day) now[c.of] = c.pieces;
    for (const p of picks) if (p.day === d.day) take(now, p);
  }
  return now;
}

/** Ages what stands by a day, in place. */
export function ageDay(now: Population, d: AgeingDay, ratePerDay: number): void {
  const standing = now.nearly + now.ready + now.over;
  const slowed = standing > 0 ? 1 / (1 + now.over / standing) : 1;
  const ripening = now.nearly * Math.min(1, d.growth / Math.max(1, d.readyInDays));
  const ageing = now.ready * Math.min(1, 1 / Math.max(1, 1.6 * d.primeDays));
  now.nearly += ratePerDay * d.growth * slowed - ripening;
  now.ready += ripening - ageing;
  now.over += ageing;
}

/** Takes a pick's pieces in place: the over-age first, then the ready, then the nearly ready. */
function take(from: Population, pick: PastPick): void {
  if (pick.all) {
    from.ready = 0;
    from.over = 0;
    return;
  }
  let left = pick.pieces;
  for (const age of ["over", "ready", "nearly"] as const) {
    const taken = Math.min(left, from[age]);
    from[age] -= taken;
    left -= taken;
  }
}
