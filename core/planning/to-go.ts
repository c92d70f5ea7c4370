import { netStrips, netWorths } from "./arc-table";
import type { Frame } from "./frame";
import { arcAt } from "./paths";
import type { SlotPrices } from "./relax";

/**
 * Other prices that a store is tried at: a share of the price found for it, and of the way from there to its full cost.
 * The first and the last are exact once nothing more comes in: nothing while there is room, the full cost beyond.
 */
const LEVELS: readonly (readonly [number, number])[] = [
  [0, 0],
  [0.5, 0],
  [1, 0.3],
  [1, 1],
];
export const STORE_LEVELS = LEVELS.length;

/** What is still to be had of every planting at prices, by how it stands; worked out once for a beam. */
export type ToGo = {
  /** by planting: worth to come at the prices found, by `toGoAt` */
  worth: Float64Array[];
  /** by planting: the stores it fills that have a price, with the worth to come at each other price of that one store */
  stores: { store: number; worth: Float64Array[] }[][];
  /** by store: the price found, and the others */
  price: Float64Array;
  levels: Float64Array[];
  /** by planting: worth of every pick less its minutes, as `netWorths`; what stripping adds, as `netStrips` */
  net: Float64Array[];
  strips: Float64Array[];
};

/** How a planting stands: not picked, last picked at a slot (`AFTER + slot`), or done with (`doneAt`). */
export const UNPICKED = 0;
export const AFTER = 1;
export const doneAt = (n: number): number => n + 1;
/** Place of "stands so before slot j" in the worth to come. */
export const toGoAt = (n: number, slot: number, standing: number): number => slot * (n + 2) + standing;

/**
 * Worth to come of every planting at given prices for rounds, minutes and stores: the best path onward from every last
 * pick. Together they bound what any plan can still bring, as in the relaxed question.
 */
export function toGoOf(f: Frame, at: SlotPrices): ToGo {
  const stores = f.problem.stores ?? [];
  const price = Float64Array.from(stores, (s, k) => Math.min(s.over, at.store[k]!));
  const levels = stores.map((s, k) =>
    Float64Array.from(LEVELS, ([share, way]) => share * price[k]! + way * (s.over - price[k]!)),
  );
  const net = f.arcs.map((_, p) => netWorths(f, p));
  const strips = f.arcs.map((_, p) => netStrips(f, p));
  /** Prices of a gram at every slot, with one store at another price than the one found. */
  const perG = (p: number, other: number, otherPrice: number) =>
    Float64Array.from({ length: f.n }, (_, j) => {
      let sum = at.minute[j]! * f.arcs[p]!.supply.minutesPerG;
      for (const d of f.draws[p]![j]!) sum += (d.store === other ? otherPrice : price[d.store]!) * d.perG;
      return sum;
    });
  const onward = (p: number, grams: Float64Array) => pathsOnward(f, p, net[p]!, strips[p]!, at, grams);
  return {
    worth: f.arcs.map((_, p) => onward(p, perG(p, -1, 0))),
    stores: f.storesOf.map((of, p) =>
      of
        .filter((store) => price[store]! > 0)
        .map((store) => ({
          store,
          worth: Array.from(levels[store]!, (level) => onward(p, perG(p, store, level))),
        })),
    ),
    price,
    levels,
    net,
    strips,
  };
}

/** The longest path of one planting onward from every standing before every slot. */
function pathsOnward(
  f: Frame,
  p: number,
  net: Float64Array,
  strips: Float64Array,
  at: SlotPrices,
  perG: Float64Array,
): Float64Array {
  const { n } = f;
  const a = f.arcs[p]!;
  const done = doneAt(n);
  const worth = new Float64Array((n + 1) * (n + 2));
  for (let standing = 0; standing <= n; standing++) worth[toGoAt(n, n, standing)] = a.rest[standing]!;
  for (let j = n - 1; j >= 0; j--) {
    const perLine = at.minute[j]! * a.lineMinutes + at.link[p]![j]!;
    const next = worth[toGoAt(n, j + 1, a.supply.once ? done : AFTER + j)]!;
    const gone = worth[toGoAt(n, j + 1, done)]!;
    const must = f.musts[p]!.includes(j);
    for (let standing = 0; standing <= done; standing++) {
      let top = must ? Number.NEGATIVE_INFINITY : worth[toGoAt(n, j + 1, standing)]!;
      const arc = standing <= j ? arcAt(n, standing - 1, j) : -1;
      if (arc >= 0 && net[arc]! > Number.NEGATIVE_INFINITY) {
        const picked = net[arc]! - perLine - perG[j]! * a.massG[arc]!;
        if (picked + next > top) top = picked + next;
        if (strips[j]! > Number.NEGATIVE_INFINITY) {
          const stripped = picked + strips[j]! - perG[j]! * a.stripG[j]! + gone;
          if (stripped > top) top = stripped;
        }
      }
      worth[toGoAt(n, j, standing)] = top;
    }
  }
  return worth;
}
