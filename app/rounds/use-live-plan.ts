import { useEffect, useRef, useState } from "react";
import type { PlanProblem } from "#core/planning/question/problem";
import type { LiveAnswer, LiveQuestion } from "./live-plan.worker";

/** Time given to a plan while a round is being dragged. */
const LIMIT_MS = 90;

/** A round as it lies under the finger. */
type Moved = { day: string; startsAt: string; lines: readonly { plantingId: string }[] };

/**
 * While a round is dragged: what the whole fortnight would bring if it were planned anew around the round at that
 * hour. Reckoned in a worker, so that the drag stays smooth; only the latest question is answered.
 */
export function useLivePlan(problem: PlanProblem | null, moved: Moved | null): Omit<LiveAnswer, "number"> | null {
  const worker = useRef<Worker | null>(null);
  const number = useRef(0);
  const busy = useRef(false);
  const next = useRef<LiveQuestion | null>(null);
  const [answer, setAnswer] = useState<LiveAnswer | null>(null);
  const slotId = moved ? `${moved.day}T${moved.startsAt}` : null;
  const plantings = moved?.lines.map((l) => l.plantingId).join(" ") ?? "";

  useEffect(() => {
    if (!slotId || !problem) {
      setAnswer(null);
      next.current = null;
      number.current += 1;
      return;
    }
    worker.current ??= new Worker(new URL("./live-plan.worker.ts", import.meta.url), { type: "module" });
    const ask = (question: LiveQuestion) => {
      busy.current = true;
      worker.current!.postMessage(question);
    };
    worker.current.onmessage = ({ data }: MessageEvent<LiveAnswer>) => {
      busy.current = false;
      if (data.number === number.current) setAnswer(data);
      if (next.current) {
        ask(next.current);
        next.current = null;
      }
    };
    number.current += 1;
    const question: LiveQuestion = {
      number: number.current,
      limitMs: LIMIT_MS,
      problem: {
        ...problem,
        kept: [],
        wishes: {
          take: plantings.split(" ").map((plantingId) => ({ plantingId, slotId })),
          leave: problem.wishes.leave,
          open: [slotId],
        },
      },
    };
    if (busy.current) next.current = question;
    else ask(question);
  }, [problem, slotId, plantings]);
  useEffect(() => () => worker.current?.terminate(), []);
  return slotId ? answer : null;
}
