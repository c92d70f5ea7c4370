import { describe, expect, it } from "vitest";
import { linear } from "./linear";

describe("a straight scale", () => {
  it("takes both ends to both ends, goes on beyond them, and stands still where there is no span", () => {
    const y = linear([0, 10], [100, 0]);
    expect([y(0), y(2.5), y(10), y(12)]).toEqual([100, 75, 0, -20]);
    expect(linear([3, 3], [5, 9])(3)).toBe(5);
  });
});
