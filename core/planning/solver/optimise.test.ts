import { describe, expect, it } from "vitest";
import { generated } from "../../fixtures/problem";
import { assign } from "./assign";
import { frameOf } from "./frame";
import { outcomeOf, plan, planning } from "./optimise";
import { arcsOf } from "./paths";
import { noPrices } from "./relax";

describe("the plan of a fortnight", () => {
  it.each([
    [1, false],
    [2, false],
    [3, true],
    [4, true],
  ])("is not bettered by opening or shutting any one hour of it (garden %i, room %s)", (seed, room) => {
    const problem = generated(seed, 24, 10, 2, room);
    const arcs = problem.supplies.map((s) => arcsOf(problem, s));
    const frame = frameOf(problem, arcs);
    const made = plan(problem);
    const used = new Uint8Array(frame.n);
    for (const steps of made.schedule) for (const { slot } of steps) used[slot] = 1;
    for (let j = 0; j < frame.n; j++) {
      if (!problem.slots[j]!.allowed || frame.forced[j]) continue;
      const open = used.slice();
      open[j] = 1 - open[j]!;
      const other = assign(frame, open, noPrices(frame));
      // without prices as a beginning a little may be left over, never a round's worth
      expect(other.value, problem.slots[j]!.id).toBeLessThanOrEqual(made.value + 0.005 * Math.abs(made.value));
    }
  });
  it("only ever gets better, and says what it says of itself", () => {
    const problem = generated(7, 30, 12, 2, true);
    const arcs = problem.supplies.map((s) => arcsOf(problem, s));
    let before = Number.NEGATIVE_INFINITY;
    let last = null;
    for (const made of planning(problem)) {
      expect(made.value).toBeGreaterThanOrEqual(before - 1e-9);
      expect(made.value).toBeLessThanOrEqual(made.bound + 1e-6);
      before = made.value;
      last = made;
    }
    expect(outcomeOf(problem, arcs, last!.schedule).value).toBeCloseTo(last!.value, 6);
  });
  it("leaves the plan of prices alone behind where hours are scarce", () => {
    // what local search adds over sixteen gardens: without it this is nothing
    let gained = 0;
    for (let seed = 1; seed <= 16; seed++) {
      const problem = generated(seed, 24, 14, 2, seed % 2 === 0);
      const all = [...planning(problem)].map((p) => p.value);
      gained += all.at(-1)! - all[15]!;
    }
    expect(gained).toBeGreaterThan(1);
  });
});
