import { describe, expect, it } from "vitest";
import { generated, stream } from "../fixtures/problem";
import { tableOf, tableValue } from "./assign";
import { Draft } from "./draft";
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

/** Lines put in and taken out at random. @returns how many changes could be made */
function wander(f: Frame, draft: Draft, next: () => number, times: number): number {
  let made = 0;
  for (let k = 0; k < times; k++) {
    const p = Math.floor(next() * f.arcs.length);
    const mark = draft.logged;
    const kind = next();
    const length = draft.length[p]!;
    const done =
      kind < 0.6
        ? draft.add(p, Math.floor(next() * f.n))
        : kind < 0.85
          ? length > 0 && draft.drop(p, draft.slotOf(p, Math.floor(next() * length)))
          : draft.strip(p);
    if (done) made += 1;
    else draft.undo(mark);
  }
  return made;
}
/** Minutes beyond the windows of the plan as it stands, reckoned anew. */
function overOf(f: Frame, draft: Draft): number {
  const { minutes } = tableOf(f, draft.schedule());
  return minutes.reduce((sum, m, j) => sum + Math.max(0, m - f.capacity[j]!), 0);
}
const nothing = (f: Frame) => f.arcs.map(() => []);

describe("a plan in the making", () => {
  it("says at every moment what it is worth and how far it is over its windows", () => {
    frames.forEach((f, k) => {
      const draft = new Draft(f);
      draft.lay(nothing(f));
      const next = stream(k);
      let over = 0;
      for (let round = 0; round < 40; round++) {
        expect(wander(f, draft, next, 25)).toBeGreaterThan(0);
        draft.logged = 0;
        expect(draft.value).toBeCloseTo(tableValue(f, tableOf(f, draft.schedule())), 8);
        expect(draft.over).toBeCloseTo(overOf(f, draft), 8);
        over = Math.max(over, draft.over);
      }
      expect(over).toBeGreaterThan(0);
    });
  });
  it("knows who is taken at a slot", () => {
    const f = frames[1]!;
    const draft = new Draft(f);
    draft.lay(nothing(f));
    wander(f, draft, stream(9), 300);
    const schedule = draft.schedule();
    for (let j = 0; j < f.n; j++) {
      const there = schedule.flatMap((steps, p) => (steps.some((s) => s.slot === j) ? [p] : []));
      const said = Array.from({ length: draft.count[j]! }, (_, k) => draft.takenAt(j, k));
      expect(said.sort((a, b) => a - b)).toEqual(there);
    }
  });
  it("takes back whatever was done since a mark", () => {
    frames.forEach((f, k) => {
      const draft = new Draft(f);
      draft.lay(nothing(f));
      const next = stream(50 + k);
      wander(f, draft, next, 200);
      draft.logged = 0;
      for (let round = 0; round < 30; round++) {
        const before = { value: draft.value, over: draft.over, schedule: draft.schedule() };
        wander(f, draft, next, 12);
        draft.undo(0);
        expect(draft.schedule()).toEqual(before.schedule);
        expect(draft.value).toBeCloseTo(before.value, 8);
        expect(draft.over).toBeCloseTo(before.over, 8);
        wander(f, draft, next, 3);
        draft.logged = 0;
      }
    });
  });
  it("begins with a given plan, and adds no line that is too long for what is left of a window", () => {
    const f = frames[0]!;
    const first = new Draft(f);
    first.lay(nothing(f));
    wander(f, first, stream(3), 120);
    const draft = new Draft(f);
    draft.lay(first.schedule());
    expect(draft.schedule()).toEqual(first.schedule());
    expect(draft.value).toBeCloseTo(first.value, 8);
    // what the plan it began with overruns counts as its window
    expect(first.over).toBeGreaterThan(0);
    expect(draft.over).toBeCloseTo(0, 8);
    let [added, refused] = [0, 0];
    for (let p = 0; p < f.arcs.length; p++)
      for (let j = 0; j < f.n; j++) {
        draft.logged = 0;
        if (draft.add(p, j)) {
          const over = draft.over;
          draft.undo(0);
          const fits = draft.add(p, j, 2);
          if (!fits) expect(over).toBeGreaterThan(0);
          if (fits) added += 1;
          else refused += 1;
        }
        draft.undo(0);
      }
    expect(added).toBeGreaterThan(0);
    expect(refused).toBeGreaterThan(0);
  });
});
