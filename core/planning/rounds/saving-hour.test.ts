import { describe, expect, it } from "vitest";
import { problem, slot, supply } from "../../fixtures/problem";
import { savingHour } from "./saving-hour";

// TODAY is a Tuesday; free hours on Saturday and Sunday only, frost in the night to Saturday
const week = [
  slot(0, "17:30", 0),
  slot(1, "17:30", 0),
  slot(2, "17:30", 0),
  slot(3, "08:00", 0),
  slot(3, "17:30", 0),
  slot(4, "09:00", 120),
  slot(5, "09:00", 120),
];
const squash = (frost: Record<number, number>) => supply("squash", { standingG: 23_000, frost });

describe("a hazard before the next free hour", () => {
  it("is told, with what it takes and the latest hour that saves it", () => {
    const found = savingHour(problem(week, [squash({ 4: 0.9 }), supply("leek", { standingG: 4000, lossShare: 0 })]))!;
    expect(found).toMatchObject({
      hazard: "frost",
      day: "2026-10-10",
      nextDay: "2026-10-10",
      plantingIds: ["squash"],
      hour: { day: "2026-10-09", startsAt: "17:30" },
    });
    expect(found.lostG).toBeGreaterThan(0.7 * 0.9 * 0.9 * 23_000);
    expect(found.hour.savesG).toBeGreaterThan(0.9 * found.lostG);
  });
  it("a gale at noon wants the hour before it, not the one after", () => {
    const found = savingHour(
      problem(week, [supply("apple", { standingG: 9000, galeLossShare: 0.4, gale: { 3: 0.9 } })]),
    )!;
    expect([found.hazard, found.hour.day, found.hour.startsAt]).toEqual(["gale", "2026-10-09", "08:00"]);
  });
  it.each([
    ["nothing comes", [squash({})], week],
    ["it comes after the next free hour", [squash({ 6: 0.9 })], week],
    ["it takes less than an hour is worth", [supply("squash", { standingG: 900, frost: { 4: 1 } })], week],
    ["it takes next to nothing", [supply("basil", { standingG: 90, frost: { 4: 1 } })], week],
    ["what stands there is of no use yet", [supply("tomato", { standingG: 9000, usable: 0.1, frost: { 4: 1 } })], week],
    ["every evening is free", [squash({ 4: 0.9 })], week.map((s) => ({ ...s, allowed: true, minutes: 60 }))],
  ])("nothing is said when %s", (_, supplies, slots) => {
    expect(savingHour(problem(slots, supplies))).toBeNull();
  });
});
