import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { seattleRecord } from "../fixtures/open-record";
import { climateOf, usualDay } from "./climate";
import type { WeatherDay } from "./daily";
import { degreeDaysAverage, degreeDaysClipped, degreeDaysSine } from "./degree-days";
import { frostClass } from "./frost";
import { firstFrosts } from "./frost-dates";
import { longestRun, monthlyRain, usualWeeks, warmthByWeek, weekOf, yearsOf } from "./record";

/**
 * An open daily record: Seattle, 2012 to 2015, of the vega-datasets package (US government data). The expected figures
 * were worked out by SQLite and Python independently (checks C6.4 to C6.6).
 */
const file = join(import.meta.dirname, "..", "..", "node_modules", "vega-datasets", "data", "weather.csv");
const text = readFileSync(file, "utf8");
const record = seattleRecord(text);
const year = (y: number) => record.filter((d) => d.day.startsWith(String(y)));
const sum = (days: WeatherDay[], of: (d: WeatherDay) => number) => days.reduce((s, d) => s + of(d), 0);

describe("an open record reproduced", () => {
  it("is the file that the figures were made from", () => {
    expect(createHash("sha256").update(text).digest("hex").slice(0, 12)).toBe("27219f1ca8db");
    expect(record).toHaveLength(1461);
  });

  // C6.5, base 10 °C, whole year: average, clipped, sine, sine with cap 30, average with base 5
  it.each([
    [2012, 1133.4, 1270.4, 1201.702, 1198.005, 2396.2],
    [2013, 1369.25, 1502.6, 1436.256, 1433.503, 2720.7],
    [2014, 1490.2, 1623.5, 1559.743, 1555.33, 2941.3],
    [2015, 1541.05, 1691.65, 1616.11, 1606.936, 3017.95],
  ])("heat sums of %d", (y, average, clipped, sine, capped, base5) => {
    const days = year(y);
    expect(sum(days, (d) => degreeDaysAverage(d.tempMaxC, d.tempMinC, 10))).toBeCloseTo(average, 2);
    expect(sum(days, (d) => degreeDaysClipped(d.tempMaxC, d.tempMinC, 10))).toBeCloseTo(clipped, 2);
    expect(sum(days, (d) => degreeDaysSine(d.tempMaxC, d.tempMinC, 10))).toBeCloseTo(sine, 2);
    expect(sum(days, (d) => degreeDaysSine(d.tempMaxC, d.tempMinC, 10, 30))).toBeCloseTo(capped, 2);
    expect(sum(days, (d) => degreeDaysAverage(d.tempMaxC, d.tempMinC, 5))).toBeCloseTo(base5, 2);
  });

  // C6.4: last and first frost days, number of frost days
  it.each([
    [2012, "2012-03-19", "2012-11-10", 21],
    [2013, "2013-03-04", "2013-11-21", 30],
    [2014, "2014-02-09", "2014-11-12", 22],
    [2015, "2015-03-04", "2015-11-23", 15],
  ])("frost of %d", (y, last, first, count) => {
    const frosts = year(y).filter((d) => ["light", "moderate", "severe"].includes(frostClass(d.tempMinC)));
    expect(frosts).toHaveLength(count);
    expect(frosts.filter((d) => d.day.slice(5) < "07-01").at(-1)?.day).toBe(last);
    expect(frosts.find((d) => d.day.slice(5) >= "07-01")?.day).toBe(first);
  });

  // C6.5: the day on which the sum of averages above 10 °C since 1 April first reaches 100, 250, 500, 750 and 1000
  it.each([
    [2012, ["05-24", "06-28", "07-30", "08-22", "09-25"]],
    [2013, ["05-11", "06-09", "07-07", "08-02", "08-25"]],
    [2014, ["05-15", "06-09", "07-10", "08-02", "08-26"]],
    [2015, ["05-18", "06-07", "07-01", "07-22", "08-13"]],
  ] as [number, string[]][])("C6.5 days by which heat had gathered in %d", (y, days) => {
    let total = 0;
    const sums = year(y)
      .filter((d) => d.day.slice(5) >= "04-01")
      .map((d) => {
        total += degreeDaysAverage(d.tempMaxC, d.tempMinC, 10);
        return { day: d.day.slice(5), total };
      });
    expect([100, 250, 500, 750, 1000].map((limit) => sums.find((x) => x.total >= limit)?.day)).toEqual(days);
  });
  // Amerine & Winkler, Hilgardia 15 (1944): °F-days above 50 °F from April to October
  it.each([
    [2012, 2001.42],
    [2013, 2400.21],
    [2014, 2591.46],
    [2015, 2659.86],
  ])("C3.4 the Winkler sum of %d", (y, expected) => {
    const season = year(y).filter((d) => d.day.slice(5) >= "04-01" && d.day.slice(5) <= "10-31");
    expect(1.8 * sum(season, (d) => degreeDaysAverage(d.tempMaxC, d.tempMinC, 10))).toBeCloseTo(expected, 1);
  });
  it.each([
    [2012, 74, 6],
    [2013, 58, 7],
    [2014, 58, 6],
    [2015, 59, 8],
  ])(
    "C6.4 good days from July to September %d: dry, calm, not hot; and the dry spells of three days and more",
    (y, good, spells) => {
      const summer = year(y).filter((d) => d.day.slice(5) >= "07-01" && d.day.slice(5) <= "09-30");
      expect(summer.filter((d) => d.rainMm === 0 && d.windMs! < 8 && d.tempMaxC < 30)).toHaveLength(good);
      const runs: number[] = [];
      let run = 0;
      for (const d of [...summer, { ...summer[0]!, rainMm: 1 }]) {
        if (d.rainMm === 0) run += 1;
        else {
          if (run >= 3) runs.push(run);
          run = 0;
        }
      }
      expect(runs).toHaveLength(spells);
      expect(Math.max(...runs)).toBe(longestRun(summer, (d) => d.rainMm === 0)!.days);
    },
  );

  const years = yearsOf(record, 47.4);
  it.each([
    [2012, 366, -3.3, "01-15", 34.4, "08-16", 15.2768, 7.2896, 1226.0, 235],
    [2013, 365, -7.1, "12-07", 33.9, "06-30", 16.0589, 8.154, 828.0, 261],
    [2014, 365, -6.0, "02-06", 35.6, "08-11", 16.9959, 8.6625, 1232.8, 275],
    [2015, 365, -3.8, "11-30", 35.0, "07-19", 17.4279, 8.8356, 1139.2, 263],
  ])(
    "C6.4 the year %d: extremes, means, rain, days without frost",
    (y, days, low, lowOn, high, highOn, max, min, rain, free) => {
      const found = years.find((x) => x.year === y)!;
      expect(found).toMatchObject({ days, frostFreeDays: free });
      expect(found.lowest).toEqual({ tempC: low, day: `${y}-${lowOn}` });
      expect(found.highest).toEqual({ tempC: high, day: `${y}-${highOn}` });
      expect(found.meanMaxC).toBeCloseTo(max, 4);
      expect(found.meanMinC).toBeCloseTo(min, 4);
      expect(found.rainMm).toBeCloseTo(rain, 1);
    },
  );
  it.each([
    [2012, 21, 177, 4, 8],
    [2013, 30, 152, 2, 15],
    [2014, 22, 150, 2, 17],
    [2015, 15, 144, 1, 23],
  ])("C6.4 days of frost, rain, wind and heat in %d", (y, frostDays, rainyDays, windyDays, hotDays) => {
    expect(years.find((x) => x.year === y)).toMatchObject({ frostDays, rainyDays, windyDays, hotDays });
  });
  it.each([
    [2012, 148, 42, 6],
    [2013, 119, 21, 6],
    [2014, 123, 47, 8],
    [2015, 116, 34, 14],
  ])("C6.4 days with 1, 10 and 25 mm of rain in %d", (y, one, ten, twentyFive) => {
    expect([1, 10, 25].map((mm) => year(y).filter((d) => d.rainMm >= mm).length)).toEqual([one, ten, twentyFive]);
  });
  it.each([
    [2012, 48, "07-23", 19, "12-09"],
    [2013, 35, "06-28", 10, "01-23"],
    [2014, 23, "06-29", 18, "02-08"],
    [2015, 25, "06-29", 14, "11-30"],
  ])("C6.4 the longest dry and wet spells of %d", (y, dry, dryFrom, wet, wetFrom) => {
    expect(years.find((x) => x.year === y)).toMatchObject({
      longestDry: { days: dry, from: `${y}-${dryFrom}` },
      longestWet: { days: wet, from: `${y}-${wetFrom}` },
    });
  });
  // first with min < 0, and first ≤ 2.2 (36 °F)
  it.each([
    [2012, "11-10", "11-08"],
    [2013, "11-21", "11-20"],
    [2014, "11-14", "11-11"],
    [2015, "11-26", "11-15"],
  ])("C6.4 the first frost of %d by other limits", (y, below, ground) => {
    expect(firstFrosts(year(y), 47.4, -0.05)[0]!.day).toBe(`${y}-${below}`);
    expect(firstFrosts(year(y), 47.4, 2.2)[0]!.day).toBe(`${y}-${ground}`);
  });
  it("a gap in the record ends a run: missing days are not taken for dry ones", () => {
    const dry = year(2012).filter((d) => d.day !== "2012-08-10");
    expect(longestRun(dry, (d) => d.rainMm === 0)).toEqual({ days: 29, from: "2012-08-11" });
    expect(longestRun([], () => true)).toBeNull();
  });
  it("months of rain add up to the year, weeks of warmth end at its heat sum (C6.5, sine, base 10)", () => {
    expect(monthlyRain(record, 2013).reduce<number>((s, x) => s + (x ?? 0), 0)).toBeCloseTo(828, 1);
    const warmth = warmthByWeek(record, 2013, 10, "01-01");
    expect(warmth.at(-1)).toBeCloseTo(1436.256, 2);
    for (let k = 1; k < warmth.length; k++) expect(warmth[k]!).toBeGreaterThanOrEqual(warmth[k - 1]!);
    expect(warmthByWeek(record, 2016, 10, "01-01").every((w) => w === null)).toBe(true);
  });
  it("the usual weeks come from the years before alone, in their order from cold to warm", () => {
    const weeks = usualWeeks(record, 2015);
    expect(weeks).toHaveLength(52);
    for (const w of weeks) {
      expect(w.low).toBeLessThanOrEqual(w.midLow);
      expect(w.midLow).toBeLessThan(w.midHigh);
      expect(w.midHigh).toBeLessThanOrEqual(w.high);
    }
    expect(usualWeeks(record, 2012)).toEqual([]);
    // 2012-12-31 is the 366th day of its year and stays in the last week
    expect(weekOf("2012-12-31")).toBe(51);
  });

  it("makes a usual year that lies between the years it was made from", () => {
    const climate = climateOf(record, 47.4);
    expect(climate.years).toBe(4);
    const july = usualDay(climate, "2026-07-20");
    const january = usualDay(climate, "2026-01-10");
    expect(july.tempMaxC).toBeGreaterThan(24);
    expect(july.tempMaxC).toBeLessThan(30);
    expect(january.tempMinC).toBeGreaterThan(-2);
    expect(january.tempMinC).toBeLessThan(5);
    const mean = [...Array(365).keys()].reduce((s, k) => s + climate.tempMaxC[k + 1]!, 0) / 365;
    // C6.4: yearly mean maxima 15.2768, 16.0589, 16.9959, 17.4279
    expect(mean).toBeCloseTo((15.2768 + 16.0589 + 16.9959 + 17.4279) / 4, 0);
  });
});
