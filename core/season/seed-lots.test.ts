import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import { costAPlant, germinationOf, goodYears, type SeedLot, seedLotSchema, seedNeeds } from "./seed-lots";
import { betaInterval } from "./spread";
import { sayGermination } from "./words";

const TODAY = "2026-12-01";
const lot = (over: Partial<SeedLot> = {}): SeedLot => ({
  id: "s",
  cropId: "carrot",
  kind: "storage orange",
  price: null,
  packed: null,
  source: "",
  year: 2026,
  left: 100,
  unit: "seeds",
  testedOn: null,
  tested: null,
  sprouted: null,
  note: "",
  ...over,
});
const share = (over: Partial<SeedLot>, cropId = "carrot") =>
  germinationOf(lot({ ...over, cropId }), cropOf(cropId), TODAY).share;

describe("how much of a packet comes up", () => {
  // usual years of well-kept seed: onion and parsnip 1, carrot 3, tomato 4, cucumber 5 (Knott, from memory)
  it.each([
    ["bulb-onion", 1],
    ["parsnip", 1],
    ["carrot", 3],
    ["tomato", 4],
    ["cucumber", 5],
    ["lettuce-head", 5],
    ["pea-shelling", 3],
    ["kale", 4],
  ])("%s keeps %i years", (cropId, years) => {
    expect(goodYears(cropOf(cropId))).toBe(years);
    const at = (age: number) => share({ year: 2026 - age }, cropId);
    expect(at(years)).toBe(at(0));
    expect(at(years + 1)).toBeLessThan(at(years));
    expect(at(years + 3)).toBeLessThan(at(years + 1));
  });
  it("a test is weighed with the usual, as beta and binomial: 8 of belief at 0.85 and 9 of 20 make 15.8 in 28", () => {
    const g = germinationOf(lot({ testedOn: "2026-03-01", tested: 20, sprouted: 9 }), cropOf("carrot"), TODAY);
    expect(g.alpha).toBeCloseTo(15.8, 10);
    expect(g.share).toBeCloseTo(15.8 / 28, 10);
    const [low, high] = betaInterval(g.alpha, g.beta);
    expect(low).toBeLessThan(g.share);
    expect(high - low).toBeLessThan(0.4);
    expect(sayGermination(g)).toBe("9 of 20 sprouted");
  });
  it("an old test says little, and a big one nearly all", () => {
    expect(share({ testedOn: "2025-01-01", tested: 20, sprouted: 0 })).toBe(share({}));
    expect(share({ testedOn: "2026-11-01", tested: 400, sprouted: 100 })).toBeCloseTo(0.2618, 3);
  });
  it("bulbs and tubers do not fade as seed does, and a test is whole or not at all", () => {
    expect(share({ unit: "sets", year: 2020 })).toBeCloseTo(0.95, 10);
    const wrong = (over: Partial<SeedLot>) => seedLotSchema.safeParse(lot(over)).error?.issues[0]?.message;
    expect(wrong({ tested: 10 })).toMatch(/its day/);
    expect(wrong({ testedOn: TODAY, tested: 10, sprouted: 11 })).toMatch(/more than/);
    expect(seedLotSchema.safeParse(lot({ testedOn: TODAY, tested: 10, sprouted: 10 })).success).toBe(true);
  });
});

describe("what to order", () => {
  const plan = [
    { cropId: "carrot", kind: "storage orange", plants: 100, startOn: "2027-05-20", sets: false },
    { cropId: "carrot", kind: "storage orange", plants: 20, startOn: "2027-04-20", sets: false },
    { cropId: "bulb-onion", kind: "red keeper", plants: 80, startOn: "2027-03-30", sets: true },
  ];
  const need = (lots: SeedLot[]) => seedNeeds(plan, lots, cropOf, TODAY);
  it("by hand: 120 carrots want 212 seeds; a packet of 100 that comes up by 0.85 covers 56", () => {
    const [onion, carrot] = need([lot()]);
    expect(onion).toMatchObject({ plants: 80, wanted: 85, coversPlants: 0, order: 85, firstOn: "2027-03-30" });
    expect(carrot).toMatchObject({ plants: 120, wanted: 212, coversPlants: 56, firstOn: "2027-04-20" });
    expect(carrot!.order).toBe(Math.ceil(((120 - (100 * 0.85) / 1.5) * 1.5) / 0.85));
  });
  it("grams count by the seeds in a gram; another kind does not; enough is enough", () => {
    expect(need([lot({ unit: "g", left: 1 })])[1]!.order).toBe(0);
    expect(need([lot({ kind: "early sweet", left: 5000 })])[1]!.coversPlants).toBe(0);
    expect(need([lot({ unit: "g", left: 1 })])[1]!.coversPlants).toBe(Math.floor((800 * 0.85) / 1.5));
  });
});

describe("what a plant costs in seed", () => {
  it("is the packet by what was in it and what comes up; nothing where seed is weighed or the price is not known", () => {
    const packet = lot({ price: 3, packed: 300, unit: "seeds" });
    expect(costAPlant(packet, 0.5)).toBeCloseTo(3 / 150, 9);
    expect(costAPlant({ ...packet, unit: "g" }, 0.5)).toBeNull();
    expect(costAPlant({ ...packet, price: null }, 0.5)).toBeNull();
    expect(seedLotSchema.safeParse(lot({ price: -1 })).success).toBe(false);
    expect(seedLotSchema.safeParse(lot({ packed: 0 })).success).toBe(false);
  });
});
