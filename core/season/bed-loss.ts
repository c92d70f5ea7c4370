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

/** How much of what grew was kept, by weight; all of it is known, or the share would flatter. */
export type KeptShare = {
  /** 0 to 1 */
  share: number;
  /** what was picked and what was lost before, g */
  grewG: number;
  pickedG: number;
  bedG: number;
  /** spoiled or thrown away after it was picked, g */
  afterG: number;
};

/**
 * The share of what grew that was kept: picked, and not lost afterwards either. Null where nothing was lost or nothing
 * is known to have grown, since all of it says nothing.
 * @example keptShare(8000, 1500, 500)?.share // 0.7894736842105263
 */
export function keptShare(pickedG: number, bedG: number, afterG: number): KeptShare | null {
  const grewG = pickedG + bedG;
  if (grewG <= 0 || bedG + afterG <= 0) return null;
  return { share: Math.max(0, pickedG - afterG) / grewG, grewG, pickedG, bedG, afterG };
}
