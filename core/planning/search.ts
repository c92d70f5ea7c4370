import {
  type Assignment,
  copyOf,
  improveAll,
  makeRoom,
  openOf,
  pathWithin,
  replacePath,
  type Table,
  tableOf,
  tableValue,
  tally,
} from "./assign";
import type { Draw } from "./blend";
import type { Frame } from "./frame";
import { arcAt } from "./paths";

/** Slots that a round is tried at in place of another: so many on either side. */
const REACH = 3;
const PASSES = 4;
const LEAST = 1e-9;
/** How much worse than the best a relaid plan may be to go on from, as a share, at first; less and less. */
const BEAR = 0.0006;
/** Turns between two plans handed out. */
const TURNS_AT_ONCE = 30;
/** A relaid plan this far below the one in hand, as a share of it, is not polished. */
const NEAR = 0.01;

/** A plan being bettered: the table in hand, its worth, and how to try another. */
type Search = { f: Frame; table: Table; value: number };

function take(s: Search, candidate: Table): boolean {
  const value = tableValue(s.f, candidate);
  if (value <= s.value + LEAST) return false;
  s.table = candidate;
  s.value = value;
  return true;
}

/** Lets plantings use the open slots anew, those first that sat in a slot now closed; gives up where it is far below. */
function settle(s: Search, t: Table, open: Uint8Array): Table {
  const far = () => tableValue(s.f, t) < s.value - NEAR * Math.abs(s.value);
  let left = false;
  for (let p = 0; p < s.f.arcs.length; p++)
    if (t.paths[p]!.steps.some((step) => !open[step.slot])) {
      replacePath(s.f, t, p, pathWithin(s.f, t, p, open));
      left = true;
    }
  if (left && far()) return t;
  if (improveAll(s.f, t, open) && !far()) improveAll(s.f, t, open);
  return t;
}

/** Improves a plan by opening, closing and moving slots, for as long as anything helps. */
export function* search(f: Frame, from: Assignment): Generator<Assignment> {
  const s: Search = { f, table: tableOf(f, from.schedule), value: from.value };
  const free = f.problem.slots.flatMap((slot, j) => (slot.allowed && !f.forced[j] ? [j] : []));
  for (let pass = 0; pass < PASSES; pass++) {
    const before = s.value;
    for (const j of free) {
      const open = openOf(f, s.table);
      const flipped = open.slice();
      flipped[j] = flipped[j] ? 0 : 1;
      if (take(s, settle(s, copyOf(s.table), flipped))) yield tally(f, s.table, from.unmet);
      else if (open[j]) {
        for (const k of free) {
          if (Math.abs(k - j) > REACH || open[k]) continue;
          const moved = flipped.slice();
          moved[k] = 1;
          if (take(s, settle(s, copyOf(s.table), moved))) break;
        }
        yield tally(f, s.table, from.unmet);
      }
    }
    if (s.value <= before + LEAST) break;
  }
  yield tally(f, s.table, from.unmet);
}

/** Numbers as good as chance, and the same every time. */
export function dice(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 4294967296) * below);
  };
}

/** How dear chance makes an hour at most while lines are laid in again, in usual prices of a minute. */
const WHIM = 2;
/** Turns in a hundred that lay lines in by the mix instead; and that look around two hours at once. */
const MIXED = 35;
const TWO_HOURS = 60;
/** Hours on either side of the chosen one whose lines are laid in again; and one planting in so many besides. */
const AROUND = 2;
const BESIDES = 10;
/** Of a hundred turns so many lay in first what takes most minutes, more or less: it finds no room later. */
const BULKY_FIRST = 70;

/**
 * Takes the plantings around an hour or two out, and a few others, and lays them in again in another order: by the mix
 * of paths that prices chose, or at prices for the minutes that chance has shaken. So lines change places that none
 * could change alone. What is better is gone on
 * from, and at first now and then what is a little worse; the best is kept.
 */
export function* relay(
  f: Frame,
  from: Assignment,
  minutePrice: Float64Array,
  draw: Draw,
  turns: number,
  seed: number,
): Generator<Assignment> {
  let held = { table: tableOf(f, from.schedule), value: from.value };
  let best = held;
  const roll = dice(f.n + 977 * seed);
  const movable = f.arcs.flatMap((_, p) => (f.musts[p]!.length === 0 ? [p] : []));
  const empty = f.arcs.map((a) => ({ steps: [], value: a.rest[0]! }));
  // minutes that all of a planting takes at once, on average over the slots
  const bulk = f.arcs.map((a) => {
    let massG = 0;
    for (let j = 0; j < f.n; j++) massG += a.massG[arcAt(f.n, -1, j)]!;
    return (massG / Math.max(1, f.n)) * a.supply.minutesPerG;
  });
  const usual = minutePrice.reduce((sum, m) => sum + m, 0) / Math.max(1, f.n);
  for (let turn = 0; turn < turns; turn++) {
    if (turn > 0 && turn % TURNS_AT_ONCE === 0) yield tally(f, best.table, from.unmet);
    const t = copyOf(held.table);
    const open = openOf(f, t);
    const used = f.problem.slots.flatMap((_, j) => (open[j] ? [j] : []));
    if (used.length === 0 || movable.length === 0) break;
    const at = used[roll(used.length)]!;
    const reach = roll(AROUND);
    const other = used[roll(used.length)]!;
    const two = roll(100) < TWO_HOURS;
    const near = (p: number) =>
      t.paths[p]!.steps.some(
        (step) => Math.abs(step.slot - at) <= reach || (two && Math.abs(step.slot - other) <= reach),
      );
    const out = movable.filter((p) => near(p) || roll(BESIDES) === 0);
    shuffle(out, roll);
    if (roll(100) < BULKY_FIRST) {
      const rank = new Map(out.map((p) => [p, bulk[p]! * (1 + roll(100) / 100)]));
      out.sort((a, b) => rank.get(b)! - rank.get(a)!);
    }
    for (const p of out) replacePath(f, t, p, empty[p]!);
    if (roll(6) === 0) {
      const fresh = roll(f.n);
      if (f.problem.slots[fresh]!.allowed) open[fresh] = 1;
    } else if (roll(8) === 0 && !f.forced[at]) open[at] = 0;
    if (roll(100) < MIXED) {
      for (const p of out) {
        const drawn = draw(p, roll);
        replacePath(f, t, p, drawn);
        for (const step of drawn.steps)
          if (!open[step.slot] && f.problem.slots[step.slot]!.allowed) open[step.slot] = 1;
      }
      makeRoom(f, t, open);
    } else {
      const share = roll(5) / 4;
      const whim = roll(WHIM + 1) * usual;
      if (share + whim > 0) {
        const price = minutePrice.map((m) => m * share + (whim * roll(100)) / 100);
        for (const p of out) replacePath(f, t, p, pathWithin(f, t, p, open, price));
      }
      for (const p of out) replacePath(f, t, p, pathWithin(f, t, p, open));
    }
    if (tableValue(f, t) < held.value - NEAR * Math.abs(held.value)) continue;
    improveAll(f, t, open);
    const value = tableValue(f, t);
    if (value <= held.value - BEAR * Math.abs(best.value) * (1 - turn / turns)) continue;
    held = { table: t, value };
    if (value > best.value + LEAST) best = held;
  }
  yield* search(f, tally(f, best.table, from.unmet));
}

function shuffle(items: number[], roll: (below: number) => number): void {
  for (let k = items.length - 1; k > 0; k--) {
    const other = roll(k + 1);
    [items[k], items[other]] = [items[other]!, items[k]!];
  }
}
