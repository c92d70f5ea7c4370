import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { daysRange } from "./clock";
import type { Judgement } from "./judgement";

/** From when to when a planting is expected ready, and by what. */
export type ReadyWindow = { from: Day; to: Day; by: "packet" | "handbook" };

/**
 * The days of a packet, or the handbook's, as dates counted from the start; for what stands for years from this year's
 * bloom or first growth.
 * @param begun the day its clock began this year
 */
export function readyWindow(planting: Planting, crop: Crop, begun: Day = planting.startedOn): ReadyWindow {
  const { minDays, maxDays, from } = daysRange(planting, crop);
  return { from: addDays(begun, minDays), to: addDays(begun, maxDays), by: from };
}

/** The day a planting's clock began: its start, or this year's bloom or first growth. */
export const begunOn = (
  p: { planting: Planting; judgement: Pick<Judgement, "daysSinceStart">; crop: Crop },
  today: Day,
): Day =>
  p.crop.days.yearly && p.judgement.daysSinceStart > 0
    ? addDays(today, -p.judgement.daysSinceStart)
    : p.planting.startedOn;

/** Chances between which the living model's own window lies. */
const FROM_CHANCE = 0.1;
const TO_CHANCE = 0.9;

/** The days between which it becomes ready by all that is known of it; an end that lies beyond what is judged is null. */
export function likelyWindow(judgement: Pick<Judgement, "days">): { from: Day | null; to: Day | null } {
  const first = (chance: number) => judgement.days.find((d) => d.ready + d.past >= chance)?.day ?? null;
  return { from: first(FROM_CHANCE), to: first(TO_CHANCE) };
}

/** Days by which a first pick came after the end of the days expected (above zero) or before their start (below); 0: within. */
export const offWindow = (expected: ReadyWindow, firstPick: Day): number =>
  Math.max(0, daysBetween(expected.to, firstPick)) - Math.max(0, daysBetween(firstPick, expected.from));
