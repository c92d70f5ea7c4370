import { eq } from "drizzle-orm";
import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import { type Change, change } from "./change";
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

/** Removes a planting with all that hangs on it: checks, picks, round lines, treatments and wishes. One undo brings all of it back. */
export const removePlanting = (db: Db, id: string, name: string, at: string): string | null =>
  change(db, `${name} removed`, at, (c) => dropPlantings(db, c, [id]));

/** Removes a bed with its plantings and all that hangs on them. One undo brings all of it back. */
export function removeBed(db: Db, bed: Bed, at: string): string | null {
  const ids = db.select({ id: t.plantings.id }).from(t.plantings).where(eq(t.plantings.bedId, bed.id)).all();
  return change(db, `Bed ${bed.name} removed`, at, (c) => {
    dropPlantings(
      db,
      c,
      ids.map((p) => p.id),
    );
    for (const row of db.select().from(t.bedReadings).where(eq(t.bedReadings.bedId, bed.id)).all())
      c.remove("bedReadings", row.id);
    for (const row of db.select().from(t.covers).where(eq(t.covers.bedId, bed.id)).all()) c.remove("covers", row.id);
    c.remove("beds", bed.id);
  });
}

/** What hangs on a planting, children first. */
const HANGING = {
  checks: t.checks,
  picks: t.picks,
  roundLines: t.roundLines,
  treatments: t.treatments,
  pickWishes: t.pickWishes,
  bedLosses: t.bedLosses,
} as const;

function dropPlantings(db: Db, c: Change, ids: readonly string[]): void {
  for (const id of ids) {
    for (const name of Object.keys(HANGING) as (keyof typeof HANGING)[]) {
      const table = HANGING[name];
      for (const row of db.select({ id: table.id }).from(table).where(eq(table.plantingId, id)).all())
        c.remove(name, row.id);
    }
    c.remove("plantings", id);
  }
}
