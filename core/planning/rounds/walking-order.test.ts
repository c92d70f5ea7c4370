import { describe, expect, it } from "vitest";
import { addDays } from "../../calendar/day";
import { bed, check, plainWeather, planting } from "../../fixtures/garden";
import { newGarden } from "../../garden/garden";
import type { Snapshot } from "../../snapshot";
import { outlookOf } from "../outlook";
import { walkingOrder } from "./walking-order";

const TODAY = "2026-08-10";
const snapshot: Snapshot = {
  garden: newGarden("Europe/London"),
  beds: [
    bed({ id: "a", name: "A", walkOrder: 0 }),
    bed({ id: "b", name: "B", walkOrder: 1 }),
    bed({ id: "c", name: "C", walkOrder: 2 }),
  ],
  plantings: [
    planting("tomato", { id: "tomato", bedId: "a" }),
    planting("carrot", { id: "carrot", bedId: "a" }),
    planting("french-bean-bush", { id: "bean", bedId: "b" }),
    planting("kale", { id: "kale", bedId: "c" }),
  ],
  checks: [],
  picks: [],
  windows: [],
  trips: [],
  weather: plainWeather("2026-03-01", 170),
  forecast: null,
  ownCrops: [],
  forecasts: [],
  bedReadings: [],
  covers: [],
  datedWindows: [],
  containers: [],
  tastes: [],
  places: [],
  treatments: [],
  pickWishes: [],
  weighings: [],
  placeReadings: [],
  lotEvents: [],
  lessons: [],
  bedLosses: [],
  ticks: [],
  ownJobs: [],
  jobMarks: [],
  dishes: [],
  seedLots: [],
  planned: [],
};
const order = (wet: boolean, checks: Snapshot["checks"] = []) =>
  walkingOrder(outlookOf(snapshot, `${TODAY}T08:00`).plantings, checks, TODAY, wet).map(
    (s) => `${s.planting.planting.id} ${s.turn}`,
  );

describe("the order of a walk (1-030, 1-031: roots, heads and leaves first, tomatoes and beans once dry)", () => {
  it("in dry leaves goes bed after bed", () => {
    expect(order(false)).toEqual(["carrot bed", "tomato bed", "bean bed", "kale bed"]);
  });
  it("in dew takes what may be touched wet through all beds, then the rest", () => {
    expect(order(true)).toEqual(["carrot bed", "kale bed", "tomato once-dry", "bean once-dry"]);
  });
  it("leaves a bed with disease to the last, until a later look finds it clean or two weeks pass", () => {
    const sick = (day: string, value: boolean, id = day) =>
      check(day, [{ cueId: "disease", value }], { id, plantingId: "carrot" });
    expect(order(false, [sick(addDays(TODAY, -3), true)])).toEqual([
      "bean bed",
      "kale bed",
      "carrot last",
      "tomato last",
    ]);
    expect(order(false, [sick(addDays(TODAY, -3), true), sick(addDays(TODAY, -1), false)])[0]).toBe("carrot bed");
    expect(order(false, [sick(addDays(TODAY, -20), true)])[0]).toBe("carrot bed");
  });
});

describe("counts of pieces reach the supply", () => {
  it("what was counted ready stands ready, and what was picked since does not", () => {
    const bean = planting("french-bean-bush", { id: "bean", bedId: "b", plants: 20, startedOn: "2026-05-20" });
    const counted = check(TODAY, [{ cueId: "ready-count", value: 200 }], { plantingId: "bean" });
    const stock = (checks: Snapshot["checks"]) =>
      outlookOf({ ...snapshot, plantings: [bean], checks }, `${TODAY}T18:00`).plantings[0]!.supply.stockG;
    const pieceG = 5;
    expect(stock([counted])).toBeGreaterThanOrEqual(200 * pieceG);
    expect(stock([counted])).toBeLessThan(320 * pieceG);
    expect(stock([{ ...counted, readings: [{ cueId: "ready-count", value: 0 }] }])).toBeLessThan(stock([counted]));
  });
});

describe("the season of a tree in a garden", () => {
  it("is judged from this year's bloom though it was planted years ago", () => {
    const tree = planting("apple", { id: "apple", bedId: "c", startedOn: "2015-03-01" });
    const outlook = outlookOf({ ...snapshot, plantings: [tree] }, "2026-09-20T10:00", false, true);
    const { judgement } = outlook.plantings[0]!;
    expect(judgement.track[0]?.day).toBe("2026-05-05");
    expect(judgement.daysSinceStart).toBe(138);
    expect(judgement.chances.ready + judgement.chances.nearly).toBeGreaterThan(0.5);
  });
});
