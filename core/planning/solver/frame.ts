import type { Day } from "../../calendar/day";
import type { BarWhy, PlanProblem } from "../question/problem";
import { type Arcs, arcAt, type PathStep, pathWorth, stepG } from "./paths";

/** A wish that could not be kept: it contradicts the calendar, another wish, the law or the crop, or takes too long. */
export type Unmet =
  | { why: "no-such-hour" | "take-and-leave"; slotId: string }
  | { why: "law"; slotId: string; bar: BarWhy }
  | { why: "taken-once"; slotIds: string[] }
  | { why: "too-long"; day: Day; minutes: number };

/** Units of a store that a gram of one planting fills when it is picked at a slot. */
export type Draw = { store: number; perG: number };

/** What stays the same through one planning run: prices, room, wishes. Slots are counted as in the problem. */
export type Frame = {
  problem: PlanProblem;
  arcs: readonly Arcs[];
  /** number of slots */
  n: number;
  /** worth of a minute, and of the minutes that opening a round costs, in kilos of potatoes */
  perMinute: number;
  openCost: number;
  /** by planting: worth of a line's own minutes, less what staying with the plan before is worth */
  perUse: Float64Array[];
  /** by planting: worth of the minutes a gram takes */
  perG: Float64Array[];
  /** minutes for picking in each slot; one opened by the gardener's own hand is not held to a window */
  capacity: number[];
  /** by planting and slot: which stores it fills */
  draws: Draw[][][];
  /** by planting: all the stores it can fill */
  storesOf: number[][];
  /** by store: what one pick fills of it, about; by it its price is moved */
  usualFill: Float64Array;
  /** nothing for every slot or store: the price of what is free */
  free: Float64Array;
  /** the slots each planting must be taken in, rising */
  musts: number[][];
  /** slots that must be open (1) */
  forced: Uint8Array;
  /** slots each planting may use at all (1) */
  mayUse: Uint8Array[];
  /** wishes that contradict each other or the calendar; the rest is planned without them */
  contradictions: Unmet[];
};

/** Minutes of a slot that no window bounds. */
export const UNBOUNDED_MINUTES = 24 * 60;
/** What a line that stays where it was is worth more, as a share of the worth of opening a round. */
const STAYING = 0.25;

/**
 * A planting's arcs without those that take longer than the whole window: no plan can hold them, and while they stand
 * the relaxed question splits them over several hours, which makes its bound and its prices far too rosy.
 */
function withinWindows(arcs: Arcs, musts: readonly number[], capacity: readonly number[]): Arcs {
  const worth = arcs.worth.slice();
  for (let j = 0; j < arcs.slots; j++) {
    if (musts.includes(j)) continue;
    for (let i = -1; i < j; i++) {
      const at = arcAt(arcs.slots, i, j);
      if (arcs.lineMinutes + arcs.massG[at]! * arcs.supply.minutesPerG > capacity[j]! + 1e-9)
        worth[at] = Number.NEGATIVE_INFINITY;
    }
  }
  return { ...arcs, worth };
}

/** Works out the frame of a planning run. */
export function frameOf(problem: PlanProblem, all: readonly Arcs[]): Frame {
  const n = problem.slots.length;
  const perMinute = problem.hourWorth / 60;
  const openCost = problem.roundMinutes * perMinute;
  const slotIndex = new Map(problem.slots.map((s, j) => [s.id, j]));
  const { musts, contradictions } = mustsOf(problem, all, slotIndex);
  const capacity = problem.slots.map((s) =>
    s.allowed ? Math.max(0, s.minutes - problem.roundMinutes) : UNBOUNDED_MINUTES,
  );
  const arcs = all.map((a, p) => withinWindows(a, musts[p]!, capacity));
  const forced = new Uint8Array(n);
  for (const id of problem.wishes.open) if (slotIndex.has(id)) forced[slotIndex.get(id)!] = 1;
  for (const j of musts.flat()) forced[j] = 1;
  /** A planting's own place, or those of all its parts. */
  const placesOf = (plantingId: string) => arcs.flatMap((a, p) => (a.supply.plantingId === plantingId ? [p] : []));
  const mayUse = arcs.map(() => Uint8Array.from(problem.slots, (s, j) => Number(s.allowed || forced[j] === 1)));
  for (const { plantingId, slotId } of [...problem.wishes.leave, ...(problem.bars ?? [])]) {
    const j = slotIndex.get(slotId);
    if (j === undefined) continue;
    for (const p of placesOf(plantingId)) if (!musts[p]!.includes(j)) mayUse[p]![j] = 0;
  }
  const perUse = arcs.map((a) => new Float64Array(n).fill(a.lineMinutes * perMinute));
  for (const k of problem.kept ?? []) {
    const j = slotIndex.get(k.slotId);
    if (j === undefined) continue;
    for (const p of placesOf(k.plantingId)) perUse[p]![j]! -= STAYING * openCost;
  }
  const draws = drawsOf(problem, arcs);
  return {
    contradictions,
    problem,
    arcs,
    n,
    perMinute,
    openCost,
    perUse,
    perG: arcs.map((a) => new Float64Array(n).fill(a.supply.minutesPerG * perMinute)),
    capacity,
    draws,
    usualFill: usualFills(problem, arcs, draws),
    free: new Float64Array(Math.max(n, problem.stores?.length ?? 0)),
    storesOf: draws.map((bySlot) => [...new Set(bySlot.flat().map((d) => d.store))]),
    musts,
    forced,
    mayUse,
  };
}

function mustsOf(problem: PlanProblem, arcs: readonly Arcs[], slotIndex: ReadonlyMap<string, number>) {
  const contradictions: Unmet[] = [];
  for (const w of problem.wishes.take)
    if (!slotIndex.has(w.slotId)) contradictions.push({ why: "no-such-hour", slotId: w.slotId });
  const pair = (w: { plantingId: string; slotId: string }) => `${w.plantingId} ${w.slotId}`;
  const left = new Set(problem.wishes.leave.map(pair));
  const lawful = new Map((problem.bars ?? []).filter((b) => b.law).map((b) => [pair(b), b.why]));
  const musts = arcs.map((a) => {
    const { plantingId, part } = a.supply;
    const wished = problem.wishes.take.filter((w) => w.plantingId === plantingId && slotIndex.has(w.slotId));
    // of a long job each hour asked for takes one part; those that nobody asked about are free
    const asked = part ? wished.slice(part.index, part.index + 1) : wished;
    for (const w of asked)
      if (left.has(pair(w))) contradictions.push({ why: "take-and-leave", slotId: w.slotId });
      else if (lawful.has(pair(w))) contradictions.push({ why: "law", slotId: w.slotId, bar: lawful.get(pair(w))! });
    if (a.supply.once && asked.length > 1)
      contradictions.push({ why: "taken-once", slotIds: asked.map((w) => w.slotId) });
    const slots = asked
      .filter((w) => !left.has(pair(w)) && !lawful.has(pair(w)))
      .map((w) => slotIndex.get(w.slotId)!)
      .sort((x, y) => x - y);
    return slots.filter((j, k) => {
      const before = slots.slice(0, k).at(-1) ?? -1;
      if (j === before || (a.supply.once && k > 0)) return false;
      return a.worth[arcAt(a.slots, before, j)]! > Number.NEGATIVE_INFINITY;
    });
  });
  // parts of a long job say the same
  return { musts, contradictions: [...new Map(contradictions.map((c) => [JSON.stringify(c), c])).values()] };
}

function drawsOf(problem: PlanProblem, arcs: readonly Arcs[]): Draw[][][] {
  const of = new Map<string, Draw[][]>(arcs.map((a) => [a.supply.plantingId, problem.slots.map((): Draw[] => [])]));
  (problem.stores ?? []).forEach((store, s) => {
    for (const d of store.draws)
      problem.slots.forEach((slot, j) => {
        if (slot.t >= d.fromT && slot.t < d.toT) of.get(d.plantingId)?.[j]?.push({ store: s, perG: d.perG });
      });
  });
  return arcs.map((a) => of.get(a.supply.plantingId)!);
}

function usualFills(problem: PlanProblem, arcs: readonly Arcs[], draws: readonly Draw[][][]): Float64Array {
  const sum = new Float64Array(problem.stores?.length ?? 0);
  const count = new Float64Array(sum.length);
  arcs.forEach((a, p) => {
    draws[p]!.forEach((here, j) => {
      for (const d of here) {
        sum[d.store]! += d.perG * a.massG[arcAt(a.slots, -1, j)]!;
        count[d.store]! += 1;
      }
    });
  });
  return sum.map((x, s) => Math.max(1e-6, x / Math.max(1, count[s]!)));
}

/** Worth of a planting's steps less their minutes, and with what staying with the plan before is worth; stores apart. */
export function stepsValue(f: Frame, p: number, steps: readonly PathStep[]): number {
  const arcs = f.arcs[p]!;
  let value = pathWorth(arcs, steps);
  for (let k = 0; k < steps.length; k++) {
    const { slot } = steps[k]!;
    value -= f.perUse[p]![slot]! + f.perG[p]![slot]! * stepG(arcs, steps, k);
  }
  return value;
}

/** What stores filled so far cost in all, in kilos of potatoes. */
export function overfilled(problem: PlanProblem, use: ArrayLike<number>): number {
  let cost = 0;
  problem.stores?.forEach((s, k) => {
    cost += s.over * Math.max(0, use[k]! - s.capacity);
  });
  return cost;
}
