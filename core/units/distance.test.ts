import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readArea, readDistance, sayArea, typedDistance } from "./distance";

const metres = (text: string, system: "metric" | "us" = "metric") => {
  const read = readDistance(text, system);
  return read.ok ? read.metres : read.message;
};
const m2 = (text: string, system: "metric" | "us" = "metric") => {
  const read = readArea(text, system);
  return read.ok ? read.m2 : read.message;
};

describe("a distance as people type it (exact units: NIST Handbook 44, Appendix C)", () => {
  it.each([
    ["3.5", "metric", 3.5],
    ["3,5 m", "metric", 3.5],
    ["240 ft", "metric", 73.152],
    ["240", "us", 73.152],
    ["3 ft 6 in", "us", 1.0668],
    ["3'6\"", "us", 1.0668],
    ["½ in", "us", 0.0127],
    ["12 yd", "us", 10.9728],
    ["150 cm", "us", 1.5],
    ["2 metres", "metric", 2],
  ] as const)("%s in %s is %d m", (text, system, want) => expect(metres(text, system)).toBeCloseTo(want, 4));
  it.each(["", "long", "3 furlongs", "-2", "2 sq ft"])("“%s” is refused with how to write it", (text) =>
    expect(metres(text)).toMatch(/write it like/),
  );
  it("comes back from the form in both systems, to a tenth of an inch", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 150, noNaN: true }), (x) => {
        expect(Math.abs(Number(metres(typedDistance(x, "us"), "us")) - x)).toBeLessThan(0.002);
        expect(Math.abs(Number(metres(typedDistance(x, "metric"), "metric")) - x)).toBeLessThan(0.001);
      }),
    );
    expect([typedDistance(1.0668, "us"), typedDistance(0.3048, "us"), typedDistance(0.1, "us")]).toEqual([
      "3 ft 6 in",
      "1 ft",
      "3.9 in",
    ]);
  });
});

describe("an area", () => {
  it.each([
    ["2.5", "metric", 2.5],
    ["2.5", "us", 0.2323],
    ["4 sq ft", "metric", 0.3716],
    ["12 ft2", "us", 1.1148],
    ["3 square yards", "us", 2.5084],
    ["2,5 m²", "us", 2.5],
  ] as const)("%s in %s is %d m²", (text, system, want) => expect(m2(text, system)).toBeCloseTo(want, 4));
  it.each(["", "4 ft", "a bed", "4 sq"])("“%s” is refused", (text) => expect(m2(text)).toMatch(/write it like/));
  it("is said in the garden's units", () => {
    expect([sayArea(3.6, "metric"), sayArea(3.6, "us"), sayArea(0.25, "metric")]).toEqual([
      "3.6 m²",
      "39 sq ft",
      "0.25 m²",
    ]);
  });
});
