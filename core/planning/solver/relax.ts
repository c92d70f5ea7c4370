import type { Frame } from "./frame";
import { type BestPath, bestPath, stepG } from "./paths";

/** Minutes weigh as one use of a slot in the subgradient when divided by this. */
const MINUTES_SCALE = 20;

/** Prices on "this slot must be open" for each planting, on the minutes of each slot, and on the room in each store. */
export type SlotPrices = { link: Float64Array[]; minute: Float64Array; store: Float64Array };

/** The answer to the relaxed question: its bound, which slots pay for themselves, and how far each was overused. */
export type Relaxed = {
  bound: number;
  open: Uint8Array;
  uses: Int32Array;
  used: Uint8Array[];
  /** the path of each planting */
  paths: BestPath[];
  minutes: Float64Array;
  fill: Float64Array;
  /** squared length of the subgradient, without what would push a price beyond its bounds */
  slope: number;
};

/** No prices at all: where the search for good ones begins. */
export const noPrices = (f: Frame): SlotPrices => ({
  link: f.arcs.map(() => new Float64Array(f.n)),
  minute: new Float64Array(f.n),
  store: new Float64Array(f.problem.stores?.length ?? 0),
});

/** Prices of a planting's use of a slot and of a gram there, with those on minutes and stores. */
export function pricesOf(f: Frame, p: number, prices: Pick<SlotPrices, "minute" | "store">) {
  const charged = { perUse: new Float64Array(f.n), perG: new Float64Array(f.n) };
  priceInto(f, p, prices.minute, prices.store, charged.perUse, charged.perG);
  return charged;
}

/** The same into arrays that are there already. @param store null: stores are free */
export function priceInto(
  f: Frame,
  p: number,
  minute: Float64Array,
  store: Float64Array | null,
  perUse: Float64Array,
  perG: Float64Array,
): void {
  const { lineMinutes, supply } = f.arcs[p]!;
  const plainUse = f.perUse[p]!;
  const plainG = f.perG[p]!;
  for (let j = 0; j < f.n; j++) {
    perUse[j] = plainUse[j]! + minute[j]! * lineMinutes;
    perG[j] = plainG[j]! + minute[j]! * supply.minutesPerG;
  }
  if (!store) return;
  const draws = f.draws[p]!;
  for (let j = 0; j < f.n; j++) {
    const here = draws[j]!;
    for (let k = 0; k < here.length; k++) perG[j]! += store[here[k]!.store]! * here[k]!.perG;
  }
}

/** Whether each slot is left to the planner (0), taken to be open (1), or shut (2): a branch of the proof. */
export type Branch = Uint8Array | null;

/** The best value if "slot open", its minutes and the stores were only priced: an upper bound on every plan. */
export function relax(f: Frame, prices: SlotPrices, branch: Branch = null): Relaxed {
  const { n, arcs, capacity } = f;
  const stores = f.problem.stores ?? [];
  const result: Relaxed = {
    bound: 0,
    open: new Uint8Array(n),
    uses: new Int32Array(n),
    used: [],
    paths: [],
    minutes: new Float64Array(n),
    fill: new Float64Array(stores.length),
    slope: 0,
  };
  const earns = new Float64Array(n);
  for (let j = 0; j < n; j++) earns[j] = prices.minute[j]! * capacity[j]! - f.openCost;
  arcs.forEach((a, p) => {
    const { perUse, perG } = pricesOf(f, p, prices);
    const link = prices.link[p]!;
    const usable = branch ? f.mayUse[p]!.slice() : f.mayUse[p]!;
    for (let j = 0; j < n; j++) {
      perUse[j]! += link[j]!;
      earns[j]! += link[j]!;
      if (branch && branch[j] === 2) usable[j] = 0;
    }
    const path = bestPath(a, { perUse, perG, usable, mostG: null, musts: f.musts[p]! });
    result.bound += path.value;
    result.paths.push(path);
    const used = new Uint8Array(n);
    const grams = path.steps.map((_, k) => stepG(a, path.steps, k));
    path.steps.forEach(({ slot }, k) => {
      used[slot] = 1;
      result.uses[slot]! += 1;
      result.minutes[slot]! += a.lineMinutes + grams[k]! * a.supply.minutesPerG;
      for (const d of f.draws[p]![slot]!) result.fill[d.store]! += d.perG * grams[k]!;
    });
    result.used.push(used);
  });
  stores.forEach((s, k) => {
    result.bound += prices.store[k]! * s.capacity;
    const over = (result.fill[k]! - s.capacity) / f.usualFill[k]!;
    if (over < 0 ? prices.store[k]! > 0 : prices.store[k]! < s.over) result.slope += over * over;
  });
  for (let j = 0; j < n; j++) {
    const fixed = branch ? branch[j]! : 0;
    if (fixed === 2) continue;
    if (earns[j]! > 0 || f.forced[j] || fixed === 1) {
      result.bound += earns[j]!;
      result.open[j] = 1;
    }
    const over = overuse(f, result, j) / MINUTES_SCALE;
    if (over > 0 || prices.minute[j]! > 0) result.slope += over * over;
    for (let p = 0; p < arcs.length; p++) {
      const alone = result.used[p]![j]! - result.open[j]!;
      if (alone > 0 || prices.link[p]![j]! > 0) result.slope += alone * alone;
    }
  }
  return result;
}

/** Moves the prices a step towards what is overused, in place; never below nothing, a store's never above its cost. */
export function nudge(f: Frame, prices: SlotPrices, relaxed: Relaxed, step: number, branch: Branch = null): void {
  for (let j = 0; j < f.n; j++) {
    if (branch && branch[j] === 2) continue;
    for (let p = 0; p < f.arcs.length; p++) {
      const link = prices.link[p]!;
      link[j] = Math.max(0, link[j]! + step * (relaxed.used[p]![j]! - relaxed.open[j]!));
    }
    const over = overuse(f, relaxed, j) / (MINUTES_SCALE * MINUTES_SCALE);
    prices.minute[j] = Math.max(0, prices.minute[j]! + step * over);
  }
  f.problem.stores?.forEach((s, k) => {
    const over = (relaxed.fill[k]! - s.capacity) / f.usualFill[k]! ** 2;
    prices.store[k] = Math.min(s.over, Math.max(0, prices.store[k]! + step * over));
  });
}

/** Minutes used in a slot beyond what it has when open. */
const overuse = (f: Frame, r: Relaxed, j: number): number => r.minutes[j]! - (r.open[j] ? f.capacity[j]! : 0);
