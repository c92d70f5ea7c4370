import { parentPort, workerData } from "node:worker_threads";
import { standBack } from "./modest";
import type { ReadingTask } from "./reading-task";

standBack();
// what it works with is loaded once it stands back: that alone is a third of a second
const { readFile } = await import("./reading-task");

/** Reads one file in a thread that can be ended: a calendar's rules can be written so that their search never ends. */
const tell = (share: number) => parentPort?.postMessage({ share });
parentPort?.postMessage({ done: readFile(workerData as ReadingTask, tell) });
