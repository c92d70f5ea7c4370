import type { KitchenScale } from "#core/weighing/scale";
import { chance } from "./random";

/** How fast the pan comes to rest, ms; how much it swings at first, as a share; how it drifts, g a minute. */
const SETTLE_MS = 260;
const SWING = 0.18;
const SWING_MS = 330;
const DRIFT_G_A_MINUTE = 1.4;
const NOISE = 0.15;

export type SimulatedScale = KitchenScale & {
  /** lays so many grams on the pan in all */
  load(grams: number, atMs: number): void;
};

/**
 * A simulated kitchen scale: it swings and settles when something is laid on, trembles by less than a step, drifts
 * slowly until it is set to zero, and says when it is overloaded. Given the same calls it shows the same figures.
 */
export function simulatedScale(seed: number, capacityG = 10_000, stepG = 1): SimulatedScale {
  let load = 0;
  let before = 0;
  let since = 0;
  let zeroG = 0;
  let zeroAt = 0;
  const trueAt = (atMs: number): number => {
    const age = Math.max(0, atMs - since);
    const calm = Math.exp(-age / SETTLE_MS);
    return load + (before - load) * calm * (1 + SWING * Math.sin((2 * Math.PI * age) / SWING_MS));
  };
  const drift = (atMs: number): number => (DRIFT_G_A_MINUTE * Math.max(0, atMs - zeroAt)) / 60_000;
  return {
    capacityG,
    stepG,
    load(grams, atMs) {
      before = trueAt(atMs);
      load = Math.max(0, grams);
      since = atMs;
    },
    tare(atMs) {
      zeroG = trueAt(atMs);
      zeroAt = atMs;
    },
    read(atMs) {
      const gross = trueAt(atMs);
      if (gross > capacityG) return { atMs, shownG: 0, overload: true };
      const luck = chance(seed + Math.round(atMs / 50));
      const shown = gross - zeroG + drift(atMs) + NOISE * stepG * luck.normal();
      return { atMs, shownG: Math.round(shown / stepG) * stepG, overload: false };
    },
  };
}
