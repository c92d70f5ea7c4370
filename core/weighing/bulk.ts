import type { Crop } from "../handbook/crop";
import { GRAMS_PER_POUND, LITRES_PER_US_BUSHEL } from "../units/constants";

/**
 * Pounds in a US bushel by crop, tops off (USDA ERS, Weights, Measures, and Conversion Factors for Agricultural
 * Commodities and Their Products, Agricultural Handbook 697, 1992). Where the handbook gives a range, its middle.
 * Plum, pear, pepper, okra and turnip are customary and vary by state.
 */
export const BUSHEL_LB: Readonly<Record<string, number>> = {
  apple: 48,
  peach: 48,
  pear: 50,
  tomato: 53,
  potato: 60,
  plum: 56,
  beetroot: 52,
  carrot: 50,
  cucumber: 48,
  "bulb-onion": 57,
  spinach: 19,
  "sweet-potato": 55,
  "french-bean-bush": 30,
  "french-bean-climbing": 30,
  "runner-bean": 30,
  "pepper-sweet": 27.5,
  okra: 30,
  "sweet-corn": 35,
  turnip: 54,
  aubergine: 33,
  kale: 18,
  parsnip: 50,
  "melon-netted": 60,
};

/** Kilos in a litre as it is picked, by the part that is taken: own estimates where no bushel weight is published. */
const PART_KG_PER_L: Record<Crop["parts"][number], number> = {
  bulb: 0.65,
  root: 0.62,
  tuber: 0.75,
  fruit: 0.58,
  pod: 0.38,
  leaf: 0.14,
  head: 0.32,
  stem: 0.35,
  flower: 0.08,
  seed: 0.75,
  spear: 0.35,
};

/** A container of the gardener's own as a measure: what one holds. */
export type Measure = { name: string; litres: number };
export type Bulk = { kgPerL: number; published: boolean; own?: boolean; measures?: readonly Measure[] };

/** Containers of which somebody said what they hold. */
export const containerMeasures = (containers: readonly { name: string; litres: number | null }[]): Measure[] =>
  containers.flatMap(({ name, litres }) => (litres ? [{ name, litres }] : []));

/**
 * How much a litre of a crop weighs as it lies in a basket: by the gardener's own weighing, else by the published
 * figure, else an estimate, and said so.
 * @param measures containers by which it may be told as well: "4 baskets"
 */
export function bulkOf(
  crop: Pick<Crop, "like" | "parts"> & { ownKgPerL?: number | null },
  measures: readonly Measure[] = [],
): Bulk {
  if (crop.ownKgPerL) return { kgPerL: crop.ownKgPerL, published: false, own: true, measures };
  const pounds = BUSHEL_LB[crop.like];
  if (pounds !== undefined)
    return { kgPerL: (pounds * GRAMS_PER_POUND) / 1000 / LITRES_PER_US_BUSHEL, published: true, measures };
  return { kgPerL: PART_KG_PER_L[crop.parts[0]!], published: false, measures };
}
