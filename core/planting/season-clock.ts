import { addDays, type Day, dayOfYear } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { Climate } from "../weather/climate";
import { evennessOf } from "./way";

/** Days after the last of its yearly range for which a season is still spoken of; then the next one is waited for. */
const SEASON_TAIL_DAYS = 75;
const LONG_TAIL_DAYS = 125;

/** The mild northern site for whose springs the handbook's bloom dates are meant: a plain year at 52° N (own estimate). */
const REFERENCE_MEAN_C = 10.5;
const REFERENCE_SWING_C = 6.5;
/** Base of the warmth that brings bloom and first growth, °C (the usual one for hardy plants; from memory). */
const BLOOM_BASE_C = 4.4;
/** Plants answer a warm or a cold spring by a part of what it brings (chill, day length), and by so many days at most. */
const ANSWERED = 0.6;
const MOST_MOVED = 45;

const warmthAbove = (meanC: number): number => Math.max(0, meanC - BLOOM_BASE_C);
const moved = new WeakMap<Climate, Map<string, number>>();

/**
 * Days by which bloom or first growth comes later here than at the handbook's site (below zero: earlier): where the
 * usual year has gathered as much warmth since midwinter. Counted from the northern or southern midwinter alike.
 * @param usualStart month and day of the handbook
 */
export function bloomShift(usualStart: string, climate: Climate, latitudeDeg: number): number {
  const known = moved.get(climate) ?? new Map<string, number>();
  moved.set(climate, known);
  const found = known.get(usualStart);
  if (found !== undefined) return found;
  const bloom = dayOfYear(`2025-${usualStart}`);
  let need = 0;
  for (let j = 1; j < bloom; j++)
    need += warmthAbove(REFERENCE_MEAN_C + REFERENCE_SWING_C * Math.cos((2 * Math.PI * (j - 203)) / 365.25));
  const south = latitudeDeg < 0 ? 182 : 0;
  let here = 0;
  let at = 1;
  for (; at < bloom + MOST_MOVED && here < need; at++) {
    const j = ((at - 1 + south) % 366) + 1;
    here += warmthAbove(((climate.tempMinC[j] ?? 5) + (climate.tempMaxC[j] ?? 14)) / 2);
  }
  const shift = Math.round(ANSWERED * Math.max(-MOST_MOVED, at - bloom));
  known.set(usualStart, shift);
  return shift;
}

/**
 * The day from which a planting's clock runs: its start, or, for what stands for years (trees, bushes, crowns), the
 * usual bloom or first growth of the season at hand at this site; once that is well over, of the next one. The southern half of
 * the world lives half a year apart.
 */
export function clockStart(
  planting: Pick<Planting, "startedOn">,
  crop: Pick<Crop, "days" | "usualStart" | "pieces" | "habit">,
  today: Day,
  latitudeDeg: number,
  climate: Climate,
): Day {
  if (!crop.days.yearly) return planting.startedOn;
  const length = crop.days.yearly[1] + (evennessOf(crop) === "weeks" ? LONG_TAIL_DAYS : SEASON_TAIL_DAYS);
  const year = Number(today.slice(0, 4));
  const starts = [year - 1, year, year + 1].map((y) => {
    const usual = `${y}-${crop.usualStart}`;
    return addDays(usual, (latitudeDeg >= 0 ? 0 : 182) + bloomShift(crop.usualStart, climate, latitudeDeg));
  });
  const first = starts.find((s) => addDays(s, length) >= today) ?? starts[2]!;
  return first > planting.startedOn ? first : planting.startedOn;
}
