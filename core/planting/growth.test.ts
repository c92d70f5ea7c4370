import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { check } from "../fixtures/garden";
import { cropOf, schoolOf } from "../handbook";
import { dayOfSize, fitGrowth, sizeOn, usualRate } from "./growth";
import { growthAhead } from "./growth-ahead";
import { sayGrowth } from "./words";

const START = "2026-07-01";
const vague = { ratePerDay: 0.2, sd: 10 };

/** C14.5: logistic N = K/[1+((K−N₀)/N₀)e^(−rt)], K 200, N₀ 5, r 0.3 (handbook of checks, SciPy). */
describe("growth towards a ceiling", () => {
  const published: [number, number][] = [
    [0, 5],
    [5, 20.6141],
    [10, 67.988],
    [15, 139.5429],
    [20, 182.37],
  ];
  const measured = published.map(([t, size]) => ({ day: addDays(START, t), size }));
  it("finds the rate of the published logistic curve and goes on along it", () => {
    const growth = fitGrowth(measured.slice(0, 4), 200, vague)!;
    expect(growth.ratePerDay).toBeCloseTo(0.3, 3);
    expect(sizeOn(growth, addDays(START, 20)).size).toBeCloseTo(182.37, 0);
    expect(sizeOn(growth, addDays(START, 10)).size).toBeCloseTo(67.988, 0);
  });
  it("reaches 150 on day 16, as the published crossing at 15.87 says", () => {
    expect(dayOfSize(fitGrowth(measured.slice(0, 3), 200, vague)!, 150)).toBe(addDays(START, 16));
  });
  it("a single measurement leans on the handbook’s rate, with a wide doubt", () => {
    const one = fitGrowth([{ day: START, size: 60 }], 300, { ratePerDay: 0.25, sd: 0.15 })!;
    expect(one.ratePerDay).toBeCloseTo(0.25, 6);
    const five = fitGrowth(
      [0, 1, 2, 3, 4].map((t) => ({ day: addDays(START, t), size: 60 * 1.2 ** t })),
      300,
      { ratePerDay: 0.25, sd: 0.15 },
    )!;
    expect(five.rateSd).toBeLessThan(one.rateSd);
  });
  it("says nothing without a measurement, and never reaches what lies beyond the ceiling", () => {
    expect(fitGrowth([], 200, vague)).toBeNull();
    expect(dayOfSize(fitGrowth(measured, 200, vague)!, 250)).toBeNull();
    expect(dayOfSize(fitGrowth(measured, 200, vague)!, 100)).toBe(addDays(START, 20));
  });
  it("never shrinks, and its bounds enclose what is expected", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 5, max: 240 }), { minLength: 1, maxLength: 6 }), (sizes) => {
        const growth = fitGrowth(
          sizes.map((size, t) => ({ day: addDays(START, 2 * t), size })),
          260,
          { ratePerDay: 0.1, sd: 0.1 },
        )!;
        let before = 0;
        for (let t = 0; t < 20; t++) {
          const { size, low, high } = sizeOn(growth, addDays(growth.lastDay, t));
          expect(size).toBeGreaterThanOrEqual(before - 1e-9);
          expect(low).toBeLessThanOrEqual(size);
          expect(high).toBeGreaterThanOrEqual(size);
          before = size;
        }
      }),
    );
  });
  it("the handbook’s rate carries the early size to the ready one in two fifths of the days", () => {
    const { ratePerDay } = usualRate(30, 100, 260, 50);
    const logit = (x: number) => Math.log(x / (1 - x));
    expect(ratePerDay * 20).toBeCloseTo(logit(100 / 260) - logit(30 / 260), 9);
  });
});

describe("growth in words", () => {
  const crop = cropOf("courgette");
  const p = {
    crop,
    school: schoolOf(crop, "small"),
    judgement: {
      clock: { fruit: null, targetDd: 500, spread: 0.1, range: { minDays: 45, maxDays: 60, from: "packet" as const } },
    },
  };
  const looks = [
    check("2026-07-20", [{ cueId: "length", value: 60 }]),
    check("2026-07-22", [{ cueId: "length", value: 85 }], { id: "second" }),
  ];
  it("names the size and the day, with bounds", () => {
    const ahead = growthAhead(p, looks, "2026-07-22")!;
    expect(sayGrowth(ahead, "2026-07-22", "metric")).toMatch(
      /^length: at this pace 1[1-5]\.?\d? cm \w+ \(\d+(\.\d)? (cm|mm) to \d+(\.\d)? cm\)$/,
    );
  });
  it("is silent after one measurement, or once the size wanted is there", () => {
    expect(growthAhead(p, looks.slice(0, 1), "2026-07-22")).toBeNull();
    const grown = [...looks, check("2026-07-25", [{ cueId: "length", value: 230 }], { id: "third" })];
    expect(growthAhead(p, grown, "2026-07-25")).toBeNull();
  });
});
