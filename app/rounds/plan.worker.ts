import { parentPort } from "node:worker_threads";
import type { PlanProblem } from "#core/planning/question/problem";
import { standBack } from "../server/modest";

standBack();
// what it works with is loaded once it stands back
const { plan } = await import("#core/planning/solver/optimise");

/** The planner in a thread of its own: a problem comes in with a number, a plan goes out with the same number. */
parentPort?.on("message", ({ number, problem }: { number: number; problem: PlanProblem }) => {
  try {
    parentPort?.postMessage({ number, plan: plan(problem) });
  } catch (error) {
    parentPort?.postMessage({ number, error: error instanceof Error ? error.message : String(error) });
  }
});
