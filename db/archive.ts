import type { Archive } from "#formats/archive";
import { change, type RowOf, type TableName } from "./change";
import { gardenOf, listPeople, snapshotOf } from "./garden";
import { listPractice } from "./handbook";
import type { Db } from "./open";
import * as t from "./schema/index";

/** The whole garden as an archive. */
export function archiveOf(db: Db): Archive {
  const { forecast: _, forecasts: __, ...snapshot } = snapshotOf(db);
  return {
    format: "akmedon-garden",
    version: 1,
    ...snapshot,
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

/** Tables of an archive, parents before children, with their rows. */
const tablesOf = (a: Archive): { [N in TableName]: RowOf<N>[] } => ({
  garden: [a.garden],
  people: a.people,
  containers: a.containers,
  windows: a.windows,
  datedWindows: a.datedWindows,
  tastes: a.tastes,
  places: a.places,
  trips: a.trips,
  beds: a.beds,
  plantings: a.plantings,
  checks: a.checks,
  rounds: a.rounds,
  roundLines: a.roundLines,
  picks: a.picks,
  treatments: a.treatments,
  pickWishes: a.pickWishes,
  placeReadings: a.placeReadings,
  lotEvents: a.lotEvents,
  lessons: a.lessons,
  bedLosses: a.bedLosses,
  ticks: a.ticks,
  ownJobs: a.ownJobs,
  jobMarks: a.jobMarks,
  dishes: a.dishes,
  seedLots: a.seedLots,
  planned: a.planned,
  weighings: a.weighings,
  views: a.views,
  weatherDays: a.weather,
  forecasts: a.forecasts,
  bedReadings: a.bedReadings,
  covers: a.covers,
  plans: a.plans,
  ownCrops: a.ownCrops.map((crop) => ({ id: crop.id, crop })),
  practice: a.practice,
});

/** Puts an archive in place of everything in the garden, whole or not at all. One undo brings the old garden back. */
export function restoreArchive(
  db: Db,
  archive: Archive,
  at: string,
  label = "Garden brought back from an archive",
): string | null {
  const now = tablesOf(archiveOf(db));
  const next = tablesOf(archive);
  const names = Object.keys(next) as TableName[];
  const keyOf = (row: object) => String("day" in row && !("id" in row) ? row.day : (row as { id: string }).id);
  return change(db, label, at, (c) => {
    for (const name of [...names].reverse()) {
      const kept = new Set(next[name].map(keyOf));
      for (const row of now[name]) if (!kept.has(keyOf(row))) c.remove(name, keyOf(row));
    }
    for (const name of names) for (const row of next[name]) c.put(name, row as never);
  });
}
