import { z } from "zod";
import type { Crop } from "../handbook/crop";

/** What a household thinks of a crop; by the crop's own id, since it eats tomatoes, not the tomatoes of one bed. */
export const tasteSchema = z.object({
  /** the crop's id */
  id: z.string().min(1).max(60),
  /** how gladly it is eaten: 0 not at all, 1 as much as the handbook takes for granted, 2 twice that */
  liking: z.number().min(0, "0 to 2").max(2, "0 to 2"),
  /** eaten fresh in a week, g */
  weeklyG: z.number().min(0, "0 or more").max(200_000, "at most 200 kg a week"),
  /** can be put by or given away besides, g a week */
  sparedG: z.number().min(0, "0 or more").max(500_000, "at most 500 kg a week"),
});
export type Taste = z.infer<typeof tasteSchema>;

/** What a kilo that is put by or given away is worth of a kilo eaten fresh, and what one beyond even that (own estimate). */
export const SPARED_SHARE = 0.5;
export const BEYOND_SHARE = 0.1;

/** Grams that one person eats of a crop in a week in its season, by the part eaten (own estimate). */
const PERSON_WEEK_G: Record<Crop["parts"][number], number> = {
  bulb: 250,
  root: 400,
  tuber: 1500,
  fruit: 900,
  pod: 500,
  leaf: 250,
  head: 500,
  stem: 350,
  flower: 60,
  seed: 300,
  spear: 400,
};

/** Crops of which far less is eaten than of their part in general: what seasons a dish (own estimate). */
const SEASONING_G: Record<string, number> = {
  garlic: 30,
  "garlic-softneck": 30,
  "garlic-elephant": 50,
  shallot: 80,
  chives: 20,
  basil: 30,
  parsley: 30,
  coriander: 25,
  dill: 20,
  oregano: 10,
  mint: 20,
  "thyme-sage-rosemary": 10,
  chilli: 30,
  ginger: 30,
  chamomile: 10,
};

/** A household's taste before it has said anything: as glad as most, by so many people at table, as much put by again. */
export function usualTaste(crop: Pick<Crop, "id" | "like" | "parts">, eaters: number): Taste {
  const weeklyG = (SEASONING_G[crop.like] ?? PERSON_WEEK_G[crop.parts[0]!]) * eaters;
  return { id: crop.id, liking: 1, weeklyG, sparedG: 2 * weeklyG };
}
