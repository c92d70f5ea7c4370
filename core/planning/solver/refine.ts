import { type Assignment, copyOf, openOf, replacePath, tableOf, tableValue, tally } from "./assign";
import { type Frame, overfilled, stepsValue } from "./frame";
import { arcAt, type BestPath, type PathStep, stepG, stepMinutes } from "./paths";

/** A path with the minutes it takes in each slot it uses, and what it fills stores with. */
type Candidate = BestPath & { uses: { slot: number; minutes: number }[]; fills: { store: number; units: number }[] };

/** Open slots up to which all paths of a planting are listed. */
const MOST_OPEN = 9;
/** Free slots up to which every set of them is looked into. */
const FEW_FREE = 7;
/** Nodes looked at for one set of slots, and over a whole planning: the search can be stopped at any of them. */
const NODES_A_SET = 3000;
const NODES = 60_000;

/**
 * With few slots, looks through every set of them by branch and bound: plantings one after the other, each path that
 * fits the minutes left, cut off where even the best fitting paths of all the rest could not beat the plan in hand.
 * Where it runs to its end the plan is the best there is, and it says so; else it keeps what it found. With many slots
 * it leaves the plan as it is: laying groups of lines out anew was tried and found nothing that was missed.
 */
export function refine(f: Frame, from: Assignment): { best: Assignment; proven: boolean } {
  let best = from;
  let left = NODES;
  let whole = true;
  const free = f.problem.slots.flatMap((s, j) => (s.allowed && !f.forced[j] ? [j] : []));
  if (free.length > FEW_FREE) return { best, proven: false };
  const look = (open: Uint8Array) => {
    const limit = Math.min(left, NODES_A_SET);
    const result = within(f, open, best, limit);
    left = Math.max(0, left - result.nodes);
    whole &&= result.whole;
    if (result.better) best = result.better;
  };
  for (let set = 0; set < 1 << free.length; set++) {
    const open = f.forced.slice();
    free.forEach((j, bit) => {
      if ((set >> bit) & 1) open[j] = 1;
    });
    look(open);
  }
  return { best, proven: whole };
}

/** Open slots up to which every path of one planting is tried beside all others. */
const FEW_OPEN = 7;
const POLISHES = 3;

/**
 * Tries every path of each planting in turn, through the open slots and one more, against minutes and stores as the
 * others leave them: a path that fills a store just to its brim is the best at no price, so prices do not find it.
 */
export function polish(f: Frame, from: Assignment): Assignment {
  let best = from;
  for (let pass = 0; pass < POLISHES; pass++) {
    const before = best.value;
    for (let p = 0; p < f.arcs.length; p++) {
      if (f.storesOf[p]!.length === 0) continue;
      const t = tableOf(f, best.schedule);
      const open = openOf(f, t);
      if (open.reduce((sum, is) => sum + is, 0) > FEW_OPEN) return best;
      const closed = f.problem.slots.flatMap((s, j) => (s.allowed && !open[j] ? [j] : []));
      for (const extra of [-1, ...closed]) {
        const wider = open.slice();
        if (extra >= 0) wider[extra] = 1;
        for (const c of candidates(f, p, wider)) {
          if (extra >= 0 && !c.steps.some((s) => s.slot === extra)) continue;
          const other = copyOf(t);
          replacePath(f, other, p, c);
          if (c.uses.some((u) => other.minutes[u.slot]! > f.capacity[u.slot]! + 1e-9)) continue;
          if (tableValue(f, other) > best.value + 1e-9) best = tally(f, other, from.unmet);
        }
      }
    }
    if (best.value <= before + 1e-9) break;
  }
  return best;
}

function within(
  f: Frame,
  open: Uint8Array,
  best: Assignment,
  limit: number,
): { better: Assignment | null; nodes: number; whole: boolean } {
  let count = 0;
  let cost = 0;
  for (let j = 0; j < f.n; j++)
    if (open[j]) {
      count += 1;
      cost += f.openCost;
    }
  if (count > MOST_OPEN || limit <= 0) return { better: null, nodes: 0, whole: false };
  const lists = f.arcs.map((_, p) => candidates(f, p, open));
  if (lists.some((l) => l.length === 0)) return { better: null, nodes: 1, whole: true };
  const room = Float64Array.from(f.capacity, (c, j) => (open[j] ? c : 0));
  const { chosen, nodes, whole } = branch(f, lists, room, best.value + cost, limit);
  if (!chosen) return { better: null, nodes, whole };
  const better = tally(
    f,
    tableOf(
      f,
      chosen.map((c) => c.steps),
    ),
    best.unmet,
  );
  return { better: better.value > best.value + 1e-9 ? better : null, nodes, whole };
}

/**
 * The best choice of one path from each list within the minutes of each slot, if it is worth more than a target.
 * @param lists paths of each planting, best first
 * @param limit nodes after which it stops with what it has
 */
function branch(
  f: Frame,
  lists: readonly (readonly Candidate[])[],
  room: Float64Array,
  target: number,
  limit: number,
): { chosen: Candidate[] | null; nodes: number; whole: boolean } {
  // those that take most minutes first: they decide what is left for the others
  const order = lists.map((_, p) => p).sort((a, b) => weight(lists[b]![0]!) - weight(lists[a]![0]!) || a - b);
  const chosen: Candidate[] = new Array(lists.length);
  let found: Candidate[] | null = null;
  let bar = target + 1e-9;
  let nodes = 0;
  const fill = new Float64Array(f.problem.stores?.length ?? 0);
  const fits = (c: Candidate) => c.uses.every((u) => u.minutes <= room[u.slot]! + 1e-9);
  // what is overfilled never grows less along a branch, so it may be taken off the bound
  const descend = (depth: number, gross: number): void => {
    if (nodes++ > limit) return;
    const value = gross - overfilled(f.problem, fill);
    if (depth === order.length) {
      if (value > bar) {
        bar = value;
        found = chosen.slice();
      }
      return;
    }
    let rest = 0;
    for (let k = depth + 1; k < order.length; k++) {
      const fitting = lists[order[k]!]!.find(fits);
      if (!fitting) return;
      rest += fitting.value;
    }
    const p = order[depth]!;
    for (const c of lists[p]!) {
      if (value + c.value + rest <= bar) return; // the list falls from here on
      if (!fits(c)) continue;
      for (const u of c.uses) room[u.slot]! -= u.minutes;
      for (const s of c.fills) fill[s.store]! += s.units;
      chosen[p] = c;
      descend(depth + 1, gross + c.value);
      for (const u of c.uses) room[u.slot]! += u.minutes;
      for (const s of c.fills) fill[s.store]! -= s.units;
    }
  };
  const loose = lists.reduce((s, l) => s + l[0]!.value, 0);
  if (loose > bar) descend(0, 0);
  return { chosen: found, nodes, whole: nodes <= limit };
}

const weight = (c: Candidate): number => c.uses.reduce((s, u) => s + u.minutes, 0);

/**
 * Paths of a planting over the open slots that keep to its wish, best first; the empty one is among them.
 */
function candidates(f: Frame, p: number, open: Uint8Array): Candidate[] {
  const arcs = f.arcs[p]!;
  const musts = f.musts[p]!;
  const slots: number[] = [];
  for (let j = 0; j < f.n; j++) if (open[j] && f.mayUse[p]![j]) slots.push(j);
  const all: Candidate[] = [];
  const keep = (steps: PathStep[]) => {
    if (!musts.every((must) => steps.some((s) => s.slot === must))) return;
    const uses = steps.map((s, k) => ({ slot: s.slot, minutes: stepMinutes(arcs, steps, k) }));
    // a wish too long for its whole window may overrun it, nothing else may
    const bounded = uses.filter((u) => !musts.includes(u.slot) || u.minutes <= f.capacity[u.slot]!);
    const fills = steps.flatMap((step, k) =>
      f.draws[p]![step.slot]!.map((d) => ({ store: d.store, units: d.perG * stepG(arcs, steps, k) })),
    );
    const value = stepsValue(f, p, steps);
    if (value > Number.NEGATIVE_INFINITY) all.push({ steps, value, uses: bounded, fills });
  };
  const extend = (steps: PathStep[], after: number) => {
    keep(steps);
    const last = steps.at(-1);
    if (last && arcs.stripWorth[last.slot]! > Number.NEGATIVE_INFINITY)
      keep([...steps.slice(0, -1), { slot: last.slot, take: "strip" }]);
    if (arcs.supply.once && steps.length > 0) return;
    for (const j of slots) {
      if (j <= after) continue;
      const previous = last ? last.slot : -1;
      if (arcs.worth[arcAt(f.n, previous, j)] === Number.NEGATIVE_INFINITY) continue;
      extend([...steps, { slot: j, take: "ready" }], j);
    }
  };
  extend([], -1);
  return all.sort((a, b) => b.value - a.value);
}
