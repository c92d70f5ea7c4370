import { describe, expect, it } from "vitest";
import { addDays, daysBetween } from "#core/calendar/day";
import { cropOf } from "#core/handbook/index";
import { readingFault } from "#core/planting/cue-kinds/index";
import { learnOffset } from "#core/weather/bed-offset";
import { forecastSchema, weatherDaySchema } from "#core/weather/daily";
import { spreadOf } from "#core/weather/ensemble";
import { thunderChance } from "#core/weather/thunder";
import { pickSchema } from "#core/weighing/pick";
import { readArchive, writeArchive } from "#formats/archive";
import { simulatedThermometer } from "./bed-thermometer";
import { DEMO_NOW, demoDesk, demoGarden } from "./demo-garden";
import { grow, look } from "./living-garden";
import { chance } from "./random";
import { simulatedDesk } from "./weather-desk";

const climate = { meanC: 10, swingC: 7, daySpanC: 9 };

describe("the simulated forecast desk", () => {
  const desk = simulatedDesk(7, "2024-01-01", climate);
  it("gives the same weather for the same seed, in whatever order it is asked", () => {
    const other = simulatedDesk(7, "2024-01-01", climate);
    const later = other.record("2024-08-01", "2024-08-05");
    expect(desk.record("2024-01-01", "2024-12-31").slice(213, 218)).toEqual(later);
    expect(simulatedDesk(8, "2024-01-01", climate).record("2024-08-01", "2024-08-05")).not.toEqual(later);
  });
  it("makes days that could be, with a warm summer, a cold winter and wet fronts", () => {
    const year = desk.record("2024-01-01", "2024-12-31");
    for (const day of year) expect(weatherDaySchema.safeParse(day).success).toBe(true);
    const mean = (from: number, to: number) =>
      year.slice(from, to).reduce((s, d) => s + (d.tempMinC + d.tempMaxC) / 2, 0) / (to - from);
    expect(mean(182, 243)).toBeGreaterThan(mean(0, 59) + 8);
    const wet = year.filter((d) => d.rainMm > 1).length;
    expect(wet).toBeGreaterThan(50);
    expect(wet).toBeLessThan(220);
  });
  it("is surer of tomorrow than of the day in ten days", () => {
    const error = (ahead: number) => {
      let sum = 0;
      for (let k = 0; k < 60; k++) {
        const issued = addDays("2024-02-01", k * 3);
        const said = desk.forecast(issued, 14).days[ahead]!;
        sum += Math.abs(said.tempMinC - desk.record(said.day, said.day)[0]!.tempMinC);
      }
      return sum / 60;
    };
    expect(error(0)).toBe(0);
    expect(error(10)).toBeGreaterThan(2 * error(1));
  });
});

describe("weather in spells", () => {
  const years = simulatedDesk(7, "2016-01-01", { meanC: 11, swingC: 8, daySpanC: 10 }).record(
    "2016-01-01",
    "2025-12-31",
  );
  const runs = (holds: (d: (typeof years)[number]) => boolean) => {
    let run = 0;
    return years.map((d) => {
      run = holds(d) ? run + 1 : 0;
      return run;
    });
  };
  it("brings heat waves in summer, gales in the cold half, thunder on warm days and sharp still nights", () => {
    expect(Math.max(...runs((d) => d.tempMaxC >= 28))).toBeGreaterThanOrEqual(4);
    const gales = years.filter((d) => (d.gustMs ?? 0) >= 18.5);
    expect(gales.length).toBeGreaterThan(10);
    const cold = gales.filter((d) => d.tempMaxC < 15).length;
    expect(cold / gales.length).toBeGreaterThan(0.4);
    const storms = years.filter((d) => thunderChance(d) > 0.45);
    expect(storms.length).toBeGreaterThan(10);
    expect(storms.every((d) => d.tempMaxC > 16)).toBe(true);
  });
  it("every day is a day that could be, and every member of every forecast too", () => {
    for (const day of years) expect(weatherDaySchema.safeParse(day).success).toBe(true);
    const desk = simulatedDesk(7, "2024-01-01", climate);
    for (let k = 0; k < 12; k++)
      expect(forecastSchema.safeParse(desk.forecast(addDays("2024-01-10", 29 * k), 14)).success).toBe(true);
  });
  it("the ensemble widens with the days ahead, about as far as the forecast is wrong", () => {
    const desk = simulatedDesk(7, "2022-01-01", climate);
    const at = (lead: number) => {
      let spread = 0;
      let miss = 0;
      const issues = 150;
      for (let k = 0; k < issues; k++) {
        const f = desk.forecast(addDays("2022-02-01", k * 3), 14).days[lead]!;
        spread += spreadOf(f.members!.map((m) => m.tempMinC)) ** 2;
        miss += (f.tempMinC - desk.record(f.day, f.day)[0]!.tempMinC) ** 2;
      }
      return { spread: Math.sqrt(spread / issues), miss: Math.sqrt(miss / issues) };
    };
    expect(at(9).spread).toBeGreaterThan(2 * at(1).spread);
    for (const lead of [2, 6, 10]) {
      const { spread, miss } = at(lead);
      expect(spread / miss).toBeGreaterThan(0.75);
      expect(spread / miss).toBeLessThan(1.35);
    }
  });
});

describe("a thermometer in a bed", () => {
  it("shows the same for the same night, and teaches what its bed is wrong by", () => {
    const bed = demoGarden().beds.find((b) => b.id === "hedge")!;
    const thermometer = simulatedThermometer(bed, -1.5, 4);
    const nights = demoDesk().record("2026-03-01", "2026-09-30");
    expect(thermometer.readOn(nights[5]!)).toEqual(thermometer.readOn(nights[5]!));
    const readings = nights.map((n) => thermometer.readOn(n));
    const learned = learnOffset(readings, new Map(nights.map((n) => [n.day, n])), bed.nightOffsetC, 0);
    expect(learned.nights).toBeGreaterThan(100);
    expect(Math.abs(learned.offsetC - (bed.nightOffsetC - 1.5))).toBeLessThan(0.25);
  });
});

describe("a living planting", () => {
  const crop = cropOf("tomato");
  const planting = demoGarden().plantings.find((p) => p.id === "tom-wall")!;
  const weather = demoDesk().record(planting.startedOn, "2026-10-05");
  it("only ever ripens, and faster at a faster pace", () => {
    const slow = grow(planting, crop, weather, 0.8);
    const fast = grow(planting, crop, weather, 1.2);
    for (let k = 1; k < 120; k++) {
      const day = addDays(planting.startedOn, k);
      expect(slow.stageOn(day)).toBeGreaterThanOrEqual(slow.stageOn(addDays(day, -1)));
      expect(fast.stageOn(day)).toBeGreaterThanOrEqual(slow.stageOn(day));
    }
  });
  it("shows cues that fit the handbook", () => {
    const luck = chance(3);
    for (const stage of [0, 0.5, 1, 1.5, 2])
      for (const cue of crop.cues) {
        const reading = look(cue, stage, 6, luck);
        if (reading) expect(readingFault(cue, reading.value)).toBeNull();
      }
  });
});

describe("the demo garden", () => {
  const demo = demoGarden();
  const today = DEMO_NOW.slice(0, 10);
  it("is the same every time, and a sound archive", () => {
    expect(demoGarden()).toEqual(demo);
    const read = readArchive(writeArchive(demo));
    expect(read.ok ? "sound" : read.errors).toBe("sound");
    for (const pick of demo.picks) expect(pickSchema.safeParse(pick).success).toBe(true);
  });
  it("tells its story: a gale tomorrow, the first frost three nights off, a trip of five days within the week", () => {
    const forecast = demo.forecasts.at(-1)!;
    expect(forecast.issuedOn).toBe(today);
    const on = (ahead: number) => forecast.days[ahead]!;
    expect(on(1).gustMs).toBeGreaterThan(17.2);
    expect(on(3).tempMinC).toBeLessThan(0.5);
    expect(Math.min(on(0).tempMinC, on(1).tempMinC, on(2).tempMinC)).toBeGreaterThan(3);
    const trip = demo.trips[0]!;
    expect(daysBetween(trip.fromDay, trip.toDay) + 1).toBe(5);
    expect(daysBetween(today, trip.fromDay)).toBeLessThan(7);
    expect(demo.weather.filter((w) => w.day >= "2026-07-01").every((w) => w.tempMinC > 0)).toBe(true);
  });
  it("has about a dozen beds with frame and tunnel, two gardeners and a neighbour, and last season's picks", () => {
    expect(demo.beds.length).toBeGreaterThanOrEqual(12);
    expect(demo.beds.map((b) => b.cover)).toEqual(expect.arrayContaining(["cold-frame", "polytunnel"]));
    expect(demo.people.map((p) => p.role).sort()).toEqual(["gardener", "gardener", "neighbour"]);
    expect(demo.picks.filter((p) => p.at.startsWith("2025")).length).toBeGreaterThan(30);
    expect(new Set(demo.plantings.map((p) => p.cropId)).size).toBe(10);
  });
});
