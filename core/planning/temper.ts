import { type Assignment, improveAll, makeRoom, openOf, tableOf, tally } from "./assign";
import type { Frame } from "./frame";
import { arcAt, type PathStep } from "./paths";

/** How far a line is moved at once, in slots. */
const REACH = 5;
/** Of a hundred changes so many move a line, add one, leave one out; the rest turn stripping on or off. */
const MOVES = 0.5;
const ADDS = 0.22;
const LEAVES = 0.2;
/** Worth that a change may cost at the beginning and at the end, in kilos of potatoes (own choice, by trial). */
const WARM = 0.05;
const COOL = 0.01;
/** What a minute beyond a window costs meanwhile, in usual prices of a minute: dearer and dearer (by trial). */
const OVER_FROM = 8;
const OVER_TO = 15;

/** Numbers as good as chance in [0, 1), the same every time for a seed (xorshift, 32 bits). */
function chances(seed: number): () => number {
  let state = Math.imul(seed + 1, 0x9e3779b9) >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4294967296;
  };
}

/** Worth of every arc with its minutes priced in, and those minutes: looked up hundreds of thousands of times. */
type Priced = { value: Float64Array; minutes: Float64Array };

function pricedArcs(f: Frame, p: number): Priced {
  const a = f.arcs[p]!;
  const value = new Float64Array(f.n * (f.n + 1)).fill(Number.NEGATIVE_INFINITY);
  const minutes = new Float64Array(value.length);
  for (let j = 0; j < f.n; j++)
    for (let i = -1; i < j; i++) {
      const at = arcAt(f.n, i, j);
      if (f.mayUse[p]![j]) value[at] = a.worth[at]! - f.perUse[p]![j]! - f.perG[p]![j]! * a.massG[at]!;
      minutes[at] = a.lineMinutes + a.massG[at]! * a.supply.minutesPerG;
    }
  return { value, minutes };
}

/** One planting's picks in a plan: its slots, rising, and whether the last of them strips it. */
type Line = { slots: Int16Array; length: number; strips: boolean; worth: number };

/**
 * Simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) over single lines: one line of one planting moved, added or
 * left out at a time, a few minutes too many borne at a price that rises. Lines so fill the windows to the last minute,
 * which laying in whole plantings anew does not reach. Deterministic for a seed.
 * @param minuteWorth usual price of a minute, kilos of potatoes
 * @returns what makes of a plan another within all limits, in so many turns; it may be worse than the one it began with
 */
export function tempering(f: Frame, minuteWorth: number) {
  const { n } = f;
  const stores = f.problem.stores ?? [];
  const priced = f.arcs.map((_, p) => pricedArcs(f, p));
  const movable = f.arcs.flatMap((_, p) => (f.musts[p]!.length === 0 ? [p] : []));
  const allowed = f.problem.slots.flatMap((s, j) => (s.allowed || f.forced[j] ? [j] : []));
  const used = new Float64Array(n);
  const uses = new Int32Array(n);
  const fill = new Float64Array(stores.length);
  // what the change in hand would add to each slot and store, and the slots it touches
  const moreMinutes = new Float64Array(n);
  const moreUses = new Int8Array(n);
  const moreFill = new Float64Array(stores.length);
  const touched = new Int16Array(2 * n + 2);
  let touches = 0;
  const next: Line = { slots: new Int16Array(n + 1), length: 0, strips: false, worth: 0 };

  /** Adds a line's minutes and fillings to what changes, or takes them out. @returns its worth */
  const walk = (p: number, line: Line, sign: 1 | -1): number => {
    const a = f.arcs[p]!;
    const { value, minutes } = priced[p]!;
    const stored = f.storesOf[p]!.length > 0;
    let worth = 0;
    let i = -1;
    for (let k = 0; k < line.length; k++) {
      const j = line.slots[k]!;
      const arc = arcAt(n, i, j);
      const strips = line.strips && k === line.length - 1;
      worth += value[arc]! + (strips ? a.stripWorth[j]! - f.perG[p]![j]! * a.stripG[j]! : 0);
      const extraG = strips ? a.stripG[j]! : 0;
      if (moreUses[j] === 0 && moreMinutes[j] === 0) touched[touches++] = j;
      moreMinutes[j]! += sign * (minutes[arc]! + extraG * a.supply.minutesPerG);
      moreUses[j]! += sign;
      if (stored) for (const d of f.draws[p]![j]!) moreFill[d.store]! += sign * d.perG * (a.massG[arc]! + extraG);
      i = j;
    }
    return line.strips ? worth : worth + a.rest[i + 1]!;
  };
  /** Makes the change in hand, or forgets it. */
  const settle = (made: boolean) => {
    for (let q = 0; q < touches; q++) {
      const j = touched[q]!;
      if (made) {
        used[j]! += moreMinutes[j]!;
        uses[j]! += moreUses[j]!;
      }
      moreMinutes[j] = 0;
      moreUses[j] = 0;
    }
    touches = 0;
    for (let s = 0; s < stores.length; s++) {
      if (made) fill[s]! += moreFill[s]!;
      moreFill[s] = 0;
    }
  };
  const excess = (x: number) => (x > 0 ? x : 0);
  /** What the next line of a planting is worth more than the one in hand, rounds opened and limits passed reckoned in. */
  const gainOf = (p: number, line: Line, overPrice: number): number => {
    walk(p, line, -1);
    next.worth = walk(p, next, 1);
    let gain = next.worth - line.worth;
    for (let q = 0; q < touches; q++) {
      const j = touched[q]!;
      const before = used[j]! - f.capacity[j]!;
      gain -= overPrice * (excess(before + moreMinutes[j]!) - excess(before));
      if (!f.forced[j]) gain -= f.openCost * (Number(uses[j]! + moreUses[j]! > 0) - Number(uses[j]! > 0));
    }
    for (const s of f.storesOf[p]!) {
      const before = fill[s]! - stores[s]!.capacity;
      gain -= stores[s]!.over * (excess(before + moreFill[s]!) - excess(before));
    }
    return gain;
  };
  /** Draws a change of a planting's line into `next`. @returns where it differs; below 0: no such change */
  const drawChange = (p: number, line: Line, chance: () => number): number => {
    const { slots, length } = line;
    const kind = chance();
    next.strips = line.strips;
    if (kind < MOVES) {
      if (length === 0) return -1;
      const k = Math.floor(chance() * length);
      const by = 1 + Math.floor(chance() * REACH);
      const j = slots[k]! + (chance() < 0.5 ? -by : by);
      if (j < 0 || j >= n || (k > 0 && j <= slots[k - 1]!) || (k < length - 1 && j >= slots[k + 1]!)) return -1;
      for (let q = 0; q < length; q++) next.slots[q] = slots[q]!;
      next.slots[k] = j;
      next.length = length;
      return k;
    }
    if (kind < MOVES + ADDS) {
      if (f.arcs[p]!.supply.once && length > 0) return -1;
      const j = allowed[Math.floor(chance() * allowed.length)]!;
      let k = 0;
      while (k < length && slots[k]! < j) k += 1;
      if (k < length && slots[k] === j) return -1;
      if (k === length) next.strips = line.strips && chance() < 0.5;
      for (let q = 0; q < k; q++) next.slots[q] = slots[q]!;
      next.slots[k] = j;
      for (let q = k; q < length; q++) next.slots[q + 1] = slots[q]!;
      next.length = length + 1;
      return k;
    }
    if (length === 0) return -1;
    if (kind < MOVES + ADDS + LEAVES) {
      const k = Math.floor(chance() * length);
      for (let q = 0; q < length; q++) next.slots[q > k ? q - 1 : q] = slots[q]!;
      next.length = length - 1;
      if (k === length - 1) next.strips = false;
      return k;
    }
    for (let q = 0; q < length; q++) next.slots[q] = slots[q]!;
    next.length = length;
    next.strips = !line.strips;
    return length - 1;
  };
  /** Whether the next line may be, around the place where it differs. */
  const mayBe = (p: number, k: number): boolean => {
    const { slots, length } = next;
    for (let q = Math.max(0, k); q < length && q <= k + 1; q++)
      if (priced[p]!.value[arcAt(n, q === 0 ? -1 : slots[q - 1]!, slots[q]!)] === Number.NEGATIVE_INFINITY)
        return false;
    return !next.strips || f.arcs[p]!.stripWorth[slots[length - 1]!]! > Number.NEGATIVE_INFINITY;
  };

  return (from: Assignment, turns: number, seed: number): Assignment => {
    if (movable.length === 0 || allowed.length === 0) return from;
    const chance = chances(seed);
    used.fill(0);
    uses.fill(0);
    fill.fill(0);
    const lines = from.schedule.map((steps, p): Line => {
      const line: Line = {
        slots: new Int16Array(n + 1),
        length: steps.length,
        strips: steps.at(-1)?.take === "strip",
        worth: 0,
      };
      steps.forEach((s, k) => {
        line.slots[k] = s.slot;
      });
      line.worth = walk(p, line, 1);
      settle(true);
      return line;
    });
    const cooling = (COOL / WARM) ** (1 / turns);
    const rising = (OVER_TO / OVER_FROM) ** (1 / turns);
    let heat = WARM;
    let overPrice = OVER_FROM * minuteWorth;
    for (let turn = 0; turn < turns; turn++) {
      heat *= cooling;
      overPrice *= rising;
      const p = movable[Math.floor(chance() * movable.length)]!;
      const line = lines[p]!;
      const k = drawChange(p, line, chance);
      if (k < 0 || !mayBe(p, k)) continue;
      const gain = gainOf(p, line, overPrice);
      const taken = gain >= 0 || chance() < Math.exp(gain / heat);
      settle(taken);
      if (!taken) continue;
      for (let q = 0; q < next.length; q++) line.slots[q] = next.slots[q]!;
      line.length = next.length;
      line.strips = next.strips;
      line.worth = next.worth;
    }
    const t = tableOf(
      f,
      lines.map(({ slots, length, strips }): PathStep[] =>
        Array.from({ length }, (_, k) => ({ slot: slots[k]!, take: strips && k === length - 1 ? "strip" : "ready" })),
      ),
    );
    const open = openOf(f, t);
    makeRoom(f, t, open);
    for (let pass = 0, better = true; better && pass < 4; pass++) better = improveAll(f, t, open);
    return tally(f, t, from.unmet);
  };
}
