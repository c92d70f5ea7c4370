import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { Handbook } from "../handbook/index";

/** What is kept of a crop for its next planting, by plant: pieces, and what one weighs, g (common practice). */
const KEPT: Record<string, { perPlant: number; pieceG: number; words: string }> = {
  garlic: { perPlant: 1 / 7, pieceG: 60, words: "the largest heads, seven cloves to a head" },
  "garlic-softneck": { perPlant: 1 / 11, pieceG: 60, words: "the largest heads, eleven cloves to a head" },
  "garlic-elephant": { perPlant: 1 / 5, pieceG: 250, words: "the largest heads, five cloves to a head" },
  shallot: { perPlant: 1, pieceG: 20, words: "sound bulbs of middle size" },
  potato: { perPlant: 1, pieceG: 60, words: "sound tubers of an egg’s size; certified ones carry less disease" },
  "potato-early": {
    perPlant: 1,
    pieceG: 60,
    words: "sound tubers of an egg’s size; certified ones carry less disease",
  },
  "sweet-potato": { perPlant: 1 / 8, pieceG: 250, words: "sound roots, eight slips to a root" },
  ginger: { perPlant: 1, pieceG: 50, words: "a piece with two buds" },
  "pea-shelling": { perPlant: 1.3, pieceG: 0.3, words: "dry seed of the best plants" },
  "pea-snap": { perPlant: 1.3, pieceG: 0.25, words: "dry seed of the best plants" },
  "french-bean-bush": { perPlant: 1.3, pieceG: 0.4, words: "dry seed of the best plants" },
  "french-bean-climbing": { perPlant: 1.3, pieceG: 0.4, words: "dry seed of the best plants" },
  "runner-bean": { perPlant: 1.3, pieceG: 1.1, words: "dry seed of the best plants" },
  "broad-bean": { perPlant: 1.3, pieceG: 1.6, words: "dry seed of the best plants" },
};
/** Something always fails. */
const SPARE = 1.1;

export type ReplantNeed = {
  cropId: string;
  name: string;
  plants: number;
  pieces: number;
  needG: number;
  words: string;
};

/**
 * What to set aside so that as many plants can be planted again as were started in a season; the best first, before the
 * rest is eaten. Crops of which nothing is usually kept are left out.
 * @param year season whose plantings count, by the day they were started
 */
export function replantNeeds(plantings: readonly Planting[], book: Handbook, year: string): ReplantNeed[] {
  const plants = new Map<string, number>();
  for (const p of plantings)
    if (p.plants !== null && (p.startedOn.startsWith(year) || (p.endedOn ?? "").startsWith(year)))
      plants.set(p.cropId, (plants.get(p.cropId) ?? 0) + p.plants);
  return [...plants].flatMap(([cropId, n]) => {
    const crop = book.find(cropId);
    const kept = KEPT[crop?.like ?? ""];
    if (!kept || !crop) return [];
    const pieces = Math.ceil(n * kept.perPlant * SPARE);
    return [{ cropId, name: crop.name, plants: n, pieces, needG: pieces * kept.pieceG, words: kept.words }];
  });
}

/** What is best kept of a crop to be planted again, in words; nothing for crops of which nothing usually is. */
export const keepingNote = (crop: Pick<Crop, "like">): string => KEPT[crop.like]?.words ?? "";
