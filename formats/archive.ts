import { z } from "zod";
import type { Crop } from "#core/handbook/crop";
import { handbookWith } from "#core/handbook/index";
import { readingFault } from "#core/planting/cue-kinds/index";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";
import { archivedAs, type GardenRows, TABLE_NAMES, TABLES, type TableName } from "./tables";

/** The whole garden as one JSON document. Ids refer within the document; a row may be marked removed. */
export type Archive = { format: "akmedon-garden"; version: 1 } & GardenRows;

const rowsSchema = (name: TableName): z.ZodType => {
  const { row, most, later } = TABLES[name];
  if (most === null) return row;
  const rows = z.array(row as z.ZodType).max(most);
  return later ? rows.default([]) : rows;
};
// every row's type is checked where the table is named; a mapped object loses it on the way
export const archiveSchema = z.object({
  format: z.literal("akmedon-garden"),
  version: z.literal(1),
  ...Object.fromEntries(TABLE_NAMES.map((name) => [archivedAs(name), rowsSchema(name)])),
}) as unknown as z.ZodType<Archive>;

/** Writes an archive, indented so that a person can read and compare it. */
export const writeArchive = (archive: Archive): string => `${JSON.stringify(archive, null, 1)}\n`;

/**
 * Reads an archive and checks that everything it refers to is there. Nothing is returned unless all of it is right.
 * @param rest whether to leave out what refers to something that is missing, and bring the rest; what was left out is
 * said in the notes
 */
export function readArchive(text: string, rest = false): ReadResult<Archive> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    return {
      ok: false,
      errors: [{ row: null, column: null, message: `not JSON: ${e instanceof Error ? e.message : "unreadable"}` }],
    };
  }
  const checked = archiveSchema.safeParse(json);
  if (!checked.success)
    return {
      ok: false,
      errors: checked.error.issues
        .slice(0, MOST_ERRORS)
        .map((i) => ({ row: null, column: i.path.join("."), message: i.message })),
    };
  const whole = withoutStrays(checked.data, rest);
  const errors = strayReferences(whole.archive);
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: whole.archive, notes: whole.left };
}

type AnyRow = Record<string, unknown>;
/** The rows of a table in an archive; the garden itself is no list. */
const rowsIn = (a: Archive, name: TableName): readonly AnyRow[] =>
  name === "garden" ? [] : (a[archivedAs(name) as keyof GardenRows] as unknown as AnyRow[]);
const keysOf = (rows: readonly AnyRow[]): Set<unknown> => new Set(rows.map((r) => r.id));

/**
 * An archive without the rows that refer to something it does not hold, and how many of each were left out.
 * @param all of every table; else of those alone in which they could once be
 */
function withoutStrays(archive: Archive, all: boolean): { archive: Archive; left: string[] } {
  const left: string[] = [];
  const a = { ...archive };
  const book = handbookWith(a.ownCrops);
  for (const name of TABLE_NAMES) {
    if (!all && !TABLES[name].loose) continue;
    const parents = Object.entries(TABLES[name].of).map(([field, of]) => ({
      field,
      keys: keysOf(rowsIn(a, of as TableName)),
    }));
    const known = (row: AnyRow) =>
      parents.every(({ field, keys }) => keys.has(row[field])) &&
      (name !== "plantings" || book.find(String(row.cropId)) !== null);
    const rows = rowsIn(a, name);
    const kept = rows.filter(known);
    if (kept.length === rows.length) continue;
    const lost = rows.length - kept.length;
    left.push(`${lost} ${lost === 1 ? TABLES[name].one : TABLES[name].many} left out`);
    Object.assign(a, { [archivedAs(name)]: kept });
  }
  if (!all) return { archive: a, left };
  const cropOf = new Map(a.plantings.map((p) => [p.id, book.of(p.cropId)]));
  a.checks = a.checks.map((c) => ({
    ...c,
    readings: c.readings.filter((r) => readingStray(cropOf.get(c.plantingId) ?? null, r) === null),
  }));
  return { archive: a, left };
}

/** What is wrong with a reading of a crop, in words; null: nothing, or its crop is not known. */
function readingStray(crop: Crop | null, r: Archive["checks"][number]["readings"][number]): string | null {
  const cue = crop?.cues.find((x) => x.id === r.cueId);
  return crop && !cue ? `${crop.name} has no cue “${r.cueId}”` : cue ? readingFault(cue, r.value) : null;
}

function strayReferences(a: Archive): LocatedError[] {
  const errors: LocatedError[] = [];
  const stray = (where: string, message: string) => {
    if (errors.length < MOST_ERRORS) errors.push({ row: null, column: where, message });
  };
  for (const name of TABLE_NAMES) {
    const rows = rowsIn(a, name);
    const archived = archivedAs(name);
    const seen = new Set<unknown>();
    const key = TABLES[name].order.at(-1)!;
    rows.forEach((row, i) => {
      if (seen.has(row[key])) stray(`${archived}.${i}.${key}`, `the ${key} “${row[key]}” stands twice`);
      seen.add(row[key]);
    });
    for (const [field, of] of Object.entries(TABLES[name].of)) {
      const keys = keysOf(rowsIn(a, of as TableName));
      rows.forEach((row, i) => {
        if (!keys.has(row[field]))
          stray(`${archived}.${i}.${field}`, `there is no ${TABLES[of as TableName].one} “${row[field]}”`);
      });
    }
  }
  const book = handbookWith(a.ownCrops);
  const cropOf = new Map(a.plantings.map((p) => [p.id, book.find(p.cropId)]));
  a.plantings.forEach((p, i) => {
    if (!cropOf.get(p.id)) stray(`plantings.${i}.cropId`, `the handbook has no crop “${p.cropId}”`);
  });
  a.checks.forEach((c, i) => {
    c.readings.forEach((r, k) => {
      const fault = readingStray(cropOf.get(c.plantingId) ?? null, r);
      if (fault) stray(`checks.${i}.readings.${k}`, fault);
    });
  });
  return errors;
}
