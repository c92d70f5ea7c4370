/** A repeatable stream of chance: the same seed gives the same garden. (mulberry32, public domain) */
export type Chance = {
  next(): number;
  between(low: number, high: number): number;
  normal(): number;
  pick<T>(items: readonly T[]): T;
};

export function chance(seed: number): Chance {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    pick: (items) => items[Math.floor(next() * items.length)]!,
  };
}
