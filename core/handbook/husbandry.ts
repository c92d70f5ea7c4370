import { z } from "zod";
import type { Crop } from "./crop";
import data from "./husbandry.json";

const range = z.tuple([z.number(), z.number()]).refine(([low, high]) => low <= high, "the range runs backwards");

/** What the bed wants before the cues of ripeness begin to count. */
export const husbandrySchema = z.strictObject({
  /** soil over seed, clove or tuber, mm; distance in the row and between rows, mm */
  depthMm: range.nullable(),
  apartMm: range.nullable(),
  rowsMm: range.nullable(),
  /** least and best soil temperature for seed, °C */
  soilC: range.nullable(),
  /** days until it comes up, by soil temperature: [°C, days] */
  up: z.array(z.tuple([z.number(), z.number()])),
  /** days of hardening off, and the least night for setting out, °C */
  hardenDays: range.nullable(),
  nightC: z.number().nullable(),
  /** hours of direct sun that are good, and that will do */
  sunH: z.tuple([z.number(), z.number()]),
  water: z.enum(["little", "some", "much"]),
  /** when drought costs most */
  critical: z.string(),
  /** watering before a pick: kept even, eased to half, or stopped; so many days before, where that is said */
  ease: z.enum(["even", "ease", "stop"]),
  easeDays: range.nullable(),
  feed: z.string(),
  /** what it is covered or guarded against, and until when */
  cover: z.string(),
});
export type Husbandry = z.infer<typeof husbandrySchema>;

/** Water with the rain, mm a week in full leaf and warmth, by class (classes: extension guides; millimetres own estimates). */
export const WATER_MM: Record<Husbandry["water"], readonly [number, number]> = {
  little: [10, 15],
  some: [20, 25],
  much: [30, 40],
};

/**
 * Growing facts by crop: depths, distances and covers after extension guides and the RHS, soil temperatures and days to
 * come up after Knott's Handbook for Vegetable Growers; all from memory, gardens are often slower.
 */
const HUSBANDRY: ReadonlyMap<string, Husbandry> = new Map(
  Object.entries(z.record(z.string(), husbandrySchema).parse(data)),
);

/** The growing facts of a crop, a gardener's copy has those of the crop it was copied from; null where there are none. */
export const husbandryOf = (crop: Pick<Crop, "like">): Husbandry | null => HUSBANDRY.get(crop.like) ?? null;

/** Days until it comes up in soil of a temperature, between the known ones on a straight line; null where nobody says. */
export function daysToComeUp({ up }: Pick<Husbandry, "up">, soilC: number): number | null {
  if (up.length === 0) return null;
  const known = [...up].sort((a, b) => a[0] - b[0]);
  const [first, last] = [known[0]!, known.at(-1)!];
  if (soilC <= first[0]) return first[1];
  if (soilC >= last[0]) return last[1];
  const k = known.findIndex(([c]) => c >= soilC);
  const [[c0, d0], [c1, d1]] = [known[k - 1]!, known[k]!];
  return d0 + ((d1 - d0) * (soilC - c0)) / (c1 - c0);
}
