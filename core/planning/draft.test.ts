import { describe, expect, it } from "vitest";
import { generated, stream } from "../fixtures/problem";
import { tableOf, tableValue } from "./assign";
import { Draft, NO_SLOT } from "./draft";
import { type Frame, frameOf } from "./frame";
import { arcsOf } from "./paths";

const frames = [1, 2, 3, 4].map((seed) => {
  const problem = generated(seed, 14, 9, 2, seed % 2 === 0);
  problem.wishes.open = [problem.slots[5]!.id];
  return frameOf(
    problem,
    problem.supplies.map((s) => arcsOf(problem, s)),
  );
});
const OVER_PRICE = 0.4;

function emptyDraft(f: Frame): Draft {
  const draft = new Draft(f);
  draft.lay(f.arcs.map(() => []));
  draft.overPrice = OVER_PRICE;
  return draft;
}
/** Asks about a change of up to three plantings: a pick moved, added or left out, or stripping. */
function askAtRandom(f: Frame, draft: Draft, next: () => number): boolean {
  const below = (k: number) => Math.floor(next() * k);
  draft.begin();
  const plantings = new Set(Array.from({ length: 1 + below(3) }, () => below(f.arcs.length)));
  let asked = 0;
  for (const p of plantings) {
    const length = draft.length[p]!;
    const drop = length > 0 && next() < 0.5 ? draft.slotOf(p, below(length)) : NO_SLOT;
    const add = drop === NO_SLOT || next() < 0.6 ? below(f.n) : NO_SLOT;
    // the length of a line counts only where it stands alone
    const freed = plantings.size === 1 && next() < 0.5 ? 0 : undefined;
    if (next() < 0.2 ? draft.flip(p) : draft.edit(p, drop, add, freed)) asked += 1;
  }
  return asked > 0;
}
/** Minutes beyond the windows of the plan as it stands, reckoned anew. */
function overOf(f: Frame, draft: Draft): number {
  const { minutes } = tableOf(f, draft.schedule());
  return minutes.reduce((sum, m, j) => sum + Math.max(0, m - f.capacity[j]!), 0);
}
function wander(f: Frame, draft: Draft, next: () => number, times: number): void {
  for (let k = 0; k < times; k++)
    if (askAtRandom(f, draft, next) && draft.gain() > Number.NEGATIVE_INFINITY) draft.take();
}

describe("a plan in the making", () => {
  it("says what a change gains, and after it what the plan is worth and how far it is over its windows", () => {
    frames.forEach((f, k) => {
      const draft = emptyDraft(f);
      const next = stream(k);
      let [over, together] = [0, 0];
      for (let round = 0; round < 1500; round++) {
        if (!askAtRandom(f, draft, next)) continue;
        const before = { value: draft.value, over: draft.over };
        const gain = draft.gain();
        if (next() < 0.3) continue; // asked about only: nothing may change by it
        draft.take();
        if (gain > Number.NEGATIVE_INFINITY)
          expect(draft.value - before.value - OVER_PRICE * (draft.over - before.over)).toBeCloseTo(gain, 8);
        expect(draft.value).toBeCloseTo(tableValue(f, tableOf(f, draft.schedule())), 8);
        expect(draft.over).toBeCloseTo(overOf(f, draft), 8);
        over = Math.max(over, draft.over);
        together = Math.max(together, ...draft.count);
      }
      expect(over).toBeGreaterThan(0);
      expect(together).toBeGreaterThan(3);
    });
  });
  it("tells from the paths alone no change to be hopeless that gains enough, but many that lose", () => {
    for (const f of frames) {
      const draft = emptyDraft(f);
      const next = stream(70);
      let [lose, hopeless] = [0, 0];
      for (let round = 0; round < 4000; round++) {
        if (!askAtRandom(f, draft, next)) continue;
        const gain = draft.gain();
        // a change that leaves everything as it was is nobody's loss
        if (gain > Number.NEGATIVE_INFINITY && gain !== 0) expect(draft.promising(gain - 1e-9)).toBe(true);
        if (gain < -0.05) {
          lose += 1;
          if (!draft.promising(-0.05)) hopeless += 1;
        }
        if (gain > 0 || (gain > Number.NEGATIVE_INFINITY && next() < 0.05)) draft.take();
      }
      expect(hopeless).toBeGreaterThan(lose / 5);
    }
  });
  it("knows who is taken at a slot, and how long each line there takes", () => {
    const f = frames[1]!;
    const draft = emptyDraft(f);
    wander(f, draft, stream(9), 300);
    const schedule = draft.schedule();
    const { minutes } = tableOf(f, schedule);
    for (let j = 0; j < f.n; j++) {
      const there = schedule.flatMap((steps, p) => (steps.some((s) => s.slot === j) ? [p] : []));
      const said = Array.from({ length: draft.count[j]! }, (_, k) => draft.takenAt(j, k));
      expect(said.sort((a, b) => a - b)).toEqual(there);
      expect(there.reduce((sum, p) => sum + draft.minutesOf(p, j), 0)).toBeCloseTo(minutes[j]!, 8);
    }
    expect(schedule.flat().length).toBeGreaterThan(10);
  });
  it("gives a planting its path back, and keeps a plan while it goes on", () => {
    for (const f of frames) {
      const draft = emptyDraft(f);
      const next = stream(50);
      wander(f, draft, next, 200);
      const before = { value: draft.value, schedule: draft.schedule() };
      draft.keep();
      wander(f, draft, next, 40);
      expect(draft.schedule()).not.toEqual(before.schedule);
      expect(draft.kept()).toEqual(before.schedule);
      before.schedule.forEach((steps, p) => {
        draft.set(p, steps);
        expect(draft.pathOf(p)).toEqual(steps);
      });
      expect(draft.schedule()).toEqual(before.schedule);
      expect(draft.value).toBeCloseTo(before.value, 8);
    }
  });
  it("strips a planting at its last pick, wherever that comes to be", () => {
    const f = frames[0]!;
    const p = f.arcs.findIndex((a) => !a.supply.once && a.stripWorth[4]! > 0 && a.stripWorth[8]! > 0);
    const draft = emptyDraft(f);
    expect(draft.flip(p)).toBe(false); // there is no pick yet
    draft.set(p, [{ slot: 4, take: "ready" }]);
    draft.begin();
    expect(draft.flip(p)).toBe(true);
    draft.gain();
    draft.take();
    expect(draft.pathOf(p)).toEqual([{ slot: 4, take: "strip" }]);
    draft.begin();
    expect(draft.edit(p, NO_SLOT, 8)).toBe(true);
    draft.gain();
    draft.take();
    expect(draft.pathOf(p)).toEqual([
      { slot: 4, take: "ready" },
      { slot: 8, take: "strip" },
    ]);
    draft.begin();
    expect(draft.edit(p, NO_SLOT, 4)).toBe(false); // it is there already
  });
  it("begins with a given plan, and asks about no line that is too long for what is left of a window", () => {
    const f = frames[0]!;
    const first = emptyDraft(f);
    first.overPrice = 0;
    const next = stream(3);
    for (let k = 0; k < 120; k++)
      if (askAtRandom(f, first, next)) {
        first.gain();
        first.take();
      }
    const draft = new Draft(f);
    draft.lay(first.schedule());
    expect(draft.schedule()).toEqual(first.schedule());
    expect(draft.value).toBeCloseTo(first.value, 8);
    // what the plan it began with overruns counts as its window
    expect(first.over).toBeGreaterThan(0);
    expect(draft.over).toBeCloseTo(0, 8);
    const room = tableOf(f, draft.schedule()).minutes.map((m, j) => Math.max(m, f.capacity[j]!));
    let [added, refused] = [0, 0];
    for (let p = 0; p < f.arcs.length; p++)
      for (let j = 0; j < f.n; j++) {
        draft.begin();
        if (!draft.edit(p, NO_SLOT, j)) continue;
        const again = new Draft(f);
        again.lay(draft.schedule());
        again.begin();
        again.edit(p, NO_SLOT, j);
        again.gain();
        again.take();
        const over = tableOf(f, again.schedule()).minutes[j]! - room[j]!;
        draft.begin();
        expect(draft.edit(p, NO_SLOT, j, 0)).toBe(over <= 2);
        if (over <= 2) added += 1;
        else refused += 1;
      }
    expect(added).toBeGreaterThan(0);
    expect(refused).toBeGreaterThan(0);
  });
});
