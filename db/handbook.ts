import { asc, eq } from "drizzle-orm";
import type { Crop } from "#core/handbook/crop";
import { cachedRead } from "./cached";
import { change, type RowOf } from "./change";
import type { Db } from "./open";
import * as t from "./schema/index";

export type PracticeAnswer = RowOf<"practice">;

/** The gardener's own crops, by id. */
export const listOwnCrops: (db: Db) => Crop[] = cachedRead("ownCrops", (db) =>
  db
    .select()
    .from(t.ownCrops)
    .orderBy(asc(t.ownCrops.id))
    .all()
    .map((row) => row.crop),
);

/** Saves an own crop or a changed copy. @returns the journal's id */
export const saveOwnCrop = (db: Db, crop: Crop, at: string): string | null =>
  change(db, `Handbook: ${crop.name} saved`, at, (c) => c.put("ownCrops", { id: crop.id, crop }));

/**
 * Removes an own crop, unless plantings would be left without one: a changed copy of a printed crop may always go,
 * the printed one then speaks again.
 * @param printed whether the printed handbook has a crop of this id
 */
export function removeOwnCrop(
  db: Db,
  crop: Crop,
  printed: boolean,
  at: string,
): { ok: true; journalId: string | null } | { ok: false; message: string } {
  const grown = db.select().from(t.plantings).where(eq(t.plantings.cropId, crop.id)).all();
  if (!printed && grown.length > 0)
    return {
      ok: false,
      message: `${grown.length === 1 ? "A planting is" : `${grown.length} plantings are`} of this crop; change or remove ${grown.length === 1 ? "it" : "them"} first.`,
    };
  return {
    ok: true,
    journalId: change(db, `Handbook: ${crop.name} removed`, at, (c) => c.remove("ownCrops", crop.id)),
  };
}

/** Every answer given in practice, in order of time. */
export const listPractice = (db: Db): PracticeAnswer[] =>
  db.select().from(t.practice).orderBy(asc(t.practice.at), asc(t.practice.id)).all();

export const savePractice = (db: Db, answer: PracticeAnswer): string | null =>
  change(db, "Practised", answer.at, (c) => c.put("practice", answer));
