import { describe, expect, it } from "vitest";
import { generated } from "../../fixtures/problem";
import { improveAll, pathWithin, tableOf, tableValue } from "./assign";
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
