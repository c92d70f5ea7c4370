import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { WeatherDay } from "../weather/daily";
import { referenceWarmth, warmth } from "./clock";
import type { JudgeInput } from "./judgement";
import { evennessOf, RIPENS_OVER } from "./way";
import { expectedYieldG } from "./yield";

/** What is worth bending down for, g. */
const HANDFUL_G = 50;

/**
 * Pieces that are worth bending down for, and days of reference warmth in which they come: by picks and counts where
 * they tell, else by the handbook's yield.
 */
export function handfulOf(
  { planting, bed, crop, today, piecesPerDay }: JudgeInput,
  plants: number,
): { pieces: number; days: number } {
  const pieces = Math.max(1, HANDFUL_G / crop.yield.pieceG);
  const over = RIPENS_OVER[evennessOf(crop)];
  const perDay = piecesPerDay ?? expectedYieldG({ ...planting, plants }, bed, crop, today) / crop.yield.pieceG / over;
  return { pieces, days: pieces / Math.max(1e-3, perDay) };
}

/** Coming days until so many days of reference warmth have come; 0: they have. */
export function daysToReach(referenceDays: number, weather: readonly WeatherDay[], crop: Crop): number {
  let left = referenceDays;
  let days = 0;
  while (left > 0 && days < weather.length) left -= warmth(weather[days++]!, crop) / referenceWarmth(crop);
  return days;
}

/** Plants to reckon a count by when nobody counted them: from the row or area and the usual yield of a plant. */
export function guessPlants(planting: Planting, crop: Crop): number {
  const perPlant = crop.yield.perPlantKg;
  const perMetre = crop.yield.perMetreKg;
  if (planting.rowM !== null && perPlant && perMetre)
    return Math.max(1, Math.round((planting.rowM * (perMetre[0] + perMetre[1])) / (perPlant[0] + perPlant[1])));
  return 4;
}
