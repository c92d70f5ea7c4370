import { addDays, type Day, sayDay, weekday } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { roundMass } from "../units/mass";
import { lotsOf } from "../weighing/lots";
import { type Net, netOf } from "../weighing/net";
import { GRADE_WORDS, isCrop, PART_WORDS, type Pick, PURPOSE_WORDS, WAY_WORDS } from "../weighing/pick";

/** A pick with the names and figures that the log shows. */
export type LoggedPick = {
  pick: Pick;
  reckoned: Net;
  /** weight without tops, g */
  net: number;
  at: string;
  kind: string;
  crop: string;
  cropId: string;
  bed: string;
  by: string;
  pieceG: number;
};

/** A pick named and reckoned. */
export function logged(pick: Pick, planting: Pick2<Planting, "kind">, crop: Crop, bed: string): LoggedPick {
  const reckoned = netOf(pick, crop.topsShare, crop.yield.pieceG);
  return {
    pick,
    reckoned,
    net: reckoned.trimmedG,
    at: pick.at,
    kind: planting.kind || crop.name,
    crop: crop.name,
    cropId: crop.id,
    bed,
    by: pick.by,
    pieceG: crop.yield.pieceG,
  };
}
type Pick2<T, K extends keyof T> = { [P in K]: T[P] };

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

type Share = { massG: number; estimated: boolean; count: number | null; minutes: number; picks: number };
function put(t: Totals, share: Share, crop: boolean): void {
  t.picks += share.picks;
  if (!crop) t.besideG += share.massG;
  else if (share.estimated) t.estimatedG += share.massG;
  else t.weighedG += share.massG;
  if (crop) t.pieces += share.count ?? 0;
  t.minutes += share.minutes;
}
const tidy = (t: Totals): Totals => ({
  ...t,
  weighedG: roundMass(t.weighedG),
  estimatedG: roundMass(t.estimatedG),
  besideG: roundMass(t.besideG),
});
const wholeOf = (e: LoggedPick): Share => ({
  massG: e.net,
  estimated: e.reckoned.estimated,
  count: e.pick.count,
  minutes: e.pick.minutes ?? 0,
  picks: 1,
});

/** What picks come to in all. */
export function totalsOf(entries: readonly LoggedPick[]): Totals {
  const t = nothing();
  for (const e of entries) put(t, wholeOf(e), isCrop(e.pick));
  return tidy(t);
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
export const GROUP_WORDS: Record<GroupBy, string> = {
  kind: "kind",
  crop: "crop",
  bed: "bed",
  who: "who picked",
  grade: "grade",
  way: "where it went",
  part: "what of the plant",
  purpose: "what for",
  how: "how it was picked",
  day: "day",
  week: "week",
  month: "month",
  year: "year",
};
/** Groupings in the order of time, not of weight. */
const TIMES: readonly GroupBy[] = ["day", "week", "month", "year"];

/** Monday of the week a day lies in. */
export const weekOf = (day: Day): Day => addDays(day, -((weekday(day) + 6) % 7));

const KEY: Record<Exclude<GroupBy, "grade" | "way">, (e: LoggedPick) => [key: string, name: string]> = {
  kind: (e) => [`${e.kind} ${e.cropId}`, e.kind],
  crop: (e) => [e.cropId, e.crop],
  bed: (e) => [e.bed, e.bed],
  who: (e) => [e.by, e.by || "nobody named"],
  part: (e) => [e.pick.part, PART_WORDS[e.pick.part]],
  purpose: (e) => [e.pick.purpose, PURPOSE_WORDS[e.pick.purpose]],
  how: (e) => [e.pick.method, e.pick.method || "not said"],
  day: (e) => [e.at.slice(0, 10), sayDay(e.at.slice(0, 10))],
  week: (e) => {
    const monday = weekOf(e.at.slice(0, 10));
    return [monday, `week of ${sayDay(monday)} ${monday.slice(0, 4)}`];
  },
  month: (e) => [e.at.slice(0, 7), monthName(e.at.slice(0, 7))],
  year: (e) => [e.at.slice(0, 4), e.at.slice(0, 4)],
};
const MONTHS = "January February March April May June July August September October November December".split(" ");
/** "October 2026" of "2026-10". */
export const monthName = (month: string): string => `${MONTHS[Number(month.slice(5)) - 1]} ${month.slice(0, 4)}`;

export type Group = { key: string; name: string; totals: Totals };

/**
 * Picks drawn together. By grade or by way each part of a sorted pick counts where it belongs (one only counted is an
 * estimate, though the whole was weighed), so that every grouping comes to the same grams.
 */
export function groupPicks(entries: readonly LoggedPick[], by: GroupBy): Group[] {
  const groups = new Map<string, Group>();
  const of = (key: string, name: string): Totals => {
    const known = groups.get(key);
    if (known) return known.totals;
    const made = { key, name, totals: nothing() };
    groups.set(key, made);
    return made.totals;
  };
  for (const e of entries) {
    const crop = isCrop(e.pick);
    if (by !== "grade" && by !== "way") {
      put(of(...KEY[by](e)), wholeOf(e), crop);
      continue;
    }
    const lots = lotsOf(e.pick, e.reckoned, e.pieceG);
    for (const [i, lot] of lots.entries()) {
      const [key, name] = by === "grade" ? [lot.grade, GRADE_WORDS[lot.grade]] : [lot.way, WAY_WORDS[lot.way]];
      const first = i === 0;
      put(of(key, name), { ...lot, minutes: first ? (e.pick.minutes ?? 0) : 0, picks: first ? 1 : 0 }, crop);
    }
  }
  const all = [...groups.values()].map((g) => ({ ...g, totals: tidy(g.totals) }));
  const mass = (g: Group) => g.totals.weighedG + g.totals.estimatedG + g.totals.besideG;
  return TIMES.includes(by)
    ? all.sort((a, b) => (a.key < b.key ? 1 : -1))
    : all.sort((a, b) => mass(b) - mass(a) || (a.name < b.name ? -1 : 1));
}
