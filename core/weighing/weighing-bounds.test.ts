import { describe, expect, it } from "vitest";
import { readMass } from "../units/mass";
import { readAmount, readVolume } from "./amount";

const bulk = { kgPerL: 0.6 } as Parameters<typeof readAmount>[2];

describe("texts that are no weights", () => {
  it.each(["9".repeat(60_000), "1+".repeat(30_000), "1 kg ".repeat(20_000), "a".repeat(60_000)])(
    "one of %#: refused before it is looked into",
    (text) => {
      expect(readAmount(text, "metric", bulk).ok).toBe(false);
      expect(readMass(text, "us").ok).toBe(false);
      expect(readVolume(text)).toBeNull();
    },
  );
  it.each(["1 constructor", "2 toString", "__proto__ l", "constructor l"])("%s has no unit", (text) => {
    expect(readAmount(text, "metric", bulk).ok).toBe(false);
  });
});
