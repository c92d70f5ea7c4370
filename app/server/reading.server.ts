import type { Day } from "#core/calendar/day";
import type { ReadResult } from "#formats/located";
import type { ColumnUses } from "#formats/picks-in";
import type { ReadTrip } from "#formats/trips-ics";
import { dataDir } from "./garden-now.server";
import { inThread } from "./in-thread.server";
import { note } from "./progress.server";
import { type PicksRead, type ReadAs, type ReadingTask, readFile } from "./reading-task";
import type { WeatherFile } from "./weather-file";

/** A calendar that is not read by then has no end, ms. */
const LONGEST_MS = 5000;
const ENDLESS: ReadResult<never> = {
  ok: false,
  errors: [
    {
      row: null,
      column: null,
      message: "one of its repeating events never comes to an end; take that event out, or export a shorter time",
    },
  ],
};

/** Reads one file in a thread, as the kind of file it is. */
const reading = <K extends ReadingTask["what"]>(
  task: Extract<ReadingTask, { what: K }>,
  how: { tell?: (share: number) => void; limit?: { ms: number; answer: ReadAs[K] } | null } = {},
): Promise<ReadAs[K]> =>
  inThread<ReadingTask, ReadAs[K]>("reading", task, async (t, tell) => readFile(t, tell) as ReadAs[K], how);

/** Reads times away from a calendar; one whose search has no end is given up and said so. */
export const readTripsInThread = (
  text: string,
  timeZone: string,
  from: Day,
  to: Day,
): Promise<ReadResult<ReadTrip[]>> =>
  reading<"trips">({ what: "trips", text, timeZone, from, to }, { limit: { ms: LONGEST_MS, answer: ENDLESS } });

/**
 * Reads a table of picks against the garden.
 * @param keep whether all its picks are wanted, to be kept; else what there is to be shown of them
 * @param token word by which the page asks how far it has got; "" when nobody asks
 */
export const readPicksInThread = (
  text: string,
  uses: ColumnUses | null,
  today: Day,
  token: string,
  keep: boolean,
): Promise<PicksRead> =>
  reading<"picks">(
    { what: "picks", text, uses, today, dataDir: dataDir(), keep },
    { tell: (share) => token !== "" && note(token, share) },
  );

/** Reads a station's record or a forecast from a file's text. */
export const readWeatherInThread = (typed: Record<string, string>, text: string): Promise<WeatherFile> =>
  reading<"weather">({ what: "weather", typed, text });
