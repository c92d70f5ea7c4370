import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import type { Planting } from "../garden/planting";
import { cropOf } from "../handbook";
import { blankPick, type PickRecord } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import { rowNeeds, sumsOf } from "./planting-sums";

/** A planting's sums by picks of [moment, g, more]. */
function sums(
  cropId: string,
  picks: [at: string, g: number, over?: Partial<PickRecord>][],
  over: Partial<Planting> = {},
  lostG = 0,
) {
  const of = planting(cropId, { startedOn: "2026-05-20", ...over });
  const entries = picks.map(([at, grossG, more], i) =>
    logged(blankPick({ id: `p${i}`, plantingId: of.id, at, grossG, ...more }), of, cropOf(cropId), "bed"),
  );
  return sumsOf(of, cropOf(cropId), entries, lostG, "Europe/Berlin", "2026");
}

describe("sums of a planting", () => {
  it("hours between picks, over the change of the clocks too", () => {
    const at = ["2026-07-01T06:00", "2026-07-02T18:00", "2026-07-04T06:00"].map((t): [string, number] => [t, 200]);
    expect(sums("raspberry-summer", at).gapHours).toBe(36);
    // clocks go back on 25 October: from noon to noon is twenty-five hours
    expect(
      sums("kale", [
        ["2026-10-24T12:00", 100],
        ["2026-10-25T12:00", 100],
      ]).gapHours,
    ).toBe(25);
    expect(sums("kale", [["2026-10-24T12:00", 100]]).gapHours).toBeNull();
  });
  it("a picking, a day, a week, an hour, a metre of row and picking; each with what it was reckoned from", () => {
    const s = sums(
      "courgette",
      [
        ["2026-07-01T08:00", 1000, { minutes: 10 }],
        ["2026-07-01T19:00", 500],
        ["2026-07-14T08:00", 1300, { minutes: 20 }],
      ],
      { rowM: 4, plants: 3 },
    );
    expect(s.perPicking).toEqual({ value: 1400, of: 2800, by: 2 });
    expect(s.perDay).toEqual({ value: 200, of: 2800, by: 14 });
    expect(s.perWeek!.value).toBeCloseTo(1400, 6);
    expect(s.perHour!.value).toBeCloseTo(4600, 6);
    expect(s.perMetrePicking!.value).toBeCloseTo(350, 6);
  });
  it("by-products and tests count for nothing; estimates stay out of what was weighed", () => {
    const s = sums(
      "tomato",
      [
        ["2026-08-01T08:00", 900, { count: 9 }],
        ["2026-08-02T08:00", 600, { count: 4, estimated: true }],
        ["2026-08-03T08:00", 5000, { part: "greens" }],
        ["2026-08-03T09:00", 300, { purpose: "test" }],
      ],
      { plants: 3 },
    );
    expect(s.perPicking!.of).toBe(1500);
    expect(s.weighedPerPlant).toEqual({ value: 300, of: 900, by: 3 });
    expect(s.pieces.perPlant).toEqual({ value: 13 / 3, of: 13, by: 3 });
    expect(s.pieces.weightG).toEqual({ value: 100, of: 900, by: 9 });
  });
  it("ground a plant and plants on a square metre", () => {
    const s = sums("lettuce-head", [], { areaM2: 3, plants: 27, rowM: null });
    expect(s.spaceM2!.value).toBeCloseTo(1 / 9, 9);
    expect(s.plantsPerM2).toBeCloseTo(9, 9);
  });
  it("what still stands of plants that give one piece each", () => {
    const { pieceG } = cropOf("cabbage").yield;
    const s = sums("cabbage", [["2026-09-01T08:00", 3 * pieceG, { count: 3 }]], { plants: 12 }, 2 * pieceG);
    expect(s.plantsLeft).toEqual({ left: 7, picked: 3, lost: 2 });
    expect(sums("tomato", [], { plants: 3 }).plantsLeft).toBeNull();
  });
  it("what stands for years is set against the middle of its other years", () => {
    const s = sums(
      "strawberry",
      [
        ["2024-06-20T08:00", 100],
        ["2025-06-14T08:00", 100],
        ["2026-06-03T08:00", 100],
      ],
      { startedOn: "2022-08-20" },
    );
    // day 172 (leap year) and 165: the middle is 168.5; 3 June is day 154
    expect(s.earlier).toEqual({ days: -14, years: 2 });
    expect(sums("courgette", [["2026-07-01T08:00", 100]]).earlier).toBeNull();
  });
});

describe("what a row takes", () => {
  it("a plant at either end, seeds by what comes up, rows that fit the bed", () => {
    expect(rowNeeds(3, 100, 250, 1.2, 0.8)).toEqual({ plants: 31, seeds: 39, rows: 4 });
    expect(rowNeeds(0.25, 300, null, 1.2, 1)).toEqual({ plants: 1, seeds: 1, rows: null });
    expect(rowNeeds(3, 100, 250, null, 0.8).rows).toBeNull();
  });
});

describe("what is left of a row", () => {
  const half: Partial<PickRecord> = { rowDone: 0.5 };
  it("by the share that is cleared and what it gave; later picks come off", () => {
    expect(sums("carrot", [["2026-09-01T10:00", 3000, half]], { rowM: 5 }).row).toEqual({
      share: 0.5,
      pickedG: 3000,
      leftG: 3000,
    });
    const two: Parameters<typeof sums>[1] = [
      ["2026-09-01T10:00", 3000, half],
      ["2026-09-08T10:00", 1000],
    ];
    expect(sums("carrot", two, { rowM: 5 }).row).toEqual({ share: 0.5, pickedG: 4000, leftG: 2000 });
  });
  it("nothing where nobody said how much is cleared, and last year's row of asparagus is not this year's", () => {
    expect(sums("carrot", [["2026-09-01T10:00", 3000]]).row).toBeNull();
    expect(sums("asparagus", [["2025-05-01T10:00", 300, half]], { startedOn: "2020-04-01" }).row).toBeNull();
  });
});
