import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { climateOf, usualDay } from "./climate";
import type { WeatherDay } from "./daily";
import { degreeDaysAverage, degreeDaysClipped, degreeDaysSine } from "./degree-days";
import { frostClass } from "./frost";

/**
 * An open daily record: Seattle, 2012 to 2015, of the vega-datasets package (US government data). The expected figures
 * were worked out by SQLite and Python independently (checks C6.4 to C6.6).
 */
const file = join(import.meta.dirname, "..", "..", "node_modules", "vega-datasets", "data", "weather.csv");
const text = readFileSync(file, "utf8");
const record: WeatherDay[] = text
  .trim()
  .split(/\r?\n/)
  .slice(1)
  .map((line) => line.split(","))
  .filter((cells) => cells[0] === "Seattle")
  .map(([, day, rain, high, low, wind]) => ({
    day: day!.replaceAll("/", "-").slice(0, 10),
    tempMinC: Number(low),
    tempMaxC: Number(high),
    rainMm: Number(rain),
    windMs: Number(wind),
    gustMs: null,
    humidityPct: null,
    cloudPct: null,
  }));
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

  it("date by which 500 degree days have come since 1 April (C6.5)", () => {
    const reached = (y: number) => {
      let total = 0;
      return year(y)
        .filter((d) => d.day.slice(5) >= "04-01")
        .find((d) => {
          total += degreeDaysAverage(d.tempMaxC, d.tempMinC, 10);
          return total >= 500;
        })?.day;
    };
    expect([2012, 2013, 2014, 2015].map(reached)).toEqual(["2012-07-30", "2013-07-07", "2014-07-10", "2015-07-01"]);
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
