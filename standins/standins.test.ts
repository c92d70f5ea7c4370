import { describe, expect, it } from "vitest";
import { addDays, daysBetween } from "#core/calendar/day";
import { cropOf } from "#core/handbook/index";
import { readingFault } from "#core/readiness/cue-kinds/index";
import { weatherDaySchema } from "#core/weather/daily";
import { pickSchema } from "#core/weighing/pick";
import { readArchive, writeArchive } from "#formats/archive";
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
