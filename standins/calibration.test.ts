import { describe, expect, it } from "vitest";
import { CROPS } from "#core/handbook/index";
import { frostTrial } from "./frost-trial";
import { brier, reliability, trial } from "./trial";

/**
 * The filter against plants that grow by other equations, at a pace it does not know: every crop of the handbook
 * whose clock starts with its planting. Brier score (G. W. Brier, Monthly Weather Review 78, 1950) beside two
 * baselines: the packet's dates alone, and the last look alone.
 */
const crops = CROPS.filter((c) => !c.days.yearly && c.family !== "Amaryllidaceae");
const cases = trial(crops, 420, 1000);
const share = (of: (c: (typeof cases)[number]) => boolean) => cases.filter(of).length / cases.length;

describe("the chance of being ready, on plants that grow by other equations", () => {
  it("is put to a mixed lot of at least sixty crops: neither all ready nor none", () => {
    expect(new Set(cases.map((c) => c.cropId)).size).toBeGreaterThanOrEqual(55);
    const ready = share((c) => c.truth === 1);
    expect(ready).toBeGreaterThan(0.2);
    expect(ready).toBeLessThan(0.8);
  });
  it("is at least 40 % better than the packet's dates, and better than warmth or the last look alone", () => {
    const filter = brier(cases, (c) => c.filter);
    expect(filter).toBeLessThan(0.6 * brier(cases, (c) => c.packet));
    expect(filter).toBeLessThan(brier(cases, (c) => c.warmth));
    expect(filter).toBeLessThan(brier(cases, (c) => c.lastLook));
  });
  it("means what it says: in each fifth of the scale about as many came true as were said", () => {
    for (const bin of reliability(cases)) if (bin.count >= 25) expect(Math.abs(bin.said - bin.came)).toBeLessThan(0.17);
    const sure = cases.filter((c) => c.filter > 0.85);
    expect(sure.filter((c) => c.truth === 1).length / sure.length).toBeGreaterThan(0.8);
    const unsure = cases.filter((c) => c.filter < 0.15);
    expect(unsure.filter((c) => c.truth === 1).length / unsure.length).toBeLessThan(0.2);
  });
});

describe("the chance of frost from a source that is too warm by 1.5 K, over 1,000 nights", () => {
  const nights = frostTrial(1000, 2, 1.5, 7);
  const learned = nights.map((n) => ({ filter: n.learned, truth: n.truth }));
  it("is put to a climate where some nights freeze and most do not", () => {
    const frosts = nights.filter((n) => n.truth === 1).length;
    expect(frosts).toBeGreaterThan(200);
    expect(frosts).toBeLessThan(700);
  });
  it("is better once the source's own misses are known", () => {
    expect(brier(nights, (n) => n.learned)).toBeLessThan(0.8 * brier(nights, (n) => n.assumed));
  });
  it("means what it says in each fifth of the scale, within three binomial standard errors", () => {
    for (const bin of reliability(learned)) {
      expect(bin.count).toBeGreaterThan(10);
      const error = Math.sqrt((bin.said * (1 - bin.said)) / bin.count);
      expect(Math.abs(bin.said - bin.came)).toBeLessThan(3 * error + 0.01);
    }
  });
});
