import type { Snapshot } from "#core/planning/outlook";
import { GROUPS, type GroupBy, type LoggedPick, logged } from "#core/season/pick-log";
import type { Pick } from "#core/weighing/pick";
import { bookOf } from "#core/weighing/taught-book";

export const PICK_SORTS = ["at", "kind", "crop", "bed", "net", "by"] as const;
export type PickSort = (typeof PICK_SORTS)[number];

/** A pick as it was named for one state of its planting: as long as that holds it need not be reckoned again. */
type Named = { of: string; entry: LoggedPick; words: string };
const named = new WeakMap<Pick, Named>();
const lists = new WeakMap<Snapshot, LoggedPick[]>();

/** Every pick of a garden in the order of time, named and reckoned; kept for as long as nothing it reads has changed. */
export function loggedPicks(snapshot: Snapshot): LoggedPick[] {
  const known = lists.get(snapshot);
  if (known) return known;
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const book = bookOf(snapshot);
  const plantings = new Map(
    snapshot.plantings.map((planting) => {
      const crop = book.of(planting.cropId);
      const bed = bedName.get(planting.bedId) ?? "";
      const of = [planting.kind, crop.id, crop.name, crop.topsShare, crop.yield.pieceG, bed].join("\n");
      return [planting.id, { planting, crop, bed, of }];
    }),
  );
  const list = snapshot.picks.flatMap((pick) => {
    const p = plantings.get(pick.plantingId);
    if (!p) return [];
    const before = named.get(pick);
    if (before?.of === p.of) return [before.entry];
    const entry = logged(pick, p.planting, p.crop, p.bed);
    const words = `${entry.kind} ${entry.crop} ${entry.bed} ${entry.by} ${pick.note}`.toLowerCase();
    named.set(pick, { of: p.of, entry, words });
    return [entry];
  });
  lists.set(snapshot, list);
  return list;
}
const wordsOf = (e: LoggedPick): string => named.get(e.pick)?.words ?? "";

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
  figure: (e) => (e.reckoned.estimated ? "estimated" : "weighed"),
};

export type Found = { found: LoggedPick[]; sort: PickSort; down: boolean; group: GroupBy | null };

/** The picks that a log's address asks for, in the order it asks for. */
export function findPicks(all: readonly LoggedPick[], query: URLSearchParams): Found {
  const words = (query.get("q") ?? "").trim().toLowerCase();
  const asked = Object.entries(ASKED).flatMap(([name, field]) => {
    const value = query.get(name);
    return value ? [{ field, value }] : [];
  });
  const from = query.get("from") ?? "";
  const to = query.get("to") ?? "";
  const found = all.filter(
    (e) =>
      asked.every((a) => a.field(e) === a.value) &&
      (from === "" || e.at.slice(0, 10) >= from) &&
      (to === "" || e.at.slice(0, 10) <= to) &&
      (words === "" || wordsOf(e).includes(words)),
  );
  const sort = PICK_SORTS.find((s) => s === query.get("sort")) ?? "at";
  const down = query.get("down") !== "0";
  const group = GROUPS.find((g) => g === query.get("group")) ?? null;
  if (sort === "at") return { found: down ? found.reverse() : found, sort, down, group };
  const order = (a: LoggedPick, b: LoggedPick) =>
    a[sort] < b[sort] ? -1 : a[sort] > b[sort] ? 1 : a.pick.id < b.pick.id ? -1 : 1;
  return { found: found.sort((a, b) => order(a, b) * (down ? -1 : 1)), sort, down, group };
}

const COLUMNS = {
  when: "When",
  kind: "Kind",
  crop: "Crop",
  bed: "Bed",
  gross: "Gross",
  tare: "Tare",
  net: "Net",
  pieces: "Pieces",
  each: "A piece",
  who: "Who",
  how: "How",
  grade: "Grade",
  way: "Went",
  part: "Part",
  purpose: "What for",
  condition: "It was",
  minutes: "Minutes",
  note: "Note",
} as const;
export type Column = keyof typeof COLUMNS;
export const COLUMN_NAMES: Readonly<Record<Column, string>> = COLUMNS;
const USUAL: readonly Column[] = ["when", "kind", "crop", "bed", "net", "pieces", "who", "grade"];

/** The columns an address asks for, in the table's own order; the usual ones when it asks for none. */
export function columnsOf(query: URLSearchParams): Column[] {
  const asked = query.getAll("col");
  const all = Object.keys(COLUMNS) as Column[];
  const chosen = all.filter((c) => asked.includes(c));
  return chosen.length === 0 ? [...USUAL] : chosen;
}
