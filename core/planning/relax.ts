import type { Frame } from "./frame";
import { bestPath, stepMinutes } from "./paths";

/** Minutes weigh as one use of a slot in the subgradient when divided by this. */
const MINUTES_SCALE = 20;

/** Prices on "this slot must be open" for each planting, and on the minutes of each slot. */
export type SlotPrices = { link: Float64Array[]; minute: Float64Array };

/** The answer to the relaxed question: its bound, which slots pay for themselves, and how far each was overused. */
export type Relaxed = {
  bound: number;
  open: Uint8Array;
  uses: Int32Array;
  used: Uint8Array[];
  minutes: Float64Array;
  /** squared length of the subgradient */
  slope: number;
};

/** No prices at all: where the search for good ones begins. */
export const noPrices = (f: Frame): SlotPrices => ({
  link: f.arcs.map(() => new Float64Array(f.n)),
  minute: new Float64Array(f.n),
});

/** The best value if "slot open" and its minutes were only priced: an upper bound on every plan. */
export function relax(f: Frame, prices: SlotPrices): Relaxed {
  const { n, arcs, capacity } = f;
  const result: Relaxed = {
    bound: 0,
    open: new Uint8Array(n),
    uses: new Int32Array(n),
    used: [],
    minutes: new Float64Array(n),
    slope: 0,
  };
  const perMinute = prices.minute.map((m) => m + f.perMinute);
  arcs.forEach((a, p) => {
    const path = bestPath(a, {
      perUse: prices.link[p]!,
      perMinute,
      usable: f.mayUse[p]!,
      room: null,
      must: f.musts[p]!,
    });
    result.bound += path.value;
    const used = new Uint8Array(n);
    path.steps.forEach((step, k) => {
      used[step.slot] = 1;
      result.uses[step.slot]! += 1;
      result.minutes[step.slot]! += stepMinutes(a, path.steps, k);
    });
    result.used.push(used);
  });
  for (let j = 0; j < n; j++) {
    let earns = prices.minute[j]! * capacity[j]! - f.openCost;
    for (let p = 0; p < arcs.length; p++) earns += prices.link[p]![j]!;
    if (earns > 0 || f.forced[j]) {
      result.bound += earns;
      result.open[j] = 1;
    }
    const over = overuse(f, result, j) / MINUTES_SCALE;
    result.slope += over * over;
    for (let p = 0; p < arcs.length; p++) result.slope += (result.used[p]![j]! - result.open[j]!) ** 2;
  }
  return result;
}

/** Moves the prices a step towards what is overused, in place; never below nothing. */
export function nudge(f: Frame, prices: SlotPrices, relaxed: Relaxed, step: number): void {
  for (let j = 0; j < f.n; j++) {
    for (let p = 0; p < f.arcs.length; p++) {
      const link = prices.link[p]!;
      link[j] = Math.max(0, link[j]! + step * (relaxed.used[p]![j]! - relaxed.open[j]!));
    }
    const over = overuse(f, relaxed, j) / (MINUTES_SCALE * MINUTES_SCALE);
    prices.minute[j] = Math.max(0, prices.minute[j]! + step * over);
  }
}

/** Minutes used in a slot beyond what it has when open. */
const overuse = (f: Frame, r: Relaxed, j: number): number => r.minutes[j]! - (r.open[j] ? f.capacity[j]! : 0);
