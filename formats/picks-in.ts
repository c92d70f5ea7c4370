import { type Day, isDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { readMass, type UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import type { Bulk } from "#core/weighing/bulk";
import {
  AGAINS,
  CONDITIONS,
  EXTENTS,
  GRADES,
  PARTS,
  type PickRecord,
  PURPOSES,
  pickSchema,
  WAYS,
} from "#core/weighing/pick";
import {
  AGAIN_WORDS,
  CONDITION_WORDS,
  EXTENT_WORDS,
  GRADE_WORDS,
  PART_WORDS,
  PURPOSE_WORDS,
  WAY_WORDS,
} from "#core/weighing/words";
import { readTable } from "./csv";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";
import { readParts } from "./picks-csv";

/** What a file of picks is read against: the plantings by the names a gardener writes, and the picks there are. */
export type PicksInto = {
  plantings: readonly (Planting & { bed: string; crop: string; bulk: Bulk })[];
  /** the picks of the log that some could be: those between two times of theirs, and any with one of some ids */
  known: (from: string, to: string, ids: readonly string[]) => readonly PickRecord[];
  units: UnitSystem;
  /** no pick is of a day still to come */
  today: Day;
  newId: () => string;
};

/** A row read: a pick to be kept, or one that is in the log already. */
export type PicksIn = { picks: PickRecord[]; already: number; estimated: number };

/** Headings by what they mean; the first that a file has is taken. */
const HEADINGS = {
  day: ["date", "day", "picked", "picked on"],
  time: ["time", "at", "hour"],
  bed: ["bed", "where", "place"],
  kind: ["kind", "variety", "cultivar"],
  crop: ["crop", "what", "plant"],
  gross: ["gross_g", "gross"],
  tare: ["tare_g", "tare"],
  net: ["net_g", "net", "weight", "net weight", "kg", "g", "lb", "oz", "amount"],
  count: ["count", "pieces", "number"],
  by: ["by", "who"],
  method: ["method", "how"],
  extent: ["extent"],
  grade: ["grade", "quality"],
  figure: ["figure", "estimated"],
  tops: ["tops_on", "tops"],
  entered: ["as_entered"],
  note: ["note", "notes", "remark"],
  id: ["id"],
  round: ["round"],
  part: ["part"],
  purpose: ["purpose"],
  condition: ["condition"],
  minutes: ["minutes"],
  left: ["left"],
  way: ["way", "went to"],
  sorted: ["sorted"],
  again: ["again_g"],
  againHow: ["again_how"],
} as const;
export type Column = keyof typeof HEADINGS;
export const PICK_COLUMNS = Object.keys(HEADINGS) as Column[];
/** Which column of a file holds what, by its place; left out: the file has none. */
export type ColumnUses = Partial<Record<Column, number>>;
export type PickColumns = { headings: string[]; uses: ColumnUses; samples: string[][]; rows: number };

const UNIT_HEADINGS = /^(kg|g|lb|oz)$/;
const unitOf = (heading: string): string =>
  /_(kg|g|lb|oz)$/.exec(heading)?.[1] ?? (UNIT_HEADINGS.test(heading) ? heading : "");
const key = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, " ");

/** What the columns of a file seem to hold, with its first values, to be mended by hand before it is read. */
export function pickColumns(text: string): ReadResult<PickColumns> {
  const table = readTable(text);
  if (!table.ok) return table;
  const { headings, rows } = table.value;
  return {
    ok: true,
    notes: [],
    value: {
      headings,
      uses: guessed(headings),
      samples: rows.slice(0, SAMPLES).map((r) => r.cells),
      rows: rows.length,
    },
  };
}
const SAMPLES = 3;

function guessed(headings: readonly string[]): ColumnUses {
  const names = headings.map(key);
  return Object.fromEntries(
    PICK_COLUMNS.flatMap((column) => {
      const words: readonly string[] = HEADINGS[column];
      const at = words.map((w) => names.indexOf(w)).find((i) => i >= 0);
      return at === undefined ? [] : [[column, at]];
    }),
  );
}

/** Rows read between two words of progress. */
const A_STRETCH = 500;

/** Reads picks from a table in one go. */
export function readPicksCsv(text: string, into: PicksInto, uses?: ColumnUses): ReadResult<PicksIn> {
  const reading = readingPicksCsv(text, into, uses);
  for (;;) {
    const step = reading.next();
    if (step.done) return step.value;
  }
}

/**
 * Reads picks from a table that somebody kept: this application's own, or one with headings such as date, crop, bed,
 * weight. Nothing is returned unless every row is right; a pick that is in the log already is counted and left out.
 * Yields how much is done, 0 to 1, every few hundred rows, so that a long file need not stop everything else.
 * @param uses which column holds what, where a hand has said so
 */
export function* readingPicksCsv(
  text: string,
  into: PicksInto,
  uses?: ColumnUses,
): Generator<number, ReadResult<PicksIn>> {
  const table = readTable(text);
  if (!table.ok) return table;
  const names = table.value.headings.map((h) => key(h));
  const known = uses ?? guessed(table.value.headings);
  const at = Object.fromEntries(PICK_COLUMNS.map((c) => [c, known[c] ?? -1])) as Record<Column, number>;
  const errors: LocatedError[] = [];
  const lacks = (message: string) => errors.push({ row: 1, column: null, message });
  if (at.day < 0) lacks("no column for the day; say which it is, or head it “date”");
  if (at.kind < 0 && at.crop < 0) lacks("no column for what was picked; head it “kind” or “crop”");
  if (at.net < 0 && at.gross < 0 && at.count < 0) lacks("no column for how much; head it “weight”, “net_g” or “count”");
  if (errors.length > 0) return { ok: false, errors };

  const find = finder(into.plantings);
  const picks: PickRecord[] = [];
  const given: string[] = [];
  const all = table.value.rows;
  for (const [done, { line, cells }] of all.entries()) {
    if (errors.length >= MOST_ERRORS) break;
    if (done % A_STRETCH === A_STRETCH - 1) yield done / all.length;
    const cell = (column: Column): string => (at[column] < 0 ? "" : (cells[at[column]] ?? "").trim());
    const wrong = (column: Column, message: string): null => {
      errors.push({ row: line, column: table.value.headings[at[column]] ?? null, message });
      return null;
    };
    const pick = readRow(cell, wrong, find, into, (column) => unitOf(names[at[column]] ?? ""));
    if (!pick) continue;
    picks.push(pick);
    if (cell("id") !== "") given.push(pick.id);
  }
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: withoutKnown(picks, given, into), notes: [] };
}

/** The picks that are not in the log yet, each once. @param given ids that the table itself gives */
function withoutKnown(picks: readonly PickRecord[], given: readonly string[], into: PicksInto): PicksIn {
  const times = picks.map((p) => p.at).sort();
  const known = picks.length === 0 ? [] : into.known(times[0]!, times.at(-1)!, given);
  const same = (p: PickRecord) => `${p.plantingId} ${p.at} ${p.grossG} ${p.count}`;
  const ids = new Set(known.map((p) => p.id));
  const seen = new Set(known.map(same));
  const fresh = picks.filter((pick) => {
    if (ids.has(pick.id) || seen.has(same(pick))) return false;
    ids.add(pick.id);
    seen.add(same(pick));
    return true;
  });
  return {
    picks: fresh,
    already: picks.length - fresh.length,
    estimated: fresh.filter((p) => p.estimated).length,
  };
}

type Found = PicksInto["plantings"][number];
type Finder = (day: Day, kind: string, crop: string, bed: string) => Found[];

/** Plantings that grew on a day under the names given; the narrowest names that fit anything. */
function finder(plantings: PicksInto["plantings"]): Finder {
  const byName = new Map<string, Found[]>();
  const add = (name: string, p: Found) => {
    const list = byName.get(name);
    if (list) list.push(p);
    else byName.set(name, [p]);
  };
  // by the kind, by the crop, or by both as they are shown and as people write them
  const namesOf = (p: Found) => [p.kind, p.crop, plantingName(p, { name: p.crop }), `${p.crop} ${p.kind}`];
  for (const p of plantings) for (const name of new Set(namesOf(p).map(key).filter(Boolean))) add(name, p);
  return (day, kind, crop, bed) => {
    const named = byName.get(key(kind)) ?? byName.get(key(crop)) ?? [];
    return named.filter(
      (p) =>
        p.startedOn <= day &&
        (p.endedOn === null || day <= p.endedOn) &&
        (bed === "" || key(p.bed) === key(bed)) &&
        (kind === "" || crop === "" || key(p.crop) === key(crop) || key(p.kind) !== key(kind)),
    );
  };
}

function readRow(
  cell: (c: Column) => string,
  wrong: (c: Column, message: string) => null,
  find: Finder,
  into: PicksInto,
  unitIn: (c: Column) => string,
): PickRecord | null {
  const day = cell("day").slice(0, 10);
  if (!isDay(day)) return wrong("day", `“${cell("day")}” is not a day: write it as 2026-10-06`);
  if (day > into.today) return wrong("day", `${day} is still to come`);
  const written = cell("day");
  const time = cell("time") || (/[T ]\d\d:\d\d/.test(written) ? written.slice(11, 16) : "12:00");
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(time)) return wrong("time", `“${time}” is not a time: write it as 17:30`);
  const what = cell("kind") ? "kind" : "crop";
  const found = find(day, cell("kind"), cell("crop"), cell("bed"));
  const said = [cell("kind"), cell("crop"), cell("bed")].filter(Boolean).join(", ");
  if (found.length === 0) return wrong(what, `nothing called “${said}” grew on ${day}`);
  if (found.length > 1)
    return wrong(
      what,
      `“${said}” could be ${found.map((p) => `${plantingName(p, { name: p.crop })} in ${p.bed}`).join(" or ")}: name the bed or the kind`,
    );
  const planting = found[0]!;
  const weighed = cell("gross") !== "" ? "gross" : "net";
  const text = cell(weighed);
  const withUnit = text !== "" && /^[\d.,]+$/.test(text) && unitIn(weighed) ? `${text} ${unitIn(weighed)}` : text;
  const amount = withUnit === "" ? null : readAmount(withUnit, into.units, planting.bulk);
  if (amount && !amount.ok) return wrong(weighed, amount.message);
  const tareText = weighed === "gross" ? cell("tare") : "";
  const tareUnit = /^[\d.,]+$/.test(tareText) && unitIn("tare") ? `${tareText} ${unitIn("tare")}` : tareText;
  const tare = tareUnit === "" ? null : readMass(tareUnit, into.units);
  if (tare && !tare.ok) return wrong("tare", tare.message);
  const count = cell("count") === "" ? null : Number(cell("count"));
  if (count !== null && !(Number.isInteger(count) && count >= 0))
    return wrong("count", `“${cell("count")}” is not a number of pieces`);
  // an own export says the net of a pick that was only counted too: the count alone is what was seen
  const countedOnly = count !== null && cell("gross") === "" && cell("figure").startsWith("estimated");
  const oneOf = <T extends string>(column: Column, all: readonly T[], words: Record<T, string>, usual: T): T | null => {
    const said = key(cell(column));
    if (said === "") return usual;
    return (
      all.find((x) => x === said || key(words[x]) === said) ??
      wrong(column, `“${cell(column)}” is none of ${all.map((x) => words[x]).join(", ")}`)
    );
  };
  const grade = oneOf("grade", GRADES, GRADE_WORDS, "sound");
  const extent = oneOf("extent", EXTENTS, EXTENT_WORDS, "some");
  const part = oneOf("part", PARTS, PART_WORDS, "crop");
  const purpose = oneOf("purpose", PURPOSES, PURPOSE_WORDS, "harvest");
  const condition = oneOf("condition", CONDITIONS, CONDITION_WORDS, "");
  const way = oneOf("way", WAYS, WAY_WORDS, "");
  const againHow = oneOf("againHow", AGAINS, AGAIN_WORDS, "");
  if (!grade || !extent || !part || !purpose || condition === null || way === null || againHow === null) return null;
  const sorted = readParts(cell("sorted"));
  if (!sorted) return wrong("sorted", "write the parts as “eat-first kitchen 200 g; compost compost 3 pieces”");
  const numberIn = (column: Column): number | null => (cell(column) === "" ? null : Number(cell(column)));
  const checked = pickSchema.safeParse({
    id: cell("id") || into.newId(),
    plantingId: planting.id,
    roundId: cell("round") || null,
    at: `${day}T${time}`,
    by: cell("by"),
    method: cell("method"),
    extent,
    count,
    grossG: amount?.ok && !countedOnly ? amount.amount.massG : null,
    entered: countedOnly ? "" : cell("entered") || text,
    tare: tare?.ok && tare.massG > 0 ? [{ name: "containers", tareG: tare.massG, count: 1 }] : [],
    topsOn: /^(true|yes|1)$/i.test(cell("tops")),
    grade,
    estimated: (amount?.ok && amount.amount.estimated) || /^(estimated|true|yes|1)/i.test(cell("figure")),
    note: cell("note").replace(/^'/, ""),
    part,
    purpose,
    condition,
    minutes: numberIn("minutes"),
    left: cell("left"),
    way,
    sorted,
    againG: numberIn("again"),
    againHow,
    photos: [],
  });
  if (checked.success) return checked.data;
  const issue = checked.error.issues[0]!;
  const at = String(issue.path[0]);
  const where: Column = at === "gross" ? weighed : at === "againG" ? "again" : at in HEADINGS ? (at as Column) : "note";
  return wrong(where, issue.message);
}
