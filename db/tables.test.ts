import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { getTableColumns } from "drizzle-orm";
import { getTableConfig, type SQLiteTable } from "drizzle-orm/sqlite-core";
import { expect, it } from "vitest";
import type { z } from "zod";
import { hangingOn, TABLE_NAMES, TABLES, type TableName } from "#formats/tables";
import { demoGarden } from "#standins/demo-garden";
import { archiveOf, restoreArchive } from "./archive";
import { change, SQL_TABLES, undo } from "./change";
import { snapshotOf } from "./garden";
import { openGarden } from "./open";
import { removeBed, removePlace, removePlanting } from "./plot";

const AT = "2026-10-06T15:30";
const grown = () => {
  const db = openGarden(mkdtempSync(join(tmpdir(), "akmedon-tables-")));
  restoreArchive(db, demoGarden(), AT);
  return db;
};
/** Field names of a row's schema, whatever is checked beside them. */
const fieldsOf = (row: z.ZodType): string[] => Object.keys((row as z.ZodObject).shape).sort();
/** Columns that say more of a row than its schema, or rows that the archive holds otherwise. */
const NO_ROW: readonly TableName[] = ["garden", "ownCrops"];

it.each(TABLE_NAMES.filter((n) => !NO_ROW.includes(n)))("%s: its columns are the fields of its schema", (name) => {
  expect(Object.keys(getTableColumns(SQL_TABLES[name] as SQLiteTable)).sort()).toEqual(fieldsOf(TABLES[name].row));
});

it.each(TABLE_NAMES)("%s: the database holds it to the rows that it names, and they stand before it", (name) => {
  const config = getTableConfig(SQL_TABLES[name] as SQLiteTable);
  const held = config.foreignKeys.map((k) => {
    const { columns, foreignTable } = k.reference();
    const parent = TABLE_NAMES.find((n) => (SQL_TABLES[n] as SQLiteTable) === foreignTable);
    return [columns[0]!.name.replace(/_(\w)/g, (_, c: string) => c.toUpperCase()), parent];
  });
  expect(held.sort()).toEqual(Object.entries(TABLES[name].of).sort());
  for (const parent of Object.values(TABLES[name].of))
    expect(TABLE_NAMES.indexOf(parent as TableName)).toBeLessThan(TABLE_NAMES.indexOf(name));
});

it("a bed, a planting or a place goes with all that does not stand without it, and comes back whole", () => {
  const db = grown();
  const before = archiveOf(db);
  const { beds, plantings, places } = snapshotOf(db);
  const gone = [
    () => removeBed(db, beds[0]!, AT),
    () => removePlanting(db, plantings.find((p) => p.bedId !== beds[0]!.id)!.id, "x", AT),
    () => removePlace(db, places[0]!, AT),
  ];
  for (const remove of gone) {
    const id = remove()!;
    expect(db.$client.pragma("foreign_key_check")).toEqual([]);
    expect(archiveOf(db)).not.toEqual(before);
    expect(undo(db, id, AT).ok).toBe(true);
    expect(archiveOf(db)).toEqual(before);
  }
  expect(hangingOn("beds").map((h) => h.name)).toEqual(["covers", "bedReadings", "planned", "plantings"]);
});

it("what belonged to something that is gone since cannot be undone, and says so", () => {
  const db = grown();
  const pick = snapshotOf(db).picks[0]!;
  const id = change(db, "out", AT, (c) => c.remove("picks", pick.id))!;
  const gone = removePlanting(db, pick.plantingId, "x", AT)!;
  const before = archiveOf(db);
  expect(undo(db, id, AT)).toMatchObject({ ok: false, message: expect.stringContaining("was removed since") });
  expect(archiveOf(db)).toEqual(before);
  expect(undo(db, gone, AT).ok && undo(db, id, AT).ok).toBe(true);
});
