import { addDays, type Day, dayOfYear, daysBetween } from "../calendar/day";
import { seasonsLater } from "../calendar/hemisphere";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { keptWith } from "../kept-with";
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
const moved = keptWith<Climate>();

/**
 * Days by which bloom or first growth comes later here than at the handbook's site (below zero: earlier): where the
 * usual year has gathered as much warmth since midwinter. Counted from the northern or southern midwinter alike.
 * @param usualStart month and day of the handbook
 */
export const bloomShift = (usualStart: string, climate: Climate, latitudeDeg: number): number =>
  moved(climate, `${usualStart} at ${latitudeDeg}`, () => shiftOf(usualStart, climate, latitudeDeg));

function shiftOf(usualStart: string, climate: Climate, latitudeDeg: number): number {
  const bloom = dayOfYear(`2025-${usualStart}`);
  let need = 0;
  for (let j = 1; j < bloom; j++)
    need += warmthAbove(REFERENCE_MEAN_C + REFERENCE_SWING_C * Math.cos((2 * Math.PI * (j - 203)) / 365.25));
  const south = seasonsLater(latitudeDeg);
  let here = 0;
  let at = 1;
  for (; at < bloom + MOST_MOVED && here < need; at++) {
    const j = ((at - 1 + south) % 366) + 1;
    here += warmthAbove(((climate.tempMinC[j] ?? 5) + (climate.tempMaxC[j] ?? 14)) / 2);
  }
  return Math.round(ANSWERED * Math.max(-MOST_MOVED, at - bloom));
}

/**
 * The day from which a planting's clock runs: its start, or, for what stands for years (trees, bushes, crowns), the
 * usual bloom or first growth of the season at hand at this site; once that is well over, of the next one. The southern half of
 * the world lives half a year apart.
 * @param ownDays days by which this planting's own past seasons began later than that (`ownShift`)
 */
export function clockStart(
  planting: Pick<Planting, "startedOn">,
  crop: Pick<Crop, "days" | "usualStart" | "pieces" | "habit">,
  today: Day,
  latitudeDeg: number,
  climate: Climate,
  ownDays = 0,
): Day {
  if (!crop.days.yearly) return planting.startedOn;
  const length = crop.days.yearly[1] + (evennessOf(crop) === "weeks" ? LONG_TAIL_DAYS : SEASON_TAIL_DAYS);
  const year = Number(today.slice(0, 4));
  const starts = [year - 1, year, year + 1].map((y) => {
    const usual = `${y}-${crop.usualStart}`;
    return addDays(usual, seasonsLater(latitudeDeg) + bloomShift(crop.usualStart, climate, latitudeDeg) + ownDays);
  });
  const first = starts.find((s) => addDays(s, length) >= today) ?? starts[2]!;
  return first > planting.startedOn ? first : planting.startedOn;
}

/** First picks of past seasons count against the usual date as if that had been seen once. */
const USUAL_SEEN = 1;

/**
 * Days by which the seasons of what stands for years have begun later here than the usual bloom says (below zero:
 * earlier): the mean of the first picks of past years against the middle of the handbook's days, drawn towards 0.
 * @param picks days of all its picks; those of the year of `today` tell nothing yet
 */
export function ownShift(
  crop: Pick<Crop, "days" | "usualStart">,
  picks: readonly Day[],
  today: Day,
  latitudeDeg: number,
  climate: Climate,
): number {
  if (!crop.days.yearly) return 0;
  const usual = addDays(
    `2025-${crop.usualStart}`,
    seasonsLater(latitudeDeg) + bloomShift(crop.usualStart, climate, latitudeDeg) + middle(crop.days.yearly),
  );
  const first = new Map<string, Day>();
  for (const day of picks) {
    // a season is told by the half year around its usual first pick
    const year = String(Math.round(daysBetween(usual, day) / 365.25));
    const known = first.get(year);
    if (!known || day < known) first.set(year, day);
  }
  const now = String(Math.round(daysBetween(usual, today) / 365.25));
  const late = [...first]
    .filter(([year]) => year !== now)
    .map(([year, day]) => daysBetween(usual, day) - Math.round(365.25 * Number(year)));
  if (late.length === 0) return 0;
  const mean = late.reduce((s, x) => s + x, 0) / (late.length + USUAL_SEEN);
  return Math.round(Math.max(-MOST_MOVED, Math.min(MOST_MOVED, mean)));
}
const middle = ([low, high]: readonly [number, number]): number => Math.round((low + high) / 2);
