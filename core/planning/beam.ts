import { type Assignment, improveAll, makeRoom, openOf, tableOf, tally } from "./assign";
import type { Frame } from "./frame";
import { Packing } from "./packing";
import { arcAt, type PathStep } from "./paths";
import { AFTER, doneAt, STORE_LEVELS, type ToGo, toGoAt, UNPICKED } from "./to-go";

/** Ways to fill one hour that are gone on from, besides those that take or leave one crop against the best. */
const FILLINGS = 4;
/** A crop that can be taken only once is also tried where it seems to lose so much, kilos of potatoes. */
const LOSING = 0.5;

const PASSES = 6;

/** What the plantings have come to so far: how each stands, what it brought, what fills the stores. */
type State = {
  standing: Uint8Array;
  value: number;
  fill: Float64Array;
  before: State | null;
  slot: number;
  /** plantings taken at the slot; `~p`: stripped */
  took: number[];
};
/** A state and what is taken next, with the most it can still come to. */
type Next = { state: State; took: number[]; score: number };

/**
 * Plans laid out hour by hour from the first to the last (beam search): of all that could be done by then only the most
 * promising states are gone on from. How promising a state is, the prices of the relaxed question tell: what it brought
 * and what each planting still can bring from there, at the store prices that suit it worst. So rounds are filled to the
 * minute one after the other, with an eye on all that is to come.
 * @param toGo what is still to be had at the prices of the relaxed question
 * @param width states gone on from after each hour
 * @param alike of them so many at most that took the same of what can be taken only once
 * @returns hands out nothing after each hour, and at the end the plans, each of them another choice of such crops
 */
export function* beam(f: Frame, toGo: ToGo, width: number, alike: number): Generator<null, Assignment[]> {
  const step = stepper(f, toGo);
  let states: State[] = [
    {
      standing: new Uint8Array(f.arcs.length).fill(UNPICKED),
      value: 0,
      fill: new Float64Array(f.problem.stores?.length ?? 0),
      before: null,
      slot: -1,
      took: [],
    },
  ];
  for (let j = 0; j < f.n; j++) {
    const nexts: Next[] = [];
    for (const state of states) step.fillings(state, j, nexts);
    nexts.sort((a, b) => b.score - a.score);
    states = chosen(f, nexts, width, alike, (next) => step.go(next, j));
    yield null;
  }
  const seen = new Set<string>();
  const plans: Assignment[] = [];
  for (const state of states.sort((a, b) => b.value - a.value)) {
    const key = onceKey(f, state);
    if (seen.has(key)) continue;
    seen.add(key);
    const t = tableOf(f, scheduleOf(f, state));
    const open = openOf(f, t);
    const unmet = makeRoom(f, t, open);
    improveAll(f, t, open, PASSES);
    plans.push(tally(f, t, unmet));
  }
  return plans.sort((a, b) => b.value - a.value);
}

/** The states gone on from: best first, none twice, not too many that are alike. */
function chosen(f: Frame, nexts: readonly Next[], width: number, alike: number, go: (next: Next) => State): State[] {
  const seen = new Set<string>();
  const counts = new Map<string, number>();
  const states: State[] = [];
  for (const next of nexts) {
    if (states.length >= width || next.score === Number.NEGATIVE_INFINITY) break;
    const state = go(next);
    const key = String.fromCharCode(...state.standing);
    if (seen.has(key)) continue;
    const once = onceKey(f, state);
    const count = counts.get(once) ?? 0;
    if (count >= alike) continue;
    seen.add(key);
    counts.set(once, count + 1);
    states.push(state);
  }
  return states;
}

/** What of the crops that can be taken only once is taken. */
function onceKey(f: Frame, state: State): string {
  let key = "";
  for (let p = 0; p < f.arcs.length; p++) if (f.arcs[p]!.supply.once) key += state.standing[p] === UNPICKED ? "0" : "1";
  return key;
}

function scheduleOf(f: Frame, last: State): PathStep[][] {
  const schedule: PathStep[][] = f.arcs.map(() => []);
  for (let s: State | null = last; s; s = s.before)
    for (const q of s.took) schedule[q < 0 ? ~q : q]!.unshift({ slot: s.slot, take: q < 0 ? "strip" : "ready" });
  return schedule;
}

/** How to go on from a state at a slot. */
function stepper(f: Frame, toGo: ToGo) {
  const { n, arcs } = f;
  const stores = f.problem.stores ?? [];
  const done = doneAt(n);
  const packing = new Packing(arcs.length);
  /** by store and level: what that price in place of the one found changes in what a state can come to; the best of it */
  const changes = new Float64Array(stores.length * STORE_LEVELS);
  const least = new Int32Array(stores.length);
  const then = new Float64Array(changes.length);
  const filled = new Float64Array(stores.length);
  const touched: number[] = [];

  /** The level at which a store changes most for the worse, below 0 where the price found does. */
  const leastOf = (of: Float64Array, s: number): number => {
    let level = -1;
    let change = 0;
    for (let l = 0; l < STORE_LEVELS; l++)
      if (of[s * STORE_LEVELS + l]! < change) {
        change = of[s * STORE_LEVELS + l]!;
        level = l;
      }
    return level;
  };
  /** What a store costs or spares as it is filled: at the price found, at the one that suits worst, or as it stands. */
  const storeWorth = (s: number, fill: number, of: Float64Array): number => {
    const room = stores[s]!.capacity - fill;
    if (toGo.price[s] === 0) return -stores[s]!.over * Math.max(0, -room);
    const level = leastOf(of, s);
    return toGo.price[s]! * room + (level < 0 ? 0 : of[s * STORE_LEVELS + level]!);
  };
  /** Reckons what is to come where nothing is taken at a slot. @returns the most the state can come to */
  const survey = (state: State, j: number): number => {
    let score = state.value;
    changes.fill(0);
    for (let p = 0; p < arcs.length; p++) {
      const at = toGoAt(n, j + 1, state.standing[p]!);
      const stay = toGo.worth[p]![at]!;
      score += stay;
      for (const { store, worth } of toGo.stores[p]!)
        for (let l = 0; l < STORE_LEVELS; l++) changes[store * STORE_LEVELS + l]! += worth[l]![at]! - stay;
    }
    for (let s = 0; s < stores.length; s++) {
      for (let l = 0; l < STORE_LEVELS; l++)
        changes[s * STORE_LEVELS + l]! +=
          (toGo.levels[s]![l]! - toGo.price[s]!) * (stores[s]!.capacity - state.fill[s]!);
      least[s] = toGo.price[s] === 0 ? -1 : leastOf(changes, s);
      score += storeWorth(s, state.fill[s]!, changes);
    }
    return score;
  };
  const standingAfter = (p: number, j: number, strips: boolean) => (strips || arcs[p]!.supply.once ? done : AFTER + j);
  /** What a planting gains by being taken now rather than stay, less its minutes. */
  const gainOf = (p: number, j: number, state: State, strips: boolean, mass: number): number => {
    const stay = toGoAt(n, j + 1, state.standing[p]!);
    const go = toGoAt(n, j + 1, standingAfter(p, j, strips));
    const worth = toGo.worth[p]!;
    let gain = toGo.net[p]![arcAt(n, state.standing[p]! - 1, j)]! + (strips ? toGo.strips[p]![j]! : 0);
    gain += worth[go]! - worth[stay]!;
    for (const other of toGo.stores[p]!) {
      const level = least[other.store]!;
      if (level >= 0) gain += other.worth[level]![go]! - worth[go]! - other.worth[level]![stay]! + worth[stay]!;
    }
    for (const d of f.draws[p]![j]!) {
      const level = least[d.store]!;
      gain -= (level < 0 ? toGo.price[d.store]! : toGo.levels[d.store]![level]!) * d.perG * mass;
    }
    return gain;
  };
  /** The most a state can come to after taking lines now. @param settled the same if nothing is taken */
  const scoreOf = (state: State, j: number, took: readonly number[], settled: number): number => {
    if (took.length === 0) return settled - (f.forced[j] ? f.openCost : 0);
    let score = settled - f.openCost;
    touched.length = 0;
    const touch = (s: number) => {
      if (touched.includes(s)) return;
      touched.push(s);
      score -= storeWorth(s, state.fill[s]!, changes);
      filled[s] = state.fill[s]!;
      for (let l = s * STORE_LEVELS; l < (s + 1) * STORE_LEVELS; l++) then[l] = changes[l]!;
    };
    for (const q of took) {
      const strips = q < 0;
      const p = strips ? ~q : q;
      const mass = massOf(p, j, state, strips);
      const stay = toGoAt(n, j + 1, state.standing[p]!);
      const go = toGoAt(n, j + 1, standingAfter(p, j, strips));
      const worth = toGo.worth[p]!;
      const later = worth[go]! - worth[stay]!;
      score += toGo.net[p]![arcAt(n, state.standing[p]! - 1, j)]! + (strips ? toGo.strips[p]![j]! : 0) + later;
      for (const other of toGo.stores[p]!) {
        touch(other.store);
        for (let l = 0; l < STORE_LEVELS; l++)
          then[other.store * STORE_LEVELS + l]! += other.worth[l]![go]! - other.worth[l]![stay]! - later;
      }
      for (const d of f.draws[p]![j]!) {
        touch(d.store);
        filled[d.store]! += d.perG * mass;
        for (let l = 0; l < STORE_LEVELS; l++)
          then[d.store * STORE_LEVELS + l]! -= (toGo.levels[d.store]![l]! - toGo.price[d.store]!) * d.perG * mass;
      }
    }
    for (const s of touched) score += storeWorth(s, filled[s]!, then);
    return score;
  };
  const massOf = (p: number, j: number, state: State, strips: boolean): number =>
    arcs[p]!.massG[arcAt(n, state.standing[p]! - 1, j)]! + (strips ? arcs[p]!.stripG[j]! : 0);
  const minutesOf = (p: number, mass: number) => arcs[p]!.lineMinutes + mass * arcs[p]!.supply.minutesPerG;

  return {
    /** Adds to a list what could be done at a slot from a state, with how promising it is. */
    fillings(state: State, j: number, nexts: Next[]): void {
      const settled = survey(state, j);
      const must: number[] = [];
      let room = f.capacity[j]!;
      packing.lines = 0;
      if (f.problem.slots[j]!.allowed || f.forced[j])
        for (let p = 0; p < arcs.length; p++) {
          if (state.standing[p]! > j) continue;
          if (toGo.net[p]![arcAt(n, state.standing[p]! - 1, j)] === Number.NEGATIVE_INFINITY) continue;
          const mass = massOf(p, j, state, false);
          const stripped = toGo.strips[p]![j]! > Number.NEGATIVE_INFINITY ? massOf(p, j, state, true) : -1;
          if (f.musts[p]!.includes(j)) {
            must.push(p);
            room -= minutesOf(p, mass);
            continue;
          }
          const gain = gainOf(p, j, state, false, mass);
          const least = arcs[p]!.supply.once ? -LOSING : 1e-9;
          if (gain > least && minutesOf(p, mass) <= f.capacity[j]!) packing.add(gain, minutesOf(p, mass), p, p);
          if (stripped < 0) continue;
          const more = gainOf(p, j, state, true, stripped);
          if (more > Math.max(gain, 1e-9) && minutesOf(p, stripped) <= f.capacity[j]!)
            packing.add(more, minutesOf(p, stripped), p, ~p);
        }
      const took = (lines: readonly number[]) => [...must, ...lines.map((k) => packing.name[k]!)];
      nexts.push({ state, took: must, score: scoreOf(state, j, must, settled) });
      if (packing.lines === 0) return;
      packing.sort();
      const tops = packing.best(room, FILLINGS);
      const all = tops.slice();
      const inBest = new Set(tops[0]?.lines.map((k) => packing.owner[k]!));
      for (let k = 0; k < packing.lines; k++) {
        const p = packing.owner[k]!;
        if (!arcs[p]!.supply.once || packing.name[k] !== p) continue;
        if (inBest.has(p)) all.push(...packing.best(room, 1, p));
        else if (packing.minutes[k]! <= room + 1e-9) all.push(...packing.best(room, 1, -1, k));
      }
      for (const { lines } of all) {
        const taken = took(lines);
        nexts.push({ state, took: taken, score: scoreOf(state, j, taken, settled) });
      }
    },
    /** The state after what is taken next. */
    go({ state, took }: Next, j: number): State {
      const value = state.value - (took.length > 0 || f.forced[j] ? f.openCost : 0);
      if (took.length === 0) return { ...state, value, before: state, slot: j, took };
      const standing = state.standing.slice();
      const fill = state.fill.slice();
      let brought = 0;
      for (const q of took) {
        const strips = q < 0;
        const p = strips ? ~q : q;
        const mass = massOf(p, j, state, strips);
        brought += toGo.net[p]![arcAt(n, state.standing[p]! - 1, j)]! + (strips ? toGo.strips[p]![j]! : 0);
        for (const d of f.draws[p]![j]!) fill[d.store]! += d.perG * mass;
        standing[p] = standingAfter(p, j, strips);
      }
      return { standing, value: value + brought, fill, before: state, slot: j, took };
    },
  };
}
