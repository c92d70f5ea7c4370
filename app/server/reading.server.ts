import { existsSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import type { Day } from "#core/calendar/day";
import type { ReadResult } from "#formats/located";
import { type ReadTrip, readTripsIcs } from "#formats/trips-ics";

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

/**
 * Reads times away from a calendar in a thread of its own, so that nobody else waits for it; one whose search has no
 * end is given up and said so. In development, where no thread is built, in this one.
 */
export function readTripsInThread(text: string, timeZone: string, from: Day, to: Day): Promise<ReadResult<ReadTrip[]>> {
  const file = join(process.env.AKMEDON_ROOT ?? process.cwd(), "build", "server", "workers", "reading.js");
  if (!existsSync(file)) return Promise.resolve(readTripsIcs(text, timeZone, from, to));
  return new Promise((resolve, reject) => {
    const worker = new Worker(file, { workerData: { text, timeZone, from, to } });
    const limit = setTimeout(() => {
      resolve(ENDLESS);
      void worker.terminate();
    }, LONGEST_MS);
    worker.once("message", (read: ReadResult<ReadTrip[]>) => {
      clearTimeout(limit);
      resolve(read);
      void worker.terminate();
    });
    worker.once("error", (error) => {
      clearTimeout(limit);
      reject(error);
    });
  });
}
