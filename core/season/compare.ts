import { groupBy } from "../group-by";
import { type Blocked, chanceOfDifference, differenceInterval, type Spread, spreadOf } from "./spread";

/** A planting, a pick or a lot that is compared: on which side it stands, where and when it grew, and its figure. */
export type Compared = { name: string; side: 0 | 1; bed: string; year: string; value: number };

export type Comparison = {
  sides: [Spread | null, Spread | null];
  /** first side less second: by the blocks that have both where there are any, else by all */
  diff: number | null;
  /** of the first side over the second, as a share of the second */
  share: number | null;
  /** 95 % interval of the plain difference of the means; null: too few */
  interval: { low: number; high: number } | null;
  /** how often chance alone brings as much */
  p: number | null;
  /** beds and years in which both sides stood, and those where only one did */
  both: number;
  alone: number;
  /** how often it would bring the clearest difference that so few figures can show */
  least: number | null;
  verdict: "nothing" | "one-each" | "chance" | "perhaps" | "likely";
};

/** Chance brings as much less often than this: the difference is believed; below the second: it is worth another year. */
export const BELIEVED = 0.05;
const PERHAPS = 0.2;

/**
 * Two ways or kinds side by side. A bed and year in which both stood is a block: there, sun and weather were the same
 * for both, so the difference is taken inside the blocks and averaged over them by their number of figures. What stood
 * alone in its bed and year is shown, but says nothing of the difference once there are blocks with both.
 */
export function compare(all: readonly Compared[]): Comparison {
  const of = (side: 0 | 1) => all.filter((x) => x.side === side).map((x) => x.value);
  const [a, b] = [of(0), of(1)];
  const sides: Comparison["sides"] = [a.length > 0 ? spreadOf(a) : null, b.length > 0 ? spreadOf(b) : null];
  const figures = all.map((x): Blocked => ({ side: x.side, block: `${x.bed} ${x.year}`, value: x.value }));
  const blocks = [...groupBy(figures, (x) => x.block).values()];
  const both = blocks.filter((l) => l.some((x) => x.side === 0) && l.some((x) => x.side === 1));
  const found = { sides, both: both.length, alone: blocks.length - both.length };
  if (!sides[0] || !sides[1])
    return {
      ...found,
      diff: null,
      share: null,
      interval: null,
      p: null,
      least: null,
      verdict: "nothing",
    };
  const weighed = both.map((l) => {
    const mean = (side: 0 | 1) => spreadOf(l.filter((x) => x.side === side).map((x) => x.value)).mean;
    return { diff: mean(0) - mean(1), n: l.length };
  });
  const diff =
    weighed.length > 0
      ? weighed.reduce((s, w) => s + w.diff * w.n, 0) / weighed.reduce((s, w) => s + w.n, 0)
      : sides[0].mean - sides[1].mean;
  const interval = differenceInterval(a, b);
  const within = both.length > 0 ? both.flat() : figures.map((x) => ({ ...x, block: "" }));
  const least = [0, 1].map((s) => within.filter((x) => x.side === s).length);
  const told = { ...found, diff, share: sides[1].mean === 0 ? null : diff / sides[1].mean, interval };
  if (Math.min(...least) < 2) return { ...told, p: null, least: null, verdict: "one-each" };
  const { p, least: reachable } = chanceOfDifference(within);
  // so few that even the clearest difference could not be believed
  if (reachable >= BELIEVED) return { ...told, p, least: reachable, verdict: p <= PERHAPS ? "perhaps" : "chance" };
  return { ...told, p, least: reachable, verdict: p < BELIEVED ? "likely" : p < PERHAPS ? "perhaps" : "chance" };
}
