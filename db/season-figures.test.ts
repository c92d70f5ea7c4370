import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { mean, median, sampleStandardDeviation } from "simple-statistics";
import { afterAll, describe, expect, it } from "vitest";
import { bedAreaM2 } from "#core/garden/bed";
import { handbookWith } from "#core/handbook/index";
import { usualTaste } from "#core/household/taste";
import { lotsNow } from "#core/keeping/lot";
import { outcomesOf } from "#core/keeping/outcomes";
import { seedsOf } from "#core/keeping/seeds";
import { compare } from "#core/season/compare";
import { figuresByPlanting } from "#core/season/compare-ways";
import { figuresOf } from "#core/season/planting-figures";
import { plantsEnough } from "#core/season/plants-enough";
import { rhythmOf } from "#core/season/rhythm";
import { cropWeeks, isKeeper } from "#core/season/weeks";
import { plantingYears, yieldsOf } from "#core/season/yields";
import { type LoggedPick, logged } from "#core/weighing/pick-log";
import { DEMO_NOW, demoGarden } from "#standins/demo-garden";
import { restoreArchive } from "./archive";
import { snapshotOf } from "./garden";
import { databaseFile, openGarden } from "./open";

// every figure of the season is worked out a second time, by the database from the raw rows
const dir = mkdtempSync(join(tmpdir(), "akmedon-"));
const db = openGarden(dir);
restoreArchive(db, demoGarden(), DEMO_NOW);
const snapshot = snapshotOf(db);
const raw = new Database(databaseFile(dir), { readonly: true });
afterAll(() => raw.close());

const book = handbookWith([]);
const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
const entries = snapshot.picks.map((k) => {
  const p = plantings.get(k.plantingId)!;
  return logged(k, p, book.of(p.cropId), beds.get(p.bedId)!.name);
});
const ofYear = (year: string) => entries.filter((e) => e.at.startsWith(year));

/** A weighed pick's net mass, tare taken off; the demo has none that was guessed or weighed with its tops. */
const NET = `(k.gross_g - coalesce((select sum(json_extract(t.value, '$.tareG') * json_extract(t.value, '$.count'))
  from json_each(k.tare) t), 0))`;
const FROM = `from picks k join plantings p on p.id = k.planting_id join beds b on b.id = p.bed_id
  where k.part = 'crop'`;
const rows = <T>(sql: string, ...args: unknown[]): T[] => raw.prepare(sql).all(...args) as T[];

it("the demo is all weighed, so that the database can sum it", () => {
  expect(rows("select 1 from picks k where gross_g is null or estimated = 1 or tops_on = 1")).toEqual([]);
});

describe("yields", () => {
  it.each([
    ["crop", "p.crop_id"],
    ["kind", "p.kind || ' ' || p.crop_id"],
    ["bed", "b.name"],
    ["year", "substr(k.at, 1, 4)"],
  ] as const)("by %s: totals, picks, dates, minutes a kilo", (by, key) => {
    const told = new Map(yieldsOf(plantingYears(entries), by, plantings, beds).map((y) => [y.key, y]));
    const sums = rows<{
      key: string;
      g: number;
      picks: number;
      first: string;
      last: string;
      min: number;
      timed: number;
    }>(`
      select ${key} as key, sum(${NET}) as g, count(*) as picks, min(substr(k.at, 1, 10)) as first,
        max(substr(k.at, 1, 10)) as last, sum(k.minutes) as min,
        sum(case when k.minutes is not null then ${NET} end) as timed ${FROM} group by 1`);
    expect(sums.length).toBe(told.size);
    for (const r of sums) {
      const y = told.get(r.key)!;
      expect(y.totals.weighedG).toBeCloseTo(r.g, 1);
      expect([y.totals.picks, y.first, y.last]).toEqual([r.picks, r.first, r.last]);
      expect(y.perPick).toBeCloseTo(r.g / r.picks, 1);
      if (y.minutesPerKg !== null) expect(y.minutesPerKg).toBeCloseTo(r.min / (r.timed / 1000), 6);
    }
  });
  it("a plant, a metre and a square metre, by the plantings that say so", () => {
    const told = new Map(yieldsOf(plantingYears(entries), "crop", plantings, beds).map((y) => [y.key, y]));
    const sums = rows<{ crop: string; plants: number; gPlants: number; row: number; gRow: number }>(`
      with each as (select p.id, p.crop_id as crop, p.plants, p.row_m as row, sum(${NET}) as g ${FROM} group by p.id)
      select crop, sum(plants) as plants, sum(case when plants is not null then g end) as gPlants,
        sum(row) as row, sum(case when row is not null then g end) as gRow from each group by crop`);
    for (const r of sums) {
      const y = told.get(r.crop)!;
      if (r.plants) expect(y.perPlantG).toBeCloseTo(r.gPlants / r.plants, 3);
      if (r.row) expect(y.perMetreG).toBeCloseTo(r.gRow / r.row, 3);
    }
    for (const y of yieldsOf(plantingYears(entries), "bed", plantings, beds)) {
      const bed = snapshot.beds.find((b) => b.name === y.name)!;
      const area = rows<{ area: number }>(
        "select case shape when 'circle' then 3.141592653589793 * width_m * width_m / 4 else width_m * length_m end as area from beds where id = ?",
        bed.id,
      )[0]!.area;
      expect(bedAreaM2(bed)).toBeCloseTo(area, 9);
      expect(y.perM2G).toBeCloseTo((y.totals.weighedG + y.totals.estimatedG) / area, 3);
    }
  });
  it("days to the first pick and the interval, planting by planting", () => {
    const gaps = new Map<string, number[]>();
    for (const r of rows<{ id: string; gap: number }>(`
      with days as (select distinct p.id as id, substr(k.at, 1, 10) as day ${FROM} and k.purpose <> 'test')
      select id, julianday(day) - julianday(lag(day) over (partition by id order by day)) as gap from days`))
      if (r.gap !== null) gaps.set(r.id, [...(gaps.get(r.id) ?? []), r.gap]);
    const firsts = rows<{ id: string; days: number }>(
      `select p.id as id, julianday(min(substr(k.at, 1, 10))) - julianday(p.started_on) as days ${FROM} and k.purpose <> 'test' group by p.id`,
    );
    expect(firsts.length).toBeGreaterThan(15);
    for (const r of firsts) {
      const p = plantings.get(r.id)!;
      const own = entries.filter((e) => e.pick.plantingId === r.id);
      const f = figuresOf(p, beds.get(p.bedId)!, book.of(p.cropId), own);
      expect(f.daysToFirst).toBe(r.days);
      const list = gaps.get(r.id) ?? [];
      expect(f.interval?.median ?? null).toBe(list.length > 0 ? median(list) : null);
      expect(f.interval?.longest ?? null).toBe(list.length > 0 ? Math.max(...list) : null);
    }
  });
});

describe("what became of it", () => {
  const seedsFor = (list: readonly LoggedPick[]) => seedsOf(list, plantings, book, snapshot.places);
  it("comes to what was picked, and to the same as following every single lot", () => {
    const short = outcomesOf(entries, snapshot.lotEvents, seedsFor);
    const lots = [...lotsNow(seedsFor(entries), snapshot.lotEvents).values()].filter((l) => l.from === null);
    const sum = (of: (l: (typeof lots)[number]) => number) => lots.reduce((s, l) => s + of(l), 0);
    expect(short.eatenG + short.putByG).toBeCloseTo(
      sum((l) => l.used.useG),
      1,
    );
    expect(short.givenG).toBeCloseTo(
      sum((l) => l.used.giveG),
      1,
    );
    expect(short.lostG + short.animalsG + short.compostG).toBeCloseTo(
      sum((l) => l.used.loseG),
      1,
    );
    const [{ putBy }] = rows<{ putBy: number }>(
      "select coalesce(sum(mass_g), 0) as putBy from lot_events where kind = 'preserve' and mass_g is not null",
    ) as [{ putBy: number }];
    expect(short.putByG).toBeGreaterThanOrEqual(putBy);
    expect(short.leftG).toBeCloseTo(
      sum((l) => l.leftG),
      1,
    );
    const [{ g }] = rows<{ g: number }>(`select sum(${NET}) as g ${FROM}`) as [{ g: number }];
    expect(Object.values({ ...short, causes: 0 }).reduce((s, x) => s + x, 0)).toBeCloseTo(g, 0);
  });
  it("losses by cause as they were written down", () => {
    const told = outcomesOf(entries, snapshot.lotEvents, seedsFor).causes;
    const sums = rows<{ cause: string; g: number }>(
      "select cause, sum(mass_g) as g from lot_events where kind = 'lose' and mass_g is not null group by cause order by g desc",
    );
    expect(told).toEqual(sums.map((r) => [r.cause, r.g]));
  });
});

describe("gluts and gaps, and plants that are enough", () => {
  it("weeks, what was too much, and hollow weeks between", () => {
    const sums = rows<{ crop: string; week: string; g: number }>(`
      select p.crop_id as crop, date(substr(k.at, 1, 10), 'weekday 0', '-6 days') as week, sum(${NET}) as g ${FROM}
        and k.at like '2026%' group by 1, 2 order by 1, 2`);
    const crops = [...new Set(sums.map((r) => r.crop))];
    for (const id of crops) {
      const crop = book.of(id);
      const taste = snapshot.tastes.find((t) => t.id === id) ?? usualTaste(crop, snapshot.garden.eaters);
      const own = sums.filter((r) => r.crop === id);
      const told = cropWeeks(
        crop,
        taste,
        ofYear("2026")
          .filter((e) => e.cropId === id)
          .map((e) => ({ day: e.at.slice(0, 10), netG: e.net })),
      );
      const filled = told.weeks.filter((w) => w.pickedG > 0);
      expect(filled.map((w) => w.week)).toEqual(own.map((r) => r.week));
      for (const [i, w] of filled.entries()) expect(w.pickedG).toBeCloseTo(own[i]!.g, 1);
      const span = (Date.parse(own.at(-1)!.week) - Date.parse(own[0]!.week)) / (7 * 86_400_000) + 1;
      expect(told.weeks.length).toBe(span);
      const most = taste.weeklyG + taste.sparedG;
      if (isKeeper(crop)) continue;
      expect(told.tooMuchG).toBeCloseTo(
        own.reduce((s, r) => s + Math.max(0, r.g - most), 0),
        1,
      );
      expect(told.gaps.reduce((s, r) => s + r.weeks, 0)).toBe(span - own.length);
    }
  });
  it("yields a plant of what is over, and the plants that follow from them", () => {
    const own = rows<{ g: number }>(`
      select sum(${NET}) / p.plants as g ${FROM} and p.crop_id = 'tomato' and p.ended_on is not null group by p.id`);
    const tomato = book.of("tomato");
    const e = plantsEnough(
      tomato,
      { liking: 1, weeklyG: 2500, sparedG: 0 },
      13,
      own.map((r) => r.g),
      ["2026-08-29", "2026-10-02"],
    )!;
    const perPlant = (own.reduce((s, r) => s + r.g, 0) + 5250) / (own.length + 1);
    expect(own.length).toBe(8);
    expect(e.perPlantG).toBeCloseTo(perPlant, 3);
    expect(e.enough).toBe(Math.ceil((2500 * 5 * 1.1) / perPlant));
  });
});

describe("comparison and rhythm", () => {
  it("means and spread of two kinds, from the rows and by a reference library", () => {
    const grown = snapshot.plantings
      .filter((p) => p.cropId === "tomato")
      .map((planting) => ({
        planting,
        bed: beds.get(planting.bedId)!,
        crop: book.of("tomato"),
        entries: entries.filter((e) => e.pick.plantingId === planting.id),
      }));
    const figures = figuresByPlanting(grown, "kind");
    const found = compare(
      figures.map((f) => ({
        name: f.name,
        side: f.group === "red slicer" ? 0 : 1,
        bed: f.bed,
        year: f.year,
        value: f.values["per-plant"]!,
      })),
    );
    for (const [side, kind] of ["red slicer", "orange slicer"].entries()) {
      const each = rows<{ g: number }>(
        `select sum(${NET}) / p.plants as g ${FROM} and p.crop_id = 'tomato' and p.kind = ? group by p.id`,
        kind,
      ).map((r) => r.g);
      expect(found.sides[side]!.n).toBe(each.length);
      expect(found.sides[side]!.mean).toBeCloseTo(mean(each), 3);
      expect(found.sides[side]!.sd).toBeCloseTo(sampleStandardDeviation(each), 3);
    }
    // inside the four beds and years that had both
    const within = rows<{ diff: number }>(`
      with each as (select p.kind as kind, p.bed_id as bed, substr(min(k.at), 1, 4) as year, sum(${NET}) / p.plants as g ${FROM}
        and p.crop_id = 'tomato' group by p.id)
      select r.g - o.g as diff from each r join each o on o.bed = r.bed and o.year = r.year
        where r.kind = 'red slicer' and o.kind = 'orange slicer'`);
    expect(within.length).toBe(4);
    expect(found.both).toBe(4);
    expect(found.diff).toBeCloseTo(mean(within.map((r) => r.diff)), 3);
  });
  it("a season played as it was brings what the rows weigh", () => {
    const id = "cou-lower";
    const planting = plantings.get(id)!;
    const crop = book.of(planting.cropId);
    const picked = entries
      .filter((e) => e.pick.plantingId === id)
      .map((e) => ({ day: e.at.slice(0, 10), netG: e.net }));
    const rhythm = rhythmOf(planting, beds.get(planting.bedId)!, crop, picked, snapshot.weather, 30)!;
    const [{ g, days }] = rows<{ g: number; days: number }>(
      `select sum(${NET}) as g, count(distinct substr(k.at, 1, 10)) as days ${FROM} and p.id = ?`,
      id,
    ) as [{ g: number; days: number }];
    expect(rhythm.done.primeG + rhythm.done.overG).toBeCloseTo(g, 1);
    expect(rhythm.done.rounds).toBe(days);
  });
});
