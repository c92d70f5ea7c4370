import { describe, expect, it } from "vitest";
import { generated } from "../fixtures/problem";
import { addTo, drawer, drawPlan, keepBest, noMix } from "./blend";
import { frameOf } from "./frame";
import { outcomeOf } from "./optimise";
import { arcsOf } from "./paths";
import { noPrices, nudge, relax } from "./relax";
import { dice } from "./search";

const problem = generated(7, 12, 10, 2, true);
const arcs = problem.supplies.map((s) => arcsOf(problem, s));
const frame = frameOf(problem, arcs);
const mix = noMix(frame);
const prices = noPrices(frame);
for (let k = 0; k < 60; k++) {
  const relaxed = relax(frame, prices);
  addTo(mix, relaxed.paths);
  nudge(frame, prices, relaxed, 0.02);
}

describe("plans drawn from what prices chose", () => {
  it("the shares of a planting's paths come to nearly one, the later the more", () => {
    for (const paths of mix) {
      const shares = [...paths.values()].reduce((s, c) => s + c.weight, 0);
      expect(shares).toBeCloseTo(1 - 0.97 ** 60, 9);
    }
    const two = noMix(frame);
    addTo(
      two,
      frame.arcs.map(() => ({ steps: [] })),
    );
    addTo(
      two,
      frame.arcs.map(() => ({ steps: [{ slot: 0, take: "ready" as const }] })),
    );
    const [first, second] = [...two[0]!.values()];
    expect(second!.weight).toBeGreaterThan(first!.weight);
  });
  it("paths are drawn by their share", () => {
    const draw = drawer(frame, mix);
    const roll = dice(3);
    const p = mix.findIndex((m) => m.size > 1);
    const counts = new Map<string, number>();
    for (let k = 0; k < 4000; k++) {
      const key = draw(p, roll)
        .steps.map((s) => `${s.slot}${s.take}`)
        .join(" ");
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    const total = [...mix[p]!.values()].reduce((s, c) => s + c.weight, 0);
    for (const [key, c] of mix[p]!)
      expect(Math.abs((counts.get(key) ?? 0) / 4000 - c.weight / total)).toBeLessThan(0.03);
  });
  it("a drawn plan keeps every slot's minutes, is worth what it says, and is the same for the same chance", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const made = () => drawPlan(frame, drawer(frame, mix), dice(seed));
      const plan = made();
      const outcome = outcomeOf(problem, arcs, plan.schedule);
      expect(outcome.value).toBeCloseTo(plan.value, 6);
      for (const [j, m] of outcome.minutesBySlot.entries()) expect(m).toBeLessThanOrEqual(frame.capacity[j]! + 1e-6);
      expect(made()).toEqual(plan);
    }
  });
  it("the best few are kept, best first, none twice", () => {
    const of = (value: number) => ({ open: new Uint8Array(0), schedule: [], value, unmet: [] });
    const best: ReturnType<typeof of>[] = [];
    for (const v of [3, 9, 9, 1, 7]) keepBest(best, of(v), 3);
    expect(best.map((b) => b.value)).toEqual([9, 7, 3]);
  });
});
