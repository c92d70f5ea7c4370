import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { plainWeather } from "../fixtures/garden";
import { climateOf } from "./climate";
import { forecastErrorC, type Member, meanTempC, type WeatherDay, weatherDaySchema } from "./daily";
import { curveOf, dewOf, hoursOf } from "./day-hours";
import { dryFrom, wetHours } from "./foliage";
import { firstFrosts, frostDay, growingDaysLeft, lastFrosts } from "./frost-dates";
import { DOWNPOUR_MM, GALE_GUST_MS, galeChance, HEAT_C, hazardsOf, isDewy } from "./hazards";
import { heatBand, heatIndexF, windChillC } from "./heat-index";
import { tempAtHour } from "./hourly-curve";
import { dewPointC } from "./humid-air";
import { normalCdf } from "./normal";
import { ofRecord, recordBefore } from "./of-record";
import { goodStretches, type PickingHour, pickingHours } from "./picking-hours";
import { longestRun, monthlyRain, usualWeeks, warmthByWeek, weekOf } from "./record";
import { daysSinceRain, soilState, soilTempC } from "./soil";
import { thunderChance } from "./thunder";

const DAY: WeatherDay = {
  day: "2026-07-15",
  tempMinC: 10,
  tempMaxC: 20,
  rainMm: 0,
  windMs: 2,
  gustMs: 5,
  humidityPct: 70,
  cloudPct: 50,
};
const day = (over: Partial<WeatherDay> = {}): WeatherDay => ({ ...DAY, ...over });

describe("the soil, worked by hand", () => {
  it("begins at the air's mean and 0.8 K, and follows a departure by 0.32 a day", () => {
    expect(soilTempC([day()])).toBeCloseTo(15.8, 9);
    expect(soilTempC([day(), day({ tempMinC: 20, tempMaxC: 30 })])).toBeCloseTo(15.8 + 0.32 * 10, 9);
    expect(() => soilTempC([])).toThrow(RangeError);
  });
  it("keeps an account of water: rain in, warmth out, never under nothing nor over 30 mm", () => {
    // 14 − 0.17 × 15 × (1 − 0.006 × 50)
    expect(soilState([day()]).waterMm).toBeCloseTo(14 - 0.17 * 15 * 0.7, 9);
    expect(soilState([day({ cloudPct: null })]).waterMm).toBeCloseTo(14 - 0.17 * 15 * 0.7, 9);
    expect(soilState([day({ cloudPct: 0 })]).waterMm).toBeCloseTo(14 - 0.17 * 15, 9);
    expect(soilState([day({ rainMm: 6 })]).waterMm).toBeCloseTo(14 + 6 - 1.785, 9);
    // in the cold a little dries out all the same
    expect(soilState([day({ tempMinC: -2, tempMaxC: 0 })]).waterMm).toBeCloseTo(13.8, 9);
    expect(soilState([day({ rainMm: 90 })]).waterMm).toBe(30);
    expect(soilState(plainWeather("2026-07-01", 60).map((d) => ({ ...d, rainMm: 0 }))).waterMm).toBe(0);
    expect(soilState([])).toEqual({ state: "workable", waterMm: 14 });
  });
  it("is told by that account: 22, 7 and 2 mm", () => {
    // 30 mm after the downpour; then so many mm gone at 1 mm a day
    const one = { tempMinC: 5, tempMaxC: 5, cloudPct: 0, rainMm: 0 };
    const drying = 0.17 * 5;
    const gone = (mm: number) =>
      soilState([day({ ...one, rainMm: 90 }), ...Array.from({ length: Math.ceil(mm / drying) }, () => day(one))]);
    expect(gone(0).state).toBe("sodden");
    expect(gone(7.9).waterMm).toBeLessThan(22);
    expect(gone(7.9).state).toBe("workable");
    expect(gone(22.5).state).toBe("workable");
    expect(gone(23).state).toBe("dry");
    expect(gone(27).state).toBe("dry");
    expect(gone(28).state).toBe("baked");
  });
  it("rain counts from the amount that was asked for, on the last day by none", () => {
    const days = [day({ rainMm: 9 }), day({ rainMm: 5 }), day({ rainMm: 4.9 })];
    expect([daysSinceRain(days), daysSinceRain(days, 4.9), daysSinceRain(days, 9), daysSinceRain(days, 10)]).toEqual([
      1,
      0,
      2,
      null,
    ]);
  });
});

describe("heat and cold for people, at the edges", () => {
  const c = (f: number) => ((f - 32) * 5) / 9;
  it.each([
    [79.99, "none"],
    [80, "caution"],
    [90, "extreme-caution"],
    [103, "danger"],
    [125, "extreme-danger"],
  ])("%s °F is %s (NWS)", (f, band) => expect(heatBand(c(f + 1e-9))).toBe(band));
  it("the adjustments hold for dry air to 112 °F and for damp air to 87 °F (NWS Weather Prediction Center)", () => {
    const plain = (t: number, rh: number) =>
      -42.379 +
      2.04901523 * t +
      10.14333127 * rh -
      0.22475541 * t * rh -
      0.00683783 * t * t -
      0.05481717 * rh * rh +
      0.00122874 * t * t * rh +
      0.00085282 * t * rh * rh -
      0.00000199 * t * t * rh * rh;
    expect(heatIndexF(112, 10)).toBeCloseTo(plain(112, 10) - (3 / 4) * Math.sqrt((17 - 17) / 17), 9);
    expect(heatIndexF(100, 10)).toBeCloseTo(plain(100, 10) - (3 / 4) * Math.sqrt((17 - 5) / 17), 9);
    expect(heatIndexF(100, 13)).toBeCloseTo(plain(100, 13), 9);
    expect(heatIndexF(112.1, 10)).toBeCloseTo(plain(112.1, 10), 9);
    expect(heatIndexF(86, 90)).toBeCloseTo(plain(86, 90) + (5 / 10) * (1 / 5), 9);
    expect(heatIndexF(86, 85)).toBeCloseTo(plain(86, 85), 9);
    expect(heatIndexF(87.1, 90)).toBeCloseTo(plain(87.1, 90), 9);
  });
  it("wind chill begins at 10 °C and above 4.8 km/h", () => {
    expect(windChillC(10, 20)).toBeLessThan(10);
    expect([windChillC(10.1, 20), windChillC(0, 4.8)]).toEqual([10.1, 0]);
    expect(windChillC(0, 4.9)).not.toBe(0);
  });
});

describe("hazards, at the edges", () => {
  const night = { minC: 10, errorC: 2, members: [] };
  const members = (n: number, of: Partial<Member>, others: Partial<Member> = {}): Member[] =>
    Array.from({ length: 10 }, (_, k) => ({
      tempMinC: 8,
      tempMaxC: 18,
      rainMm: 0,
      gustMs: 5,
      ...(k < n ? of : others),
    }));
  it("a gale by one figure: an error of 12 % and 1.5 % more a day, half a metre a second at least", () => {
    const chance = (gust: number, ahead: number) =>
      1 - normalCdf((GALE_GUST_MS - gust) / Math.max(0.5, gust * (0.12 + 0.015 * ahead)));
    for (const [gust, ahead] of [
      [17.2, 0],
      [15, 4],
      [3, 0],
    ] as const)
      expect(galeChance(gust, ahead)).toBeCloseTo(chance(gust, ahead), 9);
    expect(galeChance(17.2, 5)).toBeCloseTo(0.5, 9);
    expect(galeChance(null, 0, members(10, { gustMs: 30 }))).toBe(0);
  });
  it("by members from eight on; of fewer the one figure counts", () => {
    const storm = members(10, { gustMs: GALE_GUST_MS });
    expect(galeChance(5, 0, storm)).toBeGreaterThan(0.8);
    expect(galeChance(5, 0, storm.slice(0, 8))).toBeGreaterThan(0.8);
    expect(galeChance(5, 0, storm.slice(0, 7))).toBeLessThan(0.01);
    expect(galeChance(5, 0, members(10, { gustMs: null }))).toBeLessThan(0.1);
    const soaked = hazardsOf(day(), night, 1, members(6, { rainMm: DOWNPOUR_MM }));
    expect(soaked.find((h) => h.kind === "downpour")!.chance).toBeGreaterThan(0.4);
    const hot = hazardsOf(day(), night, 1, members(6, { tempMaxC: HEAT_C }));
    expect(hot.find((h) => h.kind === "heat")!.chance).toBeGreaterThan(0.4);
    expect(hazardsOf(day(), night, 1, members(10, { rainMm: DOWNPOUR_MM - 0.1 })).map((h) => h.kind)).not.toContain(
      "downpour",
    );
  });
  it("rain and heat by one figure, each with its level", () => {
    const [downpour] = hazardsOf(day({ rainMm: 20 }), night, 1);
    expect(downpour).toEqual({ day: "2026-07-15", kind: "downpour", chance: 0.5, level: 20 });
    const wet = hazardsOf(day({ rainMm: 14 }), night, 1).find((h) => h.kind === "downpour")!;
    expect(wet.chance).toBeCloseTo(normalCdf(-6 / 7), 9);
    const heat = hazardsOf(day({ tempMaxC: 32, humidityPct: 30 }), night, 1).find((h) => h.kind === "heat")!;
    expect(heat).toMatchObject({ level: 32, chance: expect.closeTo(normalCdf(1), 9) });
    expect(hazardsOf(day({ tempMaxC: 27, humidityPct: 30 }), night, 1).map((h) => h.kind)).not.toContain("heat");
  });
  it("dew: within a degree of the dew point and hardly any wind; by cloud where nobody knows the damp", () => {
    const dewC = dewPointC(15, 70);
    const at = (tempMinC: number, windMs: number | null = 2) =>
      isDewy(day({ tempMinC, tempMaxC: 30 - tempMinC, windMs }));
    expect([at(dewC + 0.9), at(dewC + 1.1)]).toEqual([true, false]);
    expect([at(dewC, 3.9), at(dewC, 4), at(dewC, null)]).toEqual([true, false, true]);
    const blind = (cloudPct: number | null, windMs: number | null) =>
      isDewy(day({ humidityPct: null, cloudPct, windMs }));
    expect([blind(49, 2), blind(50, 2), blind(null, 2), blind(0, 2.9), blind(0, 3), blind(0, null)]).toEqual([
      true,
      false,
      false,
      true,
      false,
      true,
    ]);
  });
  it("thunder by hand: moist, warm and showery, and none without half a millimetre or under 14 °C", () => {
    const storm = {
      tempMinC: 15,
      tempMaxC: 28,
      humidityPct: null,
      rainMm: 10,
      cloudPct: 60,
      gustMs: null,
      windMs: null,
    };
    // moist (15 − 8) / 9, warm 1, showery 1, gusty 0.6
    expect(thunderChance(day(storm))).toBeCloseTo(1.25 * (7 / 9) * 0.8, 9);
    expect(thunderChance(day({ ...storm, rainMm: 5 }))).toBeCloseTo(1.25 * (7 / 9) * (0.35 + 0.65 * 0.5) * 0.8, 9);
    expect(thunderChance(day({ ...storm, cloudPct: 96 }))).toBeCloseTo(1.25 * (7 / 9) * (0.35 + 0.65 * 0.6) * 0.8, 9);
    expect(thunderChance(day({ ...storm, cloudPct: 95 }))).toBeCloseTo(1.25 * (7 / 9) * 0.8, 9);
    expect(thunderChance(day({ ...storm, gustMs: 12, windMs: 8 }))).toBeCloseTo(1.25 * (7 / 9) * 0.75, 9);
    expect(thunderChance(day({ ...storm, gustMs: 90, windMs: 0 }))).toBeCloseTo(Math.min(0.95, 1.25 * (7 / 9)), 9);
    expect(thunderChance(day({ ...storm, tempMaxC: 22 }))).toBeCloseTo(1.25 * (7 / 9) * 0.5 * 0.8, 9);
    expect(thunderChance(day({ ...storm, rainMm: 0.4 }))).toBe(0);
    expect(thunderChance(day({ ...storm, tempMinC: 8 }))).toBe(0);
    expect(thunderChance(day({ ...storm, tempMaxC: 13.9, tempMinC: 13 }))).toBe(0);
    expect(thunderChance(day({ ...storm, tempMinC: 25, tempMaxC: 35, gustMs: 30, windMs: 5 }))).toBe(0.95);
  });
  it("a night forecast errs by 1.2 K and 0.19 more a day, at most by 3.6", () => {
    expect([forecastErrorC(0), forecastErrorC(5), forecastErrorC(-3), forecastErrorC(40)]).toEqual([
      1.2,
      expect.closeTo(2.15, 9),
      1.2,
      3.6,
    ]);
    expect(meanTempC({ tempMinC: -4, tempMaxC: 9 })).toBe(2.5);
  });
});

describe("the hours of a day, worked by hand", () => {
  const hour = (
    over: Partial<Parameters<typeof pickingHours>[0]> & { tempC?: number; at?: number } = {},
  ): PickingHour => {
    const { tempC = 15, at = 10, ...rest } = over;
    return pickingHours({
      temps: Array(24).fill(tempC),
      wet: Array(24).fill(false),
      dewC: null,
      sunriseHour: 6,
      sunsetHour: 20,
      gustMs: null,
      rainMm: 0,
      thunder: 0,
      ...rest,
    })[at]!;
  };
  it.each<[string, number, number]>([
    ["cool, light, calm", hour().anyCrop, 1],
    ["18 °C", hour({ tempC: 18 }).anyCrop, 1],
    ["22 °C: a fifth against it", hour({ tempC: 22 }).anyCrop, 0.8],
    ["4.9 °C", hour({ tempC: 4.9 }).anyCrop, 0.75],
    ["5 °C", hour({ tempC: 5 }).anyCrop, 1],
    ["0.9 °C", hour({ tempC: 0.9 }).anyCrop, 0.4],
    ["1 °C", hour({ tempC: 1 }).anyCrop, 0.75],
    ["gusts of 13.9", hour({ gustMs: 13.9 }).anyCrop, 0.6],
    ["gusts of 13.8", hour({ gustMs: 13.8 }).anyCrop, 1],
    ["gusts of 17.2", hour({ gustMs: 17.2 }).anyCrop, 0.1],
    ["2 mm of rain", hour({ rainMm: 2 }).anyCrop, 0.75],
    ["1.9 mm", hour({ rainMm: 1.9 }).anyCrop, 1],
    ["8 mm", hour({ rainMm: 8 }).anyCrop, 0.5],
    ["thunder likely, in the morning", hour({ thunder: 0.35, at: 11 }).anyCrop, 1],
    ["thunder likely, from noon", hour({ thunder: 0.35, at: 12 }).anyCrop, 0],
    ["thunder less likely", hour({ thunder: 0.34, at: 15 }).anyCrop, 1],
    ["before the sun is up half the hour", hour({ at: 5 }).anyCrop, 0],
    ["after it", hour({ at: 6 }).anyCrop, 1],
    ["rain and gusts together", hour({ rainMm: 8, gustMs: 14 }).anyCrop, 0.3],
    ["hot enough for caution", hour({ tempC: 28, dewC: 15 }).anyCrop, 0.45],
    ["hot enough for danger", hour({ tempC: 36, dewC: 24 }).anyCrop, 0],
  ])("%s", (_, got, wanted) => expect(got).toBeCloseTo(wanted, 9));
  it("names what is most against it, and wet leaves where nothing else is", () => {
    expect([
      hour().against,
      hour({ at: 3 }).against,
      hour({ gustMs: 14 }).against,
      hour({ rainMm: 8 }).against,
      hour({ tempC: 0 }).against,
      hour({ tempC: 22 }).against,
      hour({ wet: Array(24).fill(true) }).against,
      hour({ wet: Array(24).fill(true), gustMs: 20 }).against,
      hour({ thunder: 0.9, at: 14 }).against,
    ]).toEqual(["", "dark", "gale", "rain", "cold", "", "wet leaves", "gale", "thunder"]);
    expect(hour({ wet: Array(24).fill(true) })).toMatchObject({ wet: true, dryCrop: 0, anyCrop: 1 });
  });
  it("stretches of two hours and more, the longest and best first", () => {
    const hours = [0.6, 0.6, 0, 0.9, 0, 0.55, 0.55, 0.55, 0.5].map(
      (anyCrop, hour) => ({ hour, anyCrop, dryCrop: 0 }) as PickingHour,
    );
    expect(goodStretches(hours, "anyCrop")).toEqual([
      { fromHour: 5, toHour: 8, quality: expect.closeTo(0.55, 9) },
      { fromHour: 0, toHour: 2, quality: 0.6 },
    ]);
    expect(goodStretches(hours, "anyCrop", 0.9)).toEqual([]);
    expect(goodStretches(hours, "dryCrop")).toEqual([]);
    const late = [0, 0.7, 0.7].map((anyCrop, hour) => ({ hour, anyCrop, dryCrop: anyCrop }) as PickingHour);
    expect(goodStretches(late, "dryCrop")).toEqual([{ fromHour: 1, toHour: 3, quality: 0.7 }]);
  });
  it("leaves are dry from the first of two dry hours by daylight", () => {
    const wet = (...dry: number[]) => Array.from({ length: 24 }, (_, h) => !dry.includes(h));
    expect(dryFrom(wet(6, 7), 5.2, 20)).toBe(6);
    expect(dryFrom(wet(5, 6), 5.2, 20)).toBeNull();
    expect(dryFrom(wet(9, 11, 12), 5.2, 20)).toBe(11);
    expect(dryFrom(wet(19, 20), 5.2, 20.4)).toBe(19);
    expect(dryFrom(wet(20, 21), 5.2, 20.4)).toBeNull();
  });
  it("rain keeps them wet until noon, from two tenths of a millimetre on", () => {
    const curve = { tempMinC: 12, tempMaxC: 22, nextMinC: 12, sunriseHour: 5, sunsetHour: 20 };
    const wet = (rainMm: number) => wetHours({ curve, dewC: 4, rainMm, windMs: 2 });
    expect(wet(0.1).some(Boolean)).toBe(false);
    expect(wet(0.2).slice(0, 12).every(Boolean)).toBe(true);
    expect(wet(0.2)[23]).toBe(false);
    // without any word of the damp no dew is reckoned
    expect(wetHours({ curve, dewC: null, rainMm: 0, windMs: null }).some(Boolean)).toBe(false);
  });
  it("a day's curve has its neighbours' extremes, or its own at the ends", () => {
    const days = [day({ tempMaxC: 25 }), day(), day({ tempMinC: 3 })];
    const sun = { sunriseHour: 5, sunsetHour: 20 };
    expect(curveOf(days, 1, sun)).toEqual({ tempMaxC: 20, tempMinC: 10, prevMaxC: 25, nextMinC: 3, ...sun });
    expect(curveOf(days, 0, sun)).toMatchObject({ prevMaxC: 25, nextMinC: 10 });
    expect(curveOf(days, 2, sun)).toMatchObject({ prevMaxC: 20, nextMinC: 3 });
    expect(hoursOf(days, 1, sun).temps[7]).toBeCloseTo(tempAtHour(curveOf(days, 1, sun), 7), 9);
    expect(hoursOf(days, 1, sun).wet).toHaveLength(24);
    expect([dewOf(day()), dewOf(day({ humidityPct: null }))]).toEqual([dewPointC(15, 70), null]);
  });
});

describe("a record, worked by hand", () => {
  const days = (from: string, values: number[], field: "rainMm" | "tempMinC" = "rainMm") =>
    values.map((x, k) => day({ day: addDays(from, k), [field]: x }));
  it("the longest run without a gap, the first of two as long", () => {
    const wet = (d: WeatherDay) => d.rainMm > 0;
    expect(longestRun(days("2026-03-01", [1, 1, 0, 1, 1, 0, 1]), wet)).toEqual({ days: 2, from: "2026-03-01" });
    expect(longestRun(days("2026-03-01", [1, 0, 1, 1, 1]), wet)).toEqual({ days: 3, from: "2026-03-03" });
    const gap = [...days("2026-03-01", [1, 1]), ...days("2026-03-04", [1, 1])];
    expect(longestRun(gap, wet)).toEqual({ days: 2, from: "2026-03-01" });
    expect(longestRun(days("2026-03-01", [0, 0]), wet)).toBeNull();
  });
  it("weeks are of seven days from the first of January; the odd days belong to the last", () => {
    expect(["2026-01-01", "2026-01-07", "2026-01-08", "2026-12-30", "2026-12-31", "2024-12-31"].map(weekOf)).toEqual([
      0, 0, 1, 51, 51, 51,
    ]);
  });
  it("months sum their rain; one without a day is unknown", () => {
    const rain = monthlyRain([...days("2026-01-30", [1, 2, 4]), ...days("2025-01-01", [50])], 2026);
    expect(rain.slice(0, 3)).toEqual([3, 4, null]);
  });
  it("what is usual is of the years before", () => {
    const weeks = usualWeeks(
      [...days("2024-01-01", [1, 2, 3], "tempMinC"), ...days("2025-01-01", [99], "tempMinC")],
      2025,
    );
    expect(weeks).toEqual([{ week: 0, low: expect.closeTo(1.2, 9), midLow: 2, midHigh: 20, high: 20 }]);
  });
  it("warmth gathers from its day on, week by week, and ends with the record", () => {
    const weeks = warmthByWeek(days("2026-01-01", Array(16).fill(0)), 2026, 5, "01-08");
    // 10 to 20 °C over a base of 5: ten a day from the eighth
    expect(weeks.slice(0, 4)).toEqual([0, 70, 90, null]);
  });
  it("first and last frosts: midsummer parts the year, in the south midwinter’s other side", () => {
    const frosts = (...list: [string, number][]) => list.map(([d, tempMinC]) => day({ day: d, tempMinC }));
    const north = frosts(
      ["2025-06-30", -1],
      ["2025-07-01", 0],
      ["2025-11-01", -1],
      ["2026-04-02", 0],
      ["2026-04-20", 0.1],
    );
    expect(firstFrosts(north, 50)).toEqual([{ year: 2025, day: "2025-07-01", after: 0 }]);
    expect(lastFrosts(north, 50)).toEqual([
      { year: 2025, day: "2025-06-30", after: 180 },
      { year: 2026, day: "2026-04-02", after: 91 },
    ]);
    // New Year's Day counts, the half year after midsummer does not; on the line itself it is as in the north
    const ends = frosts(["2024-01-01", -1], ["2025-01-01", -1], ["2025-07-01", -1], ["2025-12-31", -1]);
    expect(lastFrosts(ends, 0).map((f) => f.day)).toEqual(["2024-01-01", "2025-01-01"]);
    // a station's file need not be in order
    const mixed = frosts(["2026-02-01", -1], ["2024-02-01", -1], ["2025-02-01", -1]);
    expect(lastFrosts(mixed, 50).map((f) => f.year)).toEqual([2024, 2025, 2026]);
    const autumn = frosts(["2026-11-01", -1], ["2024-11-01", -1], ["2025-11-01", -1]);
    expect(firstFrosts(autumn, 50).map((f) => f.year)).toEqual([2024, 2025, 2026]);
    const south = frosts(["2025-05-10", -1], ["2025-05-20", -1], ["2025-08-01", -1], ["2025-09-05", 0]);
    expect(firstFrosts(south, -38).map((f) => f.day)).toEqual(["2025-05-10"]);
    expect(lastFrosts(south, -38).map((f) => [f.day, f.after])).toEqual([["2025-09-05", 66]]);
    // a frost of the southern autumn is none of its spring
    expect(lastFrosts(frosts(["2025-05-10", -1]), -38)).toEqual([]);
    const two = [...south, ...frosts(["2026-05-20", -1])];
    expect(frostDay(firstFrosts(two, -38), 0, 2027, -38)).toBe("2027-05-10");
    expect(growingDaysLeft(two, "2027-05-01", -38, 0)).toBe(9);
    expect(growingDaysLeft(south, "2027-05-01", -38)).toBeNull();
  });
  it("what it says is worked out once for as long as it is the same, question by question", () => {
    const record = days("2026-03-01", [1, 2, 3]);
    let asked = 0;
    const ask = (question: string, of = record) =>
      ofRecord(of, question, () => {
        asked += 1;
        return null;
      });
    ask("a");
    ask("a");
    ask("b");
    ask("a", [...record]);
    expect(asked).toBe(3);
    expect([...recordBefore(record, "2026-03-03").keys()]).toEqual(["2026-03-01", "2026-03-02"]);
    expect(climateOf(record, 52)).toBe(climateOf(record, 52));
    expect(climateOf(record, -52)).not.toBe(climateOf(record, 52));
  });
});

it.each<[Partial<WeatherDay>, boolean]>([
  [{}, true],
  [{ tempMinC: 20 }, true],
  [{ tempMinC: 20.1 }, false],
  [{ tempMinC: -61 }, false],
  [{ tempMaxC: 61 }, false],
  [{ rainMm: -0.1 }, false],
  [{ rainMm: 501 }, false],
  [{ windMs: 61 }, false],
  [{ gustMs: 91 }, false],
  [{ humidityPct: 0 }, false],
  [{ humidityPct: 101 }, false],
  [{ cloudPct: 101 }, false],
  [{ windMs: null, gustMs: null, humidityPct: null, cloudPct: null }, true],
  [{ day: "2026-02-29" }, false],
])("a day of weather with %j may be: %s", (over, may) =>
  expect(weatherDaySchema.safeParse(day(over)).success).toBe(may),
);
