import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import type { Hazard } from "../weather/hazards";
import { newsOf } from "./headline";
import { sayHeadline } from "./words";

const TODAY = "2026-07-14"; // a Tuesday
const hazard = (kind: Hazard["kind"], ahead: number, level: number, chance = 0.8): Hazard => ({
  day: addDays(TODAY, ahead),
  kind,
  chance,
  level,
});
const say = (hazards: Hazard[], urgent = 0, units: "metric" | "us" = "metric") =>
  sayHeadline(newsOf(hazards, [], TODAY), urgent, TODAY, units);

describe("the coming days in a sentence", () => {
  it.each([
    [
      "ten days of 38 °C",
      Array.from({ length: 10 }, (_, k) => hazard("heat", k, 36 + (k % 3))),
      "Heat from today for 10 days, up to 38 °C.",
    ],
    ["one hot day", [hazard("heat", 1, 33)], "Heat tomorrow, up to 33 °C."],
    ["a downpour", [hazard("downpour", 2, 31)], "Heavy rain Thursday, about 31 mm."],
    ["thunder", [hazard("thunder", 1, 4)], "Thunder is likely tomorrow."],
    [
      "a gale and frost",
      [hazard("frost", 3, -2), hazard("gale", 1, 21)],
      "A gale is due tomorrow, gusts near 76 km/h; frost in the night to Friday.",
    ],
    ["frost last night", [hazard("frost", 0, -2)], "Quiet weather, and nothing is in a hurry."],
    ["hardly a chance", [hazard("gale", 1, 15, 0.1)], "Quiet weather, and nothing is in a hurry."],
  ])("%s", (_, hazards, sentence) => {
    expect(say(hazards)).toBe(sentence);
  });
  it("quiet days say how much is in a hurry", () => {
    expect([say([], 1), say([], 3)]).toEqual([
      "Quiet weather; 1 planting wants picking.",
      "Quiet weather; 3 plantings want picking.",
    ]);
  });
  it("days away come last, and a sentence holds three things at most", () => {
    const trip = {
      id: "t",
      name: "Away",
      fromDay: addDays(TODAY, 4),
      toDay: addDays(TODAY, 8),
      standIn: "",
      standInMinutes: 0,
    };
    const all = [hazard("gale", 1, 21), hazard("heat", 0, 32), hazard("downpour", 2, 25), hazard("thunder", 1, 2)];
    expect(sayHeadline(newsOf(all, [trip], TODAY), 0, TODAY, "metric")).toBe(
      "A gale is due tomorrow, gusts near 76 km/h, then heat today, up to 32 °C; you are away from Saturday for 5 days.",
    );
  });
  it("speaks Fahrenheit, inches and miles where they are used", () => {
    expect(say([hazard("heat", 0, 35), hazard("downpour", 1, 25.4)], 0, "us")).toMatch(/95 °F.*1 in/);
  });
});
