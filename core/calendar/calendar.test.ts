import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, dayFromNumber, dayNumber, dayOfYear, daysBetween, isDay, sayDay, sayNear, weekdayName } from "./day";
import { dayLengthHours, dayLengthHoursFao, sunTimes } from "./sun";
import { slotsAhead, tripSchema } from "./windows";
import { hoursInDay, instantOf, localTimeOf } from "./zone";

describe("days (ISO 8601, C16.3)", () => {
  it("knows which days exist", () => {
    expect(isDay("2024-02-29")).toBe(true);
    expect(isDay("2026-02-29")).toBe(false);
    expect(() => dayNumber("6 Oct")).toThrow(RangeError);
  });
  it("2026-10-09 is a Friday and day 282", () => {
    expect(weekdayName("2026-10-09")).toBe("Friday");
    expect(dayOfYear("2026-10-09")).toBe(282);
    expect(sayDay("2026-10-09")).toBe("Fri 9 Oct");
  });
  it("counts as the runtime's own calendar does, over two centuries", () => {
    fc.assert(
      fc.property(fc.integer({ min: -36_000, max: 36_000 }), (n) => {
        const day = new Date(n * 86_400_000).toISOString().slice(0, 10);
        expect(dayFromNumber(n)).toBe(day);
        expect(dayNumber(day)).toBe(n);
      }),
    );
  });
  it("says days from today", () => {
    expect(sayNear("2026-10-07", "2026-10-06")).toBe("tomorrow");
    expect(sayNear("2026-10-09", "2026-10-06")).toBe("Friday");
    expect(sayNear("2026-10-13", "2026-10-06")).toBe("Tue 13 Oct");
  });
  it("adding days and counting them agree", () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), (n) => {
        expect(daysBetween("2026-10-06", addDays("2026-10-06", n))).toBe(n);
      }),
    );
  });
});

describe("day length", () => {
  // C4.1: FAO-56 worked examples 8, 10, 17, 18 (Allen et al. 1998), hours
  it.each([
    [246, -20, 11.666],
    [135, -22.9, 10.895],
    [105, 13.733, 12.313],
    [187, 50.8, 16.105],
    [166, 70, 24],
    [349, 70, 0],
  ])("FAO-56 example: day %d at %d° is %d h", (j, latitude, hours) => {
    expect(dayLengthHoursFao(j, latitude)).toBeCloseTo(hours, 2);
  });
  // C4.3: Forsythe et al. 1995, recomputed table
  it.each([
    ["2026-01-15", 40, 9.622],
    ["2026-05-15", 40, 14.357],
    ["2026-11-15", 40, 10.013],
    ["2026-07-15", 60, 18.133],
    ["2026-11-15", 60, 7.629],
    ["2026-03-15", -35, 12.365],
  ])("Forsythe on %s at %d° is %d h", (day, latitude, hours) => {
    expect(dayLengthHours(day, latitude)).toBeCloseTo(hours, 2);
  });
  // C4.4: suncalc 2.0.2, astronomy-engine and PyEphem agree within 5 s; tolerance one minute
  it.each([
    ["2024-06-20", 51.4779, 0, "UTC", 3 + 42 / 60 + 39 / 3600, 20 + 20 / 60 + 46 / 3600],
    ["2024-12-21", 51.4779, 0, "UTC", 8 + 3 / 60 + 20 / 3600, 15 + 53 / 60 + 17 / 3600],
    ["2024-10-15", 47.4489, -122.3094, "America/Los_Angeles", 7 + 28 / 60 + 51 / 3600, 18 + 20 / 60 + 3 / 3600],
  ])("sun times on %s at %d, %d", (day, latitude, longitude, zone, rise, set) => {
    const times = sunTimes(day, latitude, longitude, zone);
    expect(Math.abs((times?.sunriseHour ?? 0) - rise)).toBeLessThan(1 / 60);
    expect(Math.abs((times?.sunsetHour ?? 0) - set)).toBeLessThan(1 / 60);
  });
  // C4.5: from when to when in 2026 the sun is up for less than ten hours (astronomy-engine), give or take a day
  it.each([
    [40, "2026-11-15", "2026-01-26"],
    [45, "2026-11-05", "2026-02-05"],
    [51.5, "2026-10-27", "2026-02-14"],
  ])("C4.5 the short days at %d° begin and end when they should", (latitude, begins, ends) => {
    const short = Array.from({ length: 365 }, (_, k) => addDays("2026-01-01", k)).filter((d) => {
      const sun = sunTimes(d, latitude, 0, "UTC")!;
      return sun.sunsetHour - sun.sunriseHour < 10;
    });
    const first = short.find((d) => d > "2026-07-01")!;
    const last = short.filter((d) => d < "2026-07-01").at(-1)!;
    expect(Math.abs(daysBetween(begins, first))).toBeLessThanOrEqual(1);
    expect(Math.abs(daysBetween(ends, last))).toBeLessThanOrEqual(1);
  });
  it("has no sunrise in the polar day", () => {
    expect(sunTimes("2024-06-21", 69.65, 18.96, "UTC")).toBeNull();
  });
});

describe("local time (C16.3)", () => {
  it("knows days of 23 and 25 hours", () => {
    expect(hoursInDay("2026-03-08", "2026-03-09", "America/New_York")).toBe(23);
    expect(hoursInDay("2026-11-01", "2026-11-02", "America/New_York")).toBe(25);
    expect(hoursInDay("2026-10-25", "2026-10-26", "Europe/London")).toBe(25);
  });
  it("goes to the instant and back", () => {
    expect(localTimeOf(instantOf("2026-10-06T15:30", "Europe/London"), "Europe/London")).toBe("2026-10-06T15:30");
  });
});

describe("slots", () => {
  const windows = [
    { id: "a", weekday: 2, startsAt: "17:00", minutes: 60 },
    { id: "b", weekday: 3, startsAt: "07:00", minutes: 30 },
  ];
  it("leaves out trips and windows already over", () => {
    const trips = [
      { id: "t", name: "coast", fromDay: "2026-10-13", toDay: "2026-10-14", standIn: "", standInMinutes: 0 },
    ];
    const slots = slotsAhead("2026-10-06T18:00", 14, windows, trips);
    expect(slots.map((s) => s.id)).toEqual(["2026-10-07T07:00"]);
  });
  it("a stand-in goes every other evening of a trip, from its second day, and not when it is over", () => {
    const trip = {
      id: "t",
      name: "coast",
      fromDay: "2026-10-08",
      toDay: "2026-10-13",
      standIn: "Ada",
      standInMinutes: 30,
    };
    const every = [0, 1, 2, 3, 4, 5, 6].map((weekday) => ({
      id: `w${weekday}`,
      weekday,
      startsAt: "17:30",
      minutes: 60,
    }));
    const slots = slotsAhead("2026-10-07T12:00", 10, every, [trip]);
    expect(slots.filter((s) => s.by === "Ada").map((s) => s.id)).toEqual([
      "2026-10-09T18:00",
      "2026-10-11T18:00",
      "2026-10-13T18:00",
    ]);
    expect(slots.filter((s) => s.by === "").map((s) => s.day)).toEqual([
      "2026-10-07",
      "2026-10-14",
      "2026-10-15",
      "2026-10-16",
    ]);
    expect(slotsAhead("2026-10-11T19:00", 10, [], [trip]).map((s) => s.day)).toEqual(["2026-10-13"]);
    expect(slotsAhead("2026-10-07T12:00", 10, [], [{ ...trip, standInMinutes: 0 }])).toEqual([]);
    expect(slotsAhead("2026-10-07T12:00", 4, [], [trip, { ...trip, id: "u", standIn: "Bo" }]).map((s) => s.by)).toEqual(
      ["Ada"],
    );
  });
  it("refuses a trip that ends before it begins", () => {
    expect(
      tripSchema.safeParse({ id: "t", name: "x", fromDay: "2026-10-09", toDay: "2026-10-08", standIn: "" }).success,
    ).toBe(false);
  });
});
