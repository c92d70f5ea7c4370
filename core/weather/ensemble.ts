import type { Member } from "./daily";
import { chanceAtOrBelow, normalCdf } from "./normal";

/** What is known of one coming night at the station: a value with its error, and the members of an ensemble if there are any. */
export type Night = { minC: number; errorC: number; members: readonly number[] };

/** Share of an ensemble's spread that the kernel around each member has (own choice: about Silverman's for 20 members). */
const KERNEL = 0.5;
/** Spread below which an ensemble is not believed, K (own estimate: no forecast of tonight is better). */
export const LEAST_SPREAD_C = 0.6;

/** @example meanOf([1, 2, 6]) // 3 */
export const meanOf = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;

/** Standard deviation about the mean, n − 1. @example spreadOf([1, 2, 3]) // 1 */
export function spreadOf(xs: readonly number[]): number {
  if (xs.length < 2) return 0;
  const mean = meanOf(xs);
  return Math.sqrt(xs.reduce((s, x) => s + (x - mean) ** 2, 0) / (xs.length - 1));
}

/** Weight of tonight's own spread beside the source's usual error so many days ahead (own choice). */
const OWN_SHARE = 0.5;

/**
 * An ensemble's minima put right by what its source has taught: shifted by its bias, drawn apart (or together) by the
 * ratio of its measured errors to its spread. Twenty members tell their own spread poorly, so its variance is met half
 * way by the source's usual error at that distance; it is never narrower than the least spread.
 * @param biasC what is to be added, K
 * @param ratio measured error over the members' spread; 1 when nothing is known
 * @param usualErrorC the source's standard error so many days ahead, K
 */
export function correctedMembers(minima: readonly number[], biasC: number, ratio: number, usualErrorC: number): Night {
  const mean = meanOf(minima);
  const raw = spreadOf(minima);
  const variance = OWN_SHARE * (raw * ratio) ** 2 + (1 - OWN_SHARE) * usualErrorC ** 2;
  const errorC = Math.max(LEAST_SPREAD_C, Math.sqrt(variance));
  // an ensemble without any spread has members that all say the same: its error is the kernel's alone
  const widen = raw > 0 ? errorC / raw : 0;
  return { minC: mean + biasC, errorC, members: minima.map((m) => mean + biasC + widen * (m - mean)) };
}

/**
 * Chance that a night's minimum is at or below a temperature. Without members the error is taken as normal; with them
 * each member is a small bell of half the spread and the members are drawn in so that the whole keeps its spread
 * (kernel dressing; common in forecast offices, constants our own), so that "mild, or a clear sharp frost" stays two humps.
 * @example nightChance({ minC: 0, errorC: 2, members: [] }, 0) // 0.5
 */
export function nightChance(night: Night, thresholdC: number): number {
  if (night.members.length < 3) return chanceAtOrBelow(thresholdC, night.minC, night.errorC);
  const kernel = KERNEL * night.errorC;
  const drawnIn = Math.sqrt(1 - KERNEL * KERNEL);
  return meanOf(night.members.map((m) => normalCdf((thresholdC - (night.minC + drawnIn * (m - night.minC))) / kernel)));
}

/** A place that is warmer or colder than the station by so many kelvin, its own doubt added. */
export const nightAt = (night: Night, shiftC: number, doubtC = 0): Night => ({
  minC: night.minC + shiftC,
  errorC: Math.hypot(night.errorC, doubtC),
  members: night.members.map((m) => m + shiftC),
});

/** Chances of each freeze class of a night; they add up to the chance of frost. Bounds and source as frostClass. */
export type FrostChances = { light: number; moderate: number; severe: number };
export function frostChances(night: Night): FrostChances {
  const [light, moderate, severe] = [0, -2.2, -4.4].map((t) => nightChance(night, t)) as [number, number, number];
  return { light: light - moderate, moderate: moderate - severe, severe };
}

/**
 * Chance of something by an ensemble: the members in which it happens, and the single forecast as one member more, so
 * that twenty members cannot rule out what one in a hundred days brings, nor threaten a calm day with it.
 * @param single the chance by the single forecast, 0 to 1
 */
export function shareOfMembers(members: readonly Member[], happens: (m: Member) => boolean, single: number): number {
  return (members.filter(happens).length + single) / (members.length + 1);
}
