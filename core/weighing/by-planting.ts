import type { Day } from "../calendar/day";
import { groupBy } from "../group-by";
import type { PickRecord } from "./pick";

/** The picks of a garden: all of them, or those at hand while a log of many seasons still lies unread. */
export type Picked = {
  /** every pick; asking for them may mean reading them */
  readonly picks: readonly PickRecord[];
  /** undefined: all are read */
  readonly atHand?: PicksAtHand | undefined;
};

/** What judging, planning and keeping ask of a log: few of its picks belong to what grows, or may still be in the house. */
export type PicksAtHand = {
  /** with every pick that stood on the scale twice, and every one of whose lots something is written down */
  picks: readonly PickRecord[];
  /** every pick from this day on is among them */
  since: Day;
  /** every pick of these plantings is among them */
  of: ReadonlySet<string>;
};

/** What a list of picks is asked for again and again. */
type PickIndex = {
  picks: readonly PickRecord[];
  by: Map<string, PickRecord[]>;
  /** those that stood on the scale twice */
  again: readonly PickRecord[];
  /** whether the list is in the order of time, then of ids */
  inTime: boolean;
};

const known = new WeakMap<readonly PickRecord[], PickIndex>();
const NONE: readonly PickRecord[] = [];
/** More than so many rows that differ from the list before: it is sorted out anew. */
const FEW = 200;
/** The list asked for last: the next one mostly differs from it by one pick. */
let last: PickIndex | null = null;

const before = (a: PickRecord, b: PickRecord): boolean => a.at < b.at || (a.at === b.at && a.id < b.id);

function indexOf(picks: readonly PickRecord[]): PickIndex {
  const found = known.get(picks);
  if (found) return found;
  const made = (last && patched(last, picks)) ?? fresh(picks);
  known.set(picks, made);
  last = made;
  return made;
}

function fresh(picks: readonly PickRecord[]): PickIndex {
  return {
    picks,
    by: groupBy(picks, (p) => p.plantingId),
    again: picks.filter((p) => p.againG !== null),
    inTime: picks.every((p, i) => i === 0 || before(picks[i - 1]!, p)),
  };
}

/** The index of a list that differs from an indexed one by a few rows; null: by more, or one of them is in no order. */
function patched(old: PickIndex, picks: readonly PickRecord[]): PickIndex | null {
  if (!old.inTime || Math.abs(old.picks.length - picks.length) > FEW) return null;
  const shortest = Math.min(old.picks.length, picks.length);
  let start = 0;
  while (start < shortest && old.picks[start] === picks[start]) start += 1;
  let end = 0;
  while (end < shortest - start && old.picks[old.picks.length - 1 - end] === picks[picks.length - 1 - end]) end += 1;
  const gone = old.picks.slice(start, old.picks.length - end);
  const come = picks.slice(start, picks.length - end);
  if (gone.length > FEW || come.length > FEW) return null;
  const around = picks.slice(Math.max(0, start - 1), picks.length - end + 1);
  if (around.some((p, i) => i > 0 && !before(around[i - 1]!, p))) return null;
  const left = new Set(gone);
  const replaced = (list: readonly PickRecord[], more: readonly PickRecord[]): PickRecord[] =>
    [...list.filter((p) => !left.has(p)), ...more].sort((a, b) => (before(a, b) ? -1 : 1));
  const by = new Map(old.by);
  for (const id of new Set([...gone, ...come].map((p) => p.plantingId))) {
    const list = replaced(
      old.by.get(id) ?? [],
      come.filter((p) => p.plantingId === id),
    );
    if (list.length > 0) by.set(id, list);
    else by.delete(id);
  }
  const again = replaced(
    old.again,
    come.filter((p) => p.againG !== null),
  );
  return { picks, by, again, inTime: true };
}

/** The picks of one planting, in the order of the list; the list is sorted out once, however often it is asked. */
export const picksOf = (garden: Picked, plantingId: string): readonly PickRecord[] => {
  const { atHand } = garden;
  return indexOf(atHand?.of.has(plantingId) ? atHand.picks : garden.picks).by.get(plantingId) ?? NONE;
};

/** Picks that stood on the scale twice. */
export const weighedAgain = (garden: Picked): readonly PickRecord[] => indexOf((garden.atHand ?? garden).picks).again;

/** Picks from a moment on, in the order of the list. @param at local time, or a day */
export const picksSince = (garden: Picked, at: string): readonly PickRecord[] =>
  since(garden.atHand && garden.atHand.since <= at ? garden.atHand.picks : garden.picks, at);

/**
 * Picks of which something may be in the house: those from a moment on, and of those older, from `at` on, at least the
 * ones of whose lots something is written down.
 * @param at local time, or a day @param all from when on every pick is wanted
 */
export const picksInHouse = (garden: Picked, at: string, all: string): readonly PickRecord[] =>
  since(garden.atHand && garden.atHand.since <= all ? garden.atHand.picks : garden.picks, at);

/** The latest picks, at most so many. */
export function picksLately(garden: Picked, count: number): readonly PickRecord[] {
  const recent = garden.atHand ? since(garden.atHand.picks, garden.atHand.since) : [];
  return (recent.length >= count ? recent : garden.picks).slice(-count);
}

const since = (picks: readonly PickRecord[], at: string): readonly PickRecord[] =>
  indexOf(picks).inTime ? picks.slice(firstFrom(picks, at)) : picks.filter((p) => p.at >= at);

/** Index of the first of some rows in the order of time that is not before a moment. */
export function firstFrom(rows: readonly { at: string }[], at: string): number {
  let low = 0;
  for (let high = rows.length; low < high; ) {
    const middle = (low + high) >> 1;
    if (rows[middle]!.at < at) low = middle + 1;
    else high = middle;
  }
  return low;
}
