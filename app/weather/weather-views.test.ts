import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { addDays } from "#core/calendar/day";
import { degreeDaysSine } from "#core/weather/degree-days";
import { restoreArchive } from "#db/archive";
import { change, undo } from "#db/change";
import { saveGarden } from "#db/garden";
import { writeForecastJson } from "#formats/forecast";
import { writeWeatherCsv } from "#formats/weather-csv";
import { DEMO_NOW, demoDesk, demoGarden } from "#standins/demo-garden";
import { letDaysPass } from "../server/clock.server";
import { db, gardenNow } from "../server/garden-now.server";
import { importWeather } from "../server/weather-import.server";
import { bedNights, frostTable } from "./weather-day.server";
import { recordView } from "./weather-record.server";

const folder = mkdtempSync(join(tmpdir(), "akmedon-views-"));
process.env.AKMEDON_DATA = folder;
const demo = demoGarden();
beforeEach(() => {
  restoreArchive(db(), demo, DEMO_NOW);
});
afterAll(() => {
  db().$client.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("the record as a page", () => {
  it("a year's weeks, months and warmth are what its days add up to", () => {
    const view = recordView(gardenNow(), 2024);
    const days = demo.weather.filter((w) => w.day.startsWith("2024"));
    expect(view.year).toBe(2024);
    const first = days.slice(0, 7);
    expect(view.weeks[0]!.low).toBeCloseTo(first.reduce((s, w) => s + w.tempMinC, 0) / 7, 1);
    expect(view.weeks[0]!.high).toBeCloseTo(first.reduce((s, w) => s + w.tempMaxC, 0) / 7, 1);
    const march = days.filter((w) => w.day.slice(5, 7) === "03").reduce((s, w) => s + w.rainMm, 0);
    expect(view.months[2]!.mm).toBeCloseTo(march, 1);
    const warmth = days
      .filter((w) => w.day >= "2024-03-01")
      .reduce((s, w) => s + degreeDaysSine(w.tempMaxC, w.tempMinC, 5), 0);
    expect(view.weeks.at(-1)!.warmth[2024]).toBeCloseTo(warmth, 6);
    expect(view.warmthYears.at(-1)).toBe(2024);
  });
  it("what is usual comes from the years before it alone; a year that is not there is the last one", () => {
    expect(recordView(gardenNow(), 2023).weeks.every((w) => w.usual === null)).toBe(true);
    expect(recordView(gardenNow(), 2025).weeks.every((w) => w.usual !== null && w.usual[0] <= w.usual[1])).toBe(true);
    expect(recordView(gardenNow(), 1950).year).toBe(2026);
  });
  it("frost dates are in order: luck first in autumn, last in spring, and this year's open autumn does not count", () => {
    const { frost } = recordView(gardenNow(), null);
    expect(frost.autumns).toBe(3);
    expect(frost.springs).toBe(4);
    const autumn = frost.rows.map((r) => r.autumn!);
    const spring = frost.rows.map((r) => r.spring!);
    expect([...autumn].sort()).toEqual(autumn);
    expect([...spring].sort().reverse()).toEqual(spring);
    expect(spring[0]! < autumn[0]!).toBe(true);
  });
});

describe("the coming nights bed by bed", () => {
  it("the classes of a night add up to the chance that the bed's own line says", () => {
    const d = gardenNow();
    const table = frostTable(d);
    expect(table.members).toBe(20);
    table.days.forEach((day, k) => {
      const at = d.outlook.days.findIndex((x) => x.weather.day === day);
      const lines = new Map(bedNights(d, at).map((b) => [b.id, b]));
      for (const bed of table.beds) {
        const n = bed.nights[k]!;
        expect(n.light + n.moderate + n.severe).toBeCloseTo(lines.get(bed.id)!.chance, 9);
        expect(n.minC).toBeCloseTo(lines.get(bed.id)!.minC, 9);
      }
    });
  });
  it("coldest bed first; a cover takes frost off that night and no other", () => {
    const before = frostTable(gardenNow());
    const lowest = before.beds.map((b) => b.lowest);
    expect([...lowest].sort((a, b) => a - b)).toEqual(lowest);
    const friday = before.days.indexOf("2026-10-09");
    const any = (t: typeof before, k: number) => {
      const n = t.beds.find((b) => b.id === "brook")!.nights[k]!;
      return n.light + n.moderate + n.severe;
    };
    change(db(), "covered", DEMO_NOW, (c) => c.put("covers", { id: "c", bedId: "brook", day: "2026-10-09" }));
    const after = frostTable(gardenNow());
    expect(any(after, friday)).toBeLessThan(any(before, friday));
    expect(any(after, friday + 1)).toBeCloseTo(any(before, friday + 1), 9);
    expect(after.beds.find((b) => b.id === "brook")!.nights[friday]!.covered).toBe(true);
  });
});

describe("the demo's clock", () => {
  it("records what passed, issues anew, reads the thermometers, and is turned back whole", () => {
    const before = gardenNow();
    const id = letDaysPass(before, 7)!;
    const after = gardenNow();
    expect(after.today).toBe(addDays(before.today, 7));
    expect(after.snapshot.weather.slice(-7)).toEqual(demoDesk().record(before.today, addDays(before.today, 6)));
    expect(after.snapshot.forecast).toMatchObject({ issuedOn: after.today });
    expect(after.snapshot.forecasts.length).toBe(before.snapshot.forecasts.length + 7);
    expect(after.snapshot.bedReadings.length).toBe(before.snapshot.bedReadings.length + 14);
    expect(undo(db(), id, after.now).ok).toBe(true);
    expect(gardenNow().today).toBe(before.today);
    expect(gardenNow().snapshot.weather).toEqual(before.snapshot.weather);
  });
  it("does not move a garden whose clock is the real one, nor by a step of one's own", () => {
    expect(letDaysPass(gardenNow(), 5)).toBeNull();
    saveGarden(db(), { ...demo.garden, pinnedNow: null });
    expect(letDaysPass(gardenNow(), 7)).toBeNull();
  });
});

describe("weather brought in", () => {
  const bring = (what: string, text: string, more: Record<string, string> = {}) =>
    importWeather(gardenNow(), { intent: "import", what, source: "", ...more }, text);
  const refusal = (r: Awaited<ReturnType<typeof bring>>) => (r.kind === "refused" ? r.faults.errors.file : r.kind);
  it("a record comes in once: again it changes nothing", async () => {
    const csv = writeWeatherCsv(demo.weather.slice(0, 40).map((w) => ({ ...w, day: addDays(w.day, -365) })));
    const first = await bring("record", csv);
    expect(first.kind === "done" && first.journalId).toBeTruthy();
    expect(gardenNow().snapshot.weather).toHaveLength(demo.weather.length + 40);
    const again = await bring("record", csv);
    expect(again.kind === "done" && again.journalId).toBeNull();
  });
  it("a forecast keeps the name and day it was issued under, unless another name is typed", async () => {
    const issued = demoDesk().forecast("2026-10-05", 10);
    await bring("forecast", writeForecastJson({ ...issued, source: "valley office" }));
    expect(
      gardenNow().snapshot.forecasts.some((f) => f.source === "valley office" && f.issuedOn === "2026-10-05"),
    ).toBe(true);
    await bring("forecast", writeForecastJson({ ...issued, source: "valley office" }), { source: "hill office" });
    expect(gardenNow().snapshot.forecasts.some((f) => f.source === "hill office")).toBe(true);
  });
  it.each([
    [
      "a record that goes on to today",
      "record",
      writeWeatherCsv([{ ...demo.weather[0]!, day: "2026-10-06" }]),
      /a record ends yesterday, 2026-10-05/,
    ],
    [
      "a forecast of days gone by",
      "forecast",
      writeWeatherCsv(demo.weather.slice(0, 3)),
      /that is a record, not a forecast/,
    ],
    [
      "a forecast from tomorrow's office",
      "forecast",
      writeForecastJson({ source: "x", issuedOn: "2026-10-08", days: demoDesk().forecast("2026-10-08", 3).days }),
      /issued on 2026-10-08, which has not been yet/,
    ],
    ["an empty heading", "forecast", "date,member,tmin,tmax", /no days/],
  ] as [string, string, string, RegExp][])("refuses %s, and nothing of it is kept", async (_, what, text, words) => {
    const before = gardenNow().snapshot;
    expect(refusal(await bring(what, text))).toMatch(words);
    expect(gardenNow().snapshot.weather).toHaveLength(before.weather.length);
    expect(gardenNow().snapshot.forecasts).toHaveLength(before.forecasts.length);
  });
});
