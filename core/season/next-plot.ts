import { addDays, type Day } from "../calendar/day";
import { type Bed, bedAreaM2 } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { Handbook } from "../handbook/index";
import { layBest } from "../keeping/assign";
import { standsForYears } from "./after-last-pick";
import type { Planned } from "./next-plot-row";
import { type BedPast, pastOf, type Rotation, type RotationReason, rotationOf } from "./rotation";

/** Penalties of a move, in the worth of one planting well placed (own choices; shown with each bed). */
const VERDICT_COST: Record<Rotation, number> = { good: -0.5, fine: 0, wary: 3, no: 8 };
/**
 * A tender crop that had a roof and would lose it: worse than following itself, where fresh soil helps; and a hardy one
 * in the open that would take the roof's place.
 */
const ROOF_LOST = 14;
const ROOF_WASTED = 2;
/** What climbs, rambles or grows tall has no room under the lights of a cold frame. */
const FRAME_TOO_LOW = 9;
const TALL_FAMILIES = ["Cucurbitaceae", "Poaceae", "Solanaceae"];
const TALL_CROPS = ["french-bean-climbing", "runner-bean", "pea-shelling", "pea-snap", "mangetout", "brussels-sprouts"];
/** Years of the longest usual rotation. */
const LONG_ROTATION = 4;
/** For each halving of the ground, where not all of it fits any more, each doubling, and each hour of sun less. */
const SMALLER_COST = 5;
const LARGER_COST = 1.5;
const SUN_COST = 0.4;
/** Staying put where rotation allows: no move for its own sake. */
const MOVE_COST = 0.15;

export type Move = {
  from: Bed;
  to: Bed;
  plantings: Planting[];
  /** what speaks against it, by the rotation rules, crop by crop; empty: nothing */
  warnings: { crop: string; reasons: RotationReason[] }[];
  cost: number;
};

const roofed = (bed: Bed) => bed.cover === "polytunnel" || bed.cover === "greenhouse" || bed.cover === "cold-frame";
const tender = (crop: Crop) => crop.weather.killC >= -1.2;

/** What of a season is copied: started in its year, or standing over winter into it; without what stands for years. */
export function seasonPlantings(plantings: readonly Planting[], book: Handbook, year: number): Planting[] {
  return plantings.filter((p) => {
    const crop = book.find(p.cropId);
    if (!crop || standsForYears(crop)) return false;
    const winter = winterCrop(crop);
    return winter ? (p.endedOn ?? "").startsWith(`${year}`) : p.startedOn.startsWith(`${year}`);
  });
}
const winterCrop = (crop: Crop) => Object.values(crop.days).some((d) => Array.isArray(d) && Number(d[0]) > 180);

/** What it costs to put a bed's plantings into another bed next year. */
function costOf(group: readonly Planting[], from: Bed, to: Bed, past: BedPast, on: Day, book: Handbook) {
  const warnings = new Map<string, Move["warnings"][number]>();
  let cost = from.id === to.id ? 0 : MOVE_COST;
  const doublings = Math.log2(bedAreaM2(to) / bedAreaM2(from));
  cost += doublings < 0 ? -doublings * SMALLER_COST : doublings * LARGER_COST;
  cost += SUN_COST * Math.max(0, from.sunHours - to.sunHours);
  for (const p of group) {
    const crop = book.of(p.cropId);
    const { verdict, reasons } = rotationOf(crop, past, on);
    // families that need to stay away for two years are soon forgiven, those of four are not
    cost += VERDICT_COST[verdict] * Math.min(1, crop.rotationYears / LONG_ROTATION || 0.5);
    if (verdict === "wary" || verdict === "no") warnings.set(crop.id, { crop: crop.name, reasons });
    if (tender(crop) && roofed(from) && !roofed(to)) cost += ROOF_LOST;
    if (!tender(crop) && !roofed(from) && roofed(to)) cost += ROOF_WASTED;
    const tall = TALL_FAMILIES.includes(crop.family) || TALL_CROPS.includes(crop.like);
    if (tall && from.cover !== "cold-frame" && to.cover === "cold-frame") cost += FRAME_TOO_LOW;
  }
  return { cost, warnings: [...warnings.values()] };
}

/** What each bed's plantings would cost in each bed they could move to. */
export function moveCosts(plantings: readonly Planting[], beds: readonly Bed[], book: Handbook, year: number) {
  const season = seasonPlantings(plantings, book, year);
  const groups = beds
    .map((bed) => ({ bed, list: season.filter((p) => p.bedId === bed.id) }))
    .filter((g) => g.list.length > 0);
  const stays = new Set(
    plantings
      .filter((p) => p.endedOn === null && book.find(p.cropId) && standsForYears(book.of(p.cropId)))
      .map((p) => p.bedId),
  );
  const targets = beds.filter((b) => !stays.has(b.id) || groups.some((g) => g.bed.id === b.id));
  const on = `${year + 1}-04-01`;
  const pasts = targets.map((to) => pastOf(to.id, plantings, book, on));
  const costs = groups.map((g) => targets.map((to, t) => costOf(g.list, g.bed, to, pasts[t]!, on, book)));
  return { groups, targets, costs };
}

/**
 * Every bed's plantings moved on together to the bed where they stand best next year: rotation first, then roof, size
 * and sun, all beds at once. Exact: an assignment problem, solved as the transportation problem of one bed each
 * (see `layBest`). Beds with nothing but what stands for years keep it and take no part.
 */
export function moveBeds(plantings: readonly Planting[], beds: readonly Bed[], book: Handbook, year: number): Move[] {
  const { groups, targets, costs } = moveCosts(plantings, beds, book, year);
  const most = Math.max(0, ...costs.flat().map((c) => c.cost)) + 1;
  const { laid } = layBest(
    groups.map((g, i) => ({ id: g.bed.id, litres: 1, worth: costs[i]!.map((c) => most - c.cost) })),
    targets.map(() => 1),
  );
  return laid.map(({ lot, place }) => ({
    from: groups[lot]!.bed,
    to: targets[place]!,
    plantings: groups[lot]!.list,
    ...costs[lot]![place]!,
  }));
}

const shift = (day: Day): Day => {
  const year = Number(day.slice(0, 4)) + 1;
  return day.slice(5) === "02-29" ? `${year}-02-28` : `${year}${day.slice(4)}`;
};
/** So many parts of a whole are told apart: 1 for plants, 2 for half metres, 10 for tenths of a square metre. */
const scaled = (n: number | null, share: number, parts: number): number | null =>
  n === null ? null : Math.max(1, Math.round(n * share * parts)) / parts;

/**
 * Next year's plot as a draft: the season copied a year on, each bed moved by rotation, plants by what the household
 * uses. Where the dates say nothing else the same day of the year is kept.
 *
 * @param enough plants that are enough, by crop; crops not named keep theirs
 */
export function draftNextPlot(
  moves: readonly Move[],
  enough: ReadonlyMap<string, number>,
  year: number,
  idOf: (planting: Planting) => string,
): Planned[] {
  const had = new Map<string, number>();
  for (const m of moves)
    for (const p of m.plantings) if (p.plants !== null) had.set(p.cropId, (had.get(p.cropId) ?? 0) + p.plants);
  return moves.flatMap((m) =>
    m.plantings.flatMap((p): Planned[] => {
      const want = enough.get(p.cropId);
      if (want === 0) return [];
      const before = had.get(p.cropId);
      const share = want === undefined || !before || p.plants === null ? 1 : want / before;
      const plants = scaled(p.plants, share, 1);
      return [
        {
          id: idOf(p),
          year: year + 1,
          bedId: m.to.id,
          cropId: p.cropId,
          kind: p.kind,
          startedHow: p.startedHow,
          startOn: shift(p.startedOn),
          trayOn: null,
          plants,
          rowM: scaled(p.rowM, share, 2),
          areaM2: scaled(p.areaM2, share, 10),
          after: p.id,
          made: null,
          note: "",
        },
      ];
    }),
  );
}

/** A planned planting as a real one, on the day it is made; school and ripe colour as the kind had them before. */
export function madeOf(
  p: Planned,
  id: string,
  on: Day,
  before: Pick<Planting, "schoolId" | "ripeColour">,
  packet: readonly [number, number] | null,
): Planting {
  return {
    id,
    bedId: p.bedId,
    cropId: p.cropId,
    kind: p.kind,
    ripeColour: before.ripeColour,
    disease: "",
    startedHow: p.startedHow,
    startedOn: on,
    plants: p.plants,
    rowM: p.rowM,
    areaM2: p.areaM2,
    packetMinDays: packet?.[0] ?? null,
    packetMaxDays: packet?.[1] ?? null,
    schoolId: before.schoolId,
    note: p.note,
    endedOn: null,
  };
}

/** The first days of a plan that lie ahead, soonest first. */
export const comingUp = (planned: readonly Planned[], today: Day, days: number): Planned[] =>
  planned
    .filter((p) => p.made === null && p.startOn <= addDays(today, days))
    .sort((a, b) => (a.startOn < b.startOn ? -1 : a.startOn > b.startOn ? 1 : a.id < b.id ? -1 : 1));
