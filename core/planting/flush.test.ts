import { max } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import { borneAfterPick, daysToFirst, firstOf, flushShare, inFlush, ripeningSd } from "./flush";

describe("the first of many pieces", () => {
  it.each([
    // expected greatest of n normal deviates: Harter, Biometrika 48 (1961), table 1 (values from memory)
    [2, 0.564],
    [5, 1.163],
    [10, 1.539],
    [30, 2.043],
    [100, 2.508],
  ])("of %i lies %f standard deviations before a usual one", (n, z) => {
    expect(firstOf(n)).toBeCloseTo(z, 1);
  });
  it("agrees with the greatest of many drawn at random", () => {
    let seed = 7;
    const next = () => {
      seed = (seed * 16807) % 2147483647;
      return seed / 2147483647;
    };
    const normal = () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
    const tries = Array.from({ length: 4000 }, () => max(Array.from({ length: 20 }, normal)));
    expect(firstOf(20)).toBeCloseTo(tries.reduce((a, b) => a + b, 0) / tries.length, 1);
  });
});

describe("a flush", () => {
  const radish = cropOf("radish");
  const bean = cropOf("french-bean-bush");
  it("begins with its first piece, is half over when a usual one is ready, and is over in the end", () => {
    expect(flushShare(radish, 50, 0)).toBe(0);
    expect(flushShare(radish, 50, firstOf(50) * ripeningSd(radish))).toBeCloseTo(0.5, 1);
    expect(flushShare(radish, 50, 40)).toBeGreaterThan(0.99);
  });
  it("of many is slow at first: a tenth of its time brings less than a twentieth of it", () => {
    const whole = 2 * firstOf(100) * ripeningSd(radish);
    expect(flushShare(radish, 100, 0.1 * whole)).toBeLessThan(0.05);
  });
  it("of pods begins with a first picking, as packets say it", () => {
    expect([daysToFirst(bean), daysToFirst(radish)]).toEqual([true, false]);
    expect(flushShare(bean, 200, 2)).toBeGreaterThan(flushShare(radish, 200, 2));
  });
  it("is where the picks have got to: much picked early means that more of it is over than the clock said", () => {
    const byClock = 4;
    expect(borneAfterPick(radish, 50, byClock, 0.6)).toBeGreaterThan(byClock);
    expect(borneAfterPick(radish, 50, byClock, 0)).toBeLessThan(byClock);
    expect(borneAfterPick(radish, 50, byClock, 0.6)).toBeLessThan(borneAfterPick(radish, 50, byClock, 0.9));
  });
  it("is not what bears for weeks, nor what is lifted at once", () => {
    expect(inFlush(cropOf("courgette"), "as-they-come")).toBe(false);
    expect(inFlush(cropOf("bulb-onion"), "all-at-once")).toBe(false);
    expect(inFlush(cropOf("lettuce-head"), "one-by-one")).toBe(true);
  });
});
