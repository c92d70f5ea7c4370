/** What a kitchen scale says at a moment: grams as shown, and whether more lies on it than it can bear. */
export type ScaleReading = { atMs: number; shownG: number; overload: boolean };

/** A scale that can be watched and set to zero: a real one behind a cable, or the simulated one. */
export type KitchenScale = {
  /** the most it bears and the smallest step it shows, g */
  capacityG: number;
  stepG: number;
  read(atMs: number): ScaleReading;
  /** sets what lies on it now to zero */
  tare(atMs: number): void;
};

/** A weight is settled when it has moved by no more than a step for so long, ms. */
const SETTLED_MS = 700;

/**
 * The settled weight in a row of readings, g: null while it still moves, when there are too few, or when the scale is
 * overloaded. Slow drift of less than a step is let pass.
 * @param readings in order of time, at least two a second
 */
export function settledG(readings: readonly ScaleReading[], stepG: number): number | null {
  const last = readings.at(-1);
  if (!last || last.overload) return null;
  const since = readings.filter((r) => r.atMs >= last.atMs - SETTLED_MS);
  if (since.length < 4 || last.atMs - since[0]!.atMs < SETTLED_MS * 0.8) return null;
  const shown = since.map((r) => r.shownG);
  return Math.max(...shown) - Math.min(...shown) <= stepG + 1e-9 ? last.shownG : null;
}
