import { describe, expect, it } from "vitest";
import { generated } from "../fixtures/problem";
import { type Assignment, assign } from "./assign";
import { type Frame, frameOf } from "./frame";
import { outcomeOf } from "./optimise";
import { arcsOf } from "./paths";
import type { PlanProblem } from "./problem";
import { noPrices } from "./relax";
import { tempering } from "./temper";

/** A frame and a plain plan to begin with: all hours open, each planting in turn given the best of what is left. */
function begun(problem: PlanProblem) {
  const arcs = problem.supplies.map((s) => arcsOf(problem, s));
  const f = frameOf(problem, arcs);
  const open = Uint8Array.from(problem.slots, (s) => Number(s.allowed));
  return { f, arcs, from: assign(f, open, noPrices(f)) };
}
const TURNS = 20_000;

/** The last plan that is handed out. */
function tempered(f: Frame, from: Assignment, seed: number): Assignment {
  let last = from;
  for (const made of tempering(f, f.perMinute * 2).better(from, TURNS, seed)) {
    expect(made.value).toBeGreaterThanOrEqual(last.value);
    last = made;
  }
  return last;
}

describe("lines shifted one by one", () => {
  const gardens = [1, 2, 3, 4, 5, 6].map((seed) => generated(seed, 16, 10, 2, seed % 2 === 0));
  const runs = gardens.map((problem) => {
    const { f, arcs, from } = begun(problem);
    return { problem, f, arcs, from, made: tempered(f, from, 1) };
  });
  it("better a plain plan in most gardens, never worsen one, and say of each plan what it is worth", () => {
    expect(runs.filter((r) => r.made.value > r.from.value).length).toBeGreaterThanOrEqual(4);
    for (const { problem, arcs, made } of runs) {
      expect(outcomeOf(problem, arcs, made.schedule).value).toBeCloseTo(made.value, 6);
    }
  });
  it("keep to the minutes of every window and to the hours a planting may be taken in", () => {
    for (const { problem, f, arcs, made } of runs) {
      const { minutesBySlot } = outcomeOf(problem, arcs, made.schedule);
      for (let j = 0; j < f.n; j++) expect(minutesBySlot[j]).toBeLessThanOrEqual(f.capacity[j]! + 1e-6);
      made.schedule.forEach((steps, p) => {
        expect(steps.every((s) => f.mayUse[p]![s.slot])).toBe(true);
        expect(steps.map((s) => s.slot)).toEqual([...new Set(steps.map((s) => s.slot))].sort((a, b) => a - b));
        if (problem.supplies[p]!.once) expect(steps.length).toBeLessThanOrEqual(1);
        expect(steps.slice(0, -1).every((s) => s.take === "ready")).toBe(true);
      });
    }
  });
  it("are the same each time for a seed, and others for another", () => {
    const { f, from, made } = runs[2]!;
    expect(tempered(f, from, 1).schedule).toEqual(made.schedule);
    const all = runs.flatMap((r) => [2, 3].map((seed) => tempered(r.f, r.from, seed).value !== r.made.value));
    expect(all).toContain(true);
  });
  it("leave alone what the gardener wished for, and what is barred", () => {
    const [a, ...others] = gardens[0]!.supplies;
    const slots = gardens[0]!.slots.filter((s) => s.allowed);
    // worth next to nothing, so that a plan without it would be better
    const worthless = { ...a!, worthPerG: 1e-7 };
    const problem: PlanProblem = {
      ...gardens[0]!,
      supplies: [worthless, ...others],
      wishes: {
        take: [{ plantingId: a!.plantingId, slotId: slots[8]!.id }],
        leave: others.flatMap((o) => slots.slice(0, 6).map((s) => ({ plantingId: o.plantingId, slotId: s.id }))),
        open: [],
      },
    };
    const { f, from } = begun(problem);
    const { schedule } = tempered(f, from, 1);
    const at = (p: number) => schedule[p]!.map((s) => problem.slots[s.slot]!.id);
    expect(at(0)).toContain(slots[8]!.id);
    const barred = new Set(slots.slice(0, 6).map((s) => s.id));
    expect(others.flatMap((_, k) => at(k + 1)).filter((id) => barred.has(id))).toEqual([]);
    expect(others.flatMap((_, k) => at(k + 1)).length).toBeGreaterThan(others.length / 2);
  });
  it("keep a wish that is longer than its window, and put nothing else beside it", () => {
    const [a] = gardens[0]!.supplies;
    const slots = gardens[0]!.slots.map((s, j) => (j === 3 ? { ...s, minutes: 14 } : s));
    const problem: PlanProblem = {
      ...gardens[0]!,
      slots,
      wishes: { take: [{ plantingId: a!.plantingId, slotId: slots[3]!.id }], leave: [], open: [] },
    };
    const { f, arcs, from } = begun(problem);
    const made = tempered(f, from, 1);
    expect(made.schedule[0]!.map((s) => s.slot)).toContain(3);
    const { minutesBySlot } = outcomeOf(problem, arcs, made.schedule);
    expect(minutesBySlot[3]).toBeGreaterThan(f.capacity[3]!);
    expect(made.schedule.filter((steps) => steps.some((s) => s.slot === 3))).toHaveLength(1);
    expect(made.value).toBeGreaterThan(from.value);
  });
  it("look mostly where good plans differ, once told so", () => {
    const { f, from } = runs[1]!;
    const temper = tempering(f, f.perMinute * 2);
    // plans that differ in three plantings only, and know of few hours
    const differing = f.arcs.flatMap((_, p) => (from.schedule[p]!.length > 0 ? [p] : [])).slice(0, 3);
    const other = { ...from, schedule: from.schedule.map((steps, p) => (differing.includes(p) ? [] : steps)) };
    const changedBy = (look: boolean) => {
      if (look) temper.lookWhereTheyDiffer([from, other]);
      const changed = new Map<number, number>();
      for (let seed = 0; seed < 30; seed++) {
        let last = from;
        for (const made of temper.better(from, 400, seed)) last = made;
        last.schedule.forEach((steps, p) => {
          if (JSON.stringify(steps) !== JSON.stringify(from.schedule[p])) changed.set(p, (changed.get(p) ?? 0) + 1);
        });
      }
      const all = [...changed.values()].reduce((sum, k) => sum + k, 0);
      return differing.reduce((sum, p) => sum + (changed.get(p) ?? 0), 0) / all;
    };
    const anywhere = changedBy(false);
    expect(changedBy(true)).toBeGreaterThan(anywhere);
  });
});
