import { daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import { plantingName } from "../garden/name";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { Lot } from "../keeping/lot";
import { isCrop } from "../weighing/pick";
import { type LoggedPick, reckonedOf } from "../weighing/pick-log";
import { figuresOf } from "./planting-figures";
import { medianOf } from "./yields";

/** What two sides can differ in, and what is then one figure: a planting, a pick, or a lot in the store. */
export const SPLITS = ["kind", "start", "spacing", "sun", "method", "place"] as const;
export type Split = (typeof SPLITS)[number];

export const MEASURES = [
  "per-plant",
  "per-metre",
  "per-m2",
  "piece",
  "days",
  "minutes",
  "per-pick",
  "sound",
  "lost",
  "kept-days",
] as const;
export type Measure = (typeof MEASURES)[number];
/** Measures that are masses in g, and those that are shares of one. */
export const IN_GRAMS: readonly Measure[] = ["per-plant", "per-metre", "per-m2", "piece", "per-pick"];
export const IN_SHARES: readonly Measure[] = ["sound", "lost"];

const OF_PLANTINGS: readonly Measure[] = ["per-plant", "per-metre", "per-m2", "piece", "days", "minutes"];
const OF_PICKS: readonly Measure[] = ["per-pick", "minutes", "sound"];
const OF_LOTS: readonly Measure[] = ["lost", "kept-days"];

/** What can be measured of a split. */
export const comparedMeasures = (split: Split): readonly Measure[] =>
  split === "method" ? OF_PICKS : split === "place" ? OF_LOTS : OF_PLANTINGS;

/** One figure of a split: what it is of, on which side it stands, where and when it grew. */
export type Figured = {
  /** planting, pick or lot */
  id: string;
  name: string;
  group: string;
  bed: string;
  year: string;
  /** by measure; missing where it cannot be told */
  values: Partial<Record<Measure, number>>;
};

export type Grown = { planting: Planting; bed: Bed; crop: Crop; entries: readonly LoggedPick[] };

/** Sun from which a bed is called sunny, hours. */
const SUNNY_HOURS = 6;

const put = (values: Figured["values"], measure: Measure, x: number | null) => {
  if (x !== null && Number.isFinite(x)) values[measure] = x;
};

/** Plants on the metre or the square metre; null where neither is known. */
function density(p: Planting): number | null {
  if (p.plants === null) return null;
  const ground = p.rowM ?? p.areaM2;
  return ground === null || ground <= 0 ? null : p.plants / ground;
}

/** Figures of plantings of one crop, with the side each stands on; crowded and wide by the crop's own middle. */
export function figuresByPlanting(grown: readonly Grown[], split: Exclude<Split, "method" | "place">): Figured[] {
  const middle = medianOf(grown.flatMap((g) => density(g.planting) ?? []));
  return grown.flatMap((g): Figured[] => {
    const { planting, bed, crop } = g;
    const own = density(planting);
    const group = {
      kind: planting.kind || crop.name,
      start: planting.startedHow,
      spacing: own === null || middle === null ? "" : own > middle ? "crowded" : "wide",
      sun: bed.sunHours >= SUNNY_HOURS ? "sun" : "shade",
    }[split];
    if (group === "") return [];
    const f = figuresOf(planting, bed, crop, g.entries);
    const counted = g.entries.filter((e) => isCrop(e.pick) && (e.pick.count ?? 0) > 0 && !e.estimated);
    const pieces = counted.reduce((s, e) => s + (e.pick.count ?? 0), 0);
    const values: Figured["values"] = {};
    put(values, "per-plant", f.perPlantG);
    put(values, "per-metre", f.perMetreG);
    put(values, "per-m2", planting.areaM2 === null ? null : f.perM2G);
    put(values, "piece", pieces > 0 ? counted.reduce((s, e) => s + e.net, 0) / pieces : null);
    put(values, "days", f.daysToFirst);
    put(values, "minutes", f.minutesPerKg);
    const year = (f.first ?? planting.startedOn).slice(0, 4);
    return [{ id: planting.id, name: plantingName(planting, crop), group, bed: bed.name, year, values }];
  });
}

/** Figures of picks, by how they were picked. */
export function figuresByPick(grown: readonly Grown[]): Figured[] {
  return grown.flatMap((g) =>
    g.entries.flatMap((e): Figured[] => {
      if (!isCrop(e.pick) || e.pick.method === "" || e.net <= 0) return [];
      const values: Figured["values"] = {};
      put(values, "per-pick", e.net);
      put(values, "minutes", e.pick.minutes === null ? null : e.pick.minutes / (e.net / 1000));
      const apart = e.pick.sorted.filter((s) => s.grade !== "sound" && s.massG !== null);
      put(
        values,
        "sound",
        e.pick.grade !== "sound"
          ? 0
          : 1 - apart.reduce((s, x) => s + (x.massG ?? 0), 0) / Math.max(reckonedOf(e).netG, 1),
      );
      return [
        {
          id: e.pick.id,
          name: `${e.name} ${e.at.slice(0, 10)}`,
          group: e.pick.method,
          bed: g.bed.name,
          year: e.at.slice(0, 4),
          values,
        },
      ];
    }),
  );
}

/** Figures of lots by the place in which they lay longest: what share was lost, and how long until all was used. */
export function figuresByLot(
  lots: readonly Lot[],
  placeNameOf: (id: string | null) => string | null,
  today: string,
): Figured[] {
  return lots.flatMap((l): Figured[] => {
    if (l.startG <= 0 || l.preserved) return [];
    const stays = l.stays.map((s, i) => ({
      placeId: s.placeId,
      days: daysBetween(s.from, l.stays[i + 1]?.from ?? today),
    }));
    const longest = stays.reduce((a, b) => (b.days >= a.days ? b : a));
    const group = placeNameOf(longest.placeId);
    const told = l.used.useG + l.used.giveG + l.used.loseG;
    if (!group || !l.placed || told <= 0) return [];
    const values: Figured["values"] = {};
    // of what somebody wrote down what became of it
    put(values, "lost", l.used.loseG / told);
    const last = l.events.filter((e) => ["use", "give", "lose"].includes(e.kind)).at(-1);
    put(values, "kept-days", l.leftG <= 0 && last ? daysBetween(l.pickedAt.slice(0, 10), last.at.slice(0, 10)) : null);
    return [
      {
        id: l.id,
        name: `${l.kind} of ${l.pickedAt.slice(0, 10)}`,
        group,
        bed: l.bed,
        year: l.pickedAt.slice(0, 4),
        values,
      },
    ];
  });
}
