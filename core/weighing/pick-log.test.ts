import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { blankPick, GRADES, PARTS, type PickRecord, WAYS } from "./pick";
import {
  everyWeek,
  GROUPS,
  groupPicks,
  type LoggedPick,
  logged,
  picksIn,
  sumTotals,
  totalsOf,
  weekOf,
} from "./pick-log";
import { monthName } from "./words";

const tomato = cropOf("tomato");
const entry = (over: Partial<PickRecord>, kind = "red slicer", crop = tomato, where = "South wall"): LoggedPick =>
  logged(blankPick({ grossG: 1000, at: "2026-08-10T18:00", ...over }), { kind }, crop, where);

describe("a pick in the log", () => {
  it("is named by its crop and kind, and by the crop alone where no kind is known", () => {
    expect(entry({})).toMatchObject({ kind: "red slicer", crop: tomato.name, name: `${tomato.name} ‘red slicer’` });
    expect(entry({}, "")).toMatchObject({ kind: tomato.name, crop: tomato.name, name: tomato.name });
  });
  it("totals put together again are the totals of all", () => {
    const all = [entry({ minutes: 3 }), entry({ grossG: 250, estimated: true }), entry({ part: "tops", grossG: 40 })];
    expect(sumTotals(all.map((e) => totalsOf([e])))).toEqual(totalsOf(all));
    expect(totalsOf(all)).toMatchObject({ picks: 3, weighedG: 1000, estimatedG: 250, besideG: 40, minutes: 3 });
    expect(totalsOf([])).toEqual({ picks: 0, weighedG: 0, estimatedG: 0, besideG: 0, pieces: 0, minutes: 0 });
  });
});

describe("the log drawn together", () => {
  const arbitrary = fc.record({
    grossG: fc.option(fc.integer({ min: 100, max: 90_000 })),
    count: fc.integer({ min: 1, max: 60 }),
    at: fc.date({ min: new Date("2024-01-01"), max: new Date("2026-12-30"), noInvalidDate: true }),
    grade: fc.constantFrom(...GRADES),
    way: fc.constantFrom(...WAYS),
    part: fc.constantFrom(...PARTS),
    by: fc.constantFrom("A", "B", ""),
    apart: fc.integer({ min: 0, max: 9 }),
    kind: fc.constantFrom("one", "two", ""),
    estimated: fc.boolean(),
  });
  it("every grouping comes to the same grams, pieces of whole picks and numbers of picks", () => {
    fc.assert(
      fc.property(fc.array(arbitrary, { maxLength: 40 }), (list) => {
        const entries = list.map(({ at, apart, kind, ...p }, i) =>
          entry(
            {
              ...p,
              id: `p${i}`,
              at: `${at.toISOString().slice(0, 10)}T10:00`,
              sorted:
                p.grossG !== null && apart > 0
                  ? [{ grade: "eat-first", way: "kitchen", massG: (p.grossG * apart) / 10, count: null, note: "" }]
                  : [],
            },
            kind,
          ),
        );
        const all = totalsOf(entries);
        for (const by of GROUPS) {
          const groups = groupPicks(entries, by);
          const sum = (of: (t: typeof all) => number) => groups.reduce((s, g) => s + of(g.totals), 0);
          expect(sum((t) => t.weighedG)).toBeCloseTo(all.weighedG, 1);
          expect(sum((t) => t.estimatedG)).toBeCloseTo(all.estimatedG, 1);
          expect(sum((t) => t.besideG)).toBeCloseTo(all.besideG, 1);
          expect(sum((t) => t.picks)).toBe(all.picks);
        }
      }),
      { numRuns: 60 },
    );
  });
  it("tops beside a pick are no crop, and estimates stay apart", () => {
    const t = totalsOf([
      entry({ minutes: 10 }),
      entry({ part: "tops", grossG: 400 }),
      entry({ grossG: null, count: 5, minutes: 2 }),
    ]);
    expect(t).toEqual({ picks: 3, weighedG: 1000, estimatedG: 800, besideG: 400, pieces: 5, minutes: 12 });
  });
  it("sorted parts are counted under their own grade and way", () => {
    const groups = groupPicks(
      [entry({ way: "store", sorted: [{ grade: "compost", way: "compost", massG: 150, count: null, note: "" }] })],
      "way",
    );
    expect(groups.map((g) => [g.key, g.totals.weighedG])).toEqual([
      ["store", 850],
      ["compost", 150],
    ]);
  });
  it("weeks begin on Monday and times run backwards (ISO 8601 weeks, checks C16.3)", () => {
    expect(weekOf("2026-10-09")).toBe("2026-10-05");
    expect(weekOf("2026-10-05")).toBe("2026-10-05");
    expect(weekOf("2027-01-01")).toBe("2026-12-28");
    expect(monthName("2026-02")).toBe("February 2026");
    const keys = groupPicks([entry({}), entry({ at: "2026-08-20T08:00" })], "week").map((g) => g.key);
    expect(keys).toEqual(["2026-08-17", "2026-08-10"]);
  });
});

describe("picks of a time", () => {
  const entry = (at: string, grossG: number) =>
    logged(
      blankPick({ id: at, plantingId: "planting", at, grossG, entered: `${grossG} g` }),
      planting("tomato"),
      tomato,
      "Bed",
    );
  const all = ["2025-12-31T23:59", "2026-01-01T00:00", "2026-10-05T08:00", "2026-10-31T20:00", "2027-01-01T00:00"].map(
    (at) => entry(at, 100),
  );
  const at = (when: string) => picksIn(all, when).map((e) => e.at.slice(0, 10));
  it("are found by year, month and day, to the minute at both ends", () => {
    expect(at("2026")).toEqual(["2026-01-01", "2026-10-05", "2026-10-31"]);
    expect(at("2026-10")).toEqual(["2026-10-05", "2026-10-31"]);
    expect(at("2026-10-31")).toEqual(["2026-10-31"]);
    expect(at("2024")).toEqual([]);
    expect(at("2028")).toEqual([]);
  });
  it("stand in weeks without a hole between", () => {
    const weeks = everyWeek(groupPicks([entry("2026-10-05T08:00", 300), entry("2026-10-19T08:00", 500)], "week"));
    expect(weeks).toEqual([
      { week: "2026-10-05", weighedG: 300, estimatedG: 0 },
      { week: "2026-10-12", weighedG: 0, estimatedG: 0 },
      { week: "2026-10-19", weighedG: 500, estimatedG: 0 },
    ]);
    expect(everyWeek([])).toEqual([]);
  });
});
