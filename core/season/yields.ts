import { type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import { isCrop } from "../weighing/pick";
import { type LoggedPick, type Totals, totalsOf } from "./pick-log";

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

const bedArea = (bed: Bed): number =>
  bed.shape === "circle" ? (Math.PI * bed.widthM * bed.lengthM) / 4 : bed.widthM * bed.lengthM;

/** Middle of some numbers; the mean of the two middle ones of an even count. Throws nothing on none: null. */
export function medianOf(xs: readonly number[]): number | null {
  if (xs.length === 0) return null;
  const sorted = [...xs].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/**
 * Yields of picks drawn together. By-products count for nothing but their own total.
 * @param entries picks in the order of time
 */
export function yieldsOf(
  entries: readonly LoggedPick[],
  by: YieldsBy,
  plantings: ReadonlyMap<string, Planting>,
  beds: ReadonlyMap<string, Bed>,
): Yield[] {
  const groups = new Map<string, { name: string; list: LoggedPick[] }>();
  for (const e of entries) {
    const [key, name] = {
      crop: [e.cropId, e.crop],
      kind: [`${e.kind} ${e.cropId}`, e.kind],
      bed: [e.bed, e.bed],
      year: [e.at.slice(0, 4), e.at.slice(0, 4)],
    }[by] as [string, string];
    const group = groups.get(key);
    if (group) group.list.push(e);
    else groups.set(key, { name, list: [e] });
  }
  const rows = [...groups].flatMap(([key, { name, list }]): Yield[] => {
    const crops = list.filter((e) => isCrop(e.pick));
    if (crops.length === 0) return [];
    const totals = totalsOf(list);
    const of = new Map<string, LoggedPick[]>();
    for (const e of crops) {
      const picks = of.get(e.pick.plantingId);
      if (picks) picks.push(e);
      else of.set(e.pick.plantingId, [e]);
    }
    const grown = [...of].flatMap(([id, picks]) => {
      const p = plantings.get(id);
      return p ? [{ p, picks, massG: picks.reduce((s, e) => s + e.net, 0) }] : [];
    });
    const per = (amount: (p: Planting) => number | null): number | null => {
      const known = grown.flatMap((g) => {
        const a = amount(g.p);
        return a === null || a <= 0 ? [] : [{ massG: g.massG, a }];
      });
      const all = known.reduce((s, k) => s + k.a, 0);
      return all > 0 ? known.reduce((s, k) => s + k.massG, 0) / all : null;
    };
    const timed = crops.filter((e) => e.pick.minutes !== null);
    const timedG = timed.reduce((s, e) => s + e.net, 0);
    // a bed's own yield is by the whole bed: each planting in it had its turn
    const bed = by === "bed" ? [...beds.values()].find((b) => b.name === key) : undefined;
    const massG = totals.weighedG + totals.estimatedG;
    return [
      {
        key,
        name,
        totals,
        plantings: of.size,
        first: crops[0]!.at.slice(0, 10),
        last: crops.at(-1)!.at.slice(0, 10),
        daysToFirst: medianOf(
          grown.flatMap((g) => {
            const first = g.picks.find((e) => e.pick.purpose !== "test");
            return first ? [daysBetween(g.p.startedOn, first.at.slice(0, 10))] : [];
          }),
        ),
        perPick: massG / crops.length,
        perM2G: bed ? massG / bedArea(bed) : per((p) => p.areaM2),
        perMetreG: per((p) => p.rowM),
        perPlantG: per((p) => p.plants),
        minutesPerKg: timedG > 0 ? timed.reduce((s, e) => s + (e.pick.minutes ?? 0), 0) / (timedG / 1000) : null,
      },
    ];
  });
  const mass = (y: Yield) => y.totals.weighedG + y.totals.estimatedG;
  return rows.sort((a, b) =>
    by === "year" ? (a.key < b.key ? 1 : -1) : mass(b) - mass(a) || (a.name < b.name ? -1 : 1),
  );
}
