import { describe, expect, it } from "vitest";
import { readRoom, sayVolume, typedVolume } from "./volume";

describe("room in litres and quarts", () => {
  // NIST Handbook 44, appendix C: a liquid quart is 0.946352946 l, a gallon 3.785411784 l, a bushel 35.23907 l, a cubic foot 28.31685 l
  it.each([
    ["35", "metric", 35],
    ["35", "us", 33.122],
    ["35 l", "us", 35],
    ["18 qt", "metric", 17.034],
    ["18 quarts", "metric", 17.034],
    ["5 gal", "metric", 18.927],
    ["1 bushel", "metric", 35.239],
    ["2 bu", "us", 70.478],
    ["2 cu ft", "us", 56.634],
    ["1,5", "metric", 1.5],
    ["", "us", null],
  ] as const)("“%s” in a %s garden is %s litres", (text, system, litres) => {
    expect(readRoom(text, system)).toBe(litres);
  });
  it.each(["heaps", "12 sacks", "-3", "constructor", "1e9", "9".repeat(400)])("“%s” is no room", (text) => {
    expect(readRoom(text, "us")).toBeNaN();
  });
  it("is shown in the garden's units, and what a form shows reads back to the same", () => {
    expect(sayVolume(30, "metric")).toBe("30 litres");
    expect(sayVolume(30, "us")).toBe("31.7 quarts");
    expect(typedVolume(null, "us")).toBe("");
    for (const litres of [8, 35, 200])
      for (const system of ["metric", "us"] as const)
        expect(readRoom(typedVolume(litres, system), system)).toBeCloseTo(litres, 1);
  });
});
