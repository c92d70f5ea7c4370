import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dayRange } from "../calendar/day";
import { populationOf } from "./population";

const days = (count: number, over: Partial<{ growth: number; readyInDays: number; primeDays: number }> = {}) =>
  dayRange("2026-08-01", count).map((day) => ({ day, growth: 1, readyInDays: 3, primeDays: 3, ...over }));

describe("pieces by age on a repeat cropper", () => {
  it("left alone, grow old and slow the plant", () => {
    const alone = populationOf(days(30), 4, [], []);
    expect(alone.over).toBeGreaterThan(alone.ready);
    const total = alone.nearly + alone.ready + alone.over;
    expect(total).toBeLessThan(8 + 30 * 4);
    expect(total).toBeGreaterThan(30 * 2);
  });
  it("picked clean every third day, none grow old and more come in all", () => {
    const picks = dayRange("2026-08-01", 30)
      .filter((_, i) => i % 3 === 0)
      .map((day) => ({ day, all: true, pieces: 0 }));
    const tended = populationOf(days(30), 4, [], picks);
    expect(tended.over).toBeLessThan(1.5);
  });
  it("a count sets what it counted, and only that", () => {
    const counted = populationOf(
      days(10),
      4,
      [
        { day: "2026-08-10", of: "ready", pieces: 7 },
        { day: "2026-08-10", of: "over", pieces: 2 },
      ],
      [],
    );
    expect([counted.ready, counted.over]).toEqual([7, 2]);
    expect(counted.nearly).toBeGreaterThan(0);
  });
  it("a partial pick takes the oldest first", () => {
    const counts = [
      { day: "2026-08-05", of: "over" as const, pieces: 2 },
      { day: "2026-08-05", of: "ready" as const, pieces: 5 },
    ];
    const left = populationOf(days(5), 4, counts, [{ day: "2026-08-05", all: false, pieces: 4 }]);
    expect(left.over).toBe(0);
    expect(left.ready).toBe(3);
  });
  it("cold days bring and age nothing new", () => {
    const cold = populationOf(days(10, { growth: 0, primeDays: 1000 }), 4, [], []);
    expect(cold).toEqual({ nearly: 8, ready: 0, over: 0 });
  });
  it("never turns negative, whatever is taken", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 6 }),
        (growth, rate, taken) => {
          const picks = taken.map((pieces, i) => ({
            day: `2026-08-${String(3 + i).padStart(2, "0")}`,
            all: false,
            pieces,
          }));
          for (const n of Object.values(populationOf(days(12, { growth }), rate, [], picks)))
            expect(n).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});
