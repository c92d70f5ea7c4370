import type { Frame } from "./frame";
import { type BestPath, bestPath, type PathStep, pathWorth, stepMinutes } from "./paths";

/** A plan in the making: which slots hold a round, every planting's steps, its value, wishes not met. */
export type Assignment = { open: Uint8Array; schedule: PathStep[][]; value: number; unmet: string[] };

/** Every planting's path beside the minutes they take together; paths are replaced one at a time. */
export type Table = { paths: BestPath[]; minutes: Float64Array };

const charge = (f: Frame, t: Table, p: number, sign: 1 | -1): void => {
  const { steps } = t.paths[p]!;
  for (let k = 0; k < steps.length; k++) t.minutes[steps[k]!.slot]! += sign * stepMinutes(f.arcs[p]!, steps, k);
};

/** Puts another path in place of a planting's, with its minutes. */
export function replacePath(f: Frame, t: Table, p: number, path: BestPath): void {
  charge(f, t, p, -1);
  t.paths[p] = path;
  charge(f, t, p, 1);
}

/** Lays out given steps of every planting. */
export function tableOf(f: Frame, schedule: readonly (readonly PathStep[])[]): Table {
  const paths = schedule.map((steps, p) => {
    let value = pathWorth(f.arcs[p]!, steps);
    for (let k = 0; k < steps.length; k++) value -= f.perMinute * stepMinutes(f.arcs[p]!, steps, k);
    return { steps: [...steps], value };
  });
  const t: Table = { paths, minutes: new Float64Array(f.n) };
  for (let p = 0; p < paths.length; p++) charge(f, t, p, 1);
  return t;
}

function usableOf(f: Frame, p: number, open: Uint8Array): Uint8Array {
  const usable = new Uint8Array(f.n);
  for (let j = 0; j < f.n; j++) usable[j] = f.mayUse[p]![j]! & open[j]!;
  return usable;
}

/** The best path of one planting through the open slots with the minutes that the others leave. */
export function pathWithin(f: Frame, t: Table, p: number, open: Uint8Array): BestPath {
  const own = t.paths[p]!.steps;
  const room = new Float64Array(f.n);
  for (let j = 0; j < f.n; j++) room[j] = f.capacity[j]! - t.minutes[j]!;
  for (let k = 0; k < own.length; k++) room[own[k]!.slot]! += stepMinutes(f.arcs[p]!, own, k);
  const prices = { perUse: f.perUse, perMinute: f.perMinutes, usable: usableOf(f, p, open), room, must: f.musts[p]! };
  const path = bestPath(f.arcs[p]!, prices);
  if (path.value > Number.NEGATIVE_INFINITY) return path;
  // a wish too long for its own window is kept all the same, and reported; all other windows still hold
  room[f.musts[p]!] = Number.POSITIVE_INFINITY;
  return bestPath(f.arcs[p]!, prices);
}

/** Sums a table up: value less the minutes of opening every slot that is used or asked for. */
export function tally(f: Frame, t: Table, unmet: string[]): Assignment {
  const open = f.forced.slice();
  let value = 0;
  for (const path of t.paths) {
    value += path.value;
    for (const step of path.steps) open[step.slot] = 1;
  }
  for (let j = 0; j < f.n; j++) if (open[j]) value -= f.openCost;
  return { open, schedule: t.paths.map((p) => p.steps), value, unmet };
}

/**
 * A good plan for a given set of open slots: paths at the given minute prices, lines dropped where minutes run out,
 * then every planting in turn given the best of what the others leave, until nothing improves.
 */
export function assign(f: Frame, open: Uint8Array, minutePrice: Float64Array): Assignment {
  const perMinute = minutePrice.map((m) => m + f.perMinute);
  const t = tableOf(
    f,
    f.arcs.map(
      (a, p) =>
        bestPath(a, { perUse: f.perUse, perMinute, usable: usableOf(f, p, open), room: null, must: f.musts[p]! }).steps,
    ),
  );
  const unmet = makeRoom(f, t, open);
  for (let pass = 0, better = true; better && pass < 4; pass++) better = improveAll(f, t, open);
  return tally(f, t, unmet);
}

/** Gives every planting in turn the best of what the others leave. @returns whether any path got better */
export function improveAll(f: Frame, t: Table, open: Uint8Array, except = -1): boolean {
  let better = false;
  for (let p = 0; p < f.arcs.length; p++) {
    if (p === except) continue;
    const path = pathWithin(f, t, p, open);
    if (path.value <= t.paths[p]!.value + 1e-9) continue;
    replacePath(f, t, p, path);
    better = true;
  }
  return better;
}

const MOST_DROPS = 5000;

/** Drops lines, cheapest by the minute first, until every slot's minutes suffice. @returns wishes that cannot be met */
function makeRoom(f: Frame, t: Table, open: Uint8Array): string[] {
  const unmet: string[] = [];
  const settled = new Uint8Array(f.n);
  // every drop frees minutes, so this ends long before; the bound is there so that no plan can ever hang
  for (let drops = 0; ; drops++) {
    const over = (j: number) => t.minutes[j]! - f.capacity[j]!;
    let worst = -1;
    for (let j = 0; j < f.n; j++) if (!settled[j] && over(j) > 1e-6 && (worst < 0 || over(j) > over(worst))) worst = j;
    if (worst < 0 || drops > MOST_DROPS) return unmet;
    const drop = cheapestDrop(f, t, open, worst);
    if (drop) replacePath(f, t, drop.p, drop.path);
    else {
      settled[worst] = 1;
      const needed = Math.round(t.minutes[worst]! + f.problem.roundMinutes);
      unmet.push(`what you asked for on ${f.problem.slots[worst]!.day} takes ${needed} minutes, more than its window`);
    }
  }
}

/** The planting that loses least by the minute when it leaves an overfull slot; null when all of them are wished there. */
function cheapestDrop(f: Frame, t: Table, open: Uint8Array, slot: number): { p: number; path: BestPath } | null {
  let best: { p: number; path: BestPath } | null = null;
  let leastLoss = Number.POSITIVE_INFINITY;
  for (let p = 0; p < f.arcs.length; p++) {
    const { steps, value } = t.paths[p]!;
    const k = steps.findIndex((s) => s.slot === slot);
    if (k < 0 || f.musts[p] === slot) continue;
    const freed = stepMinutes(f.arcs[p]!, steps, k);
    const before = t.minutes[slot]!;
    t.minutes[slot] = f.capacity[slot]! + freed; // as if the slot were exactly full without it
    const path = pathWithin(f, t, p, open);
    t.minutes[slot] = before;
    const loss = (value - path.value) / Math.max(0.5, freed);
    if (loss < leastLoss) {
      leastLoss = loss;
      best = { p, path };
    }
  }
  return best;
}
