import type { Archive } from "#formats/archive";
import { archivedAs, TABLE_NAMES, type TableName } from "#formats/tables";
import { change } from "./change";
import { gardenOf, listPeople, snapshotOf } from "./garden";
import { listPractice } from "./handbook";
import type { Db } from "./open";
import * as t from "./schema/index";

/** The whole garden as an archive. */
export function archiveOf(db: Db): Archive {
  const { forecast: _, forecasts: __, atHand: ___, ...snapshot } = snapshotOf(db);
  return {
    format: "akmedon-garden",
    version: 1,
    ...snapshot,
    picks: [...snapshot.picks],
    garden: gardenOf(db),
    people: listPeople(db),
    rounds: db.select().from(t.rounds).orderBy(t.rounds.day, t.rounds.id).all(),
    roundLines: db.select().from(t.roundLines).orderBy(t.roundLines.roundId, t.roundLines.id).all(),
    plans: db.select().from(t.plans).all(),
    forecasts: db.select().from(t.forecasts).orderBy(t.forecasts.issuedOn, t.forecasts.id).all(),
    practice: listPractice(db),
    views: db.select().from(t.views).orderBy(t.views.id).all(),
  };
}

/** The rows of a table as an archive holds them; an own crop stands in it without its row. */
const rowsOf = (a: Archive, name: TableName): object[] => {
  if (name === "garden") return [a.garden];
  if (name === "ownCrops") return a.ownCrops.map((crop) => ({ id: crop.id, crop }));
  return a[archivedAs(name) as keyof Archive] as unknown as object[];
};

/** Puts an archive in place of everything in the garden, whole or not at all. One undo brings the old garden back. */
export function restoreArchive(
  db: Db,
  archive: Archive,
  at: string,
  label = "Garden brought back from an archive",
): string | null {
  const now = archiveOf(db);
  const keyOf = (row: object) => String("day" in row && !("id" in row) ? row.day : (row as { id: string }).id);
  return change(db, label, at, (c) => {
    for (const name of [...TABLE_NAMES].reverse()) {
      const kept = new Set(rowsOf(archive, name).map(keyOf));
      for (const row of rowsOf(now, name)) if (!kept.has(keyOf(row))) c.remove(name, keyOf(row));
    }
    for (const name of TABLE_NAMES) for (const row of rowsOf(archive, name)) c.put(name, row as never);
  });
}
