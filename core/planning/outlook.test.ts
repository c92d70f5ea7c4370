import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { plainWeather, planting } from "../fixtures/garden";
import { garden, NO_WISHES, NOW, TODAY } from "../fixtures/snapshot";
import type { Snapshot } from "../snapshot";
import { blankPick, type PickRecord } from "../weighing/pick";
import { outlookOf } from "./outlook";
import { plannedFrom, problemOf } from "./question/question";
import { roundsOf, scheduleOf, urgenciesOf } from "./rounds/rounds";
import { plan } from "./solver/optimise";
import { withReasons } from "./words";

describe("the outlook of a garden", () => {
  const outlook = outlookOf(garden(), NOW);
  it("judges what grows now, not what is over or not yet begun", () => {
    expect(outlook.plantings.map((p) => p.planting.id)).toEqual(["squash", "kale", "tomato"]);
  });
  it("reckons frost bed by bed: the hollow freezes before the wall and the tunnel", () => {
    const at = (id: string) => outlook.plantings.find((p) => p.planting.id === id)!.supply.days[3]!;
    expect(at("squash").bedMinC).toBeLessThan(-3);
    expect(at("kale").bedMinC).toBeGreaterThan(0);
    expect(at("squash").killChance).toBeGreaterThan(0.85);
    expect(at("kale").killChance).toBeLessThan(0.001);
  });
  it("marks forecast days, days away and hazards", () => {
    expect(outlook.days[3]!.hazards.map((h) => h.kind)).toContain("frost");
    expect(outlook.days.map((d) => d.away).indexOf(true)).toBe(4);
    expect(outlook.days[14]!.from).toBe("usual");
  });
  it("stands on the usual year when there is neither record nor forecast", () => {
    const bare = outlookOf(garden({ weather: [], forecast: null }), NOW);
    expect(bare.days.every((d) => d.from === "usual")).toBe(true);
    expect(bare.plantings).toHaveLength(3);
  });
});

describe("from outlook to rounds", () => {
  const snapshot = garden();
  const outlook = outlookOf(snapshot, NOW);
  const problem = problemOf(snapshot, outlook, NO_WISHES);
  let n = 0;
  const rounds = withReasons(
    roundsOf(problem, plan(problem).schedule, () => `id${++n}`),
    "metric",
  );
  it("offers every morning and evening to the hand, but only windows to the planner", () => {
    expect(problem.slots.filter((s) => s.day === "2026-10-08").map((s) => [s.startsAt, s.allowed])).toEqual([
      ["08:00", false],
      ["17:30", true],
    ]);
    expect(problem.slots.filter((s) => s.away).every((s) => !s.allowed)).toBe(true);
    expect(problem.slots.every((s) => s.id >= NOW)).toBe(true);
  });
  it("takes the squash before the frost and says why", () => {
    const round = rounds.find((r) => r.lines.some((l) => l.plantingId === "squash"))!;
    expect(round.day <= "2026-10-08").toBe(true);
    expect(round.lines.find((l) => l.plantingId === "squash")!.why).toMatch(
      /% chance of frost in this bed in the night to Friday/,
    );
  });
  it("reads stored rounds back to the schedule they came from", () => {
    const schedule = scheduleOf(problem, rounds);
    const again = roundsOf(problem, schedule, () => "x");
    expect(again.map((r) => [r.day, r.lines.map((l) => [l.plantingId, l.expectedG])])).toEqual(
      rounds.map((r) => [r.day, r.lines.map((l) => [l.plantingId, l.expectedG])]),
    );
  });
  it("keeps a pinned round's id and note when it is planned again", () => {
    const pinned = {
      id: "mine",
      day: "2026-10-08",
      startsAt: "17:30",
      status: "planned" as const,
      pinned: true,
      note: "with Bram",
    };
    const wished = problemOf(snapshot, outlook, { ...NO_WISHES, open: ["2026-10-08T17:30"] });
    const kept = roundsOf(wished, plan(wished).schedule, () => "new", new Map([["2026-10-08T17:30", pinned]]));
    expect(kept.find((r) => r.id === "mine")).toMatchObject({ pinned: true, note: "with Bram" });
  });
  it("puts first what would cost most to leave", () => {
    const [first, ...rest] = urgenciesOf(problem);
    expect(first).toMatchObject({ plantingId: "squash", cause: "frost" });
    for (const u of rest) expect(u.worth).toBeLessThanOrEqual(first!.worth);
    expect(urgenciesOf({ ...problem, slots: [] })).toEqual([]);
  });
  it("a pick taken today empties its planting from the next plan", () => {
    const pick = blankPick({
      id: "p",
      plantingId: "squash",
      roundId: null,
      at: `${TODAY}T12:00`,
      by: "",
      method: "cut",
      extent: "final" as const,
      count: 9,
      grossG: 15_000,
      entered: "15 kg",
      tare: [],
      topsOn: false,
      grade: "sound" as const,
      estimated: false,
      note: "",
    });
    const after = outlookOf(
      {
        ...snapshot,
        picks: [pick],
        plantings: snapshot.plantings.map((p) => (p.id === "squash" ? { ...p, endedOn: TODAY } : p)),
      },
      NOW,
    );
    expect(after.plantings.map((p) => p.planting.id)).not.toContain("squash");
  });
  it("learns a repeat cropper's pace from its picks", () => {
    const picks = [14, 10, 6, 2].map((ago) =>
      blankPick({
        id: `k${ago}`,
        plantingId: "kale",
        roundId: null,
        at: `${addDays(TODAY, -ago)}T12:00`,
        by: "",
        method: "",
        extent: "all-ready" as const,
        count: null,
        grossG: 1500,
        entered: "",
        tare: [],
        topsOn: false,
        grade: "sound" as const,
        estimated: false,
        note: "",
      }),
    );
    const before = outlook.plantings.find((p) => p.planting.id === "kale")!.supply.rateG;
    const learned = outlookOf({ ...snapshot, picks }, NOW).plantings.find((p) => p.planting.id === "kale")!.supply
      .rateG;
    expect(learned).toBeGreaterThan(before * 1.5);
  });
});

describe("what beds and forecasts have taught", () => {
  const still = plainWeather("2026-09-20", 16).map((d) => ({ ...d, cloudPct: 0, windMs: 0.5 }));
  const tomatoRisk = (over: Partial<Snapshot>) => {
    const o = outlookOf(garden({ weather: still, ...over }), NOW);
    return o.plantings.find((p) => p.planting.id === "squash")!.supply.days[3]!.killChance;
  };
  it("a thermometer that shows a colder bed raises the chance of frost there", () => {
    const readings = still
      .slice(0, 10)
      .map((d, i) => ({ id: `r${i}`, bedId: "low", day: d.day, minC: d.tempMinC - 5 }));
    expect(tomatoRisk({ bedReadings: readings })).toBeGreaterThan(tomatoRisk({}));
  });
  it("a cover laid for that night lowers it, on other nights not", () => {
    const cover = (day: string) => ({ covers: [{ id: day, bedId: "low", day }] });
    expect(tomatoRisk(cover("2026-10-09"))).toBeLessThan(tomatoRisk({}));
    expect(tomatoRisk(cover("2026-10-12"))).toBe(tomatoRisk({}));
  });
  it("a source that has been too warm is put right", () => {
    const kept = Array.from({ length: 12 }, (_, i) => ({
      source: garden().forecast!.source,
      issuedOn: still[i]!.day,
      days: still.slice(i, i + 4).map((d) => ({ ...d, tempMinC: d.tempMinC + 3, tempMaxC: d.tempMaxC + 3 })),
    }));
    expect(tomatoRisk({ forecasts: kept })).toBeGreaterThan(tomatoRisk({}));
  });
});

describe("from when a first pick may be planned", () => {
  const grown = outlookOf(garden(), NOW).plantings.find((p) => p.crop.id === "tomato")!.supply;
  /** A planting with these chances of being ready on its days, and a frost on one of them. */
  const from = (chances: readonly number[], frostOn: number | null, over: Partial<typeof grown> = {}) =>
    plannedFrom(
      {
        ...{ ...grown, lossShare: 0.9, galeLossShare: 0, usable: 0.8, sickLossShare: 0, once: false, ...over },
        days: chances.map((ready, d) => ({
          ...{ ...grown.days[0]!, galeChance: 0, killChance: d === frostOn ? 0.8 : 0 },
          chances: { ...grown.days[0]!.chances, unready: 1 - ready, nearly: 0, ready, past: 0 },
        })),
      },
      [],
    );
  const GREEN = Array.from({ length: 14 }, () => 0.05);
  it("what bears on and is green is not picked as ripe because frost comes: its unripe fruit is stripped", () => {
    expect(from(GREEN, 3)).toBe(Number.POSITIVE_INFINITY);
    expect(from([0.05, 0.1, 0.3, ...GREEN], 3)).toBe(2);
    expect(from([0.05, 0.1, 0.3, ...GREEN], null)).toBe(Number.POSITIVE_INFINITY);
    expect(from([0.05, 0.1, 0.3, 0.45, ...GREEN], null)).toBe(3);
  });
  it("what is lifted at once is saved before it, from the week before on, and not a fortnight ahead", () => {
    expect(from(GREEN, 3, { once: true })).toBe(0);
    expect(from(GREEN, 12, { once: true })).toBe(4);
    expect(from(GREEN, 3, { once: true, usable: 0.1 })).toBe(Number.POSITIVE_INFINITY);
  });
});

describe("what is told first", () => {
  it("names nothing that bears on and is green: there is nothing ripe to lose", () => {
    const snapshot = garden();
    const outlook = outlookOf(snapshot, NOW);
    const p = problemOf(snapshot, outlook, NO_WISHES);
    const green = p.supplies.map((s) => ({
      ...s,
      once: false,
      days: s.days.map((d) => ({ ...d, chances: { ...d.chances, unready: 0.95, nearly: 0, ready: 0.05, past: 0 } })),
    }));
    expect(urgenciesOf(p).length).toBeGreaterThan(0);
    expect(urgenciesOf({ ...p, supplies: green })).toEqual([]);
  });
});

describe("a row that is cleared part by part", () => {
  const carrots = planting("carrot", { id: "carrot", bedId: "wall", startedOn: "2026-05-01", rowM: 6 });
  const lifted = (over: Partial<PickRecord>) =>
    blankPick({ id: "c1", plantingId: "carrot", at: "2026-10-05T10:00", grossG: 4000, ...over });
  const left = (...picks: PickRecord[]) =>
    outlookOf(garden({ plantings: [carrots], picks }), NOW).plantings[0]!.supply.leftG;
  it("is reckoned by what its cleared share gave: two thirds gave 4 kg, so 2 kg are left, whatever the handbook expects", () => {
    expect(left(lifted({ rowDone: 2 / 3 }))).toBeCloseTo(2000, 0);
    expect(left(lifted({ rowDone: 0.25 }))).toBeCloseTo(12_000, 0);
  });
  it("what is picked after it comes off, and the latest word counts", () => {
    const later = lifted({ id: "c2", at: "2026-10-06T10:00", grossG: 500 });
    expect(left(lifted({ rowDone: 0.5 }), later)).toBeCloseTo(3500, 0);
    expect(left(lifted({ rowDone: 0.5 }), { ...later, rowDone: 0.9 })).toBeCloseTo(500, 0);
  });
  it("where nobody said it, the handbook's yield stands as before", () => {
    expect(left(lifted({}))).not.toBeCloseTo(left(lifted({ rowDone: 0.5 })), 0);
  });
});
