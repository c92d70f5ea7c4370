import { describe, expect, it } from "vitest";
import { generated, problem, slot, supply } from "../../fixtures/problem";
import { slotTime } from "../question/problem";
import { improveAll, makeRoom, pathWithin, tableOf, tableValue } from "./assign";
import { frameOf } from "./frame";
import { arcsOf } from "./paths";

describe("every planting given in turn the best of what the others leave", () => {
  const runs = [1, 2, 3, 4].map((seed) => {
    const problem = generated(seed, 16, 10, 2, seed % 2 === 0);
    const f = frameOf(
      problem,
      problem.supplies.map((s) => arcsOf(problem, s)),
    );
    return { f, open: Uint8Array.from(problem.slots, (s) => Number(s.allowed)) };
  });
  const nothing = (plantings: number) => Array.from({ length: plantings }, () => []);

  it("ends where none could gain alone, within every window", () => {
    for (const { f, open } of runs) {
      const t = tableOf(f, nothing(f.arcs.length));
      const before = tableValue(f, t, open);
      improveAll(f, t, open, 50);
      expect(tableValue(f, t, open)).toBeGreaterThan(before);
      f.arcs.forEach((_, p) => {
        expect(pathWithin(f, t, p, open).gain).toBeLessThanOrEqual(1e-9);
      });
      t.minutes.forEach((m, j) => {
        expect(m).toBeLessThanOrEqual(f.capacity[j]! + 1e-6);
      });
    }
  });
  it("goes round no more often than it is told", () => {
    const gained = runs.map(({ f, open }) => {
      const [once, often] = [1, 50].map((passes) => {
        const t = tableOf(f, nothing(f.arcs.length));
        improveAll(f, t, open, passes);
        return tableValue(f, t, open);
      });
      return often! - once!;
    });
    expect(Math.min(...gained)).toBeGreaterThan(-1e-9);
    expect(Math.max(...gained)).toBeGreaterThan(0);
  });
});

describe("room made in slots that hold too much", () => {
  const opened = (asked: ReturnType<typeof problem>) => {
    const f = frameOf(
      asked,
      asked.supplies.map((s) => arcsOf(asked, s)),
    );
    return { f, open: new Uint8Array(f.n).fill(1) };
  };
  /** Four alike but for what a gram of them is worth, each a line of 18 minutes, in one round that leaves 40 of its 52. */
  const four = (over: Parameters<typeof problem>[2] = {}) =>
    problem(
      [slot(1, "17:30", 52)],
      [4, 3, 2, 1].map((worth, p) => supply(`p${p}`, { readyOn: -5, worthPerG: worth / 1000, minutesPerG: 0.003 })),
      over,
    );
  const all = () => [0, 1, 2, 3].map(() => [{ slot: 0, take: "ready" as const }]);

  it("leaves behind what loses least by the minute, no more than it must", () => {
    const { f, open } = opened(four());
    const t = tableOf(f, all());
    expect(f.capacity[0]).toBe(40);
    expect(t.minutes[0]).toBeCloseTo(72, 0);
    expect(makeRoom(f, t, open)).toEqual([]);
    expect(t.paths.map((p) => p.steps.length)).toEqual([1, 1, 0, 0]);
    expect(t.minutes[0]).toBeLessThanOrEqual(40);
  });
  it("changes nothing where there is room enough, to the minute", () => {
    const { f, open } = opened(four());
    const two = [...all().slice(0, 2), [], []];
    const roomy = tableOf(f, two);
    f.capacity[0] = roomy.minutes[0]!;
    expect(makeRoom(f, roomy, open)).toEqual([]);
    expect(roomy.paths.map((p) => p.steps.length)).toEqual([1, 1, 0, 0]);
  });
  it("says of wishes that together take too long how long they take, with the round’s own minutes", () => {
    const take = ["p0", "p1", "p2", "p3"].map((plantingId) => ({ plantingId, slotId: "2026-10-07T17:30" }));
    const { f, open } = opened(four({ wishes: { take, leave: [], open: [] } }));
    const t = tableOf(f, all());
    const needed = Math.round(t.minutes[0]! + 12);
    expect(makeRoom(f, t, open)).toEqual([{ why: "too-long", day: "2026-10-07", minutes: needed }]);
    expect(t.paths.every((p) => p.steps.length === 1)).toBe(true);
  });
  it("in the fullest first, and in each", () => {
    const asked = problem(
      [slot(1, "07:30", 40), slot(2, "17:30", 40), slot(3, "17:30", 200)],
      [1, 2, 3, 4, 5].map((worth, p) => supply(`p${p}`, { readyOn: -5, worthPerG: worth / 1000, minutesPerG: 0.003 })),
    );
    const { f, open } = opened(asked);
    const t = tableOf(
      f,
      [0, 0, 1, 1, 1].map((at) => [{ slot: at, take: "ready" as const }]),
    );
    expect(makeRoom(f, t, open)).toEqual([]);
    t.minutes.forEach((m, j) => {
      expect(m).toBeLessThanOrEqual(f.capacity[j]! + 1e-6);
    });
    // the third evening has room for whoever must leave the first two
    expect(t.paths.map((p) => p.steps.length)).toEqual([1, 1, 1, 1, 1]);
  });
  it("an hour is a part of its day by its minutes too", () => {
    expect(slotTime("2026-10-06", "2026-10-06", "06:45")).toBeCloseTo(0.28125, 12);
    expect(slotTime("2026-10-06", "2026-10-08", "18:00")).toBeCloseTo(2.75, 12);
  });
});
