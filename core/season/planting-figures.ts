import { type Day, daysBetween } from "../calendar/day";
import { type Bed, bedAreaM2 } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { isCrop } from "../weighing/pick";
import { type LoggedPick, type Totals, totalsOf } from "../weighing/pick-log";

export type PlantingFigures = {
  totals: Totals;
  first: Day | null;
  last: Day | null;
  /** days from its start to the first pick */
  daysToFirst: number | null;
  /** the packet's range, or the handbook's where no packet was copied */
  range: readonly [number, number] | null;
  /** below 0: so many days before the range; 0: inside; above: so many days past it */
  offRange: number | null;
  /** days between one picking day and the next: their median, and the longest */
  interval: { median: number; longest: number; gaps: number } | null;
  perPlantG: number | null;
  perMetreG: number | null;
  perM2G: number | null;
  minutesPerKg: number | null;
};

/** Days the packet says, or the handbook where it says nothing. */
export function rangeOf(planting: Planting, crop: Crop): readonly [number, number] | null {
  if (planting.packetMinDays !== null && planting.packetMaxDays !== null)
    return [planting.packetMinDays, planting.packetMaxDays];
  return crop.days[planting.startedHow];
}

const median = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * What a planting has come to: totals, dates against the packet's range, rhythm, and yield by plant, metre and area.
 * Yields count what was weighed and what was estimated together; `totals` keeps them apart. Tests and by-products are
 * no first pick.
 * @param entries the planting's picks, in the order of time
 */
export function figuresOf(planting: Planting, bed: Bed, crop: Crop, entries: readonly LoggedPick[]): PlantingFigures {
  const totals = totalsOf(entries);
  const crops = entries.filter((e) => isCrop(e.pick) && e.pick.purpose !== "test");
  const days = [...new Set(crops.map((e) => e.at.slice(0, 10)))].sort();
  const first = days[0] ?? null;
  const daysToFirst = first === null ? null : daysBetween(planting.startedOn, first);
  const range = rangeOf(planting, crop);
  const gaps = days.slice(1).map((d, i) => daysBetween(days[i]!, d));
  const massG = totals.weighedG + totals.estimatedG;
  const timed = crops.filter((e) => e.pick.minutes !== null);
  const timedG = timed.reduce((s, e) => s + e.net, 0);
  const area = planting.areaM2 ?? (planting.rowM === null && planting.plants === null ? bedAreaM2(bed) : null);
  return {
    totals,
    first,
    last: days.at(-1) ?? null,
    daysToFirst,
    range,
    offRange: daysToFirst === null || range === null ? null : offRange(daysToFirst, range),
    interval:
      gaps.length === 0
        ? null
        : { median: median([...gaps].sort((a, b) => a - b)), longest: Math.max(...gaps), gaps: gaps.length },
    perPlantG: planting.plants === null || massG === 0 ? null : massG / planting.plants,
    perMetreG: planting.rowM === null || massG === 0 ? null : massG / planting.rowM,
    perM2G: area === null || massG === 0 ? null : massG / area,
    minutesPerKg: timedG > 0 ? timed.reduce((s, e) => s + (e.pick.minutes ?? 0), 0) / (timedG / 1000) : null,
  };
}
const offRange = (days: number, [low, high]: readonly [number, number]): number =>
  days < low ? days - low : days > high ? days - high : 0;

/** What a round promised of a planting, and what came of it. */
export type Promised = { day: Day; expectedG: number; gotG: number };

/**
 * Expected against got over the rounds that were gone: the sum of both and their ratio.
 * @returns null when no round was gone for it
 */
export function keptPromises(promises: readonly Promised[]): { expectedG: number; gotG: number; ratio: number } | null {
  const expectedG = promises.reduce((s, p) => s + p.expectedG, 0);
  const gotG = promises.reduce((s, p) => s + p.gotG, 0);
  return expectedG > 0 ? { expectedG, gotG, ratio: gotG / expectedG } : null;
}
