import { z } from "zod";
import { daySchema } from "../../calendar/schemas";
import type { Schedule } from "../solver/optimise";
import type { PlanProblem } from "./problem";

export const PICK_WISHES = ["not-before", "take-all"] as const;

/** A date the gardener sets for one planting: not to be picked before it, or to be taken whole on it. */
export const pickWishSchema = z.object({
  id: z.string().min(1).max(40),
  plantingId: z.string().min(1).max(40),
  kind: z.enum(PICK_WISHES),
  day: daySchema,
});
export type PickWish = z.infer<typeof pickWishSchema>;

/** A schedule in which what is to be taken whole on a day is stripped then, ready or not. */
export function takenWhole(problem: PlanProblem, schedule: Schedule, wishes: readonly PickWish[]): Schedule {
  return schedule.map((steps, p) => {
    const { plantingId, once } = problem.supplies[p]!;
    const days = wishes.filter((w) => w.kind === "take-all" && w.plantingId === plantingId).map((w) => w.day);
    const last = steps.at(-1);
    if (once || !last || !days.includes(problem.slots[last.slot]!.day)) return steps;
    return [...steps.slice(0, -1), { slot: last.slot, take: "strip" as const }];
  });
}
