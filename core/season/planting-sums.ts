import { median } from "simple-statistics";
import { type Day, dayOfYear, daysBetween } from "../calendar/day";
import { instantOf } from "../calendar/zone";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { byRowG } from "../planting/supply";
import { isCrop } from "../weighing/pick";
import type { LoggedPick } from "../weighing/pick-log";
import { groundOf } from "./free-ground";

/** A figure with what it was reckoned from, so that the way can be shown. */
export type Ratio = { value: number; of: number; by: number };

/** Sums that a gardener would do in the head: rates of a planting, each with its way; null where something is not known. */
export type PlantingSums = {
  /** hours from one picking to the next, the middle one of all */
  gapHours: number | null;
  /** g: a picking, a day and a week from first to last, an hour of work, a metre of row and picking */
  perPicking: Ratio | null;
  perDay: Ratio | null;
  perWeek: Ratio | null;
  perHour: Ratio | null;
  perMetrePicking: Ratio | null;
  /** g a plant, by what was weighed alone */
  weighedPerPlant: Ratio | null;
  pieces: { perPlant: Ratio | null; weightG: Ratio | null };
  /** m² that a plant has, and plants on a square metre */
  spaceM2: Ratio | null;
  plantsPerM2: number | null;
  /** what is left of a row by what its cleared share gave, g; null: nobody said how much of it is cleared */
  row: { share: number; pickedG: number; leftG: number } | null;
  /** plants that still stand, of those that give one piece each: lost and picked ones taken off */
  plantsLeft: { left: number; picked: number; lost: number } | null;
  /** days that the first pick of this year came before (below 0) or after the middle of other years; for what stands for years */
  earlier: { days: number; years: number } | null;
};

const ratio = (of: number, by: number | null): Ratio | null =>
  by && by > 0 && of > 0 ? { value: of / by, of, by } : null;
const HOUR_MS = 3_600_000;

/**
 * The sums of a planting by its picks.
 * @param entries its picks in the order of time; by-products and tests count for nothing
 * @param lostG what was lost in the bed, g
 * @param zone IANA name of the garden's time zone, for hours over a change of the clocks
 */
export function sumsOf(
  planting: Planting,
  crop: Crop,
  entries: readonly LoggedPick[],
  lostG: number,
  zone: string,
  year: string,
): PlantingSums {
  const crops = entries.filter((e) => isCrop(e.pick) && e.pick.purpose !== "test");
  const massG = sum(crops, (e) => e.net);
  const moments = [...new Set(crops.map((e) => e.at))].sort().map((at) => instantOf(at, zone));
  const gaps = moments.slice(1).map((t, i) => (t - moments[i]!) / HOUR_MS);
  const days = [...new Set(crops.map((e) => e.at.slice(0, 10)))].sort();
  const span = days.length > 1 ? daysBetween(days[0]!, days.at(-1)!) + 1 : null;
  const timed = crops.filter((e) => e.pick.minutes !== null);
  const counted = crops.filter((e) => e.pick.count !== null && e.pick.count > 0);
  const weighedCounted = counted.filter((e) => !e.estimated);
  const ground = groundOf(planting, crop);
  const space = ground === null ? null : ratio(ground, planting.plants);
  return {
    gapHours: gaps.length > 0 ? median(gaps) : null,
    perPicking: ratio(massG, days.length),
    perDay: ratio(massG, span),
    perWeek: ratio(massG, span === null ? null : span / 7),
    perHour: ratio(
      sum(timed, (e) => e.net),
      sum(timed, (e) => e.pick.minutes ?? 0) / 60,
    ),
    perMetrePicking: ratio(massG, planting.rowM === null ? null : planting.rowM * days.length),
    weighedPerPlant: ratio(
      sum(
        crops.filter((e) => !e.estimated),
        (e) => e.net,
      ),
      planting.plants,
    ),
    pieces: {
      perPlant: ratio(
        sum(counted, (e) => e.pick.count ?? 0),
        planting.plants,
      ),
      weightG: ratio(
        sum(weighedCounted, (e) => e.net),
        sum(weighedCounted, (e) => e.pick.count ?? 0),
      ),
    },
    spaceM2: space,
    plantsPerM2: space ? 1 / space.value : null,
    row: rowOf(crops.filter((e) => !crop.days.yearly || e.at.startsWith(year))),
    plantsLeft: leftOf(planting, crop, crops, lostG),
    earlier: crop.days.yearly ? earlierBy(days, year) : null,
  };
}

const sum = (list: readonly LoggedPick[], of: (e: LoggedPick) => number): number => list.reduce((s, e) => s + of(e), 0);

function rowOf(crops: readonly LoggedPick[]): PlantingSums["row"] {
  const share = crops.findLast((e) => e.pick.rowDone !== null)?.pick.rowDone;
  const wholeG = byRowG(crops.map((e) => ({ day: e.at.slice(0, 10), netG: e.net, rowDone: e.pick.rowDone })));
  if (!share || wholeG === null) return null;
  const pickedG = sum(crops, (e) => e.net);
  return { share, pickedG, leftG: Math.max(0, wholeG - pickedG) };
}

function leftOf(
  planting: Planting,
  crop: Crop,
  crops: readonly LoggedPick[],
  lostG: number,
): PlantingSums["plantsLeft"] {
  if (planting.plants === null || crop.pieces?.perPlant[1] !== 1) return null;
  const { pieceG } = crop.yield;
  const picked = Math.round(sum(crops, (e) => e.pick.count ?? e.net / pieceG));
  const lost = Math.round(lostG / pieceG);
  return { left: Math.max(0, planting.plants - picked - lost), picked, lost };
}

/** How the first pick of a year lies to the middle of the first picks of all other years. */
function earlierBy(days: readonly Day[], year: string): PlantingSums["earlier"] {
  const firsts = new Map<string, Day>();
  for (const day of days) if (!firsts.has(day.slice(0, 4))) firsts.set(day.slice(0, 4), day);
  const own = firsts.get(year);
  const others = [...firsts].filter(([y]) => y !== year).map(([, day]) => dayOfYear(day));
  if (!own || others.length === 0) return null;
  return { days: Math.round(dayOfYear(own) - median(others)), years: others.length };
}

/** What a row takes: plants at their distance, seeds for them by what is expected to come up, rows side by side. */
export type RowNeeds = { plants: number; seeds: number; rows: number | null };

/**
 * Plants, seeds and rows for a length of row.
 * @param lengthM row, m; `apartMm` between plants; `rowsMm` between rows, null: nobody says; `widthM` of the bed, if asked
 * @param share of the seed that is expected to come up, above 0
 */
export function rowNeeds(
  lengthM: number,
  apartMm: number,
  rowsMm: number | null,
  widthM: number | null,
  share: number,
): RowNeeds {
  // a plant at either end; what is left over of the last gap is no plant
  const plants = Math.floor((lengthM * 1000) / apartMm + 1e-9) + 1;
  return {
    plants,
    seeds: Math.ceil(plants / Math.max(0.05, share) - 1e-9),
    rows: rowsMm === null || widthM === null ? null : Math.max(1, Math.floor((widthM * 1000) / rowsMm + 1e-9)),
  };
}
