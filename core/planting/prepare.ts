import { type Day, daysBetween } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import type { DayChances } from "./stage-grid";

/** Chance of being ready from which a crop counts as coming. */
const COMING = 0.5;

/** A task that must come some days before picking, now that it is due. */
export type Due = { words: string; readyOn: Day; inDays: number };

/**
 * Tasks ahead of a pick that are due: stop watering garlic, ease off melons, cut sweet potato vines. Due from the day
 * the handbook names before the crop is expected ready until it is.
 * @param days chances of today and the coming days
 */
export function dueBefore(crop: Pick<Crop, "prepare">, days: readonly DayChances[]): Due[] {
  const today = days[0];
  if (!today) return [];
  const ready = days.find((d) => d.ready + d.past >= COMING);
  if (!ready) return [];
  const inDays = daysBetween(today.day, ready.day);
  if (today.past >= COMING) return [];
  return crop.prepare
    .filter((p) => inDays <= p.daysBefore)
    .map((p) => ({ words: p.words, readyOn: ready.day, inDays }));
}
