import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { bed, planting, situation } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { PERENNIALS } from "../handbook/bed-after";
import { judge } from "./judge";
import { perennialYear } from "./perennial";
import { ownShift } from "./season-clock";
import { expectedYieldG } from "./yield";

const on = (today: string, startedOn: string, cropId = "asparagus", startedHow: "sown" | "planted" = "planted") =>
  perennialYear(planting(cropId, { startedOn, startedHow }), cropOf(cropId), today, 52)!;

describe("what stands for years, while it is young", () => {
  it.each([
    // crowns: a light crop from the third season, seed from the fourth (handbook: 2 or 3, and 3 to 4, years)
    ["planted", "2025-04-10", true],
    ["planted", "2024-04-10", false],
    ["sown", "2024-04-10", true],
    ["sown", "2023-04-10", false],
  ] as const)("asparagus %s on %s: spared is %s", (startedHow, startedOn, spared) => {
    const input = situation({ cropId: "asparagus", age: 25 });
    const j = judge({ ...input, planting: { ...input.planting, startedOn, startedHow } });
    if (spared) expect([j.verdict, j.barred]).toEqual(["not-yet", { why: "too-young", untilYear: expect.any(Number) }]);
    else expect(j.barred).toBeNull();
  });
  it("is only spared where cutting costs later years: a young currant's first handful may be eaten", () => {
    const input = situation({ cropId: "blackcurrant", age: 70 });
    const young = { ...input.planting, startedOn: "2026-03-01" };
    expect(perennialYear(young, cropOf(young.cropId), input.today, 52)).toMatchObject({ young: true, spared: false });
    expect(judge({ ...input, planting: young }).barred).toBeNull();
  });
  it("brings a part of a full crop first, more each year, and all of it from its first full year", () => {
    const shares = [2020, 2021, 2022, 2023, 2024, 2025].map((y) => on("2026-05-01", `${y}-03-01`, "apple").bears);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    expect(shares[0]).toBe(1);
    expect(shares.at(-1)).toBeLessThan(0.2);
    const apple = cropOf("apple");
    const tree = planting("apple", { startedOn: "2025-03-01", plants: 1 });
    expect(expectedYieldG(tree, bed(), apple, "2026-09-01")).toBeLessThan(0.2 * expectedYieldG(tree, bed(), apple));
  });
  it("bears lightly before it bears in full, for every crop of the handbook", () => {
    for (const r of PERENNIALS)
      for (const how of ["sown", "planted"] as const)
        expect(r.firstLight[how], r.crop).toBeLessThanOrEqual(r.firstCrop[how]);
  });
});

describe("its season", () => {
  it("is over by the calendar: nothing is taken after the last day, and the reason is said", () => {
    const input = situation({ cropId: "rhubarb", age: 90 });
    const at = (today: string) => judge({ ...input, today });
    expect(at("2026-06-12").barred).toBeNull();
    expect([at("2026-07-12").verdict, at("2026-07-12").barred]).toEqual([
      "not-yet",
      { why: "season-over", lastWhy: expect.stringMatching(/./) },
    ]);
  });
  it("begins when it began in past years: first cuts of the 15th to 25th April bring the look forward or put it off", () => {
    const plain = situation({ cropId: "asparagus", age: 0 });
    const shift = (days: string[]) => ownShift(plain.crop, days, plain.today, 52, plain.climate);
    const usual = shift([]);
    const early = shift(["2023-04-15", "2023-04-20", "2024-04-17", "2025-04-16"]);
    const late = shift(["2023-05-25", "2024-05-28", "2025-05-22"]);
    expect([usual, early < -5, late > 5]).toEqual([0, true, true]);
    expect(shift(["2025-04-16"])).toBeGreaterThan(early);
    // this year's own cuts say nothing of when it should have begun
    expect(shift(["2026-04-10"])).toBe(0);
    const at = (picks: string[]) =>
      judge({ ...plain, today: "2026-04-26", picks: picks.map((day) => ({ day, extent: "all-ready" as const })) });
    const chance = (j: ReturnType<typeof judge>) => j.chances.nearly + j.chances.ready + j.chances.past;
    expect(chance(at(["2023-04-15", "2024-04-17", "2025-04-16"]))).toBeGreaterThan(chance(at([])));
  });
  it("comes again next year, also after it was ended with a last pick", () => {
    const input = situation({ cropId: "strawberry", age: 40 });
    const picks = [{ day: addDays(input.today, -1), extent: "final" as const }];
    expect(judge({ ...input, picks }).barred).toEqual({ why: "ended" });
    const nextYear = situation({ cropId: "strawberry", age: 400 });
    expect(judge({ ...nextYear, picks }).barred).toBeNull();
  });
});

describe("south of the equator", () => {
  it("a season that ended before Christmas is over in January too, and the next one is not", () => {
    const at = (today: string) =>
      perennialYear(
        planting("asparagus", { startedOn: "2018-09-10", startedHow: "planted" }),
        cropOf("asparagus"),
        today,
        -37,
      )!;
    expect(at("2026-11-10").over).toBe(false);
    for (const day of ["2026-12-28", "2027-01-20", "2027-05-01"]) expect(at(day).over, day).toBe(true);
    expect(at("2027-10-01").over).toBe(false);
  });
  it("a bed of this spring is as young in January as in December", () => {
    const at = (today: string) =>
      perennialYear(
        planting("asparagus", { startedOn: "2026-09-10", startedHow: "planted" }),
        cropOf("asparagus"),
        today,
        -37,
      )!.age;
    expect([at("2026-12-20"), at("2027-01-20"), at("2027-08-20")]).toEqual([0, 0, 1]);
  });
});
