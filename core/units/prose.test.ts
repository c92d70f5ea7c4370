import { describe, expect, it } from "vitest";
import { CROPS } from "../handbook";
import { proseIn, proseOf } from "./prose";

describe("a sentence in the garden's units", () => {
  it.each([
    ["Cure at 20–30 °C in moving air", "Cure at 68–86 °F in moving air"],
    ["harm at −3 to −5 °C", "harm at 27 to 23 °F"],
    ["5 cm of stalk left on", "2 in of stalk left on"],
    ["left, 12.5 kg is lost", "left, 27.6 lb is lost"],
    ["gusts over 40 km/h (25 mph)", "gusts over 25 mph"],
    [
      "Over 12 kg (26 lb) split the load; over 20 kg (44 lb) two carry",
      "Over 26 lb split the load; over 44 lb two carry",
    ],
    ["96 of 160 litres free", "96 of 169 qt free"],
    ["about 40 m on foot", "about 131.2 ft on foot"],
    ["403 °C·day after the one before", "403 °C·day after the one before"],
    ["14 sets, 5 m² and grade 3 mango", "14 sets, 5 m² and grade 3 mango"],
  ])("%s", (metric, us) => {
    expect(proseIn(metric, "us")).toBe(us);
    expect(proseIn(metric, "metric")).toBe(metric);
  });
  it.each([
    ["though Thu 8 Oct would still do", "though Thu Oct 8 would still do"],
    ["kept since 6 Oct 2026 at 4 °C", "kept since Oct 6, 2026 at 39 °F"],
    ["Jul 1 to Aug 1", "Jul 1 to Aug 1"],
    ["12 Mayflies", "12 Mayflies"],
    ["2026-10-06 Oct", "2026-10-06 Oct"],
  ])("tells dates as written there: %s", (text, us) => {
    expect(proseIn(text, "us")).toBe(us);
    expect(proseIn(text, "metric")).toBe(text);
  });
  it("changes no number, id or shape of a crop, and leaves none of its words in degrees Celsius", () => {
    for (const crop of CROPS) {
      const us = proseOf(crop, "us");
      expect({ ...us, id: crop.id, like: crop.like }.id).toBe(us.id);
      expect(us.cues.map((c) => c.id)).toEqual(crop.cues.map((c) => c.id));
      expect(us.days).toEqual(crop.days);
      expect(us.weather.killC).toBe(crop.weather.killC);
      expect(JSON.stringify(us), crop.id).not.toMatch(/\d °C(?!·)/);
      expect(proseOf(crop, "metric")).toBe(crop);
    }
  });
});
