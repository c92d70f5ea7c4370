import { setPriority } from "node:os";

/**
 * Lets a thread of heavy work stand back behind whoever waits for a page. On Linux a thread has a priority of its own;
 * elsewhere it would be that of the whole process, so there nothing is done.
 */
export function standBack(): void {
  if (process.platform !== "linux") return;
  try {
    setPriority(0, 10);
  } catch {
    // where that is not allowed the work is only less modest
  }
}
