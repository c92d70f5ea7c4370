import type { Day } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { isLaw, type Treatment, waitingOn } from "#core/garden/treatment";
import type { Handbook } from "#core/handbook/index";
import type { Snapshot } from "#core/snapshot";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { netOf } from "#core/weighing/net";
import type { PickRecord } from "#core/weighing/pick";
import { bookOf } from "#core/weighing/taught-book";
import { newId } from "#db/change";
import { picksAlike, snapshotOf } from "#db/garden";
import { openGarden } from "#db/open";
import type { ReadResult } from "#formats/located";
import { type ColumnUses, type PickColumns, type PicksIn, pickColumns, readingPicksCsv } from "#formats/picks-in";
import { type ReadTrip, readTripsIcs } from "#formats/trips-ics";
import { readWeatherFile, type WeatherFile } from "./weather-file";

/** A file to be read: a calendar of times away, a table of picks against the garden in a folder, a weather file. */
export type ReadingTask =
  | { what: "trips"; text: string; timeZone: string; from: Day; to: Day }
  | { what: "picks"; text: string; dataDir: string; uses: ColumnUses | null; today: Day; keep: boolean }
  | { what: "weather"; text: string; typed: Record<string, string> };

/** One pick of a table as it is shown. */
export type PickShown = { id: string; at: string; kind: string; bed: string; netG: number; estimated: boolean };
/** What came out of a table of picks: how much, the first of them, what a label or rule bars. */
export type PicksTaken = Omit<PicksIn, "picks"> & {
  count: number;
  netG: number;
  first: PickShown[];
  barred: { kind: string; bed: string; day: Day; treatment: Treatment }[];
  /** all of them where they are to be kept, none where they are only looked at: thousands need not go from thread to thread */
  picks: PickRecord[];
};
/** A table of picks as it was read, with what its columns seem to hold. */
export type PicksRead = { columns: PickColumns | null; read: ReadResult<PicksTaken> };

/** Picks of a table that are shown before it is taken in, and of those that are barred. */
const SHOWN = 12;
const BARRED_SHOWN = 8;

/** What each kind of file is read as. */
export type ReadAs = { trips: ReadResult<ReadTrip[]>; picks: PicksRead; weather: WeatherFile };

/** Reads one file; tells how far it has got. */
export function readFile(task: ReadingTask, tell: (share: number) => void): ReadAs[ReadingTask["what"]] {
  switch (task.what) {
    case "trips":
      return readTripsIcs(task.text, task.timeZone, task.from, task.to);
    case "weather":
      return readWeatherFile(task.typed, task.text);
    case "picks":
      return readPicks(task, tell);
  }
}

function readPicks(task: Extract<ReadingTask, { what: "picks" }>, tell: (share: number) => void): PicksRead {
  const columns = pickColumns(task.text);
  const seen = columns.ok ? { ...columns.value, uses: task.uses ?? columns.value.uses } : null;
  const db = openGarden(task.dataDir);
  try {
    const snapshot = snapshotOf(db);
    const book = bookOf(snapshot);
    const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
    const measures = containerMeasures(snapshot.containers);
    const plantings = snapshot.plantings.map((p) => {
      const crop = book.of(p.cropId);
      return { ...p, bed: bedName.get(p.bedId) ?? "", crop: crop.name, bulk: bulkOf(crop, measures) };
    });
    const known = (from: string, to: string, ids: readonly string[]) => picksAlike(db, from, to, ids);
    const into = { plantings, known, units: snapshot.garden.units, today: task.today, newId };
    const steps = readingPicksCsv(task.text, into, task.uses ?? undefined);
    for (;;) {
      const step = steps.next();
      tell(step.done ? 1 : step.value);
      if (step.done) {
        const { value } = step;
        return {
          columns: seen,
          read: value.ok ? { ...value, value: taken(value.value, snapshot, book, task.keep) } : value,
        };
      }
    }
  } finally {
    db.$client.close();
  }
}

function taken({ picks, ...counts }: PicksIn, snapshot: Snapshot, book: Handbook, keep: boolean): PicksTaken {
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const nameOf = (p: PickRecord) => {
    const planting = plantings.get(p.plantingId)!;
    return { kind: plantingName(planting, book.of(planting.cropId)), bed: bedName.get(planting.bedId) ?? "" };
  };
  const netOfPick = (p: PickRecord) => {
    const crop = book.of(plantings.get(p.plantingId)!.cropId);
    return netOf(p, crop.topsShare, crop.yield.pieceG).netG;
  };
  const barred: PicksTaken["barred"] = [];
  for (const p of picks) {
    const day = p.at.slice(0, 10);
    const treatment = waitingOn(snapshot.treatments, p.plantingId, day).find(isLaw);
    if (treatment) barred.push({ ...nameOf(p), day, treatment });
    if (barred.length === BARRED_SHOWN) break;
  }
  return {
    ...counts,
    count: picks.length,
    netG: picks.reduce((sum, p) => sum + netOfPick(p), 0),
    first: picks.slice(0, SHOWN).map((p) => ({
      ...{ id: p.id, at: p.at, ...nameOf(p), netG: netOfPick(p) },
      estimated: p.estimated || p.grossG === null,
    })),
    barred,
    picks: keep ? picks : [],
  };
}
