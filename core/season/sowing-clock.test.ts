import { readFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, daysBetween } from "../calendar/day";
import { dayLengthHours } from "../calendar/sun";
import { plainWeather } from "../fixtures/garden";
import { seattleRecord } from "../fixtures/open-record";
import { CROPS, cropOf } from "../handbook";
import { usualTaste } from "../household/taste";
import { lightShare } from "../planting/light";
import { climateOf } from "../weather/climate";
import { frostLimit, lastSowings, lastStartFor, lightEnds, neededWarmth, readyDay, type Site } from "./sowing-clock";
import { bearsDays, calendarSowings, nextSowing, successionOf, usualWarmth } from "./succession";

/** A climate of 20 °C days and 10 °C nights all year, on the equator: every day is 12 hours long, or nearly. */
const even: Site = {
  climate: { tempMinC: Array(367).fill(10), tempMaxC: Array(367).fill(20), years: 10 },
  latitudeDeg: 0,
  bed: { cover: "none", nightOffsetC: 0, sunHours: 8 },
};
const bush = cropOf("french-bean-bush");

/** The open record of the frost checks. */
const record = seattleRecord(
  readFileSync(join(import.meta.dirname, "..", "..", "node_modules", "vega-datasets", "data", "weather.csv"), "utf8"),
);
const seattle: Site = {
  climate: climateOf(record, 47.6),
  latitudeDeg: 47.6,
  bed: { cover: "none", nightOffsetC: 0, sunHours: 8 },
};

describe("warmth from start to ripe, against cases worked by hand", () => {
  it("where every day is alike, so many days are so many days, whenever it is sown", () => {
    const need = neededWarmth(bush, "sown", even)!;
    // base 10: a day between 10 and 20 °C brings 5 degree days; 12.1 h of light leave six tenths and seven tenths of the rest
    const share = 0.6 + (0.4 * (dayLengthHours("2025-06-01", 0) - 10)) / 3;
    expect(need).toBeCloseTo(55 * 5 * share, 0);
    for (const start of ["2026-02-10", "2026-06-01", "2026-11-20"])
      expect(daysBetween(start, readyDay(bush, start, need, even)!)).toBeGreaterThanOrEqual(54);
    for (const start of ["2026-02-10", "2026-06-01", "2026-11-20"])
      expect(daysBetween(start, readyDay(bush, start, need, even)!)).toBeLessThanOrEqual(56);
  });
  it("a climate that doubles its warmth in June: 30 cool days and 10 warm ones bring what 50 cool ones do", () => {
    const cool = Array.from({ length: 367 }, (_, j) => (j < 152 ? 15 : 20));
    const site: Site = {
      ...even,
      climate: { tempMinC: cool, tempMaxC: cool, years: 10 },
    };
    // base 10: 5 a day to 31 May (day 151), 10 a day after
    const share = lightShare("2026-05-01", 0);
    const ready = readyDay(bush, "2026-05-02", 50 * 5 * share, site)!;
    expect(Math.abs(daysBetween("2026-05-02", ready) - 40)).toBeLessThanOrEqual(1);
  });
  it("forward and backward agree, for every crop that is sown", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS.filter((c) => c.days.sown)),
        fc.integer({ min: 90, max: 200 }),
        (crop, j) => {
          const need = neededWarmth(crop, "sown", seattle)!;
          const start = addDays("2026-01-01", j);
          const ready = readyDay(crop, start, need, seattle);
          if (!ready) return;
          // started as late as that it is ready no later; a day later still, it is
          const back = lastStartFor(crop, ready, need, seattle)!;
          expect(back >= addDays(start, -1)).toBe(true);
          expect(readyDay(crop, back, need, seattle)! <= ready).toBe(true);
          const later = readyDay(crop, addDays(back, 1), need, seattle);
          expect(later === null || later > ready).toBe(true);
        },
      ),
    );
  });
  it("growth stands still in the ten-hour days of checks C4.5, and is held back as they shorten", () => {
    expect(lightShare("2026-12-10", 51.5)).toBe(0);
    expect(lightShare("2026-06-10", 51.5)).toBe(1);
    expect(lightShare("2026-10-01", 51.5)).toBeLessThan(0.95);
  });
  it.each([
    [40, "2026-11-15"],
    [45, "2026-11-05"],
    [51.5, "2026-10-27"],
  ])("at %s° north the ten-hour days begin on %s (checks C4.5, within a day)", (latitude, day) => {
    expect(Math.abs(daysBetween(day, lightEnds(2026, latitude)))).toBeLessThanOrEqual(1);
  });
  it("the last day of ten hours still grows, the first below them does not", () => {
    for (const latitude of [40, 45, 51.5, -38]) {
      const dark = lightEnds(2026, latitude);
      expect(lightShare(dark, latitude)).toBe(0);
      expect(lightShare(addDays(dark, -1), latitude)).toBeGreaterThanOrEqual(0.6);
    }
  });
  it("a later start is never ready earlier", () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 230 }), fc.integer({ min: 1, max: 30 }), (j, later) => {
        const need = neededWarmth(bush, "sown", seattle)!;
        const [a, b] = [j, j + later].map((k) => readyDay(bush, addDays("2026-01-01", k), need, seattle));
        if (a && b) expect(a <= b).toBe(true);
      }),
    );
  });
});

describe("the last date, against the open record", () => {
  it("frost limits are the published percentiles of the record: 132.6, 138.5 and 144.4 days after 1 July", () => {
    const limit = (risk: number) =>
      frostLimit({ weather: { ...bush.weather, killC: 0 } }, record, 2026, 47.6, seattle.bed, risk);
    expect(limit(0.1)).toBe(addDays("2026-07-01", 133));
    expect(limit(0.5)).toBe(addDays("2026-07-01", 139));
    expect(limit(0.9)).toBe(addDays("2026-07-01", 144));
  });
  it("bush beans: the last sowing is ripe a fortnight before that frost, a day later it is not", () => {
    const [last] = lastSowings(bush, record, 2026, seattle, 0.1);
    expect(last!.how).toBe("sown");
    const by = addDays(last!.limit, -14);
    expect(readyDay(bush, last!.latest!, last!.needDd, seattle)! <= by).toBe(true);
    expect(readyDay(bush, addDays(last!.latest!, 2), last!.needDd, seattle)! > by).toBe(true);
  });
  it("who accepts more risk may sow later; a warm bed later still; a roof later again", () => {
    // a hollow, where frost comes before the short days do
    const hollow = { ...seattle.bed, nightOffsetC: -8 };
    const latest = (risk: number, over: Partial<Site["bed"]> = {}) =>
      lastSowings(bush, record, 2026, { ...seattle, bed: { ...hollow, ...over } }, risk)[0]!.latest!;
    expect(latest(0.1) < latest(0.5)).toBe(true);
    expect(latest(0.5) <= latest(0.9)).toBe(true);
    expect(latest(0.1, { cover: "polytunnel" }) > latest(0.1)).toBe(true);
    expect(latest(0.1, { sunHours: 3 }) < latest(0.1)).toBe(true);
  });
  it("hardy crops are limited by light, not by frost; what stands for years or over winter has no last sowing", () => {
    const [spinach] = lastSowings(cropOf("spinach"), record, 2026, seattle, 0.1);
    expect(spinach!.limitBy).toBe("light");
    expect(lastSowings(cropOf("rhubarb"), record, 2026, seattle, 0.1)).toEqual([]);
    expect(lastSowings(cropOf("garlic"), record, 2026, seattle, 0.1)).toEqual([]);
  });
  it("a record of one autumn cannot say, and light is the limit then", () => {
    const one = plainWeather("2025-01-01", 365);
    expect(frostLimit(bush, one, 2026, 52, seattle.bed, 0.1)).toBeNull();
  });
});

describe("warmth of the usual year", () => {
  it("is summed day by day, the last day not counted", () => {
    // 15 °C in the mean above its base of 10 °C (common practice for French beans)
    const day = usualWarmth(bush, "2026-05-01", "2026-05-02", even);
    expect(day).toBeGreaterThan(0);
    expect(usualWarmth(bush, "2026-05-01", "2026-05-11", even)).toBeCloseTo(10 * day, 6);
    expect(usualWarmth(bush, "2026-05-01", "2026-05-01", even)).toBe(0);
    expect(usualWarmth(bush, "2026-05-02", "2026-05-01", even)).toBe(0);
  });
});

describe("succession by warmth", () => {
  const lettuce = cropOf("lettuce-head");
  const needed = neededWarmth(lettuce, "sown", seattle)!;
  const plan = successionOf(lettuce, record, 2026, seattle, 0.1, usualTaste(lettuce, 2).weeklyG, 350)!;
  it("each sowing is ready just before the one before it is eaten up, and none is too late", () => {
    expect(plan.sowings.length).toBeGreaterThan(4);
    for (const [i, s] of plan.sowings.entries()) {
      expect(s.startOn <= plan.latest).toBe(true);
      if (i === 0) continue;
      const until = plan.sowings[i - 1]!.untilOn;
      expect(s.readyOn <= until).toBe(true);
      expect(readyDay(lettuce, addDays(s.startOn, 1), needed, seattle)! > until).toBe(true);
    }
  });
  it("spring sowings stand further apart than the days they bring to the table", () => {
    const [first, second] = plan.sowings;
    expect(second!.gapDays!).toBeGreaterThan(daysBetween(first!.readyOn, second!.readyOn));
  });
  it("a sowing every fortnight comes in bunches: some can be skipped, never the first", () => {
    expect(plan.byCalendar[0]!.skip).toBe(false);
    const beans = calendarSowings(bush, "2026-04-20", "2026-07-20", neededWarmth(bush, "sown", seattle)!, seattle);
    expect(beans.filter((s) => s.skip).length).toBeGreaterThan(1);
    // by hand: where every day is alike nothing bunches as long as a fortnight is half the time it bears
    const flat = calendarSowings(bush, "2026-04-20", "2026-07-20", neededWarmth(bush, "sown", even)!, even);
    expect(flat.map((s) => s.skip)).toEqual(flat.map((_, i) => i % 2 === 1));
    expect(bearsDays(bush, "2026-06-01", even)).toBe(35);
  });
  it("says by the warmth gathered whether it is time again", () => {
    const weather = new Map(plainWeather("2026-05-01", 60).map((w) => [w.day, w]));
    const soon = nextSowing(lettuce, "2026-05-01", 100, seattle, weather, "2026-05-05");
    const due = nextSowing(lettuce, "2026-05-01", 100, seattle, weather, "2026-06-10");
    expect([soon.due, due.due]).toEqual([false, true]);
    expect(soon.expected! > "2026-05-05" && soon.expected! < "2026-06-10").toBe(true);
  });
  it("what keeps over winter is not sown again and again", () => {
    expect(successionOf(cropOf("bulb-onion"), record, 2026, seattle, 0.1, 500, 150)).toBeNull();
    expect(successionOf(cropOf("asparagus"), record, 2026, seattle, 0.1, 500, 150)).toBeNull();
  });
});
