import { describe, expect, it } from "vitest";
import { MOST_SOWINGS, seriesOf } from "./series";

describe("a series of sowings", () => {
  it("is so many days apart, so many times", () => {
    expect(seriesOf("2026-04-20", 14, 3, null)).toEqual({
      days: ["2026-04-20", "2026-05-04", "2026-05-18"],
      late: [],
    });
  });
  it("stops at the last date on which it is worth it, which itself still counts", () => {
    expect(seriesOf("2026-07-01", 14, 4, "2026-07-29")).toEqual({
      days: ["2026-07-01", "2026-07-15", "2026-07-29"],
      late: ["2026-08-12"],
    });
    expect(seriesOf("2026-08-30", 14, 2, "2026-07-29").days).toEqual([]);
  });
  it("has an end, whatever is asked", () => {
    expect(seriesOf("2026-01-01", 1, 10_000, null).days).toHaveLength(MOST_SOWINGS);
  });
});
