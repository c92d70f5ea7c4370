import { z } from "zod";
import { daySchema } from "../calendar/schemas";

export const BED_LOSS_CAUSES = [
  "too late",
  "frost",
  "storm",
  "heat",
  "animals",
  "pests",
  "disease",
  "accident",
  "other",
] as const;
export type BedLossCause = (typeof BED_LOSS_CAUSES)[number];

/** Something of a planting that was never picked: a guess of how much, and why. */
export const bedLossSchema = z.object({
  id: z.string().min(1).max(40),
  plantingId: z.string().min(1).max(40),
  day: daySchema,
  cause: z.enum(BED_LOSS_CAUSES),
  massG: z.number("a weight").positive("more than nothing").max(5_000_000, "more than five tonnes"),
  note: z.string().trim().max(500, "at most 500 letters"),
});
export type BedLoss = z.infer<typeof bedLossSchema>;

/** What was lost in the beds by cause, most first, g. */
export function bedLossesBy(losses: readonly BedLoss[]): [BedLossCause, number][] {
  const by = new Map<BedLossCause, number>();
  for (const l of losses) by.set(l.cause, (by.get(l.cause) ?? 0) + l.massG);
  return [...by].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
}
