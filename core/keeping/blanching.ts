import type { CautionPlace } from "../handbook/cautions";
import type { Crop } from "../handbook/crop";
/** Water-blanching minutes by crop, from the smallest to the largest pieces (US National Center for Home Food Preservation; from memory). */
export const BLANCH_MINUTES: Readonly<Record<string, readonly [number, number]>> = {
  asparagus: [2, 4],
  "french-bean-climbing": [3, 3],
  "french-bean-bush": [3, 3],
  "runner-bean": [3, 3],
  "broad-bean": [2, 4],
  calabrese: [3, 3],
  "brussels-sprouts": [3, 5],
  cabbage: [1.5, 1.5],
  carrot: [2, 5],
  cauliflower: [3, 3],
  celery: [3, 3],
  "sweet-corn": [7, 11],
  kale: [2, 2],
  chard: [2, 2],
  spinach: [2, 2],
  "mustard-greens": [2, 2],
  "pak-choi": [2, 2],
  "bulb-onion": [3, 7],
  "pea-shelling": [1.5, 1.5],
  "pea-snap": [1.5, 3],
  mangetout: [1.5, 3],
  "pepper-sweet": [2, 3],
  "potato-early": [3, 5],
  turnip: [2, 2],
  parsnip: [2, 2],
  rocket: [2, 2],
  mizuna: [2, 2],
  aubergine: [4, 4],
  courgette: [3, 3],
  "patty-pan": [3, 3],
  okra: [3, 4],
  kohlrabi: [1, 3],
  swede: [3, 3],
};
/** Crops that are cooked through instead. */
export const COOK_FULLY: readonly string[] = ["beetroot", "pumpkin", "winter-squash", "sweet-potato"];

/** 5,000 feet, m: from there a minute more. */
const HIGH_M = 1524;
const STEAM = 1.5;

/**
 * Blanching time, minutes: the table, a minute more from 5,000 ft up, one and a half times as long in steam.
 * @param size 0 the smallest pieces, 1 the largest
 * @returns null when the table has no such crop
 */
export function blanchMinutes(
  crop: Pick<Crop, "like">,
  size: number,
  elevationM: number,
  steam = false,
): number | null {
  const range = BLANCH_MINUTES[crop.like];
  if (!range) return null;
  const plain = range[0] + Math.min(1, Math.max(0, size)) * (range[1] - range[0]);
  return (steam ? plain * STEAM : plain) + (elevationM >= HIGH_M ? 1 : 0);
}

export const PRESERVED = ["frozen", "dried", "fermented", "jam", "canned", "pickled", "cooked"] as const;
export type Preserved = (typeof PRESERVED)[number];
/** How long it keeps then, days (common practice; a quality date, not a safety one). */
export const PRESERVED_DAYS: Record<Preserved, number> = {
  frozen: 300,
  dried: 365,
  fermented: 180,
  jam: 365,
  canned: 365,
  pickled: 365,
  cooked: 4,
};

const PLACE_OF: Record<Preserved, CautionPlace> = {
  frozen: "freezing",
  dried: "drying",
  fermented: "pickling",
  jam: "jars",
  canned: "jars",
  pickled: "pickling",
  cooked: "kitchen",
};

/** Where in the list of cautions a way of putting by stands. */
export const cautionPlaceOf = (how: Preserved): CautionPlace => PLACE_OF[how];
