import { parentPort, workerData } from "node:worker_threads";
import type { BackupTask } from "./backup-task";
import { standBack } from "./modest";

standBack();
// what it works with is loaded once it stands back
const { doBackupTask } = await import("./backup-task");

/** Makes or reads one backup in a thread of its own: a large garden is copied and looked over while others go on. */
parentPort?.postMessage({ done: await doBackupTask(workerData as BackupTask) });
