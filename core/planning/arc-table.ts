import type { Frame } from "./frame";
import { arcAt } from "./paths";

/** All that a draft looks up millions of times and that never changes: the arcs of all plantings one after the other. */
export class ArcTable {
  protected readonly n: number;
  protected readonly plantings: number;
  protected readonly arcs: number;
  protected readonly arcWorth: Float64Array;
  protected readonly grams: Float64Array;
  protected readonly rest: Float64Array;
  protected readonly stripWorth: Float64Array;
  protected readonly stripG: Float64Array;
  protected readonly minutesPerG: Float64Array;
  /** by planting and slot: the fewest minutes a line there can take */
  protected readonly least: Float64Array;
  protected readonly drawsFrom: Int32Array;
  protected readonly drawStore: Int32Array;
  protected readonly drawPerG: Float64Array;
  protected readonly capacity: Float64Array;
  protected readonly overCost: Float64Array;
  protected readonly lineMinutes: number;
  protected readonly openCost: number;
  protected readonly forced: Uint8Array;

  constructor(protected readonly f: Frame) {
    const { n, arcs } = f;
    const stores = f.problem.stores ?? [];
    this.n = n;
    this.plantings = arcs.length;
    this.arcs = n * (n + 1);
    this.arcWorth = joined(arcs.map((_, p) => netWorths(f, p)));
    this.grams = joined(arcs.map((a) => a.massG));
    this.rest = joined(arcs.map((a) => a.rest));
    this.stripWorth = joined(arcs.map((_, p) => netStrips(f, p)));
    this.stripG = joined(arcs.map((a) => a.stripG));
    this.minutesPerG = Float64Array.from(arcs, (a) => a.supply.minutesPerG);
    this.least = new Float64Array(arcs.length * n).fill(Number.POSITIVE_INFINITY);
    for (let p = 0; p < arcs.length; p++)
      for (let j = 0; j < n; j++)
        for (let i = -1; i < j; i++) {
          const at = p * this.arcs + arcAt(n, i, j);
          const minutes = f.problem.lineMinutes + this.grams[at]! * this.minutesPerG[p]!;
          if (this.arcWorth[at]! > Number.NEGATIVE_INFINITY)
            this.least[p * n + j] = Math.min(this.least[p * n + j]!, minutes);
        }
    const draws = f.draws.flat();
    this.drawsFrom = new Int32Array(draws.length + 1);
    draws.forEach((here, k) => {
      this.drawsFrom[k + 1] = this.drawsFrom[k]! + here.length;
    });
    this.drawStore = Int32Array.from(draws.flat(), (d) => d.store);
    this.drawPerG = Float64Array.from(draws.flat(), (d) => d.perG);
    this.capacity = Float64Array.from(stores, (s) => s.capacity);
    this.overCost = Float64Array.from(stores, (s) => s.over);
    this.lineMinutes = f.problem.lineMinutes;
    this.openCost = f.openCost;
    this.forced = f.forced;
  }
}

function joined(parts: readonly Float64Array[]): Float64Array {
  const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/** Worth of every pick of a planting after every earlier one, less its minutes; −Infinity where it may not be. */
export function netWorths(f: Frame, p: number): Float64Array {
  const a = f.arcs[p]!;
  const net = new Float64Array(a.worth.length).fill(Number.NEGATIVE_INFINITY);
  for (let j = 0; j < f.n; j++)
    for (let i = -1; i < j; i++) {
      const at = arcAt(f.n, i, j);
      if (f.mayUse[p]![j]) net[at] = a.worth[at]! - f.perUse[p]![j]! - f.perG[p]![j]! * a.massG[at]!;
    }
  return net;
}

/** What stripping a planting adds at every slot, less its minutes. */
export const netStrips = (f: Frame, p: number): Float64Array =>
  f.arcs[p]!.stripWorth.map((worth, j) => worth - f.perG[p]![j]! * f.arcs[p]!.stripG[j]!);
