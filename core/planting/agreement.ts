import type { Cue } from "../handbook/crop";
import { CELLS } from "./stage-grid";

/** Two readings that cannot well both be right, or today's look against the last one. */
export type Conflict = { between: [Cue, Cue] | null; overlap: number };

/** Overlap below which two readings contradict each other; independent ones come to 1, agreeing ones to more. */
export const CONTRADICTION = 0.22;

/**
 * How well two likelihoods agree: the mean of their product over the product of their means. 1 when one says nothing
 * about the other, near 0 when no stage could have given both.
 */
export function overlapOf(a: Float64Array, b: Float64Array): number {
  let both = 0;
  let sumA = 0;
  let sumB = 0;
  for (let i = 0; i < CELLS; i++) {
    both += a[i]! * b[i]!;
    sumA += a[i]!;
    sumB += b[i]!;
  }
  return sumA > 0 && sumB > 0 ? (CELLS * both) / (sumA * sumB) : 1;
}

/** The two readings of one look that contradict each other most, or null when none do. */
export function conflictAmong(taken: readonly { cue: Cue; likelihood: Float64Array }[]): Conflict | null {
  let worst: Conflict | null = null;
  for (let i = 0; i < taken.length; i++)
    for (let k = i + 1; k < taken.length; k++) {
      const overlap = overlapOf(taken[i]!.likelihood, taken[k]!.likelihood);
      if (overlap < (worst?.overlap ?? CONTRADICTION)) worst = { between: [taken[i]!.cue, taken[k]!.cue], overlap };
    }
  return worst;
}

/** The product of several likelihoods, cell by cell. */
export function productOf(all: readonly Float64Array[]): Float64Array {
  const product = all[0]?.slice() ?? new Float64Array(CELLS).fill(1);
  for (let k = 1; k < all.length; k++) {
    const next = all[k]!;
    for (let i = 0; i < CELLS; i++) product[i]! *= next[i]!;
  }
  return product;
}

/** A likelihood that counts for less: raised to a power below one. */
export function tempered(likelihood: Float64Array, power: number): Float64Array {
  if (power === 1) return likelihood;
  const out = new Float64Array(CELLS);
  // the root is by far the commonest power, and far quicker than any other
  if (power === 0.5) for (let i = 0; i < CELLS; i++) out[i] = Math.sqrt(likelihood[i]!);
  else for (let i = 0; i < CELLS; i++) out[i] = likelihood[i]! ** power;
  return out;
}
