import { useEffect, useState } from "react";
import type { PlanProblem } from "#core/planning/question/problem";
import { lastGood } from "../offline/last-good";
import { whenResting } from "../ui/when-resting";

/**
 * The planner's question for what-ifs while a round is moved, had once the page rests.
 * @param revision of the garden that the page shows
 * @returns `problem` null as long as it is `coming`, and where it cannot be had
 */
export function useQuestion(revision: number): { problem: PlanProblem | null; coming: boolean } {
  const [had, setHad] = useState<{ revision: number; problem: PlanProblem | null } | null>(null);
  useEffect(() => {
    let gone = false;
    const ask = async () => {
      const response = await fetch("/rounds/question");
      if (!response.ok) throw new Error(`the question of the rounds: ${response.status}`);
      return (await response.json()) as PlanProblem;
    };
    const cancel = whenResting(() => {
      lastGood("rounds question", ask).then(
        (problem) => gone || setHad({ revision, problem }),
        // without it a round is moved all the same, only what it would change is not said
        () => gone || setHad({ revision, problem: null }),
      );
    });
    return () => {
      gone = true;
      cancel();
    };
  }, [revision]);
  const here = had?.revision === revision ? had : null;
  return { problem: here?.problem ?? null, coming: here === null };
}
