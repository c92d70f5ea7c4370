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
  it("goes by what was measured in three weeks, up to today, of that cue alone, at the pace of the crop", () => {
    const day = (...list: [at: string, cueId: string, value: number][]) =>
      growthAhead(
        p,
        list.map(([at, cueId, value], i) => check(at, [{ cueId, value }], { id: `${i}` })),
        "2026-07-22",
      )?.day ?? null;
    const two = day(["2026-07-20", "length", 60], ["2026-07-22", "length", 85]);
    expect(two).not.toBeNull();
    // three weeks back counts, a day more does not; what is still to come is not known
    expect(day(["2026-07-01", "length", 60], ["2026-07-22", "length", 85])).not.toBeNull();
    expect(day(["2026-06-30", "length", 60], ["2026-07-22", "length", 85])).toBeNull();
    expect(day(["2026-07-20", "length", 60], ["2026-07-23", "length", 85])).toBeNull();
    // another cue of the same looks is another thing; two measurements of one day are one
    expect(day(["2026-07-20", "skin", 60], ["2026-07-22", "length", 85])).toBeNull();
    expect(day(["2026-07-22", "length", 80], ["2026-07-22", "length", 85])).toBeNull();
    expect(day(["2026-07-20", "length", 60], ["2026-07-22", "length", 85], ["2026-06-01", "length", 5])).toBe(two);
  });
  it("begins from the usual pace: of what bears again by its interval, of the rest by its days", () => {
    const looks = [["2026-07-20", 0.6] as const, ["2026-07-22", 0.62] as const];
    const slower = { ...crop, interval: { ...crop.interval, coolDays: 3 * crop.interval.coolDays } };
    const once = cropOf("parsnip");
    const measured = (crop: typeof once) => crop.cues.find((c) => c.kind === "measure")!;
    const [root, fruit] = [measured(once), measured(crop)];
    const of = (crop: typeof once, days: [number, number], cue: typeof root) =>
      growthAhead(
        {
          crop,
          school: crop.schools[0]!,
          judgement: { clock: { ...p.judgement.clock, range: { minDays: days[0], maxDays: days[1], from: "packet" } } },
        },
        looks.map(([at, share], i) => check(at, [{ cueId: cue.id, value: share * cue.marks.early }], { id: `${i}` })),
        "2026-07-22",
      )?.day ?? "never";
    // a crop of longer days is taken to grow more slowly; what bears again does not go by its days
    expect(of(once, [60, 70], root) < of(once, [120, 140], root)).toBe(true);
    expect(of(once, [40, 80], root)).toBe(of(once, [60, 60], root));
    expect(of(crop, [20, 30], fruit)).toBe(of(crop, [90, 120], fruit));

    expect(of(slower, [45, 60], fruit) > of(crop, [45, 60], fruit)).toBe(true);
  });
  it("a fruit may grow by three tenths beyond what is too old", () => {
    const length = crop.cues.find((c) => c.id === "length")!;
    if (length.kind !== "measure") throw new Error("a length is measured");
    const nearlyOld = { ...length, marks: { ...length.marks, past: 1.1 * length.marks.ready } };
    const strict = { ...crop, cues: [nearlyOld] };
    const towards = { ...p, crop: strict, school: { ...p.school, cues: {} } };
    expect(growthAhead(towards, looks, "2026-07-22")).not.toBeNull();
  });
  it("is silent after one measurement, or once the size wanted is there", () => {
    expect(growthAhead(p, looks.slice(0, 1), "2026-07-22")).toBeNull();
    const grown = [...looks, check("2026-07-25", [{ cueId: "length", value: 230 }], { id: "third" })];
    expect(growthAhead(p, grown, "2026-07-25")).toBeNull();
  });
});
