import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import { groupBy } from "#core/group-by";
import type { Crop } from "#core/handbook/crop";
import type { Lot } from "#core/keeping/lot";
import { keptWith } from "#core/kept-with";
import type { Site } from "#core/season/sowing-clock";
import { type PlantingYear, plantingYears } from "#core/season/yields";
import type { Snapshot } from "#core/snapshot";
import { isCrop } from "#core/weighing/pick";
import { type LoggedPick, picksIn } from "#core/weighing/pick-log";
import { houseOf } from "../keep/keep.server";
import { loggedPicks, logOf } from "../picks/picks.server";
import { type GardenNow, handbook } from "../server/garden-now.server";

/** A planting with its bed, crop and picks, in the order of time. */
export type GrownHere = { planting: Planting; bed: Bed; crop: Crop; entries: LoggedPick[] };
let last: { snapshot: Snapshot; grown: GrownHere[] } | null = null;

/** Every planting with its picks, drawn together once for each change. */
export function grownOf({ snapshot }: GardenNow): GrownHere[] {
  if (last?.snapshot === snapshot) return last.grown;
  const by = groupBy(loggedPicks(snapshot), (e) => e.pick.plantingId);
  const before = new Map(last?.grown.map((g) => [g.planting.id, g.entries]));
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const book = handbook();
  const grown = snapshot.plantings.flatMap((planting): GrownHere[] => {
    const bed = beds.get(planting.bedId);
    const crop = book.find(planting.cropId);
    return bed && crop
      ? [{ planting, bed, crop, entries: same(before.get(planting.id), by.get(planting.id) ?? []) }]
      : [];
  });
  last = { snapshot, grown };
  return grown;
}

/** The list as it was, if nothing in it changed: what was summed of it still holds. */
const same = (before: LoggedPick[] | undefined, now: LoggedPick[]): LoggedPick[] =>
  before?.length === now.length && now.every((e, i) => e === before[i]) ? before : now;

/** What the picks of a planting say; a planting whose picks are the same need not be summed again. */
const ofPicks = keptWith<readonly LoggedPick[]>();
/** What every planting gave in a year, or in all of them; each summed once. */
export const plantingYearsOf = (d: GardenNow, year: string): PlantingYear[] =>
  grownOf(d).flatMap(({ entries }) => {
    const years = ofPicks(entries, "years", () => plantingYears(entries));
    return year === "all" ? years : years.filter((y) => y.year === year);
  });

type Picked = { day: string; netG: number };

/** Picks of the crop itself, by day and mass, g; those of one year, or all of them. */
export const pickedOf = (entries: readonly LoggedPick[], year = ""): Picked[] =>
  picksIn(entries, year).flatMap((e) => (isCrop(e.pick) ? [{ day: e.at.slice(0, 10), netG: e.net }] : []));

/** What the picks of the crop itself come to, g; summed once. */
export const totalOf = (entries: readonly LoggedPick[]): number =>
  ofPicks(entries, "total", () => entries.reduce((sum, e) => (isCrop(e.pick) ? sum + e.net : sum), 0));

/** Yields a plant, g, of the plantings of a crop that are over: what still grows has not given all it will. */
export const yieldsAPlant = (grown: readonly GrownHere[]): number[] =>
  grown.flatMap(({ planting, entries }) => {
    const total = planting.plants !== null && planting.endedOn !== null ? totalOf(entries) : 0;
    return total > 0 ? [total / planting.plants!] : [];
  });

/** Years in which something was picked, latest first; the year at hand where nothing was. */
export function pickYears(d: GardenNow): string[] {
  const { years } = logOf(d.snapshot);
  return years.length > 0 ? years : [d.today.slice(0, 4)];
}

/** The year that was asked for, or the latest there is. */
export const yearAsked = (asked: string | null, years: readonly string[]): string =>
  asked !== null && years.includes(asked) ? asked : years[0]!;

/** A bed's site for the sowing clock: the usual year, and how the bed has been learned to differ from the station. */
export const siteOf = (d: GardenNow, bed: Bed): Site => ({
  climate: d.outlook.climate,
  latitudeDeg: d.snapshot.garden.latitudeDeg,
  bed: {
    cover: bed.cover,
    sunHours: bed.sunHours,
    nightOffsetC: d.outlook.offsets.get(bed.id)?.offsetC ?? bed.nightOffsetC,
  },
});

/** An open bed in full sun, for dates of the garden as a whole. */
export const openSite = (d: GardenNow): Site => ({
  climate: d.outlook.climate,
  latitudeDeg: d.snapshot.garden.latitudeDeg,
  bed: { cover: "none", nightOffsetC: 0, sunHours: 8 },
});

/** Every lot there was, as it is now. */
export const lotsOf = (d: GardenNow): Lot[] => [...houseOf(d).lots.values()].filter((l) => l.part === "crop");

/** Lasting diseases seen in a bed, by their ids in the handbook. */
export const diseasesIn = (d: GardenNow, bedId: string): string[] =>
  d.snapshot.plantings.flatMap((p) => (p.bedId === bedId && p.disease !== "" ? [p.disease] : []));

/** Share of years in which frost may come before a date that was reckoned with, by the address; one in ten otherwise. */
export const RISKS = [0.1, 0.25, 0.5] as const;
export const riskAsked = (asked: string | null): number => RISKS.find((r) => String(r) === asked) ?? 0.1;
