import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { addDays, dayOfYear } from "../calendar/day";
import { dayLengthHours } from "../calendar/sun";
import { type CurveDay, hourlyTemps } from "./hourly-curve";

/**
 * Hourly normals of Seattle 1981–2010 (NOAA, in the vega-datasets package): each day's curve is drawn anew from its
 * extremes alone and compared with its hours (check C5.2). The harness first reproduces the published rows of the
 * de Wit scheme and of a plain cosine, then is turned on the curve that the product uses.
 */
const file = join(
  import.meta.dirname,
  "..",
  "..",
  "node_modules",
  "vega-datasets",
  "data",
  "seattle-weather-hourly-normals.csv",
);
const hours = new Map<string, number[]>();
for (const line of readFileSync(file, "utf8").trim().split(/\r?\n/).slice(1)) {
  const [stamp, , temp] = line.split(",");
  const day = stamp!.slice(0, 10);
  const list = hours.get(day) ?? Array<number>(24).fill(Number.NaN);
  list[Number(stamp!.slice(11, 13))] = Number(temp);
  hours.set(day, list);
}
const [LAT, LON] = [47.4489, -122.3094];

type Seen = CurveDay & { prevMaxC: number; observed: number[] };
const days: Seen[] = Array.from({ length: 363 }, (_, k) => {
  const day = addDays("2010-01-02", k);
  const of = (d: string) => hours.get(d)!.filter((t) => !Number.isNaN(t));
  const j = dayOfYear(day);
  const b = (2 * Math.PI * (j - 81)) / 364;
  // FAO-56 eq. 32: seasonal correction for solar time, hours
  const correction = 0.1645 * Math.sin(2 * b) - 0.1255 * Math.cos(b) - 0.025 * Math.sin(b);
  const noon = 12 + (-120 - LON) / 15 - correction;
  const length = dayLengthHours(day, LAT);
  return {
    tempMaxC: Math.max(...of(day)),
    tempMinC: Math.min(...of(day)),
    nextMinC: Math.min(...of(addDays(day, 1))),
    prevMaxC: Math.max(...of(addDays(day, -1))),
    sunriseHour: noon - length / 2,
    sunsetHour: noon + length / 2,
    observed: hours.get(day)!,
  };
});

/** Root mean square, mean and largest error of a scheme over all hours, K. */
function errorsOf(scheme: (d: Seen) => number[]) {
  const misses = days.flatMap((d) => scheme(d).map((t, h) => t - d.observed[h]!));
  return {
    rmse: Math.sqrt(misses.reduce((s, m) => s + m * m, 0) / misses.length),
    bias: misses.reduce((s, m) => s + m, 0) / misses.length,
    worst: Math.max(...misses.map(Math.abs)),
  };
}

const everyHour = (of: (h: number) => number) => Array.from({ length: 24 }, (_, h) => of(h));
/** The de Wit scheme as tested by Reicosky et al., Agric. For. Meteorol. 46 (1989) 193–209. */
const deWit = (d: Seen) =>
  everyHour((h) => {
    const rise = d.sunriseHour;
    if (h >= rise && h <= 14) {
      const [mean, half] = [(d.tempMaxC + d.tempMinC) / 2, (d.tempMaxC - d.tempMinC) / 2];
      return mean - half * Math.cos((Math.PI * (h - rise)) / (14 - rise));
    }
    const [high, low, since] = h > 14 ? [d.tempMaxC, d.nextMinC, h - 14] : [d.prevMaxC, d.tempMinC, h + 10];
    return (high + low) / 2 + ((high - low) / 2) * Math.cos((Math.PI * since) / (10 + rise));
  });

describe("C5.2 hours drawn from daily extremes against an open record", () => {
  it("the file is the one the figures were made from: its mean, its cold and warm hours, its heat in July", () => {
    const all = [...hours.values()].flat().filter((t) => !Number.isNaN(t));
    expect(all).toHaveLength(8759);
    expect(all.reduce((s, t) => s + t, 0) / all.length).toBeCloseTo(11.128, 3);
    expect(all.filter((t) => t <= 4)).toHaveLength(258);
    expect(all.filter((t) => t <= 7.2)).toHaveLength(2759);
    expect(all.filter((t) => t >= 20)).toHaveLength(651);
    const july = [...hours].filter(([day]) => day.slice(5, 7) === "07").flatMap(([, list]) => list);
    expect(july.reduce((s, t) => s + Math.max(0, t - 10), 0) / 24).toBeCloseTo(256.308, 2);
  });
  it("the harness gives the published row of the de Wit scheme: 0.58, +0.30, at most 1.9 K", () => {
    const { rmse, bias, worst } = errorsOf(deWit);
    expect(Math.abs(rmse - 0.58)).toBeLessThan(0.05);
    expect(Math.abs(bias - 0.3)).toBeLessThan(0.05);
    expect(Math.abs(worst - 1.9)).toBeLessThan(0.1);
  });
  it("our curve keeps to that row within 0.05 K, though its peak follows the sun and not the clock", () => {
    const { rmse, bias, worst } = errorsOf(hourlyTemps);
    expect(Math.abs(rmse - 0.58)).toBeLessThan(0.05);
    expect(Math.abs(bias - 0.3)).toBeLessThan(0.05);
    expect(worst).toBeLessThan(2);
  });
  it("our curve reaches each day's highest and keeps between the extremes around it", () => {
    for (const d of days) {
      const drawn = hourlyTemps(d);
      const noon = (d.sunriseHour + d.sunsetHour) / 2;
      expect(Math.max(...drawn)).toBeLessThanOrEqual(d.tempMaxC + 1e-9);
      expect(Math.min(...drawn)).toBeGreaterThanOrEqual(Math.min(d.tempMinC, d.nextMinC) - 1e-9);
      expect(drawn.indexOf(Math.max(...drawn))).toBeGreaterThanOrEqual(Math.floor(noon));
    }
  });
});
