import { describe, expect, it } from "vitest";
import { daysToComeUp, husbandryOf } from "./husbandry";
import { CROPS, cropOf } from "./index";

const of = (id: string) => husbandryOf(cropOf(id))!;

describe("growing facts", () => {
  it("are there for every crop that is sown or planted each year", () => {
    const without = CROPS.filter((c) => c.days.yearly === null && husbandryOf(c) === null).map((c) => c.id);
    expect(without).toEqual([]);
  });
  it.each([
    // least and best soil for seed and days to come up at 20 °C, Knott's Handbook for Vegetable Growers (from memory)
    ["lettuce-head", 2, 24, 3],
    ["spinach", 2, 21, 6],
    ["carrot", 4, 27, 7],
    ["cabbage", 4, 29, 6],
    ["pea-shelling", 4, 24, 8],
    ["parsnip", 2, 18, 14],
  ])("%s: soil %d to %d °C, up in %d days at 20 °C", (id, least, best, days) => {
    expect(of(id).soilC).toEqual([least, best]);
    expect(daysToComeUp(of(id), 20)).toBe(days);
  });
  it("come up the later the colder, never outside what is known", () => {
    for (const c of CROPS) {
      const h = husbandryOf(c);
      if (!h || h.up.length < 2) continue;
      const days = [0, 8, 12, 16, 20, 25, 40].map((t) => daysToComeUp(h, t)!);
      for (let k = 1; k < days.length; k++) expect(days[k]!, c.id).toBeLessThanOrEqual(days[k - 1]!);
    }
    expect(daysToComeUp(of("lettuce-head"), 15)).toBe(5);
  });
  it("agree with the jobs: what is to be kept dry before it is lifted is in both", () => {
    for (const id of ["garlic", "bulb-onion", "potato", "sweet-potato", "winter-squash", "melon-netted"])
      expect(of(id).ease, id).toBe("stop");
    for (const id of ["lettuce-head", "courgette", "celery"]) expect(of(id).ease, id).toBe("even");
  });
  it("never want a hotter soil at least than at best, nor more sun to do than is good", () => {
    for (const c of CROPS) {
      const h = husbandryOf(c);
      if (h) expect(h.sunH[0], c.id).toBeGreaterThanOrEqual(h.sunH[1]);
    }
  });
});
