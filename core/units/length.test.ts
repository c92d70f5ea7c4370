import { describe, expect, it } from "vitest";
import { readLength } from "./length";

describe("a length as people write it", () => {
  it.each([
    ["230", "metric", 230],
    ["23 cm", "metric", 230],
    ["23cm", "metric", 230],
    ["1,5 cm", "metric", 15],
    ["0.4 m", "metric", 400],
    ["9", "us", 228.6],
    ["9 in", "us", 228.6],
    ['9"', "us", 228.6],
    ["3 1/2 in", "us", 88.9],
    ["3½ in", "us", 88.9],
    ["½ in", "us", 12.7],
    ["3 ft 6 in", "us", 1066.8],
    ["3' 6\"", "us", 1066.8],
    ["9 inches", "metric", 228.6],
  ] as const)("%s, %s: %f mm", (text, system, lengthMm) => {
    expect(readLength(text, system)).toEqual({ ok: true, lengthMm });
  });
  it.each(["", "big", "9 bananas", "-3 cm", "0", "1/0 in", "constructor", "9 in or so", "9".repeat(60)])(
    "%j is refused, with how to write it",
    (text) => {
      const read = readLength(text, "metric");
      expect(read.ok).toBe(false);
      if (!read.ok) expect(read.message).toMatch(/write it like 23 cm/);
    },
  );
});
