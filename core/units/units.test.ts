import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  GRAMS_PER_OUNCE,
  GRAMS_PER_POUND,
  LITRES_PER_US_BUSHEL,
  LITRES_PER_US_DRY_QUART,
  LITRES_PER_US_GALLON,
  LITRES_PER_US_LIQUID_QUART,
  LITRES_PER_US_PECK,
  M_PER_S_PER_KNOT,
} from "./constants";
import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  gramsFromPounds,
  inchesFromMm,
  mmFromInches,
  poundsFromGrams,
} from "./convert";
import { decimals, readMass, sayMass } from "./mass";
import { nearestObject } from "./reference-objects";
import { sayChance, sayLength, sayTemp } from "./say";

describe("exact units, NIST Handbook 44 Appendix C (C11.2)", () => {
  it("reproduces the published definitions", () => {
    expect(GRAMS_PER_POUND).toBe(453.59237);
    expect(GRAMS_PER_OUNCE * 16).toBeCloseTo(GRAMS_PER_POUND, 12);
    expect(LITRES_PER_US_PECK).toBeCloseTo(8.80976754172, 10);
    expect(LITRES_PER_US_DRY_QUART).toBeCloseTo(1.101220942715, 12);
    expect(LITRES_PER_US_LIQUID_QUART).toBeCloseTo(0.946352946, 12);
    expect(LITRES_PER_US_BUSHEL / LITRES_PER_US_GALLON).toBeCloseTo(9.309177, 6);
    expect(M_PER_S_PER_KNOT).toBeCloseTo(0.514444, 6);
  });

  it("comes back from every conversion within 1e-12", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 1e6, noNaN: true }), (x) => {
        expect(poundsFromGrams(gramsFromPounds(x)) / x).toBeCloseTo(1, 12);
        expect(inchesFromMm(mmFromInches(x)) / x).toBeCloseTo(1, 12);
        expect(celsiusFromFahrenheit(fahrenheitFromCelsius(x)) / x).toBeCloseTo(1, 9);
      }),
    );
  });
});

describe("reading a weight as it is written at the scale", () => {
  const cases: [string, "metric" | "us", number][] = [
    ["1.25 kg", "metric", 1250],
    ["1,25 kg", "metric", 1250],
    ["850 g", "metric", 850],
    ["850g", "us", 850],
    ["2", "metric", 2000],
    ["1,250 g", "metric", 1250],
    ["2 lb 3 oz", "us", 992.23],
    ["2lb and 3oz", "metric", 992.23],
    ["77.9 lb", "us", 35334.85],
  ];
  it.each(cases)("%s (%s) is %d g", (text, system, massG) => {
    expect(readMass(text, system)).toEqual({ ok: true, massG });
  });
  it.each(["", "heavy", "12 stone", "-4 kg", "1 kg x", "3 kg of 4"])("refuses “%s” with a way to mend it", (text) => {
    const result = readMass(text, "metric");
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.message).toMatch(/write it like|below zero/);
  });
});

describe("saying quantities", () => {
  it("chooses a readable unit", () => {
    expect(sayMass(850, "metric")).toBe("850 g");
    expect(sayMass(1240, "metric")).toBe("1.24 kg");
    expect(sayMass(-300, "metric")).toBe("−300 g");
    expect(sayMass(32_000, "us")).toBe("70.5 lb");
    expect(sayTemp(-1.24, "metric", 1)).toBe("−1.2 °C");
    expect(sayTemp(-0.2, "metric")).toBe("0 °C");
    expect(sayTemp(0, "us")).toBe("32 °F");
    expect(sayLength(18, "metric")).toBe("18 mm");
    expect(sayLength(180, "metric")).toBe("18 cm");
    expect(decimals(70.5, 2)).toBe("70.5");
    expect(decimals(100, 0)).toBe("100");
  });
  it("puts chances as a gardener would", () => {
    expect(sayChance(0.71)).toBe("about 7 in 10 (71 %)");
    expect(sayChance(0.03)).toBe("about 1 in 33 (3 %)");
    expect(sayChance(0.999)).toContain("all but certain");
    expect([sayChance(0.97), sayChance(0.95)]).toEqual(["all but certain (97 %)", "about 9 in 10 (95 %)"]);
  });
  it("finds an everyday object of the size", () => {
    expect(nearestObject(43).id).toBe("golf-ball");
    expect(nearestObject(24.3, "us").id).toBe("us-quarter");
    expect(nearestObject(24.3, "euro").id).toBe("euro-50");
    expect(nearestObject(24.3).kind).not.toBe("coin");
    expect(nearestObject(200).name).toContain("hand");
  });
});
