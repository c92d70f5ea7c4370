import { z } from "zod";
import { isDay } from "../calendar/day";
import { groupBy } from "../group-by";
import type { Crop } from "../handbook/crop";
import { type PickRecord, tareOf } from "./pick";

export const WEIGHED = ["litre", "piece"] as const;

/** So many litres or pieces of a crop, put on the scale by the gardener. */
export const weighingSchema = z.object({
  id: z.string().min(1).max(40),
  cropId: z.string().min(1).max(60),
  day: z.string().refine(isDay, "write the day as 2026-10-06"),
  what: z.enum(WEIGHED),
  amount: z.number("how many").positive("more than nothing").max(10_000, "at most 10,000"),
  massG: z.number("what it weighed").positive("more than nothing").max(1_000_000, "at most a tonne"),
});
export type Weighing = z.infer<typeof weighingSchema>;

/** A share lost between two weighings: its mean, and how many pairs say so. */
export type LearnedShare = { share: number; pairs: number };

/** The handbook's share counts as much as this many pairs weighed (own choice: two pairs outweigh a book). */
const BOOK_PAIRS = 1.5;

/**
 * Mean share lost from first to second weighing. The handbook's share, where there is one, is a prior worth
 * `BOOK_PAIRS` pairs (normal prior and readings of the same spread: their weighted mean).
 * @param pairs masses before and after, g
 * @param book share by the handbook, 0 to 1; null when it says nothing
 * @returns null when nothing is known
 */
export function shareLost(pairs: readonly (readonly [number, number])[], book: number | null): LearnedShare | null {
  if (pairs.length === 0) return book === null ? null : { share: book, pairs: 0 };
  const sum = pairs.reduce((s, [before, after]) => s + 1 - after / before, 0);
  const n = book === null ? 0 : BOOK_PAIRS;
  return { share: (n * (book ?? 0) + sum) / (n + pairs.length), pairs: pairs.length };
}

/** What weighing has taught about one crop. */
export type Learned = {
  tops: LearnedShare | null;
  drying: LearnedShare | null;
  /** own weighings of volumes and of pieces; null: none */
  kgPerL: { value: number; litres: number } | null;
  pieceG: { value: number; pieces: number } | null;
};

/** Net before and weight after, g, of picks of a crop that stood on the scale twice. */
const pairsOf = (picks: readonly PickRecord[], how: PickRecord["againHow"]): [number, number][] =>
  picks.flatMap((p): [number, number][] =>
    p.againG !== null && p.againHow === how && p.grossG !== null ? [[p.grossG - tareOf(p.tare), p.againG]] : [],
  );

/** What a garden's own weighings say of a crop. */
export function learnedOf(
  crop: Pick<Crop, "topsShare">,
  picks: readonly PickRecord[],
  weighings: readonly Weighing[],
): Learned {
  const own = (what: Weighing["what"]) => weighings.filter((w) => w.what === what);
  const per = (list: readonly Weighing[]) => {
    const amount = list.reduce((s, w) => s + w.amount, 0);
    return amount > 0 ? { amount, each: list.reduce((s, w) => s + w.massG, 0) / amount } : null;
  };
  const litre = per(own("litre"));
  const piece = per(own("piece"));
  return {
    tops: shareLost(pairsOf(picks, "tops-off"), crop.topsShare > 0 ? crop.topsShare : null),
    drying: shareLost(pairsOf(picks, "dried"), null),
    kgPerL: litre && { value: litre.each / 1000, litres: litre.amount },
    pieceG: piece && { value: piece.each, pieces: piece.amount },
  };
}

/**
 * The handbook's crops with what this garden's scale has taught laid over them: share of tops, weight of a piece and
 * of a litre. Only crops about which something was learned are returned.
 * @param picks those that stood on the scale twice; others teach nothing
 * @param cropIdOf the crop of a planting
 */
export function taughtCrops(
  all: readonly Crop[],
  picks: readonly PickRecord[],
  weighings: readonly Weighing[],
  cropIdOf: ReadonlyMap<string, string>,
): Crop[] {
  const again = picks.filter((p) => p.againG !== null);
  const twice = groupBy(again, (p) => cropIdOf.get(p.plantingId));
  const ids = new Set([...twice.keys(), ...weighings.map((w) => w.cropId)]);
  return all
    .filter((c) => ids.has(c.id))
    .map((crop) => {
      const { tops, kgPerL, pieceG } = learnedOf(
        crop,
        twice.get(crop.id) ?? [],
        weighings.filter((w) => w.cropId === crop.id),
      );
      return {
        ...crop,
        topsShare: Math.min(0.9, Math.max(0, tops?.share ?? crop.topsShare)),
        ownKgPerL: kgPerL?.value ?? crop.ownKgPerL,
        yield: { ...crop.yield, pieceG: pieceG?.value ?? crop.yield.pieceG },
      };
    });
}
