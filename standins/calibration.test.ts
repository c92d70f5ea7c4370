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

describe("the chance of frost from a source too warm by 1.5 K whose ensemble is half as wide as it should be", () => {
  const runs = [2, 5].map((lead) => ({ lead, nights: frostTrial(1000, lead, { biasC: 1.5, narrow: 0.5 }, 7) }));
  it("is put to 1,000 nights of which some freeze and most do not", () => {
    for (const { nights } of runs) {
      expect(nights).toHaveLength(1000);
      const frosts = nights.filter((n) => n.truth === 1).length;
      expect(frosts).toBeGreaterThan(200);
      expect(frosts).toBeLessThan(700);
    }
  });
  it("is better once the source's own misses are known: than the members as they come, than an assumed error", () => {
    for (const { nights } of runs) {
      const ensemble = brier(nights, (n) => n.ensemble);
      expect(ensemble).toBeLessThan(0.6 * brier(nights, (n) => n.raw));
      expect(ensemble).toBeLessThan(0.7 * brier(nights, (n) => n.assumed));
      expect(brier(nights, (n) => n.single)).toBeLessThan(0.7 * brier(nights, (n) => n.assumed));
    }
  });
  it.each(["ensemble", "single"] as const)("by the %s means what it says in each fifth of the scale", (way) => {
    for (const { nights } of runs)
      for (const bin of reliability(nights.map((n) => ({ filter: n[way], truth: n.truth })))) {
        expect(bin.count).toBeGreaterThan(10);
        // three binomial standard errors, and a hundredth for the rounding of the record
        const error = Math.sqrt((bin.said * (1 - bin.said)) / bin.count);
        expect(Math.abs(bin.said - bin.came)).toBeLessThan(3 * error + 0.01);
      }
  });
});
