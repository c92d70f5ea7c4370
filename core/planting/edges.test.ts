import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { bed, planting } from "../fixtures/garden";
import { CROPS, cropOf } from "../handbook";
import type { Cue } from "../handbook/crop";
import { conflictAmong, overlapOf, productOf, tempered } from "./agreement";
import { callOf, callOfNeed } from "./call";
import type { Check, Reading } from "./check";
import { baseOf, daysAtTemp, daysRange, sunShare } from "./clock";
import { daysToReach, guessPlants } from "./handful";
import { lightShare } from "./light";
import { lookAgainOn } from "./look-again";
import { gammaMean, gammaPosterior, gammaSd } from "./rate";
import { isSick } from "./sick";
import {
  barredBy,
  lastLooked,
  lastOverCount,
  type PickMark,
  repeatBy,
  type Signs,
  standingOverride,
  usedUpBy,
} from "./signs-seen";
import { CELLS, type DayChances } from "./stage-grid";
import { isPick, UNSEEN, VERDICTS, verdictOf } from "./verdict";
import { sayCall } from "./words";
import { expectedYieldG } from "./yield";

/** Worked by hand, at the edges where a rule turns; the figures are the house's own unless a source is named. */
const tomato = cropOf("tomato");
const chances = (nearly: number, ready: number, past: number) => ({
  unready: Math.max(0, 1 - nearly - ready - past),
  nearly,
  ready,
  past,
});

describe("a verdict from chances and what was seen", () => {
  const plain = { cues: [] };
  const tasted = {
    cues: CROPS.flatMap((c) => c.cues)
      .filter((c) => c.usesUp)
      .slice(0, 1),
  };
  const of = (c: ReturnType<typeof chances>, seen = {}, crop: { cues: Cue[] } = plain, enough = true) =>
    verdictOf(c, "one-by-one", crop, { ...UNSEEN, ...seen }, enough);
  it("is to pick from an even chance of ripe on, over-age counted in", () => {
    expect(of(chances(0.1, 0.3, 0.2))).toBe("pick-some");
    expect(of(chances(0.1, 0.3, 0.19))).toBe("nearly");
    expect(of(chances(0.1, 0.3, 0.09))).toBe("not-yet");
    expect(of(chances(0.1, 0.3, 0.2), {}, plain, false)).toBe("nearly");
    expect(verdictOf(chances(0, 0.6, 0), "all-at-once", plain)).toBe("pick-all");
  });
  it("is to test from three in ten on, where a test uses something up and none was made", () => {
    expect(of(chances(0, 0.3, 0), {}, tasted)).toBe("test-one");
    expect(of(chances(0, 0.29, 0), {}, tasted)).toBe("not-yet");
    expect(of(chances(0, 0.3, 0), { tested: true }, tasted)).toBe("not-yet");
  });
  it("is past its prime only where somebody saw it, and 15 % say so", () => {
    expect(of(chances(0, 0.1, 0.85))).toBe("pick-some");
    expect(of(chances(0, 0.1, 0.15), { past: true })).toBe("past-prime");
    expect(of(chances(0, 0.6, 0.14), { past: true })).toBe("pick-some");
  });
  it("a decisive no keeps it in the bed, a decisive yes takes it, both ask for a test", () => {
    expect(of(chances(0.1, 0.8, 0), { decisive: ["short"] })).toBe("nearly");
    expect(of(chances(0.1, 0.3, 0), { decisive: ["short"] })).toBe("not-yet");
    expect(of(chances(0.1, 0.3, 0), { decisive: ["nearly"] })).toBe("nearly");
    expect(of(chances(0, 0, 0), { decisive: ["right"] })).toBe("pick-some");
    expect(of(chances(0, 0.3, 0), { decisive: ["short", "right"] }, tasted)).toBe("test-one");
    expect(of(chances(0, 0.29, 0), { decisive: ["short", "right"] }, tasted)).toBe("nearly");
    expect(of(chances(0, 0, 0), { decisive: ["short"], overturns: true })).toBe("nearly");
    expect(of(chances(0, 0, 0), { decisive: ["short"], overturns: true }, tasted)).toBe("test-one");
  });
  it("three of them call for picking now", () =>
    expect(VERDICTS.filter(isPick)).toEqual(["pick-some", "pick-all", "past-prime"]));
});

describe("the day to look again", () => {
  const crop = { interval: { warmDays: 3, coolDays: 6 }, prime: { warmDays: 4, coolDays: 8 } } as typeof tomato;
  const days = (of: (k: number) => ReturnType<typeof chances>): DayChances[] =>
    Array.from({ length: 30 }, (_, k) => ({ day: addDays("2026-08-01", k), ...of(k), meanStage: 1 }));
  const quiet = days(() => chances(0, 0, 0));
  const on = (d: DayChances[], verdict: (typeof VERDICTS)[number], last: string | null = null, enoughIn = 0) =>
    lookAgainOn(d, verdict, crop, [], last, enoughIn);
  it("is three weeks off at most, from today or tomorrow where somebody was there today", () => {
    expect(on(quiet, "not-yet")).toBe("2026-08-22");
    expect(on(quiet, "not-yet", "2026-08-01")).toBe("2026-08-23");
    expect(on(quiet, "not-yet", "2026-08-01", 5)).toBe("2026-08-27");
  });
  it("is when ripe is likely enough, or near it, or a tenth would be missed", () => {
    expect(
      on(
        days((k) => chances(0, k >= 4 ? 0.3 : 0.29, 0)),
        "not-yet",
      ),
    ).toBe("2026-08-05");
    expect(
      on(
        days((k) => chances(k >= 6 ? 0.5 : 0.49, 0, 0)),
        "not-yet",
      ),
    ).toBe("2026-08-07");
    expect(
      on(
        days((k) => chances(0, 0, k >= 9 ? 0.1 : k > 0 ? 0.09 : 0)),
        "not-yet",
      ),
    ).toBe("2026-08-10");
  });
  it("what is nearly ready waits no longer than its prime, ten days at most, or until it is as likely as not", () => {
    expect(on(quiet, "nearly", "2026-08-01")).toBe("2026-08-09");
    expect(
      on(
        days((k) => chances(0, k >= 3 ? 0.5 : 0.4, 0)),
        "nearly",
        "2026-08-01",
      ),
    ).toBe("2026-08-04");
  });
  it("what was picked waits for its usual picking, or until three in ten would be over-age", () => {
    expect(on(quiet, "pick-some", "2026-08-01")).toBe("2026-08-07");
    expect(on(quiet, "pick-some", "2026-07-01")).toBe("2026-08-01");
    expect(
      on(
        days((k) => chances(0, 0, k >= 2 ? 0.3 : 0.29 * (k > 0 ? 1 : 0))),
        "pick-some",
        "2026-08-01",
      ),
    ).toBe("2026-08-03");
  });
  it("a test is made again in two days, seed looked at in a fortnight", () => {
    expect(on(quiet, "test-one", "2026-08-01")).toBe("2026-08-03");
    expect(on(quiet, "leave-for-seed")).toBe("2026-08-15");
  });
  it("while the weather makes the cues lie, the day on which they can be believed", () => {
    const lie = [{ cueIds: ["x"], why: "rain", believeFrom: "2026-08-03" }] as never;
    expect(lookAgainOn(quiet, "nearly", crop, lie, null, 0)).toBe("2026-08-03");
    expect(lookAgainOn(quiet, "not-yet", crop, lie, null, 0)).toBe("2026-08-22");
  });
});

describe("light and warmth", () => {
  it("growth stands still below ten hours and is whole from thirteen on", () => {
    // 52° north: about 7.7 h at midwinter, 16.7 h at midsummer, 12 h at the equinox
    expect(lightShare("2026-12-21", 52)).toBe(0);
    expect(lightShare("2026-06-21", 52)).toBe(1);
    const equinox = lightShare("2026-03-20", 52);
    expect(equinox).toBeGreaterThan(0.85);
    expect(equinox).toBeLessThan(0.9);
    expect(lightShare("2026-12-21", -52)).toBe(1);
  });
  it("sun counts up to six hours", () => {
    expect([-1, 0, 4, 6, 9].map(sunShare)).toEqual([0.55, 0.55, expect.closeTo(0.85, 9), 1, 1]);
  });
  it("days at a temperature lie between the handbook's warm and cool, and are held beyond 21.5 and below 2 °C", () => {
    expect(daysAtTemp(4, 16, 20)).toBeCloseTo(4, 9);
    expect(daysAtTemp(4, 16, 12.5)).toBeCloseTo(16, 9);
    expect(daysAtTemp(4, 16, 16.25)).toBeCloseTo(8, 9);
    expect(daysAtTemp(4, 16, 30)).toBe(daysAtTemp(4, 16, 21.5));
    expect(daysAtTemp(4, 16, -5)).toBe(daysAtTemp(4, 16, 2));
  });
  it("a base temperature that nobody states is 10 °C for the tender and 4.4 for the hardy", () => {
    const crop = (killC: number, baseC: number | null = null) => ({ weather: { killC }, warmth: { baseC } }) as never;
    expect([crop(-1.2), crop(-1.3), crop(-9), crop(0), crop(-9, 6)].map(baseOf)).toEqual([10, 4.4, 4.4, 10, 6]);
  });
  it("a packet goes before the handbook, but only whole", () => {
    const p = planting("tomato", { packetMinDays: 70, packetMaxDays: 80 });
    expect(daysRange(p, tomato)).toEqual({ minDays: 70, maxDays: 80, from: "packet" });
    expect(daysRange({ ...p, packetMaxDays: null }, tomato).from).toBe("handbook");
  });
});

describe("a rate that is learned", () => {
  it("gains the count and the exposure", () => {
    const g = gammaPosterior({ shape: 2, rate: 4 }, 7, 5);
    expect([gammaMean(g), gammaSd(g)]).toEqual([1, 3 / 9]);
  });
});

describe("readings that agree or do not", () => {
  const step = (from: number, to: number): Float64Array =>
    Float64Array.from({ length: CELLS }, (_, i) => (i >= from && i < to ? 1 : 0));
  it("overlap is one where one says nothing, none where no stage could have given both", () => {
    expect(overlapOf(step(0, 40), new Float64Array(CELLS).fill(3))).toBeCloseTo(1, 9);
    expect(overlapOf(step(0, 40), step(40, 80))).toBe(0);
    expect(overlapOf(step(0, 40), step(0, 40))).toBeCloseTo(CELLS / 40, 9);
    expect(overlapOf(step(0, 0), step(0, 40))).toBe(1);
  });
  it("the worst pair is named, none above the mark", () => {
    const [a, b, c] = ["a", "b", "c"].map((id) => ({ id }) as Cue);
    const of = (cue: Cue, likelihood: Float64Array) => ({ cue, likelihood });
    expect(conflictAmong([of(a!, step(0, 80)), of(b!, step(0, 60))])).toBeNull();
    expect(conflictAmong([of(a!, step(0, 80)), of(b!, step(78, 120)), of(c!, step(90, 160))])?.between).toEqual([a, c]);
  });
  it("a product goes cell by cell, and a power below one makes it milder", () => {
    const x = Float64Array.from({ length: CELLS }, () => 0.25);
    expect(productOf([x, x])[3]).toBe(0.0625);
    expect(productOf([])[3]).toBe(1);
    expect(x[3]).toBe(0.25);
    expect([tempered(x, 0.5)[3], tempered(x, 1), tempered(x, 0.25)[3]]).toEqual([0.5, x, 0.25 ** 0.25]);
  });
});

describe("what is special about a verdict", () => {
  const crop = { thins: true, habit: "repeat", nature: "sizes" } as never;
  const id = (verdict: (typeof VERDICTS)[number], past: number, over = 0, of: never = crop) =>
    callOf(verdict, chances(0, 0.5, past), of, null, over)?.id ?? null;
  it("the biggest are thinned out, unless over-age ones hold it up: from 35 % on, or counted", () => {
    expect(id("pick-some", 0.34)).toBe("thin-biggest");
    expect(id("pick-some", 0.36)).toBe("strip-over-age");
    expect(id("pick-some", 0, 1)).toBe("strip-over-age");
    expect(id("pick-all", 0.1)).toBeNull();
    expect(id("pick-some", 0.9, 0, { thins: false, habit: "once", nature: "sizes" } as never)).toBeNull();
    expect(id("leave-for-seed", 0.9, 3)).toBe("leave-for-seed");
  });
  it("what presses from outside is said first, with what to do", () => {
    const need = { kind: "bed-wanted", by: "2026-10-09", on: "2026-10-09" } as const;
    expect(callOfNeed(need)).toEqual({ id: "bed-wanted", need });
    expect(sayCall(callOfNeed(need)!, "2026-10-06")).toBe("The bed is wanted Friday: clear it.");
    expect(callOfNeed(null)).toBeNull();
  });
});

describe("what a handful and a plant come to", () => {
  it("days of warmth are counted until they have come", () => {
    // a reference day of the crop's own temperature carries one
    const c = tomato.daysAt?.meanC ?? 18;
    const day = { tempMinC: c - 5, tempMaxC: c + 5 } as never;
    const cold = { tempMinC: -5, tempMaxC: 0 } as never;
    expect(daysToReach(2, [day, day, day], tomato)).toBe(2);
    expect(daysToReach(2, [day, cold, cold, day, day], tomato)).toBe(4);
    expect(daysToReach(0, [day], tomato)).toBe(0);
    expect(daysToReach(9, [day, day], tomato)).toBe(2);
  });
  it("plants of a row by what a metre and a plant give; four where nothing says", () => {
    const crop = { yield: { perPlantKg: [1, 3], perMetreKg: [4, 6] } } as never;
    expect(guessPlants(planting("tomato", { rowM: 4 }), crop)).toBe(10);
    expect(guessPlants(planting("tomato", { rowM: 0.1 }), crop)).toBe(1);
    expect(guessPlants(planting("tomato", { rowM: null }), crop)).toBe(4);
  });
  it("a season's yield by plants, else by row, else by ground; less in shade below four hours", () => {
    const crop = { ...tomato, yield: { ...tomato.yield, perPlantKg: [1, 3], perMetreKg: [4, 6] } } as typeof tomato;
    const g = (over: object, sunHours = 8) =>
      expectedYieldG(planting("tomato", { plants: null, ...over }), bed({ sunHours }), crop);
    expect(g({ plants: 5, rowM: 4 })).toBe(10_000);
    expect(g({ rowM: 4 })).toBe(20_000);
    expect(g({ areaM2: 2 })).toBe(32_000);
    expect(g({})).toBe(12_000);
    expect([g({ plants: 5 }, 4), g({ plants: 5 }, 3.9)]).toEqual([10_000, 6000]);
  });
});

describe("signs of the looks", () => {
  const TODAY = "2026-08-20";
  const look = (at: string, ...readings: [string, unknown][]): Check =>
    ({
      ...{ id: at, plantingId: "p", at: at.length > 10 ? at : `${at}T08:00`, by: "", note: "", photos: [], marked: [] },
      readings: readings.map(([cueId, value]) => ({ cueId, value }) as Reading),
    }) as Check;
  const cue = (id: string, over: object): [string, Cue] => [
    id,
    { id, kind: "event", verdict: null, usesUp: false, ...over } as Cue,
  ];
  const cues = new Map([
    cue("bolts", { verdict: "pick-all" }),
    cue("seed", { verdict: "leave-for-seed" }),
    cue("over", { kind: "count", of: "over" }),
    cue("dig", { usesUp: true }),
  ]);
  const signs = (checks: Check[], picks: PickMark[] = [], over: Partial<Signs> = {}): Signs => ({
    ...{ today: TODAY, crop: tomato, checks, picks, latitudeDeg: 52 },
    ...over,
  });
  it("a deciding sign holds a week, or until a pick or a later look takes it back", () => {
    const of = (checks: Check[], picks: PickMark[] = []) => standingOverride(signs(checks, picks), cues)?.id ?? null;
    expect(of([look("2026-08-13", ["bolts", true])])).toBe("bolts");
    expect(of([look("2026-08-12", ["bolts", true])])).toBeNull();
    expect(of([look("2026-08-15", ["bolts", true]), look("2026-08-16", ["bolts", false])])).toBeNull();
    expect(of([look("2026-08-15", ["bolts", true])], [{ day: "2026-08-16", extent: "some" }])).toBeNull();
    expect(of([look("2026-08-16", ["bolts", true])], [{ day: "2026-08-16", extent: "some" }])).toBe("bolts");
    expect(of([look("2026-08-21", ["bolts", true])])).toBeNull();
    expect(of([look("2026-03-01", ["seed", true])])).toBe("seed");
    expect(of([look("2026-01-31", ["seed", true])])).toBeNull();
  });
  it("of two looks in one minute the one saved last counts", () =>
    expect(
      standingOverride(
        signs([look("2026-08-15T08:00", ["bolts", true]), look("2026-08-15T08:00", ["bolts", false])]),
        cues,
      ),
    ).toBeNull());
  it("over-age pieces are those of the last count since the last pick, for a week", () => {
    const of = (checks: Check[], picks: PickMark[] = []) => lastOverCount(signs(checks, picks), cues);
    expect(of([look("2026-08-13", ["over", 4])])).toBe(4);
    expect(of([look("2026-08-12", ["over", 4])])).toBe(0);
    expect(of([look("2026-08-14", ["over", 4]), look("2026-08-15", ["over", 2])])).toBe(2);
    expect(of([look("2026-08-14", ["over", 4])], [{ day: "2026-08-15", extent: "some" }])).toBe(0);
    expect(of([look("2026-08-21", ["over", 4])])).toBe(0);
  });
  it("pests and disease are looked at again every other day until they are gone", () => {
    const of = (...checks: Check[]) => repeatBy(signs(checks));
    expect(of(look("2026-08-19", ["pest", true]))).toBe("2026-08-21");
    expect(of(look("2026-08-20", ["disease", true]))).toBe("2026-08-22");
    expect(of(look("2026-08-17", ["pest", true]))).toBe("2026-08-21");
    expect(of(look("2026-08-15", ["pest", true]))).toBeNull();
    expect(of(look("2026-08-18", ["pest", true]), look("2026-08-19", ["pest", false]))).toBeNull();
    expect(of(look("2026-08-18", ["pest", true]), look("2026-08-19"))).toBe("2026-08-21");
    // beside what else was read at that look; a look still to come says nothing yet
    expect(of(look("2026-08-19", ["length", 90], ["pest", true]))).toBe("2026-08-21");
    expect(of(look("2026-08-19", ["pest", true]), look("2026-08-25", ["pest", false]))).toBe("2026-08-21");
  });
  it("disease holds for a fortnight, by the latest look at it", () => {
    expect(isSick([look("2026-08-06", ["rust", true])], TODAY)).toBe(true);
    expect(isSick([look("2026-08-05", ["rust", true])], TODAY)).toBe(false);
    expect(isSick([look("2026-08-10", ["blight", true]), look("2026-08-11", ["disease", false])], TODAY)).toBe(false);
    expect(isSick([look("2026-08-10", ["blight", true]), look("2026-08-11", ["pest", false])], TODAY)).toBe(true);
    expect(isSick([look("2026-08-21", ["rust", true])], TODAY)).toBe(false);
  });
  it("a look that used something up counts once, from the season's start on", () => {
    const checks = [
      look("2026-05-01", ["dig", 1]),
      look("2026-08-01", ["dig", 1], ["dig", 2]),
      look("2026-08-02", ["bolts", true]),
    ];
    expect(usedUpBy(checks, cues, "2026-06-01")).toBe(1);
    expect(usedUpBy(checks, cues, "2026-05-01")).toBe(2);
  });
  it("somebody was there with a look or a pick of this season, not of the next days", () => {
    const input = signs([look("2026-08-10"), look("2026-08-25")], [{ day: "2026-08-12", extent: "some" }]);
    expect(lastLooked(input, "2026-05-01")).toBe("2026-08-12");
    expect(lastLooked(input, "2026-08-13")).toBeNull();
    expect(lastLooked({ ...input, picks: [] }, "2026-08-10")).toBe("2026-08-10");
  });
  it("nothing is taken outside one's own dates, from what is kept for seed, or once its season was ended", () => {
    const own = { ...tomato, season: { from: "07-01", to: "09-15" } } as typeof tomato;
    const barred = (today: string, crop = own, picks: PickMark[] = [], override: Cue | null = null) =>
      barredBy(signs([], picks, { today, crop }), override, "2026-01-01", null);
    expect(barred("2026-07-01")).toBeNull();
    expect(barred("2026-06-30")).toEqual({ why: "not-begun", day: "2026-07-01" });
    expect(barred("2026-09-15")).toBeNull();
    expect(barred("2026-09-16")).toEqual({ why: "over", day: "2026-09-15" });
    expect(barred("2026-08-01", own, [], cues.get("seed")!)).toEqual({ why: "for-seed" });
    const apple = cropOf("apple");
    const last: PickMark[] = [{ day: "2026-08-01", extent: "final" }];
    expect(barred("2026-08-20", apple, last)).toEqual({ why: "ended" });
    expect(barred("2026-08-20", tomato, last)).toBeNull();
    expect(barred("2026-08-20", apple, [{ day: "2025-08-01", extent: "final" }])).toBeNull();
  });
});
