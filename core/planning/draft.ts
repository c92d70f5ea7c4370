import type { Frame } from "./frame";
import { arcAt, type PathStep } from "./paths";

/** What the log says was done when it is no slot added (0 and up) or dropped (DROPPED and up). */
const STRIPPED = -1;
const DROPPED = 1 << 20;
const positive = (x: number): number => (x > 0 ? x : 0);

/**
 * A plan in the making that single lines are put into and taken out of hundreds of thousands of times a second: its
 * worth and the minutes over its windows are kept up with every change, and every change can be taken back.
 */
export class Draft {
  /** worth less minutes, rounds opened and stores overfilled, kilos of potatoes */
  value = 0;
  /** minutes beyond the windows, all together */
  over = 0;
  /** by planting: how many picks it has, whether the last one strips it */
  readonly length: Int32Array;
  readonly strips: Uint8Array;
  /** by slot: how many plantings are taken there */
  readonly count: Int32Array;
  /** changes since the log was last cleared, two numbers each */
  logged = 0;
  private readonly n: number;
  private readonly plantings: number;
  private readonly slots: Int16Array;
  private readonly takers: Int32Array;
  private readonly place: Int32Array;
  private readonly used: Float64Array;
  private readonly room: Float64Array;
  private readonly fill: Float64Array;
  // the arcs of all plantings, one after the other: looked up millions of times
  private readonly arcs: number;
  private readonly worth: Float64Array;
  private readonly grams: Float64Array;
  private readonly rest: Float64Array;
  private readonly stripWorth: Float64Array;
  private readonly stripG: Float64Array;
  private readonly minutesPerG: Float64Array;
  private readonly stored: Uint8Array;
  private readonly lineMinutes: number;
  private readonly openCost: number;
  private readonly forced: Uint8Array;
  private log = new Int32Array(4096);

  constructor(private readonly f: Frame) {
    const { n, arcs } = f;
    this.n = n;
    this.plantings = arcs.length;
    this.length = new Int32Array(arcs.length);
    this.strips = new Uint8Array(arcs.length);
    this.slots = new Int16Array(arcs.length * n);
    this.count = new Int32Array(n);
    this.takers = new Int32Array(n * arcs.length);
    this.place = new Int32Array(n * arcs.length);
    this.used = new Float64Array(n);
    this.room = new Float64Array(n);
    this.fill = new Float64Array(f.problem.stores?.length ?? 0);
    this.arcs = n * (n + 1);
    this.worth = joined(arcs.map((_, p) => netWorths(f, p)));
    this.grams = joined(arcs.map((a) => a.massG));
    this.rest = joined(arcs.map((a) => a.rest));
    this.stripWorth = joined(arcs.map((_, p) => netStrips(f, p)));
    this.stripG = joined(arcs.map((a) => a.stripG));
    this.minutesPerG = Float64Array.from(arcs, (a) => a.supply.minutesPerG);
    this.stored = Uint8Array.from(f.storesOf, (of) => Number(of.length > 0));
    this.lineMinutes = f.problem.lineMinutes;
    this.openCost = f.openCost;
    this.forced = f.forced;
  }

  /** Begins anew with a plan; a window that a wish overruns in it counts as just so long. */
  lay(schedule: readonly (readonly PathStep[])[]): void {
    const { f } = this;
    for (const kept of [this.length, this.strips, this.count, this.used, this.fill]) kept.fill(0);
    this.room.fill(Number.POSITIVE_INFINITY);
    this.value = 0;
    this.over = 0;
    for (let j = 0; j < this.n; j++) if (f.forced[j]) this.value -= f.openCost;
    schedule.forEach((steps, p) => {
      this.value += this.restAfter(p, -1);
      this.logged = 0;
      for (const step of steps) this.add(p, step.slot);
      if (steps.at(-1)?.take === "strip") this.strip(p);
    });
    this.logged = 0;
    for (let j = 0; j < this.n; j++) this.room[j] = Math.max(f.capacity[j]!, this.used[j]!);
  }

  /** The slot of a planting's k-th pick. */
  slotOf(p: number, k: number): number {
    return this.slots[p * this.n + k]!;
  }

  /** The k-th planting taken at a slot, in no order. */
  takenAt(j: number, k: number): number {
    return this.takers[j * this.plantings + k]!;
  }

  /** Turns stripping at a planting's last pick on or off. @returns whether that can be; if not, nothing is changed */
  strip(p: number): boolean {
    const last = this.length[p]! - 1;
    if (last < 0) return false;
    const j = this.slots[p * this.n + last]!;
    const more = this.stripWorth[p * this.n + j]!;
    if (more === Number.NEGATIVE_INFINITY) return false;
    const sign = this.strips[p] ? -1 : 1;
    this.strips[p] = this.strips[p]! ^ 1;
    this.value += sign * (more - this.restAfter(p, j));
    this.charge(p, j, 0, sign * this.stripG[p * this.n + j]!);
    this.note(p, STRIPPED);
    return true;
  }

  /**
   * Adds a pick.
   * @param mostOver minutes it may be too long for what is left of the window
   * @returns whether that can be; if not, the planting may no longer be stripped, so take it back
   */
  add(p: number, j: number, mostOver = Number.POSITIVE_INFINITY): boolean {
    const { slots, n } = this;
    const from = p * n;
    const length = this.length[p]!;
    let k = 0;
    while (k < length && slots[from + k]! < j) k += 1;
    if (k < length && slots[from + k] === j) return false;
    const before = k === 0 ? -1 : slots[from + k - 1]!;
    const at = p * this.arcs + arcAt(n, before, j);
    const worth = this.worth[at]!;
    if (worth === Number.NEGATIVE_INFINITY) return false;
    const minutes = this.lineMinutes + this.grams[at]! * this.minutesPerG[p]!;
    if (this.used[j]! + minutes - this.room[j]! > mostOver) return false;
    if (k === length && this.strips[p]) this.strip(p);
    if (k === length) this.value += this.restAfter(p, j) - this.restAfter(p, before);
    else if (!this.changeNext(p, slots[from + k]!, before, j)) return false;
    this.value += worth;
    if (this.count[j] === 0 && !this.forced[j]) this.value -= this.openCost;
    this.place[from + j] = this.count[j]!;
    this.takers[j * this.plantings + this.count[j]!] = p;
    this.count[j]! += 1;
    this.charge(p, j, this.lineMinutes, this.grams[at]!);
    for (let q = length; q > k; q--) slots[from + q] = slots[from + q - 1]!;
    slots[from + k] = j;
    this.length[p] = length + 1;
    this.note(p, j);
    return true;
  }

  /** Drops a pick that is there. @returns whether that can be; if not, the planting may no longer be stripped */
  drop(p: number, j: number): boolean {
    const { slots, n } = this;
    const from = p * n;
    const length = this.length[p]!;
    let k = 0;
    while (slots[from + k]! < j) k += 1;
    if (k === length - 1 && this.strips[p]) this.strip(p);
    const before = k === 0 ? -1 : slots[from + k - 1]!;
    if (k === length - 1) this.value += this.restAfter(p, before) - this.restAfter(p, j);
    else if (!this.changeNext(p, slots[from + k + 1]!, j, before)) return false;
    const at = p * this.arcs + arcAt(n, before, j);
    this.value -= this.worth[at]!;
    this.count[j]! -= 1;
    if (this.count[j] === 0 && !this.forced[j]) this.value += this.openCost;
    const moved = this.takers[j * this.plantings + this.count[j]!]!;
    this.takers[j * this.plantings + this.place[from + j]!] = moved;
    this.place[moved * n + j] = this.place[from + j]!;
    this.charge(p, j, -this.lineMinutes, -this.grams[at]!);
    for (let q = k; q < length - 1; q++) slots[from + q] = slots[from + q + 1]!;
    this.length[p] = length - 1;
    this.note(p, DROPPED + j);
    return true;
  }

  /** Takes back what was done since the log stood at a mark. */
  undo(mark: number): void {
    while (this.logged > mark) {
      const what = this.log[this.logged - 1]!;
      const p = this.log[this.logged - 2]!;
      const left = this.logged - 2;
      if (what === STRIPPED) this.strip(p);
      else if (what >= DROPPED) this.add(p, what - DROPPED);
      else this.drop(p, what);
      this.logged = left;
    }
  }

  /** The plan as it stands. */
  schedule(): PathStep[][] {
    return Array.from({ length: this.plantings }, (_, p) =>
      Array.from({ length: this.length[p]! }, (_, k) => ({
        slot: this.slotOf(p, k),
        take: this.strips[p] && k === this.length[p]! - 1 ? "strip" : "ready",
      })),
    );
  }

  private restAfter(p: number, j: number): number {
    return this.rest[p * (this.n + 1) + j + 1]!;
  }

  /** What the pick after a changed one brings now that another one was before it. */
  private changeNext(p: number, next: number, was: number, is: number): boolean {
    const old = p * this.arcs + arcAt(this.n, was, next);
    const now = p * this.arcs + arcAt(this.n, is, next);
    if (this.worth[now] === Number.NEGATIVE_INFINITY) return false;
    this.value += this.worth[now]! - this.worth[old]!;
    this.charge(p, next, 0, this.grams[now]! - this.grams[old]!);
    return true;
  }

  private charge(p: number, j: number, lineMinutes: number, grams: number): void {
    const minutes = lineMinutes + grams * this.minutesPerG[p]!;
    const before = this.used[j]! - this.room[j]!;
    this.used[j]! += minutes;
    this.over += positive(before + minutes) - positive(before);
    if (this.stored[p] === 0) return;
    const here = this.f.draws[p]![j]!;
    for (let k = 0; k < here.length; k++) {
      const { store, perG } = here[k]!;
      const { capacity, over } = this.f.problem.stores![store]!;
      const stood = this.fill[store]! - capacity;
      this.fill[store]! += perG * grams;
      this.value -= over * (positive(stood + perG * grams) - positive(stood));
    }
  }

  private note(p: number, what: number): void {
    if (this.logged + 2 > this.log.length) {
      const longer = new Int32Array(2 * this.log.length);
      longer.set(this.log);
      this.log = longer;
    }
    this.log[this.logged++] = p;
    this.log[this.logged++] = what;
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
