import { describe, expect, it } from "vitest";
import { readHeight, shownHeight } from "./height";

describe("the height of a garden in its own units", () => {
  const us = { elevationM: 123.4, units: "us" as const };
  it("is shown in whole feet in a US garden, and untouched stays what it was", () => {
    expect(shownHeight(us)).toBe(405);
    expect(readHeight(405, us)).toBe(123.4);
    expect(readHeight(1000, us)).toBeCloseTo(304.8, 9);
    expect(readHeight(null, us)).toBeNull();
  });
  it("in metres elsewhere", () => {
    const metric = { elevationM: 123.4, units: "metric" as const };
    expect([shownHeight(metric), readHeight(80, metric)]).toEqual([123.4, 80]);
  });
});
