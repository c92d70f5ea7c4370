import { type Day, daysBetween } from "../calendar/day";
import { type Bed, bedAreaM2 } from "../garden/bed";
import type { Planting } from "../garden/planting";
import { groupBy } from "../group-by";
import { isCrop } from "../weighing/pick";
import { type LoggedPick, sumTotals, type Totals, totalsOf } from "../weighing/pick-log";

export const YIELDS_BY = ["crop", "kind", "bed", "year"] as const;
export type YieldsBy = (typeof YIELDS_BY)[number];

/** What a crop, a kind, a bed or a year gave. Masses in g; yields count weighed and estimated together. */
export type Yield = {
  key: string;
  name: string;
  totals: Totals;
  plantings: number;
  first: Day;
  last: Day;
  /** median over its plantings of the days from the start to the first pick; null: none was dated */
  daysToFirst: number | null;
  perPick: number;
  /** by the plantings whose area, row or plants are known, and from them alone */
  perM2G: number | null;
  perMetreG: number | null;
  perPlantG: number | null;
  minutesPerKg: number | null;
};

/** Middle of some numbers; the mean of the two middle ones of an even count. Throws nothing on none: null. */
export function medianOf(xs: readonly number[]): number | null {
  if (xs.length === 0) return null;
  const sorted = [...xs].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** What one planting gave in one year, summed once: all that yields are reckoned from. */
export type PlantingYear = {
  plantingId: string;
  year: string;
  /** a pick of it, for the names it goes by */
  named: LoggedPick;
  totals: Totals;
  /** picks of the crop itself; 0: nothing but by-products, and no first or last day */
  crops: number;
  first: Day;
  last: Day;
  /** day of its first pick that was no test */
  firstPick: Day | null;
  netG: number;
  timedG: number;
  timedMinutes: number;
};

/** Sums picks by planting and year. @param entries picks in the order of time */
export function plantingYears(entries: readonly LoggedPick[]): PlantingYear[] {
  return [...groupBy(entries, (e) => `${e.at.slice(0, 4)} ${e.pick.plantingId}`).values()].map((list) => {
    const crops = list.filter((e) => isCrop(e.pick));
    const timed = crops.filter((e) => e.pick.minutes !== null);
    const sum = (of: readonly LoggedPick[], figure: (e: LoggedPick) => number) => of.reduce((s, e) => s + figure(e), 0);
    return {
      plantingId: list[0]!.pick.plantingId,
      year: list[0]!.at.slice(0, 4),
      named: list[0]!,
      totals: totalsOf(list),
      crops: crops.length,
      first: crops[0]?.at.slice(0, 10) ?? "",
      last: crops.at(-1)?.at.slice(0, 10) ?? "",
      firstPick: crops.find((e) => e.pick.purpose !== "test")?.at.slice(0, 10) ?? null,
      netG: sum(crops, (e) => e.net),
      timedG: sum(timed, (e) => e.net),
      timedMinutes: sum(timed, (e) => e.pick.minutes ?? 0),
    };
  });
}

const KEY: Record<YieldsBy, (y: PlantingYear) => readonly [string, string]> = {
  crop: ({ named }) => [named.cropId, named.crop],
  kind: ({ named }) => [`${named.kind} ${named.cropId}`, named.name],
  bed: ({ named }) => [named.bed, named.bed],
  year: ({ year }) => [year, year],
};
const earliest = (days: readonly Day[]): Day => days.reduce((a, b) => (b < a ? b : a));
const latest = (days: readonly Day[]): Day => days.reduce((a, b) => (b > a ? b : a));

/**
 * Yields of plantings drawn together. By-products count for nothing but their own total.
 * @param years as `plantingYears` gives them, of one year or of many
 */
export function yieldsOf(
  years: readonly PlantingYear[],
  by: YieldsBy,
  plantings: ReadonlyMap<string, Planting>,
  beds: ReadonlyMap<string, Bed>,
): Yield[] {
  const groups = new Map<string, { name: string; list: PlantingYear[] }>();
  for (const y of years) {
    const [key, name] = KEY[by](y);
    const group = groups.get(key);
    if (group) group.list.push(y);
    else groups.set(key, { name, list: [y] });
  }
  const rows = [...groups].flatMap(([key, { name, list }]): Yield[] => {
    const given = list.filter((y) => y.crops > 0);
    if (given.length === 0) return [];
    const totals = sumTotals(list.map((y) => y.totals));
    // a planting that was picked in two years is one planting still
    const of = new Map<string, { firstPick: Day | null; netG: number }>();
    for (const y of given) {
      const known = of.get(y.plantingId);
      const firsts = [known?.firstPick, y.firstPick].filter((d): d is Day => typeof d === "string");
      of.set(y.plantingId, {
        firstPick: firsts.length > 0 ? earliest(firsts) : null,
        netG: (known?.netG ?? 0) + y.netG,
      });
    }
    const grown = [...of].flatMap(([id, { firstPick, netG }]) => {
      const p = plantings.get(id);
      return p ? [{ p, firstPick, netG }] : [];
    });
    const per = (amount: (p: Planting) => number | null): number | null => {
      const known = grown.flatMap((g) => {
        const a = amount(g.p);
        return a === null || a <= 0 ? [] : [{ netG: g.netG, a }];
      });
      const all = known.reduce((s, k) => s + k.a, 0);
      return all > 0 ? known.reduce((s, k) => s + k.netG, 0) / all : null;
    };
    const sum = (figure: (y: PlantingYear) => number) => given.reduce((s, y) => s + figure(y), 0);
    const timedG = sum((y) => y.timedG);
    // a bed's own yield is by the whole bed: each planting in it had its turn
    const bed = by === "bed" ? [...beds.values()].find((b) => b.name === key) : undefined;
    const massG = totals.weighedG + totals.estimatedG;
    return [
      {
        key,
        name,
        totals,
        plantings: of.size,
        first: earliest(given.map((y) => y.first)),
        last: latest(given.map((y) => y.last)),
        daysToFirst: medianOf(
          grown.flatMap((g) => (g.firstPick === null ? [] : [daysBetween(g.p.startedOn, g.firstPick)])),
        ),
        perPick: massG / sum((y) => y.crops),
        perM2G: bed ? massG / bedAreaM2(bed) : per((p) => p.areaM2),
        perMetreG: per((p) => p.rowM),
        perPlantG: per((p) => p.plants),
        minutesPerKg: timedG > 0 ? sum((y) => y.timedMinutes) / (timedG / 1000) : null,
      },
    ];
  });
  const mass = (y: Yield) => y.totals.weighedG + y.totals.estimatedG;
  return rows.sort((a, b) =>
    by === "year" ? (a.key < b.key ? 1 : -1) : mass(b) - mass(a) || (a.name < b.name ? -1 : 1),
  );
}
