import { describe, expect, it } from "vitest";
import { addDays } from "../../calendar/day";
import { plainWeather } from "../../fixtures/garden";
import { slot, TODAY } from "../../fixtures/problem";
import { allowedFrom, type Treatment, treatmentSchema, waitingOn } from "../../garden/treatment";
import { cropOf } from "../../handbook";
import type { WeatherDay } from "../../weather/daily";
import { sayBar } from "../words";
import { type BarsInput, barsOf } from "./bars";
import type { Bar } from "./problem";

const slots = [0, 1, 2, 3].flatMap((d) => [slot(d, "08:00", 60), slot(d, "17:30", 60)]);
const weather = (over: Partial<WeatherDay> = {}) =>
  plainWeather(TODAY, 5).map((w) => ({ weather: { ...w, ...over }, from: "forecast" as const }));
const ask = (cropId: string, over: Partial<BarsInput> = {}, cover = "none") =>
  barsOf({
    plantings: [{ planting: { id: "p" }, bed: { cover }, crop: cropOf(cropId) }],
    slots,
    days: weather(),
    record: plainWeather(addDays(TODAY, -30), 30),
    site: { latitudeDeg: 52, longitudeDeg: 0, timeZone: "Europe/London" },
    treatments: [],
    pickWishes: [],
    ...over,
  });
const treatment = (over: Partial<Treatment> = {}): Treatment => ({
  id: "t",
  plantingId: "p",
  day: TODAY,
  kind: "spray",
  product: "oil",
  waitDays: 2,
  note: "",
  ...over,
});
const said = (b: Bar) => sayBar(b.why, "metric");
const whys = (bars: Bar[]) => [...new Set(bars.map(said))];

describe("what bars a planting from an hour (common practice where no source is named)", () => {
  it("in dry air nothing is barred", () => {
    for (const id of ["french-bean-bush", "potato", "lettuce-loose-leaf", "tomato"])
      expect(ask(id, { days: weather({ humidityPct: 55 }) })).toEqual([]);
  });
  it("beans are not touched in the dew of the morning, but in the evening; under cover at any hour", () => {
    const dewy = { days: weather({ humidityPct: 92, windMs: 0.5, cloudPct: 0 }) };
    const bars = ask("french-bean-bush", dewy);
    expect(bars.some((b) => b.slotId.endsWith("08:00") && /leaves are still wet/.test(said(b)))).toBe(true);
    expect(ask("french-bean-bush", dewy, "polytunnel")).toEqual([]);
    expect(bars.every((b) => !b.law)).toBe(true);
  });
  it("after a wet week nothing is dug, while leaves are still cut", () => {
    const sodden = {
      record: plainWeather(addDays(TODAY, -30), 30).map((w) => ({ ...w, rainMm: 9 })),
      days: weather({ rainMm: 6, humidityPct: 60 }),
    };
    expect(whys(ask("carrot", sodden)).join()).toMatch(/too wet to dig/);
    expect(ask("kale", sodden)).toEqual([]);
  });
  it("in hard frost roots stay in the ground", () => {
    const frozen = {
      record: plainWeather(addDays(TODAY, -30), 30, -16),
      days: weather({ tempMinC: -9, tempMaxC: -3, humidityPct: 60 }),
    };
    expect(whys(ask("leek", frozen)).join()).toMatch(/soil is frozen/);
  });
  it("leaves are not cut in the heat while a cooler hour is near", () => {
    const hot = { days: weather({ tempMinC: 16, tempMaxC: 35, humidityPct: 35 }) };
    const bars = ask("lettuce-loose-leaf", hot);
    expect(bars.map((b) => b.slotId.slice(11))).toContain("17:30");
    expect(bars.every((b) => /08:00 is cooler/.test(said(b)))).toBe(true);
    const onlyEvenings = { ...hot, slots: slots.filter((s) => s.startsAt === "17:30") };
    expect(ask("lettuce-loose-leaf", onlyEvenings)).toEqual([]);
  });
  it("beyond the forecast the weather bars nothing", () => {
    const usual = weather({ humidityPct: 98, rainMm: 20 }).map((d) => ({ ...d, from: "usual" as const }));
    expect(ask("french-bean-bush", { days: usual })).toEqual([]);
  });
  it("a spray bars until its wait is over, to the day, by law; the longest of several waits is the one said", () => {
    const bars = ask("kale", { treatments: [treatment(), treatment({ id: "u", waitDays: 1, product: "soap" })] });
    expect([...new Set(bars.map((b) => b.slotId.slice(0, 10)))]).toEqual([TODAY, addDays(TODAY, 1)]);
    expect(bars.every((b) => b.law)).toBe(true);
    expect(said(bars[0]!)).toMatch(/sprayed with oil on Tue 6 Oct; by its label not before Thu 8 Oct/);
  });
  it("cut tops bar until skins have set, and the hand may lift that", () => {
    const bars = ask("potato", { treatments: [treatment({ kind: "tops-cut", product: "", waitDays: 14 })] });
    expect(bars).toHaveLength(slots.length);
    expect(bars.every((b) => !b.law && /skins set until/.test(said(b)))).toBe(true);
  });
  it("a treatment of another planting, of later, or without a wait bars nothing", () => {
    for (const t of [{ plantingId: "other" }, { day: addDays(TODAY, 9) }, { waitDays: 0 }])
      expect(ask("kale", { treatments: [treatment(t)] })).toEqual([]);
  });
  it("the first allowed day is so many whole days after, and the day before it is still inside", () => {
    const t = treatment({ waitDays: 7 });
    expect(allowedFrom(t)).toBe("2026-10-13");
    expect(waitingOn([t], "p", "2026-10-12")).toEqual([t]);
    expect(waitingOn([t], "p", "2026-10-13")).toEqual([]);
    for (const wrong of [{ waitDays: -1 }, { waitDays: 400 }, { waitDays: 1.5 }, { day: "soon" }])
      expect(treatmentSchema.safeParse({ ...t, ...wrong }).success).toBe(false);
  });
});
