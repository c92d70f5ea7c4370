import { existsSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";

/** What a thread says while it works and when it is done. */
export type ThreadMessage<T> = { share: number } | { done: T };

/**
 * Does a piece of work in a thread of its own, so that nobody else waits for it; in this one where no thread is built
 * (development, unit tests).
 * @param name of the worker's file in the build
 * @param here the same work done in this thread
 * @param limit after so many milliseconds it is given up, with what is answered then; null for work that always ends
 * @throws what the work throws
 */
export function inThread<Task, T>(
  name: "reading" | "backup",
  task: Task,
  here: (task: Task, tell: (share: number) => void) => Promise<T>,
  { tell = () => {}, limit = null }: { tell?: (share: number) => void; limit?: { ms: number; answer: T } | null } = {},
): Promise<T> {
  const file = join(process.env.AKMEDON_ROOT ?? process.cwd(), "build", "server", "workers", `${name}.js`);
  if (process.env.NODE_ENV !== "production" || !existsSync(file)) return here(task, tell);
  return new Promise((resolve, reject) => {
    const worker = new Worker(file, { workerData: task });
    const end = (settle: () => void) => {
      if (timer) clearTimeout(timer);
      settle();
      void worker.terminate();
    };
    const timer = limit && setTimeout(() => end(() => resolve(limit.answer)), limit.ms);
    worker.on("message", (told: ThreadMessage<T>) => {
      if ("done" in told) end(() => resolve(told.done));
      else tell(told.share);
    });
    worker.once("error", (error) => end(() => reject(error)));
    worker.once("exit", (code) => end(() => reject(new Error(`the thread “${name}” ended with ${code}`))));
  });
}
