import { existsSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import type { PlanProblem } from "#core/planning/question/problem";
import { type Plan, plan } from "#core/planning/solver/optimise";

type Reply = { number: number; plan?: Plan; error?: string };
const waiting = new Map<number, { resolve: (p: Plan) => void; reject: (e: Error) => void }>();
let worker: Worker | null = null;
let count = 0;
/** Plans that may wait for the one thread; more are refused with a word. */
const MOST_WAITING = 8;

/** Plans in a warm worker thread, so that other requests are served meanwhile; in development in this thread. */
export function planInThread(problem: PlanProblem): Promise<Plan> {
  const file = join(process.env.AKMEDON_ROOT ?? process.cwd(), "build", "server", "workers", "plan.js");
  if (!existsSync(file)) return Promise.resolve(plan(problem));
  if (!worker) {
    worker = new Worker(file);
    worker.unref();
    worker.on("message", ({ number, plan: made, error }: Reply) => {
      const asked = waiting.get(number);
      waiting.delete(number);
      if (made) asked?.resolve(made);
      else asked?.reject(new Error(error ?? "the planner gave no answer"));
    });
    const gone = (error: Error) => {
      for (const asked of waiting.values()) asked.reject(error);
      waiting.clear();
      worker = null;
    };
    worker.on("error", gone);
    worker.on("exit", () => gone(new Error("The planner stopped. Plan once more.")));
  }
  if (waiting.size >= MOST_WAITING)
    return Promise.reject(new Error("Several plans are being made already. Wait a moment, then plan once more."));
  return new Promise((resolve, reject) => {
    const number = ++count;
    waiting.set(number, { resolve, reject });
    worker?.postMessage({ number, problem });
  });
}
