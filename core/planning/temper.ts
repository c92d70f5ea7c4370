import { type Assignment, improveAll, openOf, tableOf, tally } from "./assign";
import { Draft } from "./draft";
import type { Frame } from "./frame";

/** How far a line is moved at once, in slots. */
const REACH = 5;
/** Worth that a change may cost at the beginning and at the end, in kilos of potatoes (own choice, by trial). */
const WARM = 0.05;
const COOL = 0.01;
/** What a minute beyond a window costs meanwhile, in usual prices of a minute: dearer and dearer (by trial). */
const OVER_FROM = 8;
const OVER_TO = 15;
/** A line this many minutes too long for what is left of a window is not tried there. */
const MOST_OVER = 2;
/** Turns between two plans handed out. */
const TURNS_AT_ONCE = 5000;
const POLISHES = 4;

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

/**
 * Simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983): a line moved, added, left out or stripped, two lines put
 * in each other's place, one pushed out by another, a whole round moved to another hour, one opened; a few minutes too
 * many borne at a price that rises. Lines so fill the windows to the last minute. Deterministic for a seed.
 * @param minuteWorth usual price of a minute, kilos of potatoes
 * @returns what makes of a plan another within all limits, in so many turns; never worse than the one it began with
 */
export function tempering(f: Frame, minuteWorth: number) {
  const { n } = f;
  const draft = new Draft(f);
  const movable = f.arcs.flatMap((_, p) => (f.musts[p]!.length === 0 ? [p] : []));
  const fixed = f.musts.map((m) => m.length > 0);
  const allowed = f.problem.slots.flatMap((s, j) => (s.allowed || f.forced[j] ? [j] : []));
  const free = allowed.filter((j) => !f.forced[j]);
  const group = new Int32Array(f.arcs.length);
  let chance = chances(0);
  let overPrice = 0;
  const below = (k: number) => Math.floor(chance() * k);
  const worth = () => draft.value - overPrice * draft.over;
  /** A slot near another one, or −1 beyond the ends. */
  const near = (j: number) => {
    const by = 1 + below(REACH);
    const to = chance() < 0.5 ? j - by : j + by;
    return to < n ? to : -1;
  };
  const lineOf = (p: number) => draft.slotOf(p, below(draft.length[p]!));
  /** Adds a line to a planting that was stripped before, and strips it again where that still makes sense. */
  const put = (p: number, j: number, stripped: number) => {
    if (!draft.add(p, j, MOST_OVER)) return false;
    if (stripped && !draft.strips[p]) draft.strip(p);
    return true;
  };

  const move = (p: number): boolean => {
    if (draft.length[p] === 0) return false;
    const from = lineOf(p);
    const to = near(from);
    const stripped = draft.strips[p]!;
    return to >= 0 && draft.drop(p, from) && put(p, to, stripped);
  };
  const add = (p: number): boolean => draft.add(p, allowed[below(allowed.length)]!, MOST_OVER);
  const leave = (p: number): boolean => draft.length[p]! > 0 && draft.drop(p, lineOf(p));
  const strip = (p: number): boolean => draft.strip(p);
  const swap = (p: number): boolean => {
    if (draft.length[p] === 0) return false;
    const here = lineOf(p);
    let there = near(here);
    for (let tries = 0; tries < 3 && (there < 0 || draft.count[there] === 0); tries++) there = near(here);
    if (there < 0 || draft.count[there] === 0) return false;
    const q = draft.takenAt(there, below(draft.count[there]!));
    if (q === p || fixed[q]) return false;
    const [stripped, other] = [draft.strips[p]!, draft.strips[q]!];
    return draft.drop(p, here) && draft.drop(q, there) && put(p, there, stripped) && put(q, here, other);
  };
  const push = (p: number): boolean => {
    const stripped = draft.strips[p]!;
    let to: number;
    if (draft.length[p]! > 0 && (f.arcs[p]!.supply.once || chance() < 0.6)) {
      const from = lineOf(p);
      to = near(from);
      if (to < 0 || draft.count[to] === 0 || !draft.drop(p, from)) return false;
    } else to = allowed[below(allowed.length)]!;
    if (draft.count[to] === 0) return false;
    const q = draft.takenAt(to, below(draft.count[to]!));
    if (q === p || fixed[q]) return false;
    const other = draft.strips[q]!;
    if (!draft.drop(q, to) || !put(p, to, stripped)) return false;
    if (chance() < 0.3) return true;
    const away = near(to);
    return away >= 0 && put(q, away, other);
  };
  const shift = (): boolean => {
    const from = free[below(free.length)]!;
    const to = near(from);
    const many = draft.count[from]!;
    if (to < 0 || many === 0) return false;
    for (let k = 0; k < many; k++) group[k] = draft.takenAt(from, k);
    for (let k = 0; k < many; k++) {
      const q = group[k]!;
      const stripped = draft.strips[q]!;
      if (fixed[q] || !draft.drop(q, from)) return false;
      const mark = draft.logged;
      if (!put(q, to, stripped)) draft.undo(mark);
    }
    return true;
  };
  /** Takes a planting at a slot besides, or in place of the pick before or after, whichever gains. */
  const join = (p: number, at: number) => {
    const length = draft.length[p]!;
    const stripped = draft.strips[p]!;
    let k = 0;
    while (k < length && draft.slotOf(p, k) < at) k += 1;
    const [before, after] = [k > 0 ? draft.slotOf(p, k - 1) : -1, k < length ? draft.slotOf(p, k) : -1];
    // the first to be taken there is not asked to pay for the whole round
    const opening = draft.count[at] === 0 ? f.openCost : 0;
    const mark = draft.logged;
    let [top, how] = [worth(), -2];
    for (let way = 0; way < 3; way++) {
      const instead = way === 0 ? -1 : way === 1 ? before : after;
      if (way > 0 && instead < 0) continue;
      const possible = (instead < 0 || draft.drop(p, instead)) && put(p, at, stripped);
      if (possible && worth() + opening > top + 1e-12) [top, how] = [worth() + opening, instead];
      draft.undo(mark);
    }
    if (how === -2) return;
    if (how >= 0) draft.drop(p, how);
    put(p, at, stripped);
  };
  const open = (): boolean => {
    const at = free[below(free.length)]!;
    if (draft.count[at]! > 0) return false;
    const first = below(movable.length);
    for (let k = 0; k < movable.length; k++) {
      const p = movable[(first + k) % movable.length]!;
      if (f.mayUse[p]![at]) join(p, at);
    }
    return draft.count[at]! > 0;
  };
  // how often each kind of change is tried (own choice, by trial); opening a round looks at every planting
  const kinds: [share: number, change: (p: number) => boolean][] = [
    [90, move],
    [42, add],
    [36, leave],
    [24, strip],
    [42, swap],
    [42, push],
  ];
  if (free.length > 0) kinds.push([3, shift], [1, open]);
  const changes = kinds.flatMap(([share, change]) => Array.from({ length: share }, () => change));

  return function* (from: Assignment, turns: number, seed: number): Generator<Assignment> {
    let best = from;
    if (movable.length === 0 || allowed.length === 0) return;
    chance = chances(seed);
    draft.lay(from.schedule);
    const cooling = (COOL / WARM) ** (1 / turns);
    const rising = (OVER_TO / OVER_FROM) ** (1 / turns);
    let heat = WARM;
    overPrice = OVER_FROM * minuteWorth;
    let kept = from.value;
    let schedule = from.schedule;
    for (let turn = 1; turn <= turns; turn++) {
      heat *= cooling;
      overPrice *= rising;
      const before = worth();
      draft.logged = 0;
      const made = changes[below(changes.length)]!(movable[below(movable.length)]!);
      const gain = made ? worth() - before : Number.NEGATIVE_INFINITY;
      if (gain < 0 && chance() >= Math.exp(gain / heat)) draft.undo(0);
      else if (draft.over < 1e-9 && draft.value > kept + 1e-9) {
        kept = draft.value;
        schedule = draft.schedule();
      }
      if (turn % TURNS_AT_ONCE !== 0 && turn !== turns) continue;
      if (schedule !== best.schedule) {
        const t = tableOf(f, schedule);
        const used = openOf(f, t);
        if (turn === turns)
          for (let pass = 0, better = true; better && pass < POLISHES; pass++) better = improveAll(f, t, used);
        const found = tally(f, t, from.unmet);
        if (found.value > best.value) best = found;
        schedule = best.schedule;
      }
      yield best;
    }
  };
}
