import { describe, expect, it } from "vitest";
import { planting, situation } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { placeKindFor } from "../household/place";
import { judge } from "./judge";
import { perennialYear } from "./perennial";
import { sayHeld } from "./words";

describe("the gardener's own rules of a crop", () => {
  const input = situation({ cropId: "chard", age: 80, readings: { "leaf-length": 260 } });
  const on = (season: { from: string | null; to: string | null }) =>
    judge({ ...input, crop: { ...input.crop, season } });
  it("its first and last day of picking bar every other day, and say why", () => {
    const day = input.today.slice(5);
    expect(judge(input).barred).toBeNull();
    expect(on({ from: day, to: day }).barred).toBeNull();
    expect(on({ from: "12-30", to: null })).toMatchObject({
      verdict: "not-yet",
      barred: { why: "not-begun", day: `${input.today.slice(0, 4)}-12-30` },
    });
    const over = on({ from: null, to: "01-02" }).barred!;
    expect(over).toEqual({ why: "over", day: `${input.today.slice(0, 4)}-01-02` });
    expect(sayHeld(over)).toBe("by your own dates its season ended on 2 Jan");
  });
  it("where it is kept goes before its facts, in a house that has such a place", () => {
    const potato = { ...cropOf("potato"), store: "fridge" as const };
    expect(placeKindFor(potato, () => true)).toBe("fridge");
    expect(placeKindFor(potato, (k) => k !== "fridge")).toBe("cellar");
  });
  it("a copy of what stands for years keeps its years, whatever it is called", () => {
    const copy = { ...cropOf("asparagus"), id: "own-green" };
    const of = planting("asparagus", { cropId: copy.id, startedOn: "2025-04-15" });
    expect(perennialYear(of, copy, "2026-05-01", 52)).toMatchObject({ young: true });
  });
});
