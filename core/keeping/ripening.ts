import type { Crop } from "../handbook/crop";

export const TOMATO_STAGES = ["green", "breaker", "turning", "pink", "light-red"] as const;
export type TomatoStage = (typeof TOMATO_STAGES)[number];

const TEMPS_C = [12.5, 15, 17.5, 20, 22.5, 25] as const;
/**
 * Days to table-ripe (M. Cantwell, UC Davis tomato-ripening notes; also Kader ed., UC ANR 3311, 2002; from memory,
 * each cell within a day). Light red, over half coloured: half of pink's (own estimate; half coloured takes two to three
 * days indoors, common practice).
 */
const DAYS: Record<TomatoStage, readonly number[]> = {
  green: [18, 15, 12, 10, 8, 7],
  breaker: [16, 13, 10, 8, 6, 5],
  turning: [13, 10, 8, 6, 4, 3],
  pink: [10, 8, 6, 4, 3, 2],
  "light-red": [5, 4, 3, 2, 1.5, 1],
};
/** Outside it is not reckoned: colder chills, hotter forms no red. */
export const RIPENS_FROM_C = 10;
export const RIPENS_TO_C = 30;

/**
 * Days until a tomato is table-ripe at a steady temperature; linear between the published cells, their end slopes on to
 * 10 and 30 °C.
 * @returns null where it does not ripen well
 */
export function ripeIn(stage: TomatoStage, tempC: number): number | null {
  if (tempC < RIPENS_FROM_C || tempC > RIPENS_TO_C) return null;
  const days = DAYS[stage];
  const last = TEMPS_C.length - 2;
  const k = Math.min(last, Math.max(0, TEMPS_C.findIndex((t) => tempC <= t) - 1));
  const at = tempC > TEMPS_C.at(-1)! ? last : k;
  const share = (tempC - TEMPS_C[at]!) / (TEMPS_C[at + 1]! - TEMPS_C[at]!);
  return Math.max(0.5, days[at]! + share * (days[at + 1]! - days[at]!));
}

/** Fruit that softens off the plant, days at 20 °C from firm to ready (own estimates; peach: common practice, a day or two). */
const SOFTENS_AT_20: Record<string, number> = { peach: 2, plum: 3, pear: 6, "melon-netted": 2, fig: 1, apple: 7 };
const SOFTENING_Q10 = 2;
/** In a refrigerator it does not ripen any more; stone fruit turns woolly there (Handbook 66; from memory). */
const SOFTENS_FROM_C = 8;

/** Days until a fruit that softens off the plant is ready; null when the crop does not. */
export function softIn(crop: Pick<Crop, "like">, tempC: number): number | null {
  const days = SOFTENS_AT_20[crop.like];
  if (days === undefined || tempC > 35) return null;
  return tempC < SOFTENS_FROM_C ? null : days * SOFTENING_Q10 ** ((20 - tempC) / 10);
}

/** Spread of a ripening time, as a share of it: one standard deviation (own estimate from the table's ±1 day). */
export const RIPE_SPREAD = 0.15;

/** Too cold or too hot to ripen; null when it is neither. */
export const wrongTemp = (tempC: number): "cold" | "hot" | null =>
  tempC < RIPENS_FROM_C ? "cold" : tempC > RIPENS_TO_C ? "hot" : null;

/**
 * How many of so many to put in the warm now, so that about as many are ripe each day as are eaten.
 * @param perDay pieces eaten a day
 * @returns pieces by the day on which they go onto the counter, first day 0
 */
export function spreadOut(pieces: number, perDay: number): { inDays: number; pieces: number }[] {
  if (pieces <= 0 || perDay <= 0) return [];
  const batch = Math.max(1, Math.round(perDay * 3));
  const batches: { inDays: number; pieces: number }[] = [];
  for (let left = pieces, day = 0; left > 0; left -= batch, day += Math.max(1, Math.round(batch / perDay)))
    batches.push({ inDays: day, pieces: Math.min(batch, left) });
  return batches;
}
