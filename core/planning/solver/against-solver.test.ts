import highsLoader from "highs";
import { beforeAll, describe, expect, it } from "vitest";
import { generated } from "../../fixtures/problem";
import { programmeOf } from "../../fixtures/programme";
import type { PlanProblem } from "../question/problem";
import { plan } from "./optimise";

describe("against HiGHS, an independent solver", () => {
  let highs: Awaited<ReturnType<typeof highsLoader>>;
  beforeAll(async () => {
    highs = await highsLoader();
  });
  const optimumOf = (p: PlanProblem) => highs.solve(programmeOf(p), { mip_rel_gap: 1e-7 }).ObjectiveValue;

  it.each([
    ["minutes alone bind", false, 100],
    ["room and appetite bind too", true, 300],
  ])(
    "is the optimum, and knows it, on generated instances where %s",
    (_, room, from) => {
      const shortfalls: number[] = [];
      let proven = 0;
      let bound = 0;
      for (let seed = from; seed < from + 120; seed++) {
        const p = generated(seed, 5, 6, 1, room);
        const mine = plan(p);
        const optimum = optimumOf(p);
        shortfalls.push((optimum - mine.value) / Math.abs(optimum));
        expect(mine.value).toBeLessThanOrEqual(optimum + 1e-4);
        expect(mine.bound).toBeGreaterThanOrEqual(optimum - 1e-4);
        if (mine.gap < 1e-9) proven += 1;
        if (room && optimum < optimumOf({ ...p, stores: [] }) - 1e-3) bound += 1;
      }
      expect(Math.max(...shortfalls)).toBeLessThan(0.005);
      expect(proven).toBeGreaterThan(108);
      if (room) expect(bound).toBeGreaterThan(60);
    },
    600_000,
  );
  it.each([false, true])(
    "on larger ones its bound stays above the optimum and its plan below, not far apart (room %s)",
    (room) => {
      for (let seed = 1; seed <= 4; seed++) {
        const p = generated(seed, 8, 8, 1, room);
        const mine = plan(p);
        const optimum = optimumOf(p);
        expect(mine.value).toBeLessThanOrEqual(optimum + 1e-4);
        expect(mine.bound).toBeGreaterThanOrEqual(optimum - 1e-4);
        expect((optimum - mine.value) / Math.abs(optimum)).toBeLessThan(0.01);
      }
    },
    600_000,
  );
});
