import { eq } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import type { Place } from "#core/household/place";
import { hangingOn } from "#formats/tables";
import { type Change, change, SQL_TABLES, type TableName } from "./change";
import type { Db } from "./open";
import * as t from "./schema/index";

export const findBed = (db: Db, id: string): Bed | null =>
  db.select().from(t.beds).where(eq(t.beds.id, id)).get() ?? null;
export const findPlanting = (db: Db, id: string): Planting | null =>
  db.select().from(t.plantings).where(eq(t.plantings.id, id)).get() ?? null;

/** Adds or changes a bed. @returns the journal's id */
export const saveBed = (db: Db, bed: Bed, at: string): string | null =>
  change(db, findBed(db, bed.id) ? `Bed ${bed.name} changed` : `Bed ${bed.name} added`, at, (c) => c.put("beds", bed));

/** Adds or changes a planting. @returns the journal's id */
export const savePlanting = (db: Db, planting: Planting, name: string, at: string): string | null =>
  change(db, findPlanting(db, planting.id) ? `${name} changed` : `${name} added`, at, (c) =>
    c.put("plantings", planting),
  );

/** Keeps a plot as it was drawn: beds added, moved and taken out, as one change. @returns the journal's id */
export function drawBeds(db: Db, beds: readonly Bed[], gone: readonly string[], at: string): string | null {
  const fresh = beds.filter((b) => findBed(db, b.id) === null).length;
  const told = [
    [fresh, "added"],
    [beds.length - fresh, "changed"],
    [gone.length, "taken out"],
  ] as const;
  const words = told.flatMap(([n, what]) => (n > 0 ? [`${n} ${n === 1 ? "bed" : "beds"} ${what}`] : [])).join(", ");
  return change(db, `Plot drawn: ${words}`, at, (c) => {
    for (const id of gone) removeWhole(db, c, "beds", id);
    for (const bed of beds) c.put("beds", bed);
  });
}

/** Removes a planting with all that hangs on it: checks, picks, round lines, treatments and wishes. One undo brings all of it back. */
export const removePlanting = (db: Db, id: string, name: string, at: string): string | null =>
  change(db, `${name} removed`, at, (c) => removeWhole(db, c, "plantings", id));

/** Removes a bed with its plantings and all that hangs on them. One undo brings all of it back. */
export const removeBed = (db: Db, bed: Bed, at: string): string | null =>
  change(db, `Bed ${bed.name} removed`, at, (c) => removeWhole(db, c, "beds", bed.id));

/** Removes a place with what its thermometer showed. */
export const removePlace = (db: Db, place: Place, at: string): string | null =>
  change(db, `${place.name} removed`, at, (c) => removeWhole(db, c, "places", place.id));

/** Takes out a row and every row that does not stand without it, children first. */
function removeWhole(db: Db, c: Change, name: TableName, id: string): void {
  for (const child of hangingOn(name)) {
    const table = SQL_TABLES[child.name] as unknown as SQLiteTable & Record<string, SQLiteColumn>;
    const rows = db.select({ id: table.id! }).from(table).where(eq(table[child.field]!, id)).all();
    for (const row of rows) removeWhole(db, c, child.name, row.id as string);
  }
  c.remove(name, id);
}
