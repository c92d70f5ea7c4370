import type { Day } from "#core/calendar/day";
import type { Snapshot } from "#core/snapshot";
import type { PickRecord } from "#core/weighing/pick";
import {
  GROUPS,
  type GroupBy,
  type LoggedPick,
  loggedFrom,
  pickedFrom,
  picksIn,
  type Totals,
  totalsOf,
} from "#core/weighing/pick-log";
import { bookOf } from "#core/weighing/taught-book";
import { COLUMN_NAMES, type Column } from "./log-columns";

export const PICK_SORTS = ["at", "kind", "crop", "bed", "net", "by"] as const;
export type PickSort = (typeof PICK_SORTS)[number];

/** The log of a garden: every pick in the order of time, named and reckoned, and what it can be asked for. */
type Log = {
  entries: LoggedPick[];
  /** for each planting, what its picks are named and reckoned by */
  of: Map<string, string>;
  years: string[];
  /** crops and people it can be asked for, and what all of it comes to; worked out when first asked for */
  asked: () => { crops: (readonly [string, string])[]; people: string[]; totals: Totals };
};
let last: { snapshot: Snapshot; picks: readonly PickRecord[]; log: Log } | null = null;
/** The log of a garden; after a change only the picks that are new, or named otherwise, are reckoned again. */
export const logOf = (snapshot: Snapshot): Log => logOfThese(snapshot, snapshot.picks);

function logOfThese(snapshot: Snapshot, picks: readonly PickRecord[]): Log {
  if (last?.snapshot === snapshot && last.picks === picks) return last.log;
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const book = bookOf(snapshot);
  const plantings = new Map(
    snapshot.plantings.map((planting) => {
      const crop = book.of(planting.cropId);
      const bed = bedName.get(planting.bedId) ?? "";
      const from = pickedFrom(planting, crop, bed);
      return [planting.id, { from, of: Object.values(from).join("\n") }];
    }),
  );
  const of = new Map([...plantings].map(([id, p]) => [id, p.of]));
  const before = last?.log;
  const fresh = (pick: PickRecord): LoggedPick[] => {
    const p = plantings.get(pick.plantingId);
    return p ? [loggedFrom(pick, p.from)] : [];
  };
  const renamed = new Set([...of.keys()].filter((id) => before?.of.get(id) !== of.get(id)));
  const entries = before ? patched(before.entries, picks, fresh, renamed) : picks.flatMap(fresh);
  const log: Log = { entries, of, years: yearsOf(entries), asked: askedOnce(entries) };
  last = { snapshot, picks, log };
  return log;
}

/** Stands apart, so that what is kept of one log holds nothing of the log before it, and through that of all before. */
function askedOnce(entries: readonly LoggedPick[]): Log["asked"] {
  let known: ReturnType<Log["asked"]> | undefined;
  return () => {
    known ??= { ...askable(entries), totals: totalsOf(entries) };
    return known;
  };
}

/** So many picks that came or went are looked at by themselves. */
const FEW = 200;

/**
 * The entries of a list of picks of which most are the very objects that the entries before were made of. Both are in
 * the order of time. Picks of a planting that is not the same any more are named anew.
 */
function patched(
  before: readonly LoggedPick[],
  picks: readonly PickRecord[],
  fresh: (pick: PickRecord) => LoggedPick[],
  renamed: ReadonlySet<string>,
): LoggedPick[] {
  if (renamed.size === 0) {
    // mostly one pick came or went: what stands before and behind it is taken over as it is
    const shortest = Math.min(before.length, picks.length);
    let start = 0;
    while (start < shortest && before[start]!.pick === picks[start]) start += 1;
    let end = 0;
    while (end < shortest - start && before.at(-1 - end)!.pick === picks.at(-1 - end)) end += 1;
    if (picks.length - start - end <= FEW) {
      const middle = picks.slice(start, picks.length - end).flatMap(fresh);
      return [...before.slice(0, start), ...middle, ...before.slice(before.length - end)];
    }
  }
  const entries: LoggedPick[] = [];
  let k = 0;
  for (const pick of picks) {
    if (before[k]?.pick !== pick) {
      while (k < before.length && before[k]!.at < pick.at) k += 1;
      let at = k;
      while (at < before.length && before[at]!.at === pick.at && before[at]!.pick !== pick) at += 1;
      if (before[at]?.pick !== pick) {
        entries.push(...fresh(pick));
        continue;
      }
      k = at;
    }
    if (!renamed.has(pick.plantingId)) entries.push(before[k]!);
    else entries.push(...fresh(pick));
    k += 1;
  }
  return entries;
}

/** Years in which something was picked, latest first. @param entries in the order of time */
function yearsOf(entries: readonly LoggedPick[]): string[] {
  const years: string[] = [];
  for (let k = 0; k < entries.length; ) {
    const year = entries[k]!.at.slice(0, 4);
    years.push(year);
    k += picksIn(entries, year).length;
  }
  return years.reverse();
}

/** Crops and people that a log can be asked for. */
function askable(entries: readonly LoggedPick[]) {
  const crops = new Map<string, string>();
  const people = new Set<string>();
  let crop = "";
  let by = "";
  // neighbours in time are alike: most need no second look
  for (const e of entries) {
    if (e.cropId !== crop) {
      crop = e.cropId;
      crops.set(crop, e.crop);
    }
    if (e.by !== by) {
      by = e.by;
      if (by !== "") people.add(by);
    }
  }
  return {
    crops: [...crops].sort((a, b) => (a[1] < b[1] ? -1 : 1)),
    people: [...people].sort(),
  };
}

/** Every pick of a garden in the order of time, named and reckoned. */
export const loggedPicks = (snapshot: Snapshot): LoggedPick[] => logOf(snapshot).entries;

/**
 * Picks of which something may be in the house, named and reckoned, with others among them: all since a day at least, and
 * those of whose lots something is written down.
 */
export function loggedInHouse(snapshot: Snapshot, since: Day): LoggedPick[] {
  const { atHand } = snapshot;
  return logOfThese(snapshot, atHand && atHand.since <= since ? atHand.picks : snapshot.picks).entries;
}

/** The picks of one planting. */
export const entriesOf = (all: readonly LoggedPick[], plantingId: string): LoggedPick[] =>
  all.filter((e) => e.pick.plantingId === plantingId);

/** Whether a pick's names and its note hold some words. What has no note is alike for all picks of a planting by a person. */
function search(words: string): (e: LoggedPick) => boolean {
  const without = new Map<string, Map<string, boolean>>();
  const holds = (e: LoggedPick) => `${e.kind} ${e.crop} ${e.bed} ${e.by} ${e.pick.note}`.toLowerCase().includes(words);
  return (e) => {
    if (e.pick.note !== "") return holds(e);
    const people = without.get(e.pick.plantingId) ?? new Map<string, boolean>();
    without.set(e.pick.plantingId, people);
    const found = people.get(e.by) ?? holds(e);
    people.set(e.by, found);
    return found;
  };
}

/** What may be asked of the log beside words: each an exact match of one field. */
const ASKED: Record<string, (e: LoggedPick) => string> = {
  crop: (e) => e.cropId,
  year: (e) => e.at.slice(0, 4),
  grade: (e) => e.pick.grade,
  planting: (e) => e.pick.plantingId,
  round: (e) => e.pick.roundId ?? "",
  way: (e) => e.pick.way,
  part: (e) => e.pick.part,
  purpose: (e) => e.pick.purpose,
  who: (e) => e.by,
  figure: (e) => (e.estimated ? "estimated" : "weighed"),
};

export type Found = { found: LoggedPick[]; sort: PickSort; down: boolean; group: GroupBy | null };

/** The picks that a log's address asks for, in the order it asks for. */
export function findPicks(all: readonly LoggedPick[], query: URLSearchParams): Found {
  const words = (query.get("q") ?? "").trim().toLowerCase();
  const asked = Object.entries(ASKED).flatMap(([name, field]) => {
    const value = query.get(name);
    return value ? [{ field, value }] : [];
  });
  const ids = new Set(query.getAll("id"));
  const from = query.get("from") ?? "";
  const to = query.get("to") ?? "";
  const until = to === "" ? "" : `${to}T24`;
  const isSaid = search(words);
  const found =
    asked.length === 0 && ids.size === 0 && words === "" && from === "" && to === ""
      ? [...all]
      : all.filter(
          (e) =>
            (ids.size === 0 || ids.has(e.pick.id)) &&
            asked.every((a) => a.field(e) === a.value) &&
            (from === "" || e.at >= from) &&
            (until === "" || e.at < until) &&
            (words === "" || isSaid(e)),
        );
  const sort = PICK_SORTS.find((s) => s === query.get("sort")) ?? "at";
  const down = query.get("down") !== "0";
  const group = GROUPS.find((g) => g === query.get("group")) ?? null;
  if (sort === "at") return { found: down ? found.reverse() : found, sort, down, group };
  const order = (a: LoggedPick, b: LoggedPick) =>
    a[sort] < b[sort] ? -1 : a[sort] > b[sort] ? 1 : a.pick.id < b.pick.id ? -1 : 1;
  return { found: found.sort((a, b) => order(a, b) * (down ? -1 : 1)), sort, down, group };
}

const USUAL: readonly Column[] = ["when", "kind", "bed", "net", "pieces", "who", "grade"];

/** The columns an address asks for, in the table's own order; the usual ones when it asks for none. */
export function columnsOf(query: URLSearchParams): Column[] {
  const asked = query.getAll("col");
  const all = Object.keys(COLUMN_NAMES) as Column[];
  const chosen = all.filter((c) => asked.includes(c));
  return chosen.length === 0 ? [...USUAL] : chosen;
}
