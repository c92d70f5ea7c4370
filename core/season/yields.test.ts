import fc from "fast-check";
import { median as referenceMedian } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { bed, planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { blankPick, type PickRecord } from "../weighing/pick";
import { everyWeek, groupPicks, type LoggedPick, logged, picksIn } from "../weighing/pick-log";
import { draftsOf, isDue, type Lesson, remindDays } from "./lessons";
import { figuresOf } from "./planting-figures";
import { sayFinding, sayRemind } from "./words";
import { medianOf, plantingYears, YIELDS_BY, yieldsOf } from "./yields";

const tomato = cropOf("tomato");
const kale = cropOf("kale");
const beds = new Map([
  ["wall", bed({ id: "wall", name: "Wall", widthM: 1, lengthM: 4 })],
  ["low", bed({ id: "low", name: "Low", shape: "circle", widthM: 2, lengthM: 2 })],
]);
const plantings = new Map([
  ["t1", planting("tomato", { id: "t1", bedId: "wall", startedOn: "2026-05-20", plants: 4, areaM2: 2 })],
  ["t2", planting("tomato", { id: "t2", bedId: "low", startedOn: "2026-06-01", plants: 2, areaM2: null })],
  ["k", planting("kale", { id: "k", bedId: "low", startedOn: "2026-06-20", plants: null, rowM: 3 })],
]);
const entry = (plantingId: string, at: string, grossG: number | null, over: Partial<PickRecord> = {}): LoggedPick => {
  const p = plantings.get(plantingId)!;
  return logged(
    blankPick({
      id: `${plantingId}${at}`,
      plantingId,
      at: `${at}T18:00`,
      grossG,
      count: grossG === null ? 5 : null,
      ...over,
    }),
    p,
    p.cropId === "kale" ? kale : tomato,
    beds.get(p.bedId)!.name,
  );
};
const log = [
  entry("t1", "2026-08-01", 2000, { minutes: 10 }),
  entry("t1", "2026-08-08", 4000),
  entry("t2", "2026-08-20", 3000, { minutes: 10 }),
  entry("k", "2026-09-01", 900),
  entry("k", "2026-09-08", null, { part: "tops" }),
  entry("t2", "2026-09-10", null),
];

describe("yields of two years and two kinds", () => {
  const two = new Map([
    ["old", planting("tomato", { id: "old", kind: "red slicer", startedOn: "2025-05-20" })],
    ["new", planting("tomato", { id: "new", kind: "red slicer", startedOn: "2026-05-20" })],
    ["wild", planting("tomato", { id: "wild", kind: "yellow cherry", startedOn: "2026-05-20" })],
  ]);
  const at = (id: string, day: string) =>
    logged(
      blankPick({ id: `${id}${day}`, plantingId: id, at: `${day}T18:00`, grossG: 1000 }),
      two.get(id)!,
      tomato,
      "Wall",
    );
  const log = [at("old", "2025-08-01"), at("old", "2025-09-01"), at("wild", "2026-07-01"), at("new", "2026-08-15")];
  const years = plantingYears(log);
  it.each([[years], [[...years].reverse()]])("first and last are of all years, whichever comes first", (list) => {
    const rows = yieldsOf(list, "kind", two, beds);
    expect(rows.map((y) => [y.name, y.plantings, y.first, y.last])).toEqual([
      ["Slicing tomato ‘red slicer’", 2, expect.stringMatching(/^2025-08-01/), expect.stringMatching(/^2026-08-15/)],
      ["Slicing tomato ‘yellow cherry’", 1, expect.stringMatching(/^2026-07-01/), expect.stringMatching(/^2026-07-01/)],
    ]);
  });
});

describe("what a season gave, worked by hand", () => {
  it("by crop: weighed and estimated apart, yields over the plantings whose size is known", () => {
    const [t, k] = yieldsOf(plantingYears(log), "crop", plantings, beds);
    expect(t).toMatchObject({
      name: tomato.name,
      totals: { picks: 4, weighedG: 9000, estimatedG: 800 },
      plantings: 2,
      first: "2026-08-01",
      last: "2026-09-10",
      perM2G: 3000,
      perMetreG: null,
      perPick: 2450,
      minutesPerKg: 4,
    });
    expect(t!.perPlantG).toBeCloseTo(9800 / 6, 9);
    // 73 and 80 days from their starts
    expect(t!.daysToFirst).toBe(76.5);
    expect(k).toMatchObject({
      totals: { weighedG: 900, besideG: expect.any(Number) },
      perMetreG: 300,
      perPlantG: null,
    });
  });
  it("by bed: a square metre of the whole bed, round ones too", () => {
    const rows = yieldsOf(plantingYears(log), "bed", plantings, beds);
    expect(rows.find((r) => r.name === "Wall")!.perM2G).toBe(1500);
    expect(rows.find((r) => r.name === "Low")!.perM2G).toBeCloseTo((3000 + 800 + 900) / Math.PI, 6);
  });
  it("every way of drawing together comes to the same grams and picks of the crop", () => {
    const sums = YIELDS_BY.map((by) => {
      const rows = yieldsOf(plantingYears(log), by, plantings, beds);
      return [rows.reduce((s, r) => s + r.totals.weighedG, 0), rows.reduce((s, r) => s + r.totals.estimatedG, 0)];
    });
    for (const s of sums) expect(s).toEqual([9900, 800]);
  });
  it("a planting picked in two years is one planting, reckoned over both", () => {
    const over = [...log, entry("t1", "2027-01-02", 1200)];
    const t = yieldsOf(plantingYears(over), "crop", plantings, beds)[0]!;
    expect(t).toMatchObject({ plantings: 2, first: "2026-08-01", last: "2027-01-02", perM2G: 3600, daysToFirst: 76.5 });
    expect(yieldsOf(plantingYears(over), "year", plantings, beds).map((y) => [y.key, y.plantings])).toEqual([
      ["2027", 1],
      ["2026", 3],
    ]);
    const asked = (year: string) => plantingYears(over).filter((y) => y.year === year);
    expect(yieldsOf(asked("2027"), "kind", plantings, beds)[0]!.totals).toMatchObject({ picks: 1, weighedG: 1200 });
  });
  it("only tested, or nothing but tops, is no first pick", () => {
    const tested = [
      entry("t1", "2026-07-20", 100, { purpose: "test" }),
      entry("k", "2026-09-08", 50, { part: "tops" }),
    ];
    const rows = yieldsOf(plantingYears(tested), "crop", plantings, beds);
    expect(rows.map((r) => [r.name, r.daysToFirst, r.first])).toEqual([[tomato.name, null, "2026-07-20"]]);
  });
  it("picks of a year, a month or a day are those whose time begins so", () => {
    const day = fc.date({ min: new Date("2024-11-01"), max: new Date("2026-02-28"), noInvalidDate: true });
    fc.assert(
      fc.property(fc.array(day, { maxLength: 40 }), day, fc.constantFrom(4, 7, 10), (days, of, length) => {
        const entries = days
          .map((d) => entry("t1", d.toISOString().slice(0, 10), 100))
          .sort((a, b) => (a.at < b.at ? -1 : 1));
        const when = of.toISOString().slice(0, length);
        expect(picksIn(entries, when)).toEqual(entries.filter((e) => e.at.startsWith(when)));
      }),
    );
  });
  it("the median is that of a reference library", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 1, maxLength: 40 }), (xs) => {
        expect(medianOf(xs)).toBeCloseTo(referenceMedian(xs), 9);
      }),
    );
    expect(medianOf([])).toBeNull();
  });
});

describe("lessons", () => {
  const lesson = (over: Partial<Lesson> = {}): Lesson => ({
    id: "l",
    at: "2026-10-06T20:00",
    words: "too late",
    next: "",
    cropId: "kale",
    plantingId: null,
    bedId: null,
    remindOn: "2027-03-25",
    state: "kept",
    ...over,
  });
  it.each([
    ["2027-03-24", false],
    ["2027-03-25", true],
    ["2027-04-14", true],
    ["2027-04-15", false],
    ["2026-03-26", false],
    ["2028-03-25", true],
    ["2031-04-01", true],
  ])("of 25 March 2027: on %s %s", (today, due) => expect(isDue(lesson(), today)).toBe(due));
  it("goes on over New Year, minds leap days, and stays away when thrown away or without a day", () => {
    const late = lesson({ remindOn: "2026-12-25" });
    expect(isDue(late, "2027-01-10")).toBe(true);
    expect(isDue(late, "2027-01-20")).toBe(false);
    expect(isDue(lesson({ remindOn: "2028-02-29" }), "2029-03-01")).toBe(true);
    expect(isDue(lesson({ state: "thrown" }), "2027-03-25")).toBe(false);
    expect(isDue(lesson({ remindOn: null }), "2027-03-25")).toBe(false);
    expect(sayRemind(lesson({ remindOn: null }))).toBe("stands in the list");
  });
  it("comes up a week before the start next year, or before the first pick of this year", () => {
    const p = plantings.get("t1")!;
    expect(remindDays(tomato, p, "2026-08-01", "2026-10-06")).toEqual({ start: "2027-05-13", pick: "2027-07-25" });
    expect(remindDays(tomato, null, null, "2026-10-06").pick).toBeNull();
  });
  it("the figures propose what they show, and nothing when all went well", () => {
    const p = planting("tomato", { id: "t", startedOn: "2026-05-20", plants: 4, packetMinDays: 40, packetMaxDays: 49 });
    const picks = ["2026-08-01", "2026-08-04", "2026-08-07", "2026-08-30"].map((d) => ({ ...entry("t1", d, 900) }));
    const drafts = draftsOf(p, tomato, figuresOf(p, bed(), tomato, picks), 1200);
    expect(drafts.map((d) => d.id)).toEqual(["late t", "gap t", "lost t"]);
    const said = drafts.map((x) => sayFinding(x.finding, "red slicer", "metric").words);
    expect(said[0]).toBe("red slicer was first picked 24 days past its range.");
    expect(said[1]).toContain("left for 23 days");
    expect(said[2]).toBe("Of 3.6 kg of red slicer 1.2 kg were lost after picking.");
    const fine = { ...p, packetMinDays: 70, packetMaxDays: 80 };
    const steady = picks.slice(0, 3);
    expect(draftsOf(fine, tomato, figuresOf(fine, bed(), tomato, steady), 0)).toEqual([]);
    const guessed = ["2026-08-01", "2026-08-04"].map((d) => entry("t1", d, null));
    expect(draftsOf(fine, tomato, figuresOf(fine, bed(), tomato, guessed), 0).map((d) => d.id)).toEqual(["guessed t"]);
  });
});

describe("weeks of a chart", () => {
  it("stand side by side from the first to the last, those without a pick too", () => {
    const weeks = everyWeek(groupPicks([log[0]!, log[3]!], "week"));
    // Mondays from 27 July to 31 August 2026
    expect(weeks.map((w) => w.week)).toEqual([
      "2026-07-27",
      "2026-08-03",
      "2026-08-10",
      "2026-08-17",
      "2026-08-24",
      "2026-08-31",
    ]);
    expect(weeks.map((w) => w.weighedG)).toEqual([2000, 0, 0, 0, 0, 900]);
    expect(everyWeek([])).toEqual([]);
  });
});
