import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import { gramsFromPounds } from "../units/convert";
import { readAmount, readVolume } from "./amount";
import { BUSHEL_LB, bulkOf } from "./bulk";

const tomato = bulkOf(cropOf("tomato"));
const massOf = (text: string, system: "metric" | "us" = "metric", bulk = tomato) => {
  const read = readAmount(text, system, bulk);
  return read.ok ? read.amount.massG : read.message;
};

describe("what stood on the scale", () => {
  it("C11.1: half a bushel of tomatoes is 26.5 lb = 12.020 kg, a peck of apples 12 lb (USDA ERS, AH 697, 1992)", () => {
    expect(massOf("half a bushel")).toBeCloseTo(12_020, 0);
    expect(massOf("1/2 bushel")).toBe(massOf("½ bu"));
    expect(massOf("a peck", "us", bulkOf(cropOf("apple")))).toBeCloseTo(gramsFromPounds(12), 1);
  });
  it.each([
    ["potato", 60],
    ["carrot", 50],
    ["cucumber", 48],
    ["bulb-onion", 57],
    ["sweet-potato", 55],
    ["beetroot", 52],
    ["sweet-corn", 35],
    ["peach", 48],
  ])("a bushel of %s is %d lb (USDA ERS, AH 697, 1992)", (id, pounds) => {
    const bulk = bulkOf(cropOf(id));
    expect(bulk.published).toBe(true);
    expect(massOf("1 bushel", "us", bulk)).toBeCloseTo(gramsFromPounds(pounds), 1);
  });
  it("every crop with a bushel weight is one of the handbook's", () => {
    for (const id of Object.keys(BUSHEL_LB)) expect(() => cropOf(id)).not.toThrow();
  });
  it("C11.2: a bushel is four pecks, 32 dry quarts, 64 dry pints, 9.309177 gallons", () => {
    const bushel = readVolume("1 bushel")!;
    expect(readVolume("4 pecks")).toBeCloseTo(bushel, 9);
    expect(readVolume("32 quarts")).toBeCloseTo(bushel, 9);
    expect(readVolume("64 pints")).toBeCloseTo(bushel, 9);
    expect(readVolume("9.309177 gal")).toBeCloseTo(bushel, 4);
    expect(readVolume("3,5 l")).toBe(3.5);
  });
  it("crate by crate sums itself, in any units; a bare number has the next one's unit", () => {
    expect(massOf("12.3 + 11.8 + 9 kg")).toBe(33_100);
    expect(massOf("300 + 250 g")).toBe(550);
    expect(massOf("2 lb 3 oz + 1 lb 8 oz", "us")).toBeCloseTo(gramsFromPounds(3, 11), 1);
    expect(massOf("1 kg + 1 l")).toBeGreaterThan(1000);
    const read = readAmount("1 kg + 1 l", "metric", tomato);
    expect(read.ok && read.amount.estimated).toBe(true);
    expect(readAmount("6.4 kg", "metric", tomato)).toMatchObject({ ok: true, amount: { estimated: false, litres: 0 } });
  });
  it("any split of a load into crates weighs the same", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30_000 }), { minLength: 1, maxLength: 9 }), (loads) => {
        expect(massOf(loads.map((g) => `${g} g`).join(" + "))).toBe(loads.reduce((a, b) => a + b, 0));
        expect(massOf(`${loads.map(String).join("+")} g`)).toBe(loads.reduce((a, b) => a + b, 0));
      }),
    );
  });
  it.each(["", "a lot", "3 stones", "12 +", "+ 3 kg", "half", "1/0 bushel", "kg 3"])(
    "refuses “%s” and says how to write it",
    (text) => {
      expect(massOf(text)).toMatch(/weight|write it|missing|unit/i);
    },
  );
});

describe("quarts, dry and liquid", () => {
  it.each([
    ["4 qt liquid", 3.785411784],
    ["4 liquid quarts", 3.785411784],
    ["2 pints liquid", 0.946352946],
    ["4 qt", 4.40488377086],
    ["4 dry quarts", 4.40488377086],
    ["32 qt", 35.23907016688],
    ["1 gallon", 3.785411784],
    ["1 liquid bushel", null],
  ])("%s (NIST Handbook 44, Appendix C: four liquid quarts are a gallon, 32 dry ones a bushel)", (text, litres) => {
    const read = readVolume(text);
    if (litres === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(litres, 8);
  });
});
