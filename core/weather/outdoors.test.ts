import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { bed, plainWeather, situation } from "../fixtures/garden";
import type { Bed } from "../garden/bed";
import { cropHazards } from "../planting/crop-hazards";
import { judge } from "../planting/judge";
import { nightInBed } from "./bed-night";
import { learnOffset } from "./bed-offset";
import type { WeatherDay } from "./daily";
import { dryFrom, wetCount, wetHours } from "./foliage";
import { crpsNormal, skillOf } from "./forecast-skill";
import { firstFrosts, frostDay, growingDaysLeft, lastFrosts, quantile } from "./frost-dates";
import { heatBand, heatIndexC, heatIndexF, windChillC } from "./heat-index";
import { goodStretches, pickingHours } from "./picking-hours";
import { daysSinceRain, soilState, soilTempC } from "./soil";
import { thunderChance } from "./thunder";

const DAY = plainWeather("2026-07-15", 1)[0]!;
const day = (over: Partial<WeatherDay>): WeatherDay => ({ ...DAY, ...over });

// C2.1, C2.2: Rothfusz 1990 with the NWS adjustments, °F
describe("heat index", () => {
  it.each([
    [70, 50, 69.53],
    [75, 60, 75.01],
    [79, 80, 79.68],
    [80, 40, 79.79],
    [82, 90, 91.99],
    [84, 95, 100.88],
    [86, 88, 104.2],
    [90, 70, 105.92],
    [95, 10, 89.45],
    [100, 5, 92.5],
    [104, 12, 99.07],
  ])("%s °F and %s %% feel like %s °F", (t, rh, expected) => {
    expect(heatIndexF(t, rh)).toBeCloseTo(expected, 1);
  });
  it.each([
    [90, 45, 93],
    [96, 55, 112],
    [100, 60, 129],
    [104, 50, 131],
    [82, 100, 95],
    [80, 65, 82],
  ])("chart cell %s °F, %s %%: %s within one degree", (t, rh, cell) => {
    expect(Math.abs(Math.round(heatIndexF(t, rh)) - cell)).toBeLessThanOrEqual(1);
  });
  it("takes and gives metric, and its bands begin at 80, 90, 103 and 125 °F (C2.3)", () => {
    expect(heatIndexC(32, 60)).toBeCloseTo(((heatIndexF(89.6, 60) - 32) * 5) / 9, 9);
    const c = (f: number) => ((f - 32) * 5) / 9;
    expect([79, 80.5, 90.5, 103.5, 125.5].map((f) => heatBand(c(f)))).toEqual([
      "none",
      "caution",
      "extreme-caution",
      "danger",
      "extreme-danger",
    ]);
  });
  // C2.4: NWS and Environment Canada 2001
  it("wind chill meets the published cells, and is the air itself where it does not apply", () => {
    expect(Math.round(windChillC(-5, 20))).toBe(-12);
    expect(Math.round(windChillC(-10, 25))).toBe(-19);
    expect([windChillC(15, 30), windChillC(2, 3)]).toEqual([15, 2]);
  });
});

// C6.6: first minimum at or below 0 °C at Seattle after 1 July: 132, 143, 134, 145 days
describe("frost dates from a record", () => {
  const record = [
    ["2012-11-10", -1],
    ["2013-11-21", -0.5],
    ["2014-11-12", 0],
    ["2015-11-23", -2],
    ["2014-02-09", -3],
    ["2014-12-20", -4],
  ].map(([d, min]) => day({ day: d as string, tempMinC: min as number, tempMaxC: 8 }));
  it("finds the first of each year, and the last of spring", () => {
    expect(firstFrosts(record, 47.4).map((f) => f.after)).toEqual([132, 143, 134, 145]);
    expect(lastFrosts(record, 47.4).map((f) => f.day)).toEqual(["2014-02-09"]);
    expect(firstFrosts(record, 47.4, -2.2).map((f) => f.day)).toEqual(["2014-12-20"]);
  });
  it("quantiles are those of R's type 7", () => {
    const days = [132, 143, 134, 145];
    expect([0.1, 0.25, 0.5, 0.75, 0.9].map((p) => quantile(days, p))).toEqual(
      [132.6, 133.5, 138.5, 143.5, 144.4].map((x) => expect.closeTo(x, 9)),
    );
    expect(() => quantile([], 0.5)).toThrow(RangeError);
    expect(() => quantile([1], 1.5)).toThrow(RangeError);
    expect(() => quantile([1, 2], -0.01)).toThrow(RangeError);
    expect(() => quantile([1, 2], Number.NaN)).toThrow(RangeError);
    expect([quantile(days, 0), quantile(days, 1)]).toEqual([132, 145]);
  });
  it("names the day and the days left, and will not speak from one year", () => {
    expect(frostDay(firstFrosts(record, 47.4), 0.5, 2026, 47.4)).toBe("2026-11-17");
    expect(growingDaysLeft(record, "2026-10-06", 47.4)).toBe(42);
    expect(growingDaysLeft(record, "2026-12-24", 47.4)).toBe(0);
    expect(frostDay(firstFrosts(record.slice(0, 1), 47.4), 0.5, 2026, 47.4)).toBeNull();
  });
});

// C6.7: CRPS of N(μ,σ) at y (Gneiting & Raftery 2007)
describe("how good a forecast source has been", () => {
  it("scores as published", () => {
    expect(crpsNormal(0, 1, 1)).toBeCloseTo(0.602441, 5);
    expect(crpsNormal(2, 1.5, 0)).toBeCloseTo(1.280901, 5);
  });
  const record = new Map(plainWeather("2026-03-01", 120).map((d) => [d.day, d]));
  const issued = (bias: number, count: number) =>
    Array.from({ length: count }, (_, i) => {
      const issuedOn = addDays("2026-03-01", 3 * i);
      return {
        source: "desk",
        issuedOn,
        days: Array.from({ length: 5 }, (_, k) => {
          const truth = record.get(addDays(issuedOn, k))!;
          return { ...truth, tempMinC: truth.tempMinC - bias + (i % 2 ? 0.4 : -0.4) };
        }),
      };
    });
  it("learns a bias the surer the more days have passed, and nothing of another source", () => {
    const few = skillOf(issued(2, 3), record, "desk")[2]!;
    const many = skillOf(issued(2, 30), record, "desk")[2]!;
    expect(many.biasC).toBeGreaterThan(few.biasC);
    expect(many.biasC).toBeCloseTo(2, 0);
    expect(many.spreadC).toBeLessThan(few.spreadC);
    expect(skillOf(issued(2, 30), record, "other")[2]).toMatchObject({ count: 0, biasC: 0 });
  });
  it("without any day passed keeps the usual error, which grows with the lead", () => {
    const none = skillOf([], record, "desk");
    for (let k = 1; k < 10; k++) expect(none[k]!.spreadC).toBeGreaterThan(none[k - 1]!.spreadC);
  });
});

describe("a thermometer in the bed", () => {
  const still = (d: string, tempMinC: number) => day({ day: d, tempMinC, cloudPct: 0, windMs: 0.5 });
  const record = new Map(
    Array.from({ length: 12 }, (_, i) => addDays("2026-09-20", i)).map((d) => [d, still(d, 4)] as const),
  );
  const read = (minC: number, nights: number) =>
    Array.from({ length: nights }, (_, i) => ({ day: addDays("2026-09-20", i), minC }));
  it("moves the offset from what was said towards what it shows, the more nights the surer", () => {
    const one = learnOffset(read(1, 1), record, 0, 0);
    const ten = learnOffset(read(1, 10), record, 0, 0);
    expect(one.offsetC).toBeLessThan(-1);
    expect(ten.offsetC).toBeCloseTo(-3, 0);
    expect(ten.sdC).toBeLessThan(one.sdC);
    expect(learnOffset([], record, -1.2, 0)).toMatchObject({ offsetC: -1.2, nights: 0 });
  });
  it("hears little from a windy, clouded night, and allows for the cover", () => {
    const windy = new Map([["2026-09-20", day({ day: "2026-09-20", tempMinC: 4, cloudPct: 100, windMs: 9 })]]);
    expect(learnOffset(read(1, 1), windy, 0, 0).nights).toBe(0);
    expect(learnOffset(read(4, 10), record, 0, 3).offsetC).toBeLessThan(-2);
  });
  // C14.4: (60, 10) and a reading of 72 with s 6 → 68.8235, 5.1450
  it("follows the conjugate rule of the handbook's worked example", () => {
    const one = learnOffset(read(1, 1), record, 0, 0);
    const weight = 1 / 0.9 ** 2;
    expect(one.offsetC).toBeCloseTo((-3 * weight) / (1 / 1.5 ** 2 + weight), 1);
  });
});

describe("leaves, soil and thunder", () => {
  const curve = { tempMinC: 9, tempMaxC: 22, nextMinC: 10, sunriseHour: 5.5, sunsetHour: 20.5 };
  it("dew lies at dawn and is gone by mid-morning; dry air brings none; rain keeps them wet to noon", () => {
    const dewy = wetHours({ curve, dewC: 9.5, rainMm: 0, windMs: 1.5 });
    expect(dewy[5]).toBe(true);
    const from = dryFrom(dewy, 5.5, 20.5)!;
    expect(from).toBeGreaterThanOrEqual(7);
    expect(from).toBeLessThanOrEqual(11);
    expect(wetCount(wetHours({ curve, dewC: 2, rainMm: 0, windMs: 2 }))).toBe(0);
    const rained = dryFrom(wetHours({ curve, dewC: 8, rainMm: 6, windMs: 3 }), 5.5, 20.5);
    expect(rained === null || rained >= 12).toBe(true);
  });
  it("more rain is never fewer wet hours", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (rain, dew) => {
          const wet = (rainMm: number) => wetCount(wetHours({ curve, dewC: dew, rainMm, windMs: 2 }));
          expect(wet(rain + 1)).toBeGreaterThanOrEqual(wet(rain));
        },
      ),
    );
  });
  it("soil follows the air, damped and late", () => {
    const step = [...plainWeather("2026-07-01", 20), ...plainWeather("2026-07-21", 3, 8)];
    const before = soilTempC(step.slice(0, 20));
    const after = soilTempC(step);
    expect(after - before).toBeGreaterThan(3);
    expect(after - before).toBeLessThan(8);
  });
  it("is sodden after a wet week, baked after a hot dry month, frozen in hard frost", () => {
    const days = (over: Partial<WeatherDay>, n = 25) => plainWeather("2026-07-01", n).map((d) => ({ ...d, ...over }));
    expect(soilState(days({ rainMm: 9 })).state).toBe("sodden");
    expect(soilState(days({ tempMaxC: 30, cloudPct: 10 }, 30)).state).toBe("baked");
    expect(soilState(days({ tempMinC: -12, tempMaxC: -4 })).state).toBe("frozen");
    expect(daysSinceRain([...days({ rainMm: 8 }, 1), ...days({ rainMm: 0 }, 4)])).toBe(4);
    expect(daysSinceRain(days({ rainMm: 0 }, 4))).toBeNull();
  });
  it("thunder wants warm, moist air and rain", () => {
    const storm = { tempMinC: 17, tempMaxC: 29, humidityPct: 80, rainMm: 12, cloudPct: 60, gustMs: 18, windMs: 5 };
    expect(thunderChance(day(storm))).toBeGreaterThan(0.5);
    expect(thunderChance(day({ ...storm, rainMm: 0 }))).toBe(0);
    expect(thunderChance(day({ ...storm, tempMinC: 2, tempMaxC: 8 }))).toBe(0);
  });
});

describe("good hours for picking", () => {
  const hours = (over: object = {}) =>
    pickingHours({
      temps: Array.from({ length: 24 }, (_, h) => 14 + 8 * Math.sin(((h - 8) / 24) * 2 * Math.PI)),
      wet: Array.from({ length: 24 }, (_, h) => h < 9),
      dewC: 9,
      sunriseHour: 6,
      sunsetHour: 20,
      gustMs: 5,
      rainMm: 0,
      thunder: 0,
      ...over,
    });
  it("leaves and roots from first light, what must be dry only once it is", () => {
    const any = goodStretches(hours(), "anyCrop")[0]!;
    const dry = goodStretches(hours(), "dryCrop")[0]!;
    expect(any.fromHour).toBeLessThanOrEqual(7);
    expect(dry.fromHour).toBeGreaterThanOrEqual(9);
    expect(hours()[3]!.against).toBe("dark");
    expect(hours()[8]!.against).toBe("wet leaves");
  });
  it("none in an afternoon of thunder, and none at all in a gale", () => {
    expect(hours({ thunder: 0.6 })[15]!.anyCrop).toBe(0);
    expect(goodStretches(hours({ gustMs: 24 }), "anyCrop")).toEqual([]);
  });
});

describe("what threatens one planting", () => {
  const before = plainWeather("2026-09-10", 20);
  const coming = (over: Partial<WeatherDay>[], of: Bed) =>
    over.map((o, k) => {
      const weather = { ...plainWeather(addDays("2026-09-30", k), 1)[0]!, ...o };
      const night = { minC: weather.tempMinC, errorC: 1.5, members: [] };
      return { weather, night: nightInBed(night, weather, of), members: [] };
    });
  const ask = (cropId: string, age: number, over: Partial<WeatherDay>[], cover: "none" | "polytunnel" = "none") => {
    const j = judge(situation({ cropId, age }));
    const crop = situation({ cropId, age: 1 }).crop;
    return cropHazards(crop, bed({ cover }), coming(over, bed({ cover })), j.days, before);
  };
  it("a frost: tomatoes first, kale not; less under glass", () => {
    const frost = [{ tempMinC: -2, cloudPct: 0, windMs: 0.5 }];
    expect(ask("tomato", 100, frost)[0]).toMatchObject({ kind: "frost", when: "night", help: ["pick", "cover"] });
    expect(ask("kale", 90, frost).map((h) => h.kind)).not.toContain("frost");
    const open = ask("tomato", 100, frost).find((h) => h.kind === "frost")!.chance;
    const under = ask("tomato", 100, frost, "polytunnel").find((h) => h.kind === "frost")?.chance ?? 0;
    expect(under).toBeLessThan(open);
  });
  it.each([
    ["rain after a drought splits ripe tomatoes", "tomato-cherry", 80, [{ rainMm: 18 }], "split"],
    ["a gale over the apples", "apple", 140, [{ gustMs: 24 }], "lodge"],
    ["rain on ripe raspberries", "raspberry-summer", 42, [{ rainMm: 12 }], "mould"],
    ["heat over lettuce", "lettuce-head", 60, [{ tempMaxC: 33, tempMinC: 18 }], "heat"],
    ["cold soil under sweet potatoes", "sweet-potato", 110, [{ tempMinC: 3, tempMaxC: 9 }], "cold-soil"],
    ["thieves at ripe strawberries", "strawberry", 36, [{}], "theft"],
  ] as [string, string, number, Partial<WeatherDay>[], string][])("%s", (_, crop, age, weather, kind) => {
    expect(ask(crop, age, weather).map((h) => h.kind)).toContain(kind);
  });
  it("a calm week threatens a carrot with nothing", () => {
    expect(ask("carrot", 90, [{}, {}, {}])).toEqual([]);
  });
});
