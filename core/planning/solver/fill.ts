import { massOf, stripMassG } from "../../planting/fate";
import type { PlanProblem } from "../question/problem";
import { fateOf, type PathStep } from "./paths";

/** Units in each store under a schedule, in the order of the problem's stores. */
export function storesFilled(problem: PlanProblem, schedule: readonly (readonly PathStep[])[]): Float64Array {
  const stores = problem.stores ?? [];
  const fill = new Float64Array(stores.length);
  if (stores.length === 0) return fill;
  schedule.forEach((steps, p) => {
    const supply = problem.supplies[p]!;
    steps.forEach((step, k) => {
      const { t } = problem.slots[step.slot]!;
      const taken = massOf(fateOf(problem, supply, k === 0 ? -1 : steps[k - 1]!.slot, step.slot));
      const grams = taken + (step.take === "strip" ? stripMassG(supply, problem.nowT, t) : 0);
      stores.forEach((store, s) => {
        for (const d of store.draws)
          if (d.plantingId === supply.plantingId && t >= d.fromT && t < d.toT) fill[s]! += d.perG * grams;
      });
    });
  });
  return fill;
}
