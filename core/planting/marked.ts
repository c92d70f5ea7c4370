import { z } from "zod";
import type { Day } from "../calendar/day";
import type { Crop, TakenWay } from "../handbook/crop";
import { observe } from "./stage-filter";
import { NEARLY_FROM, READY_FROM, STAGES, type Stage } from "./stage-grid";
import { piecesOf } from "./way";

export const MARKS = ["nearly", "ready", "past"] as const;
/** How one piece was marked at a look. */
export type Mark = (typeof MARKS)[number];

/** Pieces that can be marked by themselves, counted from the gate or along the row. */
export const MOST_MARKED = 24;
export const markedSchema = z.object({
  n: z.number().int().min(1).max(MOST_MARKED),
  mark: z.enum(MARKS),
});
/** One marked piece: which one, and how it is. */
export type Marked = z.infer<typeof markedSchema>;

/** Pieces worth a mark of their own weigh so much: melons, squash, cabbages, cauliflowers (own estimate), g. */
const WORTH_A_MARK_G = 250;

/**
 * How many pieces of a planting can be marked one by one; 0 where nobody would: small fruit, what is lifted at once,
 * more than there is room for.
 */
export function markable(
  crop: Pick<Crop, "pieces" | "yield">,
  way: TakenWay,
  planting: { plants: number | null },
): number {
  if (crop.yield.pieceG < WORTH_A_MARK_G || way === "as-needed" || way === "all-at-once") return 0;
  const pieces = Math.round(piecesOf(planting, crop));
  return planting.plants !== null && pieces <= MOST_MARKED ? Math.max(1, pieces) : 0;
}

/** The next mark on a tap: unmarked, nearly, ready, too old, and unmarked again. */
export const nextMark = (mark: Mark | null): Mark | null =>
  mark === null ? "nearly" : mark === "nearly" ? "ready" : mark === "ready" ? "past" : null;

/** How many of each. */
export const countMarks = (marked: readonly Marked[]): Record<Mark, number> => ({
  nearly: marked.filter((m) => m.mark === "nearly").length,
  ready: marked.filter((m) => m.mark === "ready").length,
  past: marked.filter((m) => m.mark === "past").length,
});

/** Stage from which a piece is too old. */
const OVER_FROM = 1.85;
/** Chance that a mark is wrong by one step (own estimate). */
const MISMARKED = 0.015;

/**
 * Takes marks into a stage, in place: the ripest marked piece says where the ripest standing one is. Marks of some
 * pieces say that somebody looked at each.
 */
export function observeMarks(stage: Stage, marked: readonly Marked[]): void {
  const { nearly, ready, past } = countMarks(marked);
  if (nearly + ready + past === 0) return;
  const [from, to] = ready > 0 ? [READY_FROM, OVER_FROM] : past > 0 ? [OVER_FROM, 3] : [NEARLY_FROM, READY_FROM];
  observe(
    stage,
    STAGES.map((s) => (s >= from - 1e-9 && s < to - 1e-9 ? 1 : MISMARKED)),
  );
}

/** Marks that still stand: those of the last look, and after a pick that took what was ready only what was not. */
export function standingMarks(
  checks: readonly { at: string; marked?: readonly Marked[] }[],
  lastFullPickOn: Day | null,
): Marked[] {
  const last = [...checks].reverse().find((c) => (c.marked?.length ?? 0) > 0);
  if (!last) return [];
  return lastFullPickOn !== null && lastFullPickOn >= last.at.slice(0, 10)
    ? last.marked!.filter((m) => m.mark === "nearly")
    : [...last.marked!];
}
