import { groupBy } from "../group-by";
import type { Crop } from "../handbook/crop";
import type { Taste } from "../household/taste";
import { roundMass } from "../units/mass";
import type { Grade } from "../weighing/pick";
import { piecesLeft } from "./lot";
import type { Stocked } from "./stock";

/** A lot on the list of what to use first. */
export type UseFirst = {
  stocked: Stocked;
  /** good of it now, g */
  goodG: number;
  /** of that lost within a week if nobody touches it, g */
  lostInWeekG: number;
  /** the grade that puts it before others of its age; null: none does */
  sooner: Grade | null;
};
/** What a crop comes to for the week: how much there is, is eaten, and is lost unless more is done with it. */
export type WeekOf = {
  crop: Crop;
  /** lots it lies in, and its pieces over all of them; null: not every lot was counted */
  lots: number;
  pieces: number | null;
  goodG: number;
  eatG: number;
  /** lost within two weeks beyond what is eaten, g */
  surplusG: number;
};

/** Damaged before bolted or small before the rest (common practice, no source): how much sooner than by its days alone. */
const SOONER: Partial<Record<Grade, number>> = {
  damaged: 0.35,
  "pest-eaten": 0.35,
  "eat-first": 0.5,
  bolted: 0.5,
  small: 0.7,
};

/** Something that is kept for next year's planting is not for the table. */
const isForSeed = (s: Stocked): boolean => s.lot.grade === "seed" || s.lot.way === "seed";

/**
 * One list over everything in the house, what to use first at the top: first what was damaged, bolted or small, as far
 * as it would not last the month; then by the days until half of it is no longer good.
 */
export function firstToUse(stock: readonly Stocked[]): UseFirst[] {
  const list = stock
    .filter((s) => !isForSeed(s) && (s.curing === null || s.curing.ready || s.halfInDays < 14))
    .map((s) => {
      const goodG = roundMass(s.lot.leftG * s.good);
      const sooner = s.lot.preserved ? undefined : SOONER[s.lot.grade];
      return { s, goodG, lostInWeekG: roundMass(goodG * (1 - s.goodInWeek)), sooner };
    });
  // condition puts a lot before others that last about as long, not before what is gone tomorrow
  const urgency = (x: (typeof list)[number]) => x.s.halfInDays * (x.sooner ?? 1);
  return list
    .sort((a, b) => urgency(a) - urgency(b) || (a.s.lot.id < b.s.lot.id ? -1 : 1))
    .map(({ s, goodG, lostInWeekG, sooner }) => ({
      stocked: s,
      goodG,
      lostInWeekG,
      sooner: sooner === undefined ? null : s.lot.grade,
    }));
}

/**
 * The week by crop: what there is, what the household eats of it, and what would be lost within a fortnight beyond
 * that, unless it is preserved or given away.
 */
export function weekOf(stock: readonly Stocked[], tasteOf: (crop: Crop) => Taste): WeekOf[] {
  const eaten = stock.filter((s) => s.lot.part === "crop" && !isForSeed(s) && !s.lot.preserved);
  return [...groupBy(eaten, (s) => s.crop.id).values()]
    .map((list) => {
      const { crop } = list[0]!;
      const goodG = list.reduce((g, s) => g + s.lot.leftG * s.good, 0);
      const weekly = tasteOf(crop).weeklyG;
      // eaten first are those that go first, so what is eaten counts against what would be lost
      const lost = list.reduce((g, s) => {
        const fortnight = s.goodInWeek ** 2;
        return g + s.lot.leftG * s.good * (1 - fortnight);
      }, 0);
      const counts = list.map((s) => piecesLeft(s.lot));
      return {
        crop,
        lots: list.length,
        pieces: counts.reduce((sum, n) => (sum === null || n === null ? null : sum + n), 0 as number | null),
        goodG: roundMass(goodG),
        eatG: roundMass(Math.min(goodG, weekly)),
        surplusG: roundMass(Math.max(0, Math.min(goodG - 2 * weekly, lost - 2 * weekly))),
      };
    })
    .sort((a, b) => b.surplusG - a.surplusG || b.goodG - a.goodG || (a.crop.id < b.crop.id ? -1 : 1));
}
