import type { PlanProblem } from "#core/planning/question/problem";
import { totalsOf } from "#core/planning/rounds/explain";
import { planWithin } from "#core/planning/solver/optimise";

/** A question with its number; what the best plan found in that time keeps, loses and takes. */
export type LiveQuestion = { number: number; problem: PlanProblem; limitMs: number };
export type LiveAnswer = { number: number; keptG: number; lostG: number; minutes: number; ms: number };

self.onmessage = ({ data }: MessageEvent<LiveQuestion>) => {
  const from = performance.now();
  const made = planWithin(data.problem, data.limitMs, () => performance.now());
  const { keptG, lostG, minutes } = totalsOf(data.problem, made.schedule);
  self.postMessage({ number: data.number, keptG, lostG, minutes, ms: performance.now() - from } satisfies LiveAnswer);
};
