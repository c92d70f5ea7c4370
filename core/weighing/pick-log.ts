import { addDays, type Day, weekday } from "../calendar/day";
import { plantingName } from "../garden/name";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { roundMass } from "../units/mass";
import { lotParts } from "./lots";
import { type Net, netOf } from "./net";
import { type Grade, isCrop, type PickRecord, type Way } from "./pick";

/** What all picks of a planting are named and reckoned by. */
export type PickedFrom = {
  /** crop and kind, as people are told */
  name: string;
  /** the kind alone; the crop where none is named */
  kind: string;
  crop: string;
  cropId: string;
  bed: string;
  /** share of the weight that is tops, 0 to 1 */
  topsShare: number;
  /** usual mass of one piece, g */
  pieceG: number;
};

/** A pick with the names and figures that the log shows. */
export type LoggedPick = PickedFrom & {
  pick: PickRecord;
  at: string;
  by: string;
  /** weight without tops, g */
  net: number;
  /** whether any part of it is reckoned rather than weighed */
  estimated: boolean;
};

/** What the picks of a planting are named and reckoned by. @param bed its name */
export const pickedFrom = (planting: Pick<Planting, "kind">, crop: Crop, bed: string): PickedFrom => ({
  name: plantingName(planting, crop),
  kind: planting.kind || crop.name,
  crop: crop.name,
  cropId: crop.id,
  bed,
  topsShare: crop.topsShare,
  pieceG: crop.yield.pieceG,
});

/** A pick named and reckoned. */
export const logged = (pick: PickRecord, planting: Pick<Planting, "kind">, crop: Crop, bed: string): LoggedPick =>
  loggedFrom(pick, pickedFrom(planting, crop, bed));

/** The same by names at hand. A log may hold a hundred thousand: of each is kept what many pages ask for, and no more. */
export function loggedFrom(pick: PickRecord, from: PickedFrom): LoggedPick {
  const { trimmedG, estimated } = netOf(pick, from.topsShare, from.pieceG);
  // written out: a copy of the names with more put to it would be an object of a shape of its own each time
  return {
    pick,
    at: pick.at,
    by: pick.by,
    net: trimmedG,
    estimated,
    name: from.name,
    kind: from.kind,
    crop: from.crop,
    cropId: from.cropId,
    bed: from.bed,
    topsShare: from.topsShare,
    pieceG: from.pieceG,
  };
}

/** Gross, tare and net of a pick of the log. */
export const reckonedOf = (e: LoggedPick): Net => netOf(e.pick, e.topsShare, e.pieceG);

/** What some picks come to. Weighed and estimated never mix, and by-products are not counted as crop. */
export type Totals = {
  picks: number;
  weighedG: number;
  estimatedG: number;
  /** tops, flowers and the like that came with it, g, weighed or not */
  besideG: number;
  pieces: number;
  minutes: number;
};
const nothing = (): Totals => ({ picks: 0, weighedG: 0, estimatedG: 0, besideG: 0, pieces: 0, minutes: 0 });

function put(t: Totals, massG: number, estimated: boolean, count: number | null, crop: boolean): void {
  if (!crop) t.besideG += massG;
  else if (estimated) t.estimatedG += massG;
  else t.weighedG += massG;
  if (crop) t.pieces += count ?? 0;
}
function putWhole(t: Totals, e: LoggedPick): void {
  t.picks += 1;
  t.minutes += e.pick.minutes ?? 0;
  put(t, e.net, e.estimated, e.pick.count, isCrop(e.pick));
}
const tidy = (t: Totals): Totals => ({
  ...t,
  weighedG: roundMass(t.weighedG),
  estimatedG: roundMass(t.estimatedG),
  besideG: roundMass(t.besideG),
});

/** What picks come to in all. */
export function totalsOf(entries: readonly LoggedPick[]): Totals {
  const t = nothing();
  for (const e of entries) putWhole(t, e);
  return tidy(t);
}

/** Totals of parts, put together again. */
export function sumTotals(parts: readonly Totals[]): Totals {
  const t = nothing();
  for (const part of parts) for (const figure of Object.keys(t) as (keyof Totals)[]) t[figure] += part[figure];
  return tidy(t);
}

/**
 * Picks of one year ("2026"), month ("2026-10") or day, found by halving.
 * @param entries picks in the order of time
 */
export function picksIn(entries: readonly LoggedPick[], when: string): LoggedPick[] {
  const from = (bar: string): number => {
    let low = 0;
    let high = entries.length;
    while (low < high) {
      const half = (low + high) >> 1;
      if (entries[half]!.at < bar) low = half + 1;
      else high = half;
    }
    return low;
  };
  // "~" comes after every digit and dash
  return entries.slice(from(when), from(`${when}~`));
}

export const GROUPS = [
  "kind",
  "crop",
  "bed",
  "who",
  "grade",
  "way",
  "part",
  "purpose",
  "how",
  "day",
  "week",
  "month",
  "year",
] as const;
export type GroupBy = (typeof GROUPS)[number];
/** Groupings in the order of time, not of weight. */
const TIMES: readonly GroupBy[] = ["day", "week", "month", "year"];

/** Monday of the week a day lies in. */
export const weekOf = (day: Day): Day => addDays(day, -((weekday(day) + 6) % 7));

/** What picks are drawn together by, asked of every pick; and the name that a group has in the garden, asked once. */
const KEY: Record<
  Exclude<GroupBy, "grade" | "way">,
  readonly [(e: LoggedPick) => string, ((e: LoggedPick) => string)?]
> = {
  kind: [(e) => `${e.kind} ${e.cropId}`, (e) => e.name],
  crop: [(e) => e.cropId, (e) => e.crop],
  bed: [(e) => e.bed],
  who: [(e) => e.by],
  part: [(e) => e.pick.part],
  purpose: [(e) => e.pick.purpose],
  how: [(e) => e.pick.method],
  day: [(e) => e.at.slice(0, 10)],
  // by its day at first; days are brought into their weeks when all are summed
  week: [(e) => e.at.slice(0, 10)],
  month: [(e) => e.at.slice(0, 7)],
  year: [(e) => e.at.slice(0, 4)],
};

/** Picks drawn together: by a key, with the name that it has in the garden, or the key itself (words: `namedGroups`). */
export type Group = { key: string; name: string; totals: Totals };

function byWhole(entries: readonly LoggedPick[], keyOf: (e: LoggedPick) => string, name = keyOf) {
  const groups = new Map<string, Group>();
  let group: Group | undefined;
  for (const e of entries) {
    const key = keyOf(e);
    // neighbours in time are often alike
    if (group?.key !== key) {
      group = groups.get(key);
      if (!group) {
        group = { key, name: name(e), totals: nothing() };
        groups.set(key, group);
      }
    }
    putWhole(group.totals, e);
  }
  return [...groups.values()];
}

/** Each part of a sorted pick under its own grade or way; the pick itself is counted with its rest. */
function byParts(entries: readonly LoggedPick[], by: "grade" | "way"): Group[] {
  const groups = new Map<string, Group>();
  const of = (key: Grade | Way): Totals => {
    const known = groups.get(key);
    if (known) return known.totals;
    const made = { key, name: key, totals: nothing() };
    groups.set(key, made);
    return made.totals;
  };
  for (const e of entries) {
    if (e.pick.sorted.length === 0) {
      putWhole(of(e.pick[by]), e);
      continue;
    }
    for (const [i, lot] of lotParts(e.pick, reckonedOf(e), e.pieceG).entries()) {
      const t = of(lot[by]);
      if (i === 0) {
        t.picks += 1;
        t.minutes += e.pick.minutes ?? 0;
      }
      put(t, lot.massG, lot.estimated, lot.count, isCrop(e.pick));
    }
  }
  return [...groups.values()];
}

/** Days drawn together into weeks that begin on Monday. */
function intoWeeks(days: readonly Group[]): Group[] {
  const weeks = new Map<string, Group>();
  for (const { key: day, totals } of days) {
    const key = weekOf(day);
    let week = weeks.get(key);
    if (!week) {
      week = { key, name: key, totals: nothing() };
      weeks.set(key, week);
    }
    week.totals = sumTotals([week.totals, totals]);
  }
  return [...weeks.values()];
}

/**
 * Weeks of a chart, oldest first, with those in which nothing was picked between them.
 * @param groups as `groupPicks` gives them by week
 */
export function everyWeek(groups: readonly Group[]): { week: Day; weighedG: number; estimatedG: number }[] {
  const by = new Map(groups.map((g) => [g.key, g.totals]));
  const keys = [...by.keys()].sort();
  const weeks: { week: Day; weighedG: number; estimatedG: number }[] = [];
  for (let week = keys[0] ?? ""; week !== "" && week <= keys.at(-1)!; week = addDays(week, 7))
    weeks.push({ week, weighedG: by.get(week)?.weighedG ?? 0, estimatedG: by.get(week)?.estimatedG ?? 0 });
  return weeks;
}

/**
 * Picks drawn together. By grade or by way each part of a sorted pick counts where it belongs (one only counted is an
 * estimate, though the whole was weighed), so that every grouping comes to the same grams.
 */
export function groupPicks(entries: readonly LoggedPick[], by: GroupBy): Group[] {
  const summed = by === "grade" || by === "way" ? byParts(entries, by) : byWhole(entries, ...KEY[by]);
  const groups = by === "week" ? intoWeeks(summed) : summed;
  const all = groups.map((g) => ({ ...g, totals: tidy(g.totals) }));
  const mass = (g: Group) => g.totals.weighedG + g.totals.estimatedG + g.totals.besideG;
  return TIMES.includes(by)
    ? all.sort((a, b) => (a.key < b.key ? 1 : -1))
    : all.sort((a, b) => mass(b) - mass(a) || (a.name < b.name ? -1 : 1));
}
