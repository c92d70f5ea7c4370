import { type Frame, overfilled, stepsValue, type Unmet } from "./frame";
import { arcAt, type BestPath, bestPath, type PathStep, type Prices, stepG, stepMinutes } from "./paths";
import { priceInto, pricesOf, type SlotPrices } from "./relax";

/** A plan in the making: which slots hold a round, every planting's steps, its value, wishes not met. */
export type Assignment = { open: Uint8Array; schedule: PathStep[][]; value: number; unmet: Unmet[] };

/** Every planting's path (its value without the stores) beside the minutes and stores they take together. */
export type Table = { paths: BestPath[]; minutes: Float64Array; fill: Float64Array };

function charge(f: Frame, t: Table, p: number, sign: 1 | -1): void {
  const { steps } = t.paths[p]!;
  for (let k = 0; k < steps.length; k++) t.minutes[steps[k]!.slot]! += sign * stepMinutes(f.arcs[p]!, steps, k);
  if (f.storesOf[p]!.length > 0) fillBy(f, p, steps, t.fill, sign);
}

/** Adds to stores what a planting's steps fill them with, or takes it out again. */
function fillBy(f: Frame, p: number, steps: readonly PathStep[], fill: Float64Array, sign: 1 | -1): void {
  steps.forEach((step, k) => {
    const draws = f.draws[p]![step.slot]!;
    if (draws.length === 0) return;
    const grams = sign * stepG(f.arcs[p]!, steps, k);
    for (const d of draws) fill[d.store]! += d.perG * grams;
  });
}

/** Puts another path in place of a planting's, with its minutes. */
export function replacePath(f: Frame, t: Table, p: number, path: BestPath): void {
  charge(f, t, p, -1);
  t.paths[p] = path;
  charge(f, t, p, 1);
}

/** Lays out given steps of every planting. */
export function tableOf(f: Frame, schedule: readonly (readonly PathStep[])[]): Table {
  const t: Table = {
    paths: schedule.map((steps, p) => ({ steps: [...steps], value: stepsValue(f, p, steps) })),
    minutes: new Float64Array(f.n),
    fill: new Float64Array(f.problem.stores?.length ?? 0),
  };
  for (let p = 0; p < schedule.length; p++) charge(f, t, p, 1);
  return t;
}

/** What the stores that a planting can fill cost, filled as they are. */
function overfilledBy(f: Frame, p: number, fill: Float64Array): number {
  let cost = 0;
  for (const s of f.storesOf[p]!) {
    const { capacity, over } = f.problem.stores![s]!;
    if (fill[s]! > capacity) cost += over * (fill[s]! - capacity);
  }
  return cost;
}

const WAYS = 4;
/** Room to work in, kept between calls. */
let mostG = new Float64Array(64);
let usable = new Uint8Array(64);
let chargedUse = new Float64Array(64);
let chargedG = new Float64Array(64);
let others = new Float64Array(64);
let then = new Float64Array(64);
let raised = new Float64Array(64);
const priced: Prices = { perUse: chargedUse, perG: chargedG, usable, mostG, musts: [] };

/** A path beside all the others, and what it is worth more than the one in hand, stores reckoned in. */
export type PathAmong = BestPath & { gain: number };

/**
 * The best path of one planting through the open slots with the minutes that the others leave, and with stores as full
 * as the others make them.
 */
export function pathWithin(f: Frame, t: Table, p: number, open: Uint8Array, minutePrice?: Float64Array): PathAmong {
  const arcs = f.arcs[p]!;
  const { lineMinutes, supply } = arcs;
  const own = t.paths[p]!.steps;
  if (mostG.length < f.n) {
    mostG = new Float64Array(2 * f.n);
    usable = new Uint8Array(2 * f.n);
    chargedUse = new Float64Array(2 * f.n);
    chargedG = new Float64Array(2 * f.n);
  }
  const may = f.mayUse[p]!;
  const perG = Math.max(1e-12, supply.minutesPerG);
  for (let j = 0; j < f.n; j++) {
    usable[j] = may[j]! & open[j]!;
    mostG[j] = f.capacity[j]! - t.minutes[j]!;
  }
  for (let k = 0; k < own.length; k++) mostG[own[k]!.slot]! += stepMinutes(arcs, own, k);
  for (let j = 0; j < f.n; j++) {
    if (usable[j] === 0) continue;
    const left = mostG[j]! - lineMinutes + 1e-9;
    // what has no room for the smallest pick is no longer looked at
    mostG[j] = left < 0 ? -1 : left / perG;
  }
  let store: Float64Array | null = null;
  priced.usable = usable;
  priced.mostG = mostG;
  priced.musts = f.musts[p]!;
  const ask = (): BestPath => {
    const plain = !minutePrice && !store;
    if (plain) {
      priced.perUse = f.perUse[p]!;
      priced.perG = f.perG[p]!;
    } else {
      priceInto(f, p, minutePrice ?? f.free, store, chargedUse, chargedG);
      priced.perUse = chargedUse;
      priced.perG = chargedG;
    }
    let path = bestPath(arcs, priced);
    if (path.value === Number.NEGATIVE_INFINITY) {
      // a wish too long for its own window is kept all the same, and reported; all other windows still hold
      for (const k of f.musts[p]!) mostG[k] = Number.POSITIVE_INFINITY;
      path = bestPath(arcs, priced);
    }
    if (!plain) path.value = stepsValue(f, p, path.steps);
    return path;
  };
  let best = ask();
  if (f.storesOf[p]!.length === 0) return { ...best, gain: best.value - t.paths[p]!.value };
  // a store's price is nothing while it has room and its full cost beyond: asked again at prices in between
  if (others.length < t.fill.length) {
    others = new Float64Array(t.fill.length);
    then = new Float64Array(t.fill.length);
    raised = new Float64Array(t.fill.length);
  }
  others.set(t.fill);
  const asItIs = overfilledBy(f, p, others);
  fillBy(f, p, own, others, -1);
  const without = overfilledBy(f, p, others);
  const ownWorth = t.paths[p]!.value - (asItIs - without);
  let worth = Number.NEGATIVE_INFINITY;
  let latest = best;
  // laid in at shaken prices it is only a beginning: one more question is enough
  const ways = minutePrice ? 1 : WAYS;
  for (let way = 0; way <= ways; way++) {
    then.set(others);
    fillBy(f, p, latest.steps, then, 1);
    const netWorth = latest.value - (overfilledBy(f, p, then) - without);
    if (netWorth > worth + 1e-12) {
      best = latest;
      worth = netWorth;
    }
    let changed = false;
    for (const s of f.storesOf[p]!) {
      const { capacity, over } = f.problem.stores![s]!;
      const price = store ? store[s]! : 0;
      const full = then[s]! > capacity + 1e-9;
      // full price where it is overfilled; where that emptied it, half of it, then as it was found best
      const next = full ? (price === 0 ? over : price) : price === over ? over / 2 : price;
      if (next === price) continue;
      store ??= raised.fill(0);
      store[s] = next;
      changed = true;
    }
    if (!changed || way === ways) break;
    latest = ask();
  }
  return { ...best, gain: worth - ownWorth };
}

export const copyOf = (t: Table): Table => ({
  paths: t.paths.slice(),
  minutes: t.minutes.slice(),
  fill: t.fill.slice(),
});

/** Slots that a table uses or that are asked for. */
export function openOf(f: Frame, t: Table): Uint8Array {
  const open = f.forced.slice();
  for (const path of t.paths) for (const step of path.steps) open[step.slot] = 1;
  return open;
}

/** Sums a table up: value less the minutes of opening every slot that is used or asked for, and what is overfilled. */
export function tally(f: Frame, t: Table, unmet: Unmet[]): Assignment {
  const open = openOf(f, t);
  return { open, schedule: t.paths.map((p) => p.steps), value: tableValue(f, t, open), unmet };
}

/** What a table is worth with the slots that are used or asked for. */
export function tableValue(f: Frame, t: Table, open = openOf(f, t)): number {
  let value = -overfilled(f.problem, t.fill);
  for (const path of t.paths) value += path.value;
  for (let j = 0; j < f.n; j++) if (open[j]) value -= f.openCost;
  return value;
}

/** The plan before as it would stand now: its lines where they may still be, dropped where minutes run out. */
export function keptPlan(f: Frame): Assignment | null {
  const kept = f.problem.kept ?? [];
  if (kept.length === 0) return null;
  const slotOf = new Map(f.problem.slots.map((s, j) => [s.id, j]));
  const schedule = f.arcs.map((a, p): PathStep[] => {
    const steps: PathStep[] = [];
    const lines = kept
      .filter((k) => k.plantingId === a.supply.plantingId)
      .flatMap((k) => (slotOf.has(k.slotId) ? [{ slot: slotOf.get(k.slotId)!, take: k.take }] : []))
      .sort((x, y) => x.slot - y.slot)
      .filter((_, at) => !a.supply.part || at === a.supply.part.index);
    for (const line of lines) {
      const last = steps.at(-1);
      const possible = a.worth[arcAt(f.n, last?.slot ?? -1, line.slot)]! > Number.NEGATIVE_INFINITY;
      if (possible && f.mayUse[p]![line.slot] && last?.take !== "strip") steps.push(line);
    }
    return f.musts[p]!.every((j) => steps.some((s) => s.slot === j)) ? steps : [];
  });
  const t = tableOf(f, schedule);
  const open = openOf(f, t);
  for (let p = 0; p < f.arcs.length; p++)
    if (f.musts[p]!.length > 0 && schedule[p]!.length === 0) replacePath(f, t, p, pathWithin(f, t, p, open));
  const unmet = makeRoom(f, t, open);
  return tally(f, t, unmet);
}

/**
 * A good plan for a given set of open slots: paths at given prices, lines dropped where minutes run out, then every
 * planting in turn given the best of what the others leave, until nothing improves.
 */
export function assign(f: Frame, open: Uint8Array, prices: Pick<SlotPrices, "minute" | "store">): Assignment {
  const t = tableOf(
    f,
    f.arcs.map((a, p) => {
      const usable = f.mayUse[p]!.map((may, j) => may & open[j]!);
      return bestPath(a, { ...pricesOf(f, p, prices), usable, mostG: null, musts: f.musts[p]! }).steps;
    }),
  );
  const unmet = makeRoom(f, t, open);
  improveAll(f, t, open, 4);
  return tally(f, t, unmet);
}

/** Gives every planting in turn the best of what the others leave, so many times at most or until nothing gains. */
export function improveAll(f: Frame, t: Table, open: Uint8Array, passes: number): void {
  const plantings = f.arcs.length;
  let sinceBetter = 0;
  for (let k = 0; k < passes * plantings && sinceBetter < plantings; k++) {
    const p = k % plantings;
    const path = pathWithin(f, t, p, open);
    sinceBetter += 1;
    if (path.gain <= 1e-9) continue;
    replacePath(f, t, p, path);
    sinceBetter = 0;
  }
}

const MOST_DROPS = 5000;

/** Drops lines, cheapest by the minute first, until every slot's minutes suffice. @returns wishes that cannot be met */
export function makeRoom(f: Frame, t: Table, open: Uint8Array): Unmet[] {
  const unmet: Unmet[] = [];
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
      unmet.push({ why: "too-long", day: f.problem.slots[worst]!.day, minutes: needed });
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
    if (k < 0 || f.musts[p]!.includes(slot)) continue;
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
