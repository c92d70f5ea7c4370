import { probit } from "simple-statistics";
import type { Crop, TakenWay } from "../handbook/crop";
import { normalCdf } from "../weather/normal";
import { evennessOf, RIPENS_OVER } from "./way";

/** Standard deviations between one in ten and nine in ten of a bell. */
const TEN_TO_NINETY = 2 * 1.2816;

/** Days of reference warmth that are one standard deviation of the days at which pieces of a planting become ready. */
export const ripeningSd = (crop: Pick<Crop, "pieces" | "habit">): number =>
  RIPENS_OVER[evennessOf(crop)] / TEN_TO_NINETY;

/**
 * Standard deviations by which the first of n pieces is ready before a usual one: the expected greatest of n normal
 * deviates (Blom, Statistical Estimates and Transformed Beta-Variables, 1958).
 * @example firstOf(100) // about 2.5
 */
export const firstOf = (pieces: number): number => (pieces <= 1 ? 0 : probit((pieces - 0.375) / (pieces + 0.25)));

/**
 * Whether a crop comes in one flush that is taken piece by piece: roots and heads of one sowing, beans of one bush. What
 * bears for weeks does not.
 */
export const inFlush = (crop: Pick<Crop, "pieces" | "habit">, way: TakenWay): boolean =>
  evennessOf(crop) !== "weeks" && (way === "as-they-come" || way === "one-by-one");

/**
 * Whether a crop's days are those to its first picking, as packets of fruits and pods state them; those of roots and
 * heads are the days of a usual one.
 */
export const daysToFirst = (crop: Pick<Crop, "parts" | "days">): boolean =>
  crop.days.yearly !== null || crop.parts.some((p) => p === "fruit" || p === "pod" || p === "flower" || p === "seed");

/** One in ten of a bell, in standard deviations: a first picking. */
const ONE_IN_TEN = -1.2816;

/** Where in its bell the first picking lies, in standard deviations. */
const startOf = (crop: Pick<Crop, "parts" | "days">, pieces: number): number =>
  daysToFirst(crop) ? ONE_IN_TEN : -firstOf(pieces);

/**
 * Share of a flush that has become ready in so many days of reference warmth since its first piece: a bell, of which
 * the first piece is its far left end, and a first picking of fruits one in ten.
 * @param pieces of the whole planting
 */
export function flushShare(
  crop: Pick<Crop, "pieces" | "habit" | "parts" | "days">,
  pieces: number,
  borneDays: number,
): number {
  const sd = ripeningSd(crop);
  const start = startOf(crop, pieces);
  const before = normalCdf(start);
  return Math.max(0, (normalCdf(start + Math.max(0, borneDays) / sd) - before) / (1 - before));
}

/** How far what was picked, and not the clock alone, says how much of a flush is over (own estimate). */
const BY_MASS = 0.7;

/**
 * Days of a flush that are over after a pick that took all that was ready: where its bell stands at the share that has
 * been picked, drawn towards what the clock says.
 * @param picked share of the expected yield that has been picked so far
 */
export function borneAfterPick(
  crop: Pick<Crop, "pieces" | "habit" | "parts" | "days">,
  pieces: number,
  borneDays: number,
  picked: number,
): number {
  const start = startOf(crop, pieces);
  const before = normalCdf(start);
  const share = Math.min(0.98, Math.max(0, picked));
  const byMass = (probit(before + share * (1 - before)) - start) * ripeningSd(crop);
  return BY_MASS * Math.max(0, byMass) + (1 - BY_MASS) * borneDays;
}
