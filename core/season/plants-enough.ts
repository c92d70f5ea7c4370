import { type Day, daysBetween } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import type { Taste } from "../household/taste";
import { isKeeper, keepingWeeks } from "./weeks";

/** Something always fails: so many more are planted (common practice: two spares among a dozen or so). */
const SPARE = 1.1;
/** How many of its own plantings weigh as much as the handbook's yield. */
const BELIEF = 1;
/** Weeks for which a fruit or pod crop is picked, where the season does not end it sooner. */
const MOST_WEEKS = 14;
/** So much beside the mark is still about right. */
export const SLACK = 1.25;

export type Enough = {
  crop: Crop;
  /** plants that were grown */
  had: number;
  /** to eat from, and to put by and give away from as well */
  enough: number;
  plenty: number;
  /** weeks at table they feed */
  weeks: number;
  wantG: number;
  perPlantG: number;
  /** plantings of this garden that the yield was learned from; 0: the handbook's */
  learnedFrom: number;
};

/**
 * What a plant gives, g: this garden's own plantings beside the handbook, the more the more there are.
 * @param own yields a plant of each planting, g
 * @returns null where neither says
 */
export function perPlantOf(crop: Crop, own: readonly number[]): number | null {
  const book = crop.yield.perPlantKg ? 500 * (crop.yield.perPlantKg[0] + crop.yield.perPlantKg[1]) : null;
  const mean = own.length > 0 ? own.reduce((s, g) => s + g, 0) / own.length : null;
  if (mean === null) return book;
  return book === null ? mean : (mean * own.length + book * BELIEF) / (own.length + BELIEF);
}

/** Plants for next year by what was had: no fewer than are eaten from, no more than are of any use. */
export const plantsNext = (e: Pick<Enough, "had" | "enough" | "plenty">): number =>
  Math.min(Math.max(e.had, e.enough), e.plenty);

/**
 * Plants that are enough for the household: what it eats of the crop in its season (or over the weeks it keeps), by what
 * a plant gives. "One aubergine plant, not three."
 * @param bearing first and last day of picking this season; null: as long as the handbook takes for granted
 */
export function plantsEnough(
  crop: Crop,
  taste: Pick<Taste, "liking" | "weeklyG" | "sparedG">,
  had: number,
  own: readonly number[],
  bearing: readonly [Day, Day] | null,
): Enough | null {
  const perPlantG = perPlantOf(crop, own);
  if (!perPlantG || perPlantG <= 0) return null;
  const season = bearing ? Math.max(1, (daysBetween(bearing[0], bearing[1]) + 1) / 7) : 8;
  const weeks = isKeeper(crop) ? keepingWeeks(crop) : Math.min(MOST_WEEKS, season);
  const wantG = taste.liking === 0 ? 0 : taste.weeklyG * weeks;
  const plantsFor = (g: number) => (g === 0 ? 0 : Math.max(1, Math.ceil((g * SPARE) / perPlantG - 1e-9)));
  const enough = plantsFor(wantG);
  const plenty = wantG === 0 ? 0 : plantsFor((taste.weeklyG + taste.sparedG) * weeks);
  return { crop, had, enough, plenty, weeks, wantG, perPlantG, learnedFrom: own.length };
}
