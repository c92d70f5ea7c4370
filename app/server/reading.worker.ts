import { parentPort, workerData } from "node:worker_threads";
import { readTripsIcs } from "#formats/trips-ics";

/** Reads one file in a thread that can be ended: a calendar's rules can be written so that their search never ends. */
type Task = { text: string; timeZone: string; from: string; to: string };
const { text, timeZone, from, to } = workerData as Task;
parentPort?.postMessage(readTripsIcs(text, timeZone, from, to));
