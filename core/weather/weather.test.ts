import fc from "fast-check";
import * as psychrolib from "psychrolib";
import { describe, expect, it } from "vitest";
import { bedDay, bedMinC, stillness } from "./bed-night";
import { climateOf, usualDay, weatherFor } from "./climate";
import type { WeatherDay } from "./daily";
import { degreeDaysAverage, degreeDaysClipped, degreeDaysSine, degreeDaysTriangle } from "./degree-days";
import { fitFrostFormula, fittedMinC, frostChance, frostClass, hoursUntilTemp, nightTempC } from "./frost";
import { beaufort, hazardsOf } from "./hazards";
import { hourlyTemps, tempAtHour } from "./hourly-curve";
import {
  airPressureKPa,
  dewPointC,
  humidityPct,
  saturationPressureIceKPa,
  saturationPressureKPa,
  saturationPressureWmoKPa,
  vapourDeficitKPa,
  wetBulbC,
} from "./humid-air";
import { normalCdf } from "./normal";

const psychro = ("default" in psychrolib ? psychrolib.default : psychrolib) as unknown as {
  SI: number;
  SetUnitSystem(system: number): void;
  GetTDewPointFromRelHum(tempC: number, fraction: number): number;
  GetTWetBulbFromRelHum(tempC: number, fraction: number, pressurePa: number): number;
};
psychro.SetUnitSystem(psychro.SI);

const day = (over: Partial<WeatherDay>): WeatherDay => ({
  day: "2026-10-08",
  tempMinC: 2,
  tempMaxC: 12,
  rainMm: 0,
  windMs: 1,
  gustMs: 5,
  humidityPct: 80,
  cloudPct: 0,
  ...over,
});

describe("humid air", () => {
  // C1.1: FAO-56 eq. 11 and WMO-No. 8 Annex 4.B
  it.each([
    [-10, 0.2857, 0.287],
    [0, 0.6108, 0.6112],
    [15, 1.7053, 1.7017],
    [20, 2.3383, 2.3326],
    [30, 4.2431, 4.2337],
    [40, 7.3756, 7.3675],
  ])("saturation at %d °C is %d kPa (FAO) and %d kPa (WMO)", (t, fao, wmo) => {
    expect(saturationPressureKPa(t)).toBeCloseTo(fao, 3.9);
    expect(saturationPressureWmoKPa(t)).toBeCloseTo(wmo, 3.9);
  });
  it("over ice at −5 °C is 0.4017 kPa (WMO)", () => expect(saturationPressureIceKPa(-5)).toBeCloseTo(0.4017, 3.9));
  it("FAO-56 examples 2 and 3 (C1.2)", () => {
    expect(airPressureKPa(1800)).toBeCloseTo(81.8, 1);
    expect((saturationPressureKPa(24.5) + saturationPressureKPa(15)) / 2).toBeCloseTo(2.39, 2);
  });
  it("Stull's worked wet bulb: 20 °C, 50 % is 13.7 °C (C1.4)", () =>
    expect(wetBulbC(20, 50)).toBeCloseTo(13.699342, 6));
  it("agrees with psychrolib on dew point within 0.04 K above freezing (C1.3, C1.5)", () => {
    for (let t = 2; t <= 38; t += 3)
      for (let rh = 30; rh <= 100; rh += 10) {
        const reference = psychro.GetTDewPointFromRelHum(t, rh / 100);
        if (reference >= 0) expect(Math.abs(dewPointC(t, rh) - reference)).toBeLessThan(0.04);
        if (rh >= 40 && rh < 99)
          expect(Math.abs(wetBulbC(t, rh) - psychro.GetTWetBulbFromRelHum(t, rh / 100, 101325))).toBeLessThan(1.05);
      }
  });
  it("dew point and humidity invert each other; deficit falls as air gets damper", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 99, noNaN: true }),
        (t, rh) => {
          const dew = dewPointC(t, rh);
          expect(dew).toBeLessThanOrEqual(t);
          expect(dewPointC(t, humidityPct(t, dew))).toBeCloseTo(dew, 6);
          expect(vapourDeficitKPa(t, rh)).toBeGreaterThanOrEqual(vapourDeficitKPa(t, rh + 1));
        },
      ),
    );
  });
});

describe("degree days (C3)", () => {
  // C3.1: base 10 °C rows of the table: average, clipped, triangle, sine
  it.each([
    [24, 12, 10, 8, 8, 8, 8],
    [20, 4, 10, 2, 5, 3.125, 3.62648],
    [15, 5, 10, 0, 2.5, 1.25, 5 / Math.PI],
    [12, -2, 10, 0, 1, 0.14286, 0.32564],
    [10, 0, 10, 0, 0, 0, 0],
    [14, 2, 5, 3, 4.5, 3.375, 3.65399],
    [28, -1, 12, 1.5, 8, 4.41379, 5.39021],
  ])("%d/%d base %d", (max, min, base, average, clipped, triangle, sine) => {
    expect(degreeDaysAverage(max, min, base)).toBeCloseTo(average, 5);
    expect(degreeDaysClipped(max, min, base)).toBeCloseTo(clipped, 5);
    expect(degreeDaysTriangle(max, min, base)).toBeCloseTo(triangle, 5);
    expect(degreeDaysSine(max, min, base)).toBeCloseTo(sine, 5);
  });
  // C3.2: horizontal cutoff, and C3.3: modified 86/50 °F of the US corn bulletins
  it.each([
    [35, 15, 10, 30, 13.91002, 12.5],
    [33, 8, 10, 30, 10.29548, 10],
    [40, 32, 10, 30, 20, 20],
    [90, 44, 50, 86, 17.42712, 18],
    [95, 60, 50, 86, 25.50855, 23],
  ])("%d/%d in [%d, %d]", (max, min, base, cap, sine, clipped) => {
    expect(degreeDaysSine(max, min, base, cap)).toBeCloseTo(sine, 5);
    expect(degreeDaysClipped(max, min, base, cap)).toBeCloseTo(clipped, 5);
  });
  it("average ≤ triangle ≤ sine ≤ clipped, for any day", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        (min, span) => {
          const args = [min + span, min, 10] as const;
          const slack = 1e-9;
          expect(degreeDaysAverage(...args)).toBeLessThanOrEqual(degreeDaysTriangle(...args) + slack);
          expect(degreeDaysTriangle(...args)).toBeLessThanOrEqual(degreeDaysSine(...args) + slack);
          expect(degreeDaysSine(...args)).toBeLessThanOrEqual(degreeDaysClipped(...args) + slack);
        },
      ),
    );
  });
});

describe("hourly curve, the de Wit scheme (C5.1 column W)", () => {
  const worked = { tempMaxC: 24, tempMinC: 10, nextMinC: 10, sunriseHour: 5, sunsetHour: 19 };
  it.each([
    [0, 13.5],
    [2, 11.3369],
    [4, 10.153],
    [5, 10],
    [8, 13.5],
    [10, 18.2155],
    [12, 22.3623],
    [14, 24],
    [17, 22.6631],
    [19, 20.5],
    [21, 17.7317],
    [22, 16.2683],
  ])("at %d h it is %d °C", (hour, tempC) => expect(tempAtHour(worked, hour)).toBeCloseTo(tempC, 3.9));
  it("stays within the extremes, does not jump at sunset, and ends where the next day begins", () => {
    const temps = hourlyTemps(worked);
    expect(Math.min(...temps)).toBeGreaterThanOrEqual(10 - 1e-9);
    expect(Math.max(...temps)).toBeLessThanOrEqual(24);
    expect(tempAtHour(worked, 19 + 1e-9)).toBeCloseTo(tempAtHour(worked, 19), 6);
    const today = { ...worked, nextMinC: 4 };
    const tomorrow = { ...worked, tempMinC: 4, tempMaxC: 17, prevMaxC: 24 };
    expect(tempAtHour(today, 24)).toBeCloseTo(tempAtHour(tomorrow, 0), 9);
  });
});

describe("frost", () => {
  it.each([
    [3.1, "none"],
    [2.5, "ground"],
    [0, "light"],
    [-2.1, "light"],
    [-2.2, "moderate"],
    [-4.3, "moderate"],
    [-4.4, "severe"],
  ] as const)("%d °C is %s (NCDC 1988 classes, C6.1)", (t, name) => expect(frostClass(t)).toBe(name));
  it.each([
    [2, 1.5, 0, 0.09121],
    [3, 2, 0, 0.06681],
    [0, 1.5, 0, 0.5],
    [-1, 2, 0, 0.69146],
    [4, 2.5, 2.2, 0.23576],
  ])("forecast %d ± %d: chance of %d or below is %d (C6.3)", (m, s, t, p) =>
    expect(frostChance(m, s, t)).toBeCloseTo(p, 5),
  );
  it("standard normal table (C14.1)", () => {
    expect(normalCdf(1.96)).toBeCloseTo(0.975002, 6);
    expect(normalCdf(-4 / 3)).toBeCloseTo(0.091211, 6);
    expect(normalCdf(3)).toBeCloseTo(0.99865, 6);
    expect(normalCdf(-6)).toBeCloseTo(9.8659e-10, 13);
    expect(normalCdf(-3.6) + normalCdf(3.6)).toBeCloseTo(1, 12);
  });
  // C6.2: test set of eight nights; form of FAO, Frost Protection (2005), ch. 5
  const nights = [
    [4, -3, -2.1],
    [2.5, -5.5, -3.8],
    [6.1, 0.5, 0.2],
    [1, -6, -5],
    [5.2, -1, -0.9],
    [3.3, -2.2, -2.4],
    [7, 1.5, 1.1],
    [0.4, -7.5, -5.9],
  ].map(([eveningTempC, eveningDewC, minC]) => ({
    eveningTempC: eveningTempC!,
    eveningDewC: eveningDewC!,
    minC: minC!,
  }));
  it("fits the FAO radiation-frost formula", () => {
    const fit = fitFrostFormula(nights)!;
    expect(fit.perTemp).toBeCloseTo(0.694259, 6);
    expect(fit.perDew).toBeCloseTo(0.259577, 6);
    expect(fit.constant).toBeCloseTo(-4.157309, 6);
    expect(fit.rSquared).toBeCloseTo(0.999481, 6);
    expect(fit.residualSdC).toBeCloseTo(0.066273, 6);
    expect(fittedMinC(fit, 3, -4)).toBeCloseTo(-3.1128, 4);
    expect(fitFrostFormula(nights.slice(0, 4))).toBeNull();
  });
  it("draws the FAO night curve: 6 °C to −2 °C in 12 h crosses zero after 7.625 h", () => {
    expect([2, 4, 6, 8, 10, 12].map((i) => Math.round(nightTempC(6, -2, 12, i) * 1e4) / 1e4)).toEqual([
      6, 2.4223, 0.9404, -0.1968, -1.1554, -2,
    ]);
    expect(hoursUntilTemp(6, -2, 12, 0)).toBeCloseTo(7.625, 6);
    expect(hoursUntilTemp(6, 1, 12, 0)).toBeNull();
  });
});

describe("bed by bed", () => {
  it("a frost pocket bites on still, clear nights and not under cloud and wind", () => {
    const pocket = { nightOffsetC: -2, cover: "none" } as const;
    expect(bedMinC(day({}), pocket)).toBeCloseTo(2 - 2 * stillness(day({})), 9);
    expect(bedMinC(day({}), pocket)).toBeLessThan(0.5);
    expect(bedMinC(day({ cloudPct: 100, windMs: 7 }), pocket)).toBeGreaterThan(1.8);
  });
  it("a cover keeps the night warmer and the extremes in order", () => {
    const frame = bedDay(day({}), { nightOffsetC: 0, cover: "cold-frame" });
    expect(frame.tempMinC).toBe(5);
    expect(frame.tempMaxC).toBeGreaterThan(frame.tempMinC);
  });
});

describe("hazards", () => {
  it("counts Beaufort by the WMO bounds (C6.1)", () => {
    expect([3.4, 7.9, 8, 13.8, 17.2, 20.7].map(beaufort)).toEqual([3, 4, 5, 6, 8, 8]);
  });
  it("names gale, frost, downpour, heat and dew, and nothing on a mild day", () => {
    const kinds = (d: WeatherDay) => hazardsOf(d, { minC: d.tempMinC, errorC: 1.5, members: [] }, 2).map((h) => h.kind);
    expect(kinds(day({ gustMs: 24, tempMinC: 8, windMs: 11 }))).toEqual(["gale"]);
    expect(kinds(day({ tempMinC: -1, humidityPct: 95 }))).toEqual(["frost", "dew"]);
    expect(kinds(day({ rainMm: 35, tempMinC: 9, windMs: 6 }))).toEqual(["downpour"]);
    expect(kinds(day({ tempMaxC: 33, tempMinC: 17, humidityPct: 40 }))).toEqual(["heat"]);
    expect(kinds(day({ tempMinC: 9, windMs: 6 }))).toEqual([]);
  });
});

describe("the usual year", () => {
  it("uses the record where it has days and a seasonal curve elsewhere", () => {
    const climate = climateOf([day({ day: "2025-10-08", tempMinC: 4, tempMaxC: 14 })], 52);
    expect(usualDay(climate, "2026-10-10").tempMinC).toBe(4);
    expect(usualDay(climate, "2026-07-20").tempMaxC).toBeGreaterThan(18);
    expect(usualDay(climate, "2026-01-20").tempMaxC).toBeLessThan(9);
  });
  it("joins record, forecast and the usual year in that order", () => {
    const seen = new Map([["2026-10-05", day({ day: "2026-10-05" })]]);
    const expected = new Map([
      ["2026-10-05", day({ day: "2026-10-05", tempMinC: -9 })],
      ["2026-10-06", day({ day: "2026-10-06" })],
    ]);
    const days = weatherFor("2026-10-05", "2026-10-07", seen, expected, climateOf([], 52));
    expect(days.map((d) => d.from)).toEqual(["record", "forecast", "usual"]);
    expect(days[0]!.weather.tempMinC).toBe(2);
  });
});
