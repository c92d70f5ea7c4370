import type { Net } from "#core/weighing/net";
import { type PickRecord, partSchema, type SortedPart } from "#core/weighing/pick";
import { EXTENT_WORDS, GRADE_WORDS } from "#core/weighing/words";
import { writeTable } from "./csv";

export type PickRow = { pick: PickRecord; net: Net; bed: string; crop: string; kind: string };

/** Headings of what is told of a pick beside its weight. */
const MORE = ["round", "part", "purpose", "condition", "minutes", "left", "way", "sorted", "again_g", "again_how"];

/** The parts of a sorted pick in one cell: "eat-first kitchen 200 g (forked); compost compost 3 pieces". */
export const sayParts = (parts: readonly SortedPart[]): string =>
  parts
    .map((p) =>
      [
        p.grade,
        p.way || "-",
        p.massG === null ? "" : `${p.massG} g`,
        p.count === null ? "" : `${p.count} pieces`,
        p.note ? `(${p.note.replace(/[;()]/g, ",")})` : "",
      ]
        .filter(Boolean)
        .join(" "),
    )
    .join("; ");

/** Reads such a cell again; null when it is none. */
export function readParts(text: string): SortedPart[] | null {
  if (text.trim() === "") return [];
  const parts = text.split(";").map((piece) => {
    const found = /^\s*([a-z-]+) ([a-z]+|-)(?: ([\d.]+) g)?(?: (\d+) pieces)?(?: \((.*)\))?\s*$/.exec(piece);
    if (!found) return null;
    const checked = partSchema.safeParse({
      grade: found[1],
      way: found[2] === "-" ? "" : found[2],
      massG: found[3] === undefined ? null : Number(found[3]),
      count: found[4] === undefined ? null : Number(found[4]),
      note: found[5] ?? "",
    });
    return checked.success ? checked.data : null;
  });
  return parts.some((p) => p === null) ? null : (parts as SortedPart[]);
}

const HEADINGS = [
  "date",
  "time",
  "bed",
  "crop",
  "kind",
  "by",
  "method",
  "extent",
  "count",
  "gross_g",
  "tare_g",
  "net_g",
  "tops_on",
  "without_tops_g",
  "grade",
  "figure",
  "as_entered",
  "note",
  "id",
  ...MORE,
];

const cellsOf = ({ pick, net, bed, crop, kind }: PickRow) => [
  pick.at.slice(0, 10),
  pick.at.slice(11),
  bed,
  crop,
  kind,
  pick.by,
  pick.method,
  EXTENT_WORDS[pick.extent],
  pick.count,
  pick.grossG,
  pick.grossG === null ? null : net.tareG,
  net.netG,
  pick.topsOn,
  net.trimmedG,
  GRADE_WORDS[pick.grade],
  net.estimated ? "estimated" : "weighed",
  pick.entered,
  pick.note,
  pick.id,
  pick.roundId,
  pick.part,
  pick.purpose,
  pick.condition,
  pick.minutes,
  pick.left,
  pick.way,
  sayParts(pick.sorted),
  pick.againG,
  pick.againHow,
];

/** The pick log as CSV; masses in grams, one row a pick, weighed and estimated told apart. */
export const writePicksCsv = (rows: readonly PickRow[]): string => writeTable(HEADINGS, rows.map(cellsOf));

/** Rows of the log that are written in one go: a log of any length goes out as it is made, in pieces soon forgotten. */
const AT_ONCE = 100;

/** The same CSV piece by piece. */
export function* picksCsvPieces(rows: Iterable<PickRow>): Generator<string> {
  yield writeTable(HEADINGS, []);
  for (const some of portionsOf(rows)) yield rowsOnly(writeTable(HEADINGS, some.map(cellsOf)));
}
const rowsOnly = (table: string): string => table.slice(table.indexOf("\r\n") + 2);

/** The log as JSON, piece by piece: a list of picks with their names and what was reckoned, masses in grams. */
export function* picksJsonPieces(rows: Iterable<PickRow>): Generator<string> {
  let before = "[\n";
  for (const some of portionsOf(rows)) {
    const piece = some.map(({ pick, net, bed, crop, kind }) =>
      JSON.stringify({ ...pick, bed, crop, kind, netG: net.netG, withoutTopsG: net.trimmedG, figure: figure(net) }),
    );
    yield `${before}${piece.join(",\n")}`;
    before = ",\n";
  }
  yield before === ",\n" ? "\n]\n" : "[\n]\n";
}

function* portionsOf(rows: Iterable<PickRow>): Generator<PickRow[]> {
  let some: PickRow[] = [];
  for (const row of rows) {
    some.push(row);
    if (some.length < AT_ONCE) continue;
    yield some;
    some = [];
  }
  if (some.length > 0) yield some;
}
const figure = (net: Net): string => (net.estimated ? "estimated" : "weighed");
