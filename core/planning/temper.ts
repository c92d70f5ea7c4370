import { type Assignment, improveAll, openOf, tableOf, tally } from "./assign";
import { Draft, NO_SLOT } from "./draft";
import type { Frame } from "./frame";
import type { PathStep } from "./paths";

/** How far a line is moved at once, in slots. */
const REACH = 5;
/** Worth that a change may cost at the beginning and at the end, in kilos of potatoes (own choice, by trial). */
const WARM = 0.05;
const COOL = 0.01;
/** What a minute beyond a window costs meanwhile, in usual prices of a minute: dearer and dearer (by trial). */
const OVER_FROM = 8;
const OVER_TO = 15;
/** Turns between two prices of a minute too many, and how many such stretches between two plans handed out. */
const TURNS_AT_ONCE = 1000;
const STRETCHES = 8;
const POLISHES = 4;
/** How often of 256 times only what good plans differ in is looked at: the plantings, and the slots they are put in. */
const WHERE_THEY_DIFFER = 205;

/** Numbers as good as chance, the same every time for a seed (xorshift, 32 bits). */
class Chances {
  // an array, so that no number is boxed anew at every call
  private readonly state = new Int32Array(1);

  begin(seed: number): void {
    this.state[0] = Math.imul(seed + 1, 0x9e3779b9) || 1;
  }
  /** 32 bits */
  bits(): number {
    let s = this.state[0]!;
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    this.state[0] = s;
    return s;
  }
  /** in (0, 1] */
  share(): number {
    return ((this.bits() >>> 0) + 1) / 4294967296;
  }
  /** a whole number below another one that is less than 2^15 */
  below(k: number): number {
    return ((this.bits() >>> 16) * k) >>> 16;
  }
}

/** How often each kind of change is tried, of 256 times (own choice, by trial). */
const SHARES = { move: 80, add: 40, leave: 34, strip: 20, swap: 44, push: 34, shift: 3, open: 1 };
type Kind = keyof typeof SHARES;
const KINDS = Object.keys(SHARES) as Kind[];
const KIND_BY_BITS = Uint8Array.from(KINDS.flatMap((kind, k) => Array.from({ length: SHARES[kind] }, () => k)));

/**
 * Simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983): a line moved, added, left out or stripped, two lines put
 * in each other's place, one pushed out by another, a whole round moved to another hour, one opened; a few minutes too
 * many borne at a price that rises. Lines so fill the windows to the last minute. Deterministic for a seed.
 * @param minuteWorth usual price of a minute, kilos of potatoes
 */
export function tempering(f: Frame, minuteWorth: number) {
  const { n } = f;
  const draft = new Draft(f);
  const chances = new Chances();
  const fixed = f.musts.map((m) => m.length > 0);
  const movable = Int32Array.from(f.arcs.flatMap((_, p) => (fixed[p] ? [] : [p])));
  const allowed = Int16Array.from(f.problem.slots.flatMap((s, j) => (s.allowed || f.forced[j] ? [j] : [])));
  const free = allowed.filter((j) => !f.forced[j]);
  /** plantings that good plans differ in, and by planting the slots they take it at */
  let differing = movable;
  let places: Int16Array[] = f.arcs.map(() => allowed);

  const one = (of: ArrayLike<number>): number => of[chances.below(of.length)]!;
  const planting = (bits: number): number => one(((bits >>> 8) & 255) < WHERE_THEY_DIFFER ? differing : movable);
  /** A slot near another one, or `NO_SLOT` beyond the ends. */
  const near = (j: number): number => {
    const bits = chances.bits();
    const by = 1 + (((bits >>> 16) * REACH) >>> 16);
    const to = bits & 1 ? j - by : j + by;
    return to < 0 || to >= n ? NO_SLOT : to;
  };
  /** A slot for a planting: one of those that good plans take it at, or near another one, or any. */
  const placeFor = (p: number, by: number): number => {
    const known = places[p]!;
    const bits = chances.bits();
    if (known.length > 0 && (bits & 255) < WHERE_THEY_DIFFER) return known[((bits >>> 16) * known.length) >>> 16]!;
    return by === NO_SLOT ? one(allowed) : near(by);
  };
  const lineOf = (p: number): number => draft.slotOf(p, chances.below(draft.length[p]!));
  const takerAt = (j: number): number => draft.takenAt(j, chances.below(draft.count[j]!));

  const move = (p: number): boolean => {
    if (draft.length[p] === 0) return false;
    const from = lineOf(p);
    const to = placeFor(p, from);
    return to !== NO_SLOT && to !== from && draft.edit(p, from, to, 0);
  };
  const swap = (p: number): boolean => {
    if (draft.length[p] === 0) return false;
    const here = lineOf(p);
    let there = placeFor(p, here);
    for (let tries = 0; tries < 3 && (there === NO_SLOT || draft.count[there] === 0); tries++)
      there = placeFor(p, here);
    if (there === NO_SLOT || there === here || draft.count[there] === 0) return false;
    const q = takerAt(there);
    if (q === p || fixed[q]) return false;
    const [mine, other] = [draft.minutesOf(p, here), draft.minutesOf(q, there)];
    return draft.edit(p, here, there, other) && draft.edit(q, there, here, mine);
  };
  const push = (p: number): boolean => {
    const moves = draft.length[p]! > 0 && (f.arcs[p]!.supply.once || chances.below(10) < 6);
    const from = moves ? lineOf(p) : NO_SLOT;
    const to = placeFor(p, from);
    if (to === NO_SLOT || to === from || draft.count[to] === 0) return false;
    const q = takerAt(to);
    if (q === p || fixed[q]) return false;
    const freed = draft.minutesOf(q, to);
    if (!draft.edit(p, from, to, freed)) return false;
    const away = chances.below(10) < 3 ? NO_SLOT : placeFor(q, to);
    if (away === to) return false;
    return draft.edit(q, to, away, away === from && from !== NO_SLOT ? draft.minutesOf(p, from) : 0);
  };
  const shift = (): boolean => {
    if (free.length === 0) return false;
    const from = one(free);
    const to = near(from);
    if (to === NO_SLOT) return false;
    let some = false;
    for (let k = 0; k < draft.count[from]!; k++) {
      const q = draft.takenAt(from, k);
      if (fixed[q]) return false;
      if (draft.edit(q, from, to)) some = true;
    }
    return some;
  };
  /**
   * Takes a planting at a slot besides, or in place of the pick before or after, whichever gains.
   * @param joined the path before is kept here
   * @returns what it gains
   */
  const join = (p: number, at: number, joined: [p: number, before: PathStep[]][]): number => {
    const length = draft.length[p]!;
    let k = 0;
    while (k < length && draft.slotOf(p, k) < at) k += 1;
    // the first to be taken there is not asked to pay for the whole round
    let top = draft.count[at] === 0 ? -f.openCost : 0;
    let how = n;
    for (const instead of [NO_SLOT, k > 0 ? draft.slotOf(p, k - 1) : n, k < length ? draft.slotOf(p, k) : n]) {
      if (instead === n) continue;
      draft.begin();
      if (!draft.edit(p, instead, at, 0) || !draft.promising(top)) continue;
      const gain = draft.gain();
      if (gain > top + 1e-12) [top, how] = [gain, instead];
    }
    if (how === n) return 0;
    joined.push([p, draft.pathOf(p)]);
    draft.begin();
    draft.edit(p, how, at, 0);
    const gain = draft.gain();
    draft.take();
    return gain;
  };
  /** Opens a round with all that gain by it; takes it back where it gains less than it must. */
  const open = (least: number): void => {
    if (free.length === 0) return;
    const at = one(free);
    if (draft.count[at]! > 0) return;
    const first = chances.below(movable.length);
    const joined: [p: number, before: PathStep[]][] = [];
    let gain = 0;
    for (let k = 0; k < movable.length; k++) {
      const p = movable[(first + k) % movable.length]!;
      if (f.mayUse[p]![at]) gain += join(p, at, joined);
    }
    if (gain < least) for (const [p, before] of joined) draft.set(p, before);
  };
  /** Asks the draft about a change. @returns whether there is one */
  const asked = (kind: Kind, p: number): boolean => {
    switch (kind) {
      case "move":
        return move(p);
      case "add":
        return draft.edit(p, NO_SLOT, placeFor(p, NO_SLOT), 0);
      case "leave":
        return draft.length[p]! > 0 && draft.edit(p, lineOf(p), NO_SLOT);
      case "strip":
        return draft.flip(p);
      case "swap":
        return swap(p);
      case "push":
        return push(p);
      default:
        return shift();
    }
  };
  /** So many turns, cooling down; of the plans within all limits the draft keeps the best. @returns its worth */
  const run = (turns: number, from: number, cooling: number, worth: number): number => {
    let heat = from;
    let kept = worth;
    for (let turn = 0; turn < turns; turn++) {
      heat *= cooling;
      const bits = chances.bits();
      const kind = KINDS[KIND_BY_BITS[bits & 255]!]!;
      if (kind === "open") open(heat * Math.log(chances.share()));
      else {
        draft.begin();
        if (!asked(kind, planting(bits))) continue;
        const least = heat * Math.log(chances.share());
        if (!draft.promising(least) || draft.gain() < least) continue;
        draft.take();
      }
      if (draft.over < 1e-9 && draft.value > kept + 1e-9) {
        kept = draft.value;
        draft.keep();
      }
    }
    return kept;
  };

  return {
    /** From now on it looks at all plantings and slots alike, as it does at first. */
    lookEverywhere(): void {
      differing = movable;
      places = f.arcs.map(() => allowed);
    },
    /** From now on it looks mostly at what some good plans differ in. */
    lookWhereTheyDiffer(plans: readonly Assignment[]): void {
      const pathKey = (steps: readonly PathStep[]) => steps.map((s) => `${s.slot}${s.take}`).join();
      const differ = movable.filter((p) => new Set(plans.map((a) => pathKey(a.schedule[p]!))).size > 1);
      differing = differ.length > 0 ? differ : movable;
      places = f.arcs.map((_, p) => Int16Array.from(new Set(plans.flatMap((a) => a.schedule[p]!.map((s) => s.slot)))));
    },
    /** Makes of a plan another within all limits, in so many turns; never worse than the one it began with. */
    *better(from: Assignment, turns: number, seed: number): Generator<Assignment> {
      let best = from;
      if (movable.length === 0 || allowed.length === 0) return;
      chances.begin(seed);
      draft.lay(from.schedule);
      const cooling = (COOL / WARM) ** (1 / turns);
      let worth = from.value;
      let stretch = 0;
      for (let turn = 0; turn < turns; turn += TURNS_AT_ONCE) {
        draft.overPrice = OVER_FROM * minuteWorth * (OVER_TO / OVER_FROM) ** (turn / turns);
        worth = run(Math.min(TURNS_AT_ONCE, turns - turn), WARM * cooling ** turn, cooling, worth);
        const last = turn + TURNS_AT_ONCE >= turns;
        if (!last && ++stretch % STRETCHES !== 0) continue;
        if (worth > best.value + 1e-9) {
          const found = tally(f, tableOf(f, draft.kept()), from.unmet);
          if (found.value > best.value) best = found;
        }
        if (last && best !== from) {
          const t = tableOf(f, best.schedule);
          const used = openOf(f, t);
          improveAll(f, t, used, POLISHES);
          const found = tally(f, t, from.unmet);
          if (found.value > best.value) best = found;
        }
        yield best;
      }
    },
  };
}
