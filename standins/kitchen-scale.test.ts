import { describe, expect, it } from "vitest";
import { type ScaleReading, settledG } from "#core/weighing/scale";
import { simulatedScale } from "./kitchen-scale";

/** Reads every 100 ms from one time to another. */
const watch = (scale: ReturnType<typeof simulatedScale>, fromMs: number, toMs: number): ScaleReading[] =>
  Array.from({ length: (toMs - fromMs) / 100 }, (_, k) => scale.read(fromMs + 100 * k));

describe("a kitchen scale", () => {
  it("swings when a load is laid on, and is believed only once it has settled", () => {
    const scale = simulatedScale(3);
    scale.load(2500, 1000);
    expect(settledG(watch(scale, 1000, 1700), scale.stepG)).toBeNull();
    const settled = settledG(watch(scale, 1000, 4500), scale.stepG)!;
    expect(Math.abs(settled - 2500)).toBeLessThanOrEqual(2);
  });
  it("set to zero with the crate on it, it shows the crop alone, whichever comes first", () => {
    const scale = simulatedScale(5);
    scale.load(1590, 0);
    scale.tare(4000);
    expect(Math.abs(scale.read(4000).shownG)).toBeLessThanOrEqual(1);
    scale.load(1590 + 3200, 4100);
    expect(Math.abs(settledG(watch(scale, 4100, 8000), scale.stepG)! - 3200)).toBeLessThanOrEqual(2);
  });
  it("drifts slowly when it stands, and setting it to zero takes the drift away", () => {
    const scale = simulatedScale(7);
    const late = settledG(watch(scale, 600_000, 602_000), scale.stepG)!;
    expect(late).toBeGreaterThan(8);
    scale.tare(602_000);
    expect(Math.abs(settledG(watch(scale, 602_000, 604_000), scale.stepG)!)).toBeLessThanOrEqual(1);
  });
  it("says when it is overloaded and gives no weight then", () => {
    const scale = simulatedScale(9, 5000);
    scale.load(7000, 0);
    const seen = watch(scale, 0, 4000);
    expect(seen.at(-1)!.overload).toBe(true);
    expect(settledG(seen, scale.stepG)).toBeNull();
    scale.load(1000, 4000);
    expect(Math.abs(settledG(watch(scale, 4000, 7000), scale.stepG)! - 1000)).toBeLessThanOrEqual(2);
  });
  it("believes nothing from too few readings", () => {
    expect(settledG([], 1)).toBeNull();
    expect(settledG([{ atMs: 0, shownG: 5, overload: false }], 1)).toBeNull();
  });
});
