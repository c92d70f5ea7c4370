import type { Day } from "#core/calendar/day";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { bookOf } from "#core/weighing/taught-book";
import { newId } from "#db/change";
import { snapshotOf } from "#db/garden";
import { openGarden } from "#db/open";
import type { ReadResult } from "#formats/located";
import { type ColumnUses, type PickColumns, type PicksIn, pickColumns, readingPicksCsv } from "#formats/picks-in";
import { type ReadTrip, readTripsIcs } from "#formats/trips-ics";
import { readWeatherFile, type WeatherFile } from "./weather-file";

/** A file to be read: a calendar of times away, a table of picks against the garden in a folder, a weather file. */
export type ReadingTask =
  | { what: "trips"; text: string; timeZone: string; from: Day; to: Day }
  | { what: "picks"; text: string; dataDir: string; uses: ColumnUses | null; today: Day }
  | { what: "weather"; text: string; typed: Record<string, string> };

/** A table of picks as it was read, with what its columns seem to hold. */
export type PicksRead = { columns: PickColumns | null; read: ReadResult<PicksIn> };

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
    const into = { plantings, known: snapshot.picks, units: snapshot.garden.units, today: task.today, newId };
    const steps = readingPicksCsv(task.text, into, task.uses ?? undefined);
    for (;;) {
      const step = steps.next();
      tell(step.done ? 1 : step.value);
      if (step.done) return { columns: seen, read: step.value };
    }
  } finally {
    db.$client.close();
  }
}
