import jstat from "jstat";
import { groupBy } from "../group-by";

/** Count, mean and spread of some figures; `sd` with n − 1, null for fewer than two. */
export type Spread = { n: number; mean: number; sd: number | null; low: number; high: number };

/** Count, mean, standard deviation and range. Throws RangeError on none. */
export function spreadOf(xs: readonly number[]): Spread {
  if (xs.length === 0) throw new RangeError("figures to spread");
  const mean = xs.reduce((s, x) => s + x, 0) / xs.length;
  const sd = xs.length < 2 ? null : Math.sqrt(xs.reduce((s, x) => s + (x - mean) ** 2, 0) / (xs.length - 1));
  return { n: xs.length, mean, sd, low: Math.min(...xs), high: Math.max(...xs) };
}

/**
 * Interval in which the difference of two means lies with a confidence, for groups of unequal spread.
 * Source: B. L. Welch, Biometrika 34 (1947) 28–35, degrees of freedom after Satterthwaite.
 * @returns null with fewer than two figures on either side, or no spread at all
 */
export function differenceInterval(
  a: readonly number[],
  b: readonly number[],
  confidence = 0.95,
): { diff: number; low: number; high: number; df: number } | null {
  if (a.length < 2 || b.length < 2) return null;
  const [sa, sb] = [spreadOf(a), spreadOf(b)];
  const [va, vb] = [sa.sd! ** 2 / a.length, sb.sd! ** 2 / b.length];
  const diff = sa.mean - sb.mean;
  if (va + vb === 0) return null;
  const df = (va + vb) ** 2 / (va ** 2 / (a.length - 1) + vb ** 2 / (b.length - 1));
  const reach = jstat.studentt.inv(1 - (1 - confidence) / 2, df) * Math.sqrt(va + vb);
  return { diff, low: diff - reach, high: diff + reach, df };
}

/** Interval in which a share lies with a confidence, from a beta distribution (Gelman et al., Bayesian Data Analysis, ch. 2). */
export const betaInterval = (alpha: number, beta: number, confidence = 0.95): [number, number] => [
  jstat.beta.inv((1 - confidence) / 2, alpha, beta),
  jstat.beta.inv(1 - (1 - confidence) / 2, alpha, beta),
];

/** One figure with the side it stands on and the block (bed and year) in which it grew. */
export type Blocked = { side: 0 | 1; block: string; value: number };

/** Arrangements tried one by one up to this number; beyond it so many are drawn. */
const MOST_ARRANGEMENTS = 20_000;

/**
 * How often chance alone, dealing the figures of each block out between the sides anew, brings a difference at least as
 * great as the one seen: an exact permutation test within blocks (R. A. Fisher, The Design of Experiments, 1935). Where
 * there are too many arrangements, as many as can be counted are drawn by a fixed generator.
 * @returns p and the least p that so few figures could ever reach
 */
export function chanceOfDifference(figures: readonly Blocked[]): { p: number; least: number } {
  const blocks = [...groupBy(figures, (x) => x.block).values()];
  const size = blocks.map((b) => ({ n: b.length, k: b.filter((x) => x.side === 0).length }));
  const all = size.reduce((product, { n, k }) => product * choose(n, k), 1);
  const [n0, n1] = [0, 1].map((s) => figures.filter((x) => x.side === s).length) as [number, number];
  const sumOf = (list: readonly Blocked[], side: 0 | 1) =>
    list.reduce((s, x) => s + (x.side === side ? x.value : 0), 0);
  const total = figures.reduce((s, x) => s + x.value, 0);
  const gap = (sum0: number) => Math.abs(sum0 / n0 - (total - sum0) / n1);
  const seen = gap(sumOf(figures, 0)) - 1e-9;
  if (all <= MOST_ARRANGEMENTS) {
    const sums = blocks.map((b, i) =>
      subsetSums(
        b.map((x) => x.value),
        size[i]!.k,
      ),
    );
    let reached = 0;
    const walk = (i: number, sum: number): void => {
      if (i === sums.length) {
        if (gap(sum) >= seen) reached += 1;
        return;
      }
      for (const s of sums[i]!) walk(i + 1, sum + s);
    };
    walk(0, 0);
    // the mirror image of a split into halves is as great a difference as the split itself
    const twins = n0 === n1 ? 2 : 1;
    return { p: reached / all, least: Math.min(1, twins / all) };
  }
  let state = 12_345;
  const random = () => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return state / 0x80000000;
  };
  let reached = 1;
  for (let draw = 0; draw < MOST_ARRANGEMENTS; draw++) {
    let sum = 0;
    for (const [i, b] of blocks.entries()) {
      const values = b.map((x) => x.value);
      for (let k = 0; k < size[i]!.k; k++) {
        const at = k + Math.floor(random() * (values.length - k));
        [values[k], values[at]] = [values[at]!, values[k]!];
        sum += values[k]!;
      }
    }
    if (gap(sum) >= seen) reached += 1;
  }
  return { p: reached / (MOST_ARRANGEMENTS + 1), least: 1 / (MOST_ARRANGEMENTS + 1) };
}

function choose(n: number, k: number): number {
  let c = 1;
  for (let i = 1; i <= k; i++) c = (c * (n - k + i)) / i;
  return Math.round(c);
}

/** Sums of every choice of k of some values. */
function subsetSums(values: readonly number[], k: number): number[] {
  const sums: number[] = [];
  const walk = (from: number, left: number, sum: number): void => {
    if (left === 0) {
      sums.push(sum);
      return;
    }
    for (let i = from; i <= values.length - left; i++) walk(i + 1, left - 1, sum + values[i]!);
  };
  walk(0, k, 0);
  return sums;
}
