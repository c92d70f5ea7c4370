import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import { CALLS, type Call } from "./call";
import { CROP_HAZARDS, type CropHazard } from "./crop-hazards";
import type { Held } from "./held";
import { NEEDS } from "./needs";
import { sayCall, sayCropHazard, sayHeld } from "./words";

const TODAY = "2026-10-06"; // a Tuesday

describe("what is said of a planting", () => {
  it.each<[Held, string]>([
    [{ why: "resting" }, "its season is over: it gathers strength for next year"],
    [{ why: "for-seed" }, "it is kept for seed"],
    [{ why: "ended" }, "its season was ended with the last pick"],
    [{ why: "not-begun", day: "2026-12-30" }, "by your own dates it is picked from 30 Dec"],
    [{ why: "over", day: "2026-09-15" }, "by your own dates its season ended on 15 Sep"],
    [{ why: "too-young", untilYear: 2028 }, "too young: it is spared until 2028, for its later years’ sake"],
    [{ why: "season-over", lastWhy: "stalks are spared" }, "its season is over: stalks are spared"],
    [{ why: "not-before", day: "2026-10-22" }, "you said not before Thu 22 Oct"],
    [
      {
        why: "treated",
        treatment: {
          ...{ id: "t", plantingId: "p", day: "2026-10-05", kind: "spray", product: "soap", waitDays: 7, note: "" },
        },
      },
      "sprayed with soap on Mon 5 Oct; by its label not before Mon 12 Oct",
    ],
  ])("held back, %j", (held, words) => expect(sayHeld(held)).toBe(words));
  it.each<[Call, RegExp]>([
    [
      { id: "before-frost", need: { kind: "before-frost", by: TODAY, on: "2026-10-07" } },
      /^Frost .* tomorrow: take all/,
    ],
    [{ id: "before-heat", need: { kind: "before-heat", by: TODAY, on: TODAY } }, /^Heat .* today: take what is near/],
    [
      { id: "before-rain", need: { kind: "before-rain", by: TODAY, on: TODAY } },
      /^Rain that splits it is likely today/,
    ],
    [{ id: "before-gale", need: { kind: "before-gale", by: TODAY, on: TODAY } }, /^A gale .* likely today: take/],
    [
      { id: "before-absence", need: { kind: "before-absence", by: TODAY, on: "2026-10-20", trip: true } },
      /^You are away until Tue 20 Oct: take what is nearly ready too\.$/,
    ],
    [
      { id: "before-absence", need: { kind: "before-absence", by: TODAY, on: "2026-10-20", trip: false } },
      /^Nobody can come before Tue 20 Oct:/,
    ],
    [
      { id: "bed-wanted", need: { kind: "bed-wanted", by: TODAY, on: "2026-10-09" } },
      /^The bed is wanted Friday: clear it\.$/,
    ],
    [{ id: "stands-still", need: { kind: "stands-still", by: TODAY } }, /^It is too cold and dark/],
  ])("pressed, %j", (call, words) => expect(sayCall(call, TODAY)).toMatch(words));
  it("every special case has a sentence of its own", () => {
    const said = CALLS.map((id) =>
      sayCall(
        { id, ...(NEEDS.some((n) => n === id) ? { need: { kind: id as never, by: TODAY, on: TODAY } } : {}) },
        TODAY,
      ),
    );
    expect(new Set(said).size).toBe(CALLS.length);
    for (const sentence of said) expect(sentence).toMatch(/^[A-Z].{20,}\.$/);
  });
  it("a hazard is said by the handbook’s own note, in the garden’s units", () => {
    const melon = cropOf("melon-netted");
    const hazard = (kind: CropHazard["kind"]): CropHazard => ({
      ...{ kind, day: TODAY, when: "night", chance: 0.5, lossShare: 0.2, dryDays: 9, help: ["pick"] },
    });
    const said = CROP_HAZARDS.map((kind) => sayCropHazard(hazard(kind), melon, "metric"));
    expect(new Set(said).size).toBe(CROP_HAZARDS.length);
    expect(said[CROP_HAZARDS.indexOf("split")]).toBe("rain after 9 dry days splits it within two days");
    expect(said[0]).toBe(melon.weather.killNote);
    for (const kind of CROP_HAZARDS) expect(sayCropHazard(hazard(kind), melon, "us")).not.toMatch(/°C/);
  });
});
