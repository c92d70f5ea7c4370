import jstat from "jstat";
import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { event, seed } from "../fixtures/lots";
import { CROPS, cropOf, handbookWith } from "../handbook";
import { keepingFactsOf, partFactsOf } from "../handbook/storage";
import { type Place, placeWith } from "../household/place";
import { usualTaste } from "../household/taste";
import type { GRADES } from "../weighing/pick";
import { betterPlaces } from "./best-places";
import { blanchMinutes, PRESERVED_DAYS } from "./blanching";
import { curePlan } from "./cure-plan";
import { CURES_ABOVE_C, curingClock, curingOf, curingRate } from "./curing";
import { type LotEvent, type LotSeed, lotsNow } from "./lot";
import { airOf, NOWHERE, saidAir, summed } from "./place-air";
import { ripeIn, softIn, spreadOut } from "./ripening";
import { usualPlace } from "./seeds";
import { type Air, ageingOf, daysUntil, lifeOf, shareGood, warningsOf } from "./shelf-life";
import { goesByDate, isStillUnripe, longestLife, stockOf } from "./stock";
import { firstToUse, weekOf } from "./use-first";
import { sayAgeing, saySooner, sayWarning } from "./words";

const TODAY = "2026-10-06";
const book = handbookWith([]);
const cellar = placeWith({ id: "cellar", name: "cellar", kind: "cellar", litres: 200, tempMinC: 2, tempMaxC: 4 });
const counter = placeWith({ id: "counter", name: "counter", kind: "counter", litres: 40 });
const fridge = placeWith({ id: "fridge", name: "fridge", kind: "fridge", litres: 100 });
const PLACES = [cellar, counter, fridge];
const stock = (
  seeds: Partial<LotSeed>[],
  events: LotEvent[] = [],
  { today = TODAY, places = PLACES, readings = [] as Parameters<typeof stockOf>[3] } = {},
) => stockOf(lotsNow(seeds.map(seed), events).values(), book.find, places, readings, today);
const ago = (days: number) => `${addDays(TODAY, -days)}T10:00`;
const carrot = keepingFactsOf(cropOf("carrot"));

describe("the share that is good, by a library of statistics", () => {
  it.each([
    ["carrot", 30],
    ["lettuce-head", 9],
    ["bulb-onion", 200],
  ])("of %s after %s days is a lognormal’s", (id, days) => {
    const facts = keepingFactsOf(cropOf(id));
    const { medianDays, sigma } = lifeOf(facts);
    const left = 1 - jstat.normal.cdf(Math.log(days / medianDays), 0, sigma);
    expect(shareGood(facts, days)).toBeCloseTo(left, 6);
    expect(medianDays ** 2).toBeCloseTo(facts.days[0] * facts.days[1], 6);
  });
  it("is all of it on its first day, and a life of one number still scatters", () => {
    expect([shareGood(carrot, 0), shareGood(carrot, -3)]).toEqual([1, 1]);
    expect(lifeOf({ ...carrot, days: [10, 10] })).toEqual({ medianDays: 10, sigma: 0.12 });
    expect(lifeOf({ ...carrot, days: [10, 40] }).sigma).toBeCloseTo(Math.log(4) / (2 * 1.2815515655), 6);
  });
  it("days until a share is left are none where nothing is", () => {
    expect(daysUntil(carrot, 100_000, 1, 0.5)).toBe(0);
    expect(daysUntil(carrot, 0, 2, 0.5)).toBeCloseTo(daysUntil(carrot, 0, 1, 0.5) / 2, 3);
  });
});

describe("how fast it ages, worked by hand", () => {
  const facts = {
    ...carrot,
    tempC: [5, 7] as [number, number],
    humidityPct: [90, 95] as [number, number],
    safeC: 4,
    freezesC: -1,
    gasHarm: 2 as const,
    rests: false,
    wilts: "slowly" as const,
  };
  const best: Air = { tempC: 6, humidityPct: 92, light: "dark" };
  const rate = (over: Partial<Air>, change: object = {}, grade = "sound" as (typeof GRADES)[number], gas = false) =>
    ageingOf({ ...facts, ...change }, { ...best, ...over }, grade, gas).rate;
  it.each<[string, number, number]>([
    ["at its best", rate({}), 1],
    ["at the warm end", rate({ tempC: 7 }), 1],
    ["at 17 °C: 3^0.3 × 2.5^0.7 of 7 °C", rate({ tempC: 17 }), 3 ** 0.3 * 2.5 ** 0.7],
    [
      "resting at 17 °C: its own small Q10 for ten degrees",
      rate({ tempC: 17 }, { rests: true }) ** 2,
      rate({ tempC: 27 }, { rests: true }),
    ],
    ["a degree under its safe 4 °C", rate({ tempC: 3 }), 1.3],
    ["at its safe temperature", rate({ tempC: 4 }), 1],
    ["where cold does no harm", rate({ tempC: 1 }, { safeC: null }), 1],
    ["half a degree under freezing it is only chilled", rate({ tempC: -1.5 }), 1 + 0.3 * 5.5],
    ["a degree under freezing", rate({ tempC: -2 }), 60],
    ["ten points too dry, wilting slowly", rate({ humidityPct: 80 }), 1.06],
    ["ten points too dry, wilting soon", rate({ humidityPct: 80 }, { wilts: "soon" }), 1.3],
    ["just dry enough", rate({ humidityPct: 90 }), 1],
    ["damp does no harm to what wants it damp", rate({ humidityPct: 100 }), 1],
    ["ten points too damp for what must stay dry", rate({ humidityPct: 80 }, { humidityPct: [60, 70] }), 1.35],
    ["damp enough for what must stay dry", rate({ humidityPct: 75 }, { humidityPct: [60, 75] }), 1],
    ["humidity nobody knows", rate({ humidityPct: null }), 1],
    ["beside ripening fruit, much harmed", rate({}, {}, "sound", true), 1.5],
    ["beside it, some", rate({}, { gasHarm: 1 }, "sound", true), 1.2],
    ["beside it, hardly", rate({}, { gasHarm: 0 }, "sound", true), 1],
    ["eat first", rate({}, {}, "eat-first"), 3],
    ["bolted", rate({}, {}, "bolted"), 3],
    ["small", rate({}, {}, "small"), 1.5],
    ["pest-eaten", rate({}, {}, "pest-eaten"), 4],
    ["dry and damaged together", rate({ humidityPct: 80 }, {}, "damaged"), 4 * 1.06],
  ])("%s", (_, got, wanted) => expect(got).toBeCloseTo(wanted, 6));
  it("says each reason, and none that hardly counts", () => {
    const words = (over: Partial<Air>, change: object = {}) =>
      ageingOf({ ...facts, ...change }, { ...best, ...over }, "sound", false).factors.map((f) =>
        sayAgeing(f.why, "metric"),
      );
    expect(words({ tempC: 17 })).toEqual(["warmer than the 5 to 7 °C it keeps best at"]);
    expect(words({ tempC: 17 }, { tempC: [6, 6] })).toEqual(["warmer than the 6 °C it keeps best at"]);
    expect(words({ tempC: -2 })).toEqual(["it freezes at −1 °C"]);
    expect(words({ humidityPct: 89.5 })).toEqual([]);
    expect(words({ humidityPct: 89 })).toEqual(["drier than 90 %: it wilts"]);
  });
  it("what is said before it goes into a refrigerator", () => {
    const say = (change: object, fridgeThere = true, ripening = true, tempC = 4) =>
      warningsOf({ ...facts, safeC: null, ...change }, { ...best, tempC }, fridgeThere, {
        greens: false,
        ripening,
      }).map((w) => sayWarning(w, "It", "metric"));
    expect(say({ fridge: "no" })).toEqual(["It does not belong in a refrigerator."]);
    expect(say({ fridge: "no" }, false)).toEqual([]);
    expect(say({ fridge: "ripe-only" })).toEqual(["It: into the refrigerator only once it is ripe."]);
    expect(say({ fridge: "ripe-only" }, true, false)).toEqual([]);
    expect(say({ fridge: "few-days" })).toEqual(["It: in the refrigerator for a few days only."]);
    expect(say({ fridge: "few-days" }, false)).toEqual([]);
    expect(say({ fridge: "yes", safeC: 7 })).toEqual(["It is harmed below 7 °C; it is about 4 °C there."]);
    expect(say({ fridge: "yes", safeC: 4 })).toEqual([]);
  });
});

describe("a lot where it lies, worked by hand", () => {
  const cool = saidAir(cellar);
  const rateIn = (air: Air, grade: LotSeed["grade"] = "sound") => ageingOf(carrot, air, grade, false).rate;
  it("has lived as many days as it lay there, each as fast as that air ages it", () => {
    const [s] = stock([{ pickedAt: ago(16) }]);
    expect(s!.livedDays).toBeCloseTo(16 * rateIn(cool), 6);
    expect(s!.rate).toBeCloseTo(rateIn(cool), 9);
    expect(s!.good).toBeCloseTo(shareGood(carrot, s!.livedDays), 9);
    expect(s!.goodInWeek).toBeCloseTo(shareGood(carrot, s!.livedDays + 7 * s!.rate) / s!.good, 9);
    expect(shareGood(carrot, s!.livedDays + s!.halfInDays * s!.rate) / s!.good).toBeCloseTo(0.5, 4);
    expect(shareGood(carrot, s!.livedDays + s!.tenthInDays * s!.rate) / s!.good).toBeCloseTo(0.9, 4);
    expect(s!.facts).toEqual(carrot);
    expect(s!.air).toEqual(cool);
  });
  it("moved on the tenth day, ten days there and six here", () => {
    const [s] = stock([{ pickedAt: ago(16) }], [event({ kind: "move", placeId: "counter", at: ago(6) })]);
    const warm = saidAir(counter);
    expect(s!.livedDays).toBeCloseTo(10 * rateIn(cool) + 6 * rateIn(warm), 6);
    expect(s!.factors).toEqual(ageingOf(carrot, warm, "sound", false).factors);
    expect(s!.place?.id).toBe("counter");
  });
  it("a warm day counts by what the thermometer showed then", () => {
    const readings = [{ id: "r", placeId: "cellar", at: `${addDays(TODAY, -3)}T08:00`, tempC: 15, humidityPct: 95 }];
    const [s] = stock([{ pickedAt: ago(6) }], [], { readings });
    const warm = { ...cool, tempC: 15, humidityPct: 95 };
    // the reading holds from its own day on: three days before it, three with it
    expect(s!.livedDays).toBeCloseTo(3 * rateIn(cool) + 3 * rateIn(warm), 6);
    expect(s!.air).toEqual(warm);
  });
  it("nobody has said where it lies: a counter's air", () => {
    const [s] = stock([{ placeId: null, pickedAt: ago(2) }]);
    expect(s!.air).toEqual(NOWHERE);
    expect(NOWHERE).toEqual({ tempC: 20, humidityPct: 50, light: "light" });
    expect(s!.livedDays).toBeCloseTo(2 * rateIn(NOWHERE), 6);
  });
  it("used up, of no crop in the book, or all but gone it is left out", () => {
    expect(stock([{ way: "give" }])).toEqual([]);
    expect(stock([{ cropId: "nothing-like-it" }])).toEqual([]);
    const facts = keepingFactsOf(cropOf("spinach"));
    const air = saidAir(fridge);
    const lasts = daysUntil(facts, 0, ageingOf(facts, air, "sound", false).rate, 0.02);
    const spinach = (days: number) => stock([{ cropId: "spinach", placeId: "fridge", pickedAt: ago(days) }]).length;
    expect([spinach(Math.floor(lasts)), spinach(Math.ceil(lasts))]).toEqual([1, 0]);
  });
  it("what came with the crop keeps as that part does", () => {
    const [s] = stock([{ part: "greens", placeId: "fridge", pickedAt: ago(1) }]);
    expect(s!.facts).toEqual(partFactsOf("greens"));
    expect([s!.curing, s!.ripe]).toEqual([null, null]);
  });
  it.each(["frozen", "dried", "fermented", "jam", "canned", "pickled", "cooked"] as const)(
    "%s: half of it is good when its usual time is over, whatever the air",
    (how) => {
      const days = PRESERVED_DAYS[how];
      const put = event({ kind: "preserve", toLot: "jar", how, at: "2026-09-20T12:00" });
      const [jar] = stock([{}], [put], { today: addDays("2026-09-20", days) });
      expect(jar!.good).toBeCloseTo(0.5, 6);
      expect([jar!.rate, jar!.factors, jar!.livedDays]).toEqual([1, [], days]);
      expect(jar!.facts.days).toEqual([days * 0.8, days * 1.25]);
      expect(goesByDate(jar!.lot)).toBe(true);
    },
  );
  it("a day of the gardener's own: a tenth gone a twentieth later, nine tenths three tenths later", () => {
    const [s] = stock([{ pickedAt: ago(5) }], [event({ kind: "date", until: addDays(TODAY, 15), at: ago(4) })]);
    expect(s!.facts.days).toEqual([21, 26]);
    expect(s!.livedDays).toBe(5);
    const [short] = stock([{ pickedAt: ago(0) }], [event({ kind: "date", until: TODAY, at: ago(0) })]);
    expect(short!.facts.days).toEqual([1.05, 1.3]);
  });
  it("no crop is followed for longer than any of it can be good, and hardly shorter", () => {
    for (const crop of CROPS) {
      const most = Math.max(
        ...[false, ...(crop.colours ? [true] : [])].map((green) =>
          shareGood(keepingFactsOf(crop, green), longestLife(crop)),
        ),
      );
      const before = Math.max(
        ...[false, ...(crop.colours ? [true] : [])].map((green) =>
          shareGood(keepingFactsOf(crop, green), longestLife(crop) - 1.5),
        ),
      );
      expect([crop.id, most <= 0.0201, before > 0.0199]).toEqual([crop.id, true, true]);
    }
  });
});

describe("curing where it lies, worked by hand", () => {
  const onion = curingOf(cropOf("bulb-onion"))!;
  const shed = (over: Partial<Place> = {}) =>
    placeWith({
      id: "shed",
      name: "shed",
      kind: "airy",
      litres: 100,
      tempMinC: 20,
      tempMaxC: 20,
      humidityMin: 60,
      humidityMax: 60,
      ...over,
    });
  const curing = (days: number, events: LotEvent[] = [], over: Partial<LotSeed> = {}, place: Partial<Place> = {}) =>
    stock([{ cropId: "bulb-onion", placeId: "shed", pickedAt: ago(days), ...over }], events, {
      places: [shed(place)],
    })[0]!.curing;
  it("nine days in a right shed are nine of its fourteen to twenty-one", () => {
    expect(curing(9)).toEqual({ done: 9, wanted: 17.5, left: [5, 12], ready: false });
    expect(curing(21)!.ready).toBe(true);
    expect(curing(20)!.ready).toBe(false);
  });
  it("still air does six tenths of it, and air that moves all", () => {
    expect(curing(10, [], {}, { air: "still" })!.done).toBeCloseTo(6, 9);
    expect(curing(10, [], {}, { air: "moving" })!.done).toBeCloseTo(10, 9);
    expect(curing(10, [], {}, { air: "still" })!.left![0]).toBeCloseTo(8 / 0.6, 6);
  });
  it("found ready it is, from that day; found not ready it wants a fifth more than it had", () => {
    const test = (ready: "ready" | "not-yet" | null, day: number) => event({ kind: "check", ready, at: ago(day) });
    expect(curing(12, [test("ready", 4)])).toEqual({ done: 8, wanted: 8, left: [0, 0], ready: true });
    expect(curing(20, [test("not-yet", 0)])!.left).toEqual([24 - 20, 24 - 20]);
    expect(curing(9, [test(null, 2)])).toEqual(curing(9));
  });
  it.each<[string, Partial<LotSeed>]>([
    ["its tops", { part: "tops" }],
    ["what was damaged", { grade: "damaged" }],
    ["another crop", { cropId: "carrot" }],
  ])("%s: no clock", (_, over) => expect(curing(0, [], over)).toBeNull());
  it("the rate of a day: edges of warmth and of damp", () => {
    const at = (tempC: number, humidityPct: number | null) => curingRate(onion, { tempC, humidityPct });
    expect([at(15, 55), at(30, 55), at(35, 55), at(35.1, 55)]).toEqual([1, 1, 1, 0.5]);
    expect([at(20, 30), at(20, 29.9), at(20, 80), at(20, 80.1), at(20, null)]).toEqual([1, 0.5, 1, 0.5, 1]);
    expect([at(CURES_ABOVE_C, 55) > 0, at(CURES_ABOVE_C - 0.1, 55)]).toEqual([true, 0]);
    // 15 down to 5 °C: half a step of 3 and half a step of 2.5
    expect(at(5, 55)).toBeCloseTo(1 / (3 ** 0.5 * 2.5 ** 0.5), 6);
  });
  it("hardly going on is not going on", () => {
    expect(curingClock(onion, [], 0.019, []).left).toBeNull();
    expect(curingClock(onion, [], 0.02, []).left).toEqual([700, 1050]);
    expect(curingClock(onion, [1, 1], 1, [{ afterDays: 1, ready: false }])).toMatchObject({ done: 2, wanted: 17.5 });
  });
  it("the plan: nothing within five points of the right damp, and whole days rounded up", () => {
    const clock = { done: 0.5, wanted: 17.5, left: [13.5, 20.5] as const, ready: false };
    const lacks = (humidityPct: number) =>
      curePlan(onion, clock, { tempC: 20, humidityPct, moving: true }, TODAY).lacks;
    expect([lacks(35), lacks(75)]).toEqual([[], []]);
    expect(lacks(34)).toEqual([{ what: "dry", by: 6 }]);
    expect(lacks(76)).toEqual([{ what: "damp", by: 6 }]);
    const p = curePlan(onion, clock, { tempC: 20, humidityPct: 60 }, TODAY);
    expect([p.thereOn, p.hereOn]).toEqual([
      ["2026-10-20", "2026-10-27"],
      ["2026-10-20", "2026-10-27"],
    ]);
    expect(p.lacks).toEqual([]);
    const done = curePlan(onion, { ...clock, done: 30 }, { tempC: 20, humidityPct: 60 }, TODAY);
    expect(done.thereOn).toEqual([TODAY, TODAY]);
  });
});

describe("ripening where it lies, worked by hand", () => {
  const ripe = (over: Partial<LotSeed>, events: LotEvent[] = []) =>
    stock([{ cropId: "tomato", grade: "green-to-ripen", placeId: "counter", pickedAt: ago(0), ...over }], events)[0]!
      .ripe;
  const close = (got: readonly [number, number] | null, wanted: [number, number]) => {
    expect(got![0]).toBeCloseTo(wanted[0], 6);
    expect(got![1]).toBeCloseTo(wanted[1], 6);
  };
  it("green at 20 °C: ten days, 15 % either way and half a day (UC Davis; from memory)", () => {
    close(ripe({}), [8.5, 12]);
    close(ripe({ pickedAt: ago(5) }), [4.25, 6.25]);
    close(ripe({ grade: "half-to-ripen" }), [3.4, 5.1]);
    expect(ripe({ pickedAt: ago(10) })).toBeNull();
  });
  it("a firm peach softens in two days there", () => {
    close(ripe({ cropId: "peach", grade: "sound" }), [1.7, 2.8]);
    expect(ripe({ cropId: "peach", grade: "sound", pickedAt: ago(2) })).toBeNull();
  });
  it("red ones, found ripe ones, what was put by and roots have no day", () => {
    expect(ripe({ grade: "sound" })).toBeNull();
    expect(ripe({}, [event({ kind: "check", ready: "ready", at: ago(0) })])).toBeNull();
    expect(ripe({}, [event({ kind: "check", ready: "not-yet", at: ago(0) })])).not.toBeNull();
    expect(ripe({ cropId: "carrot", grade: "sound" })).toBeNull();
    expect(ripe({ part: "greens" })).toBeNull();
  });
  it("picked to ripen it is unripe until somebody finds it ripe", () => {
    const lot = (events: LotEvent[], grade: LotSeed["grade"] = "nearly-ripe") =>
      lotsNow([seed({ cropId: "tomato", grade })], events).get("a")!;
    const found = event({ kind: "check", ready: "ready" });
    expect([isStillUnripe(lot([])), isStillUnripe(lot([found])), isStillUnripe(lot([], "sound"))]).toEqual([
      true,
      false,
      false,
    ]);
    expect(goesByDate(lot([]))).toBe(false);
  });
  it("the table's end slopes go on to 10 and to 30 °C, and never under half a day", () => {
    // green: 18 days at 12.5 °C and 15 at 15 °C; 8 at 22.5 and 7 at 25
    expect(ripeIn("green", 10)).toBeCloseTo(21, 9);
    expect(ripeIn("green", 30)).toBeCloseTo(5, 9);
    expect(ripeIn("pink", 30)).toBe(0.5);
    expect(ripeIn("green", 11.25)).toBeCloseTo(19.5, 9);
    expect([ripeIn("green", 9.9), ripeIn("green", 30.1)]).toEqual([null, null]);
  });
  it("softening halves with every ten degrees, and ends at 35 °C", () => {
    expect(softIn({ like: "pear" }, 10)).toBeCloseTo(12, 9);
    expect(softIn({ like: "pear" }, 30)).toBeCloseTo(3, 9);
    expect([softIn({ like: "pear" }, 8) !== null, softIn({ like: "pear" }, 7.9)]).toEqual([true, null]);
    expect([softIn({ like: "pear" }, 35) !== null, softIn({ like: "pear" }, 35.1)]).toEqual([true, null]);
  });
  it("batches of three days' eating, none of nothing", () => {
    expect(spreadOut(10, 2)).toEqual([
      { inDays: 0, pieces: 6 },
      { inDays: 3, pieces: 4 },
    ]);
    expect(spreadOut(2, 0.1)).toEqual([
      { inDays: 0, pieces: 1 },
      { inDays: 10, pieces: 1 },
    ]);
    expect([spreadOut(0, 2), spreadOut(5, 0)]).toEqual([[], []]);
  });
});

describe("the air of a place", () => {
  it.each([
    ["fridge", 4, 90, "dark"],
    ["counter", 20, 50, "light"],
    ["airy", 15, 65, "dim"],
    ["cellar", 9, 85, "dark"],
    ["freezer", -18, null, "dark"],
    ["sill", 21, 45, "light"],
  ] as const)("of a %s nobody has described: %s °C, %s %% (common practice)", (kind, tempC, humidityPct, light) => {
    expect(saidAir(placeWith({ id: "x", name: "x", kind, litres: 1 }))).toEqual({ tempC, humidityPct, light });
  });
  it("as it was typed: the middle of two figures, or the one", () => {
    const said = (over: Partial<Place>) =>
      saidAir(placeWith({ id: "x", name: "x", kind: "cellar", litres: 1, ...over }));
    expect(said({ tempMinC: 2, tempMaxC: 6 }).tempC).toBe(4);
    expect([said({ tempMinC: 2 }).tempC, said({ tempMaxC: 6 }).tempC]).toEqual([2, 6]);
    expect(said({ humidityMin: 60, humidityMax: 80 }).humidityPct).toBe(70);
    expect(said({ light: "light" }).light).toBe("light");
  });
  it("by readings of its own, the day's mean, latest day first; unread damp as it was said", () => {
    const r = (at: string, tempC: number, humidityPct: number | null, placeId = "cellar") => ({
      id: at,
      placeId,
      at,
      tempC,
      humidityPct,
    });
    const air = airOf(cellar, [
      r("2026-10-03T08:00", 8, null),
      r("2026-10-01T20:00", 12, 70),
      r("2026-10-01T08:00", 10, 80),
      r("2026-10-02T08:00", 30, 10, "counter"),
    ]);
    expect(air("2026-10-01")).toEqual({ tempC: 11, humidityPct: 75, light: "dark" });
    expect(air("2026-10-02")).toEqual({ tempC: 11, humidityPct: 75, light: "dark" });
    expect(air("2026-10-03")).toEqual({ tempC: 8, humidityPct: saidAir(cellar).humidityPct, light: "dark" });
    expect(air("2026-10-13").tempC).toBe(8);
    expect(air("2026-10-14")).toEqual(saidAir(cellar));
    expect(air("2026-09-30")).toEqual(saidAir(cellar));
  });
  it("sums stop at both ends of what is known", () => {
    const between = summed("2026-10-01", [1, 2, 4]);
    expect(between("2026-10-01", "2026-10-02")).toBe(1);
    expect(between("2026-09-01", "2026-12-01")).toBe(7);
    expect(between("2026-10-03", "2026-10-04")).toBe(4);
    expect(between("2026-10-04", "2026-10-09")).toBe(0);
  });
});

describe("what to use first and what the week takes, worked by hand", () => {
  it("what cures is on the list only where it will not last a fortnight", () => {
    const [onion] = stock([{ cropId: "bulb-onion", placeId: "counter", pickedAt: ago(2) }]);
    expect(onion!.curing!.ready).toBe(false);
    expect(firstToUse([{ ...onion!, halfInDays: 13.9 }])).toHaveLength(1);
    expect(firstToUse([{ ...onion!, halfInDays: 14 }])).toHaveLength(0);
  });
  it.each([
    ["damaged", 0.35, "damaged"],
    ["pest-eaten", 0.35, "damaged"],
    ["eat-first", 0.5, "use soon"],
    ["bolted", 0.5, "bolted: it does not keep"],
    ["small", 0.7, "small ones shrivel first"],
  ] as const)("%s goes before what lasts more than %s of its days", (grade, share, why) => {
    const [s] = stock([{}]);
    const sooner = { ...s!, halfInDays: 10, lot: { ...s!.lot, id: "z", grade } };
    const sound = (halfInDays: number) => ({ ...s!, halfInDays, lot: { ...s!.lot, id: "b" } });
    const order = (days: number) => firstToUse([sound(days), sooner]).map((u) => u.stocked.lot.id);
    expect([order(10 * share + 0.1), order(10 * share - 0.1)]).toEqual([
      ["z", "b"],
      ["b", "z"],
    ]);
    expect(saySooner(firstToUse([sooner])[0]!.sooner)).toBe(why);
    const jar = { ...sooner, lot: { ...sooner.lot, preserved: "jam" as const } };
    expect(firstToUse([jar])[0]!.sooner).toBeNull();
  });
  it("what is kept for planting is for no table", () => {
    const [s] = stock([{}]);
    const as = (over: object) => ({ ...s!, lot: { ...s!.lot, ...over } });
    expect(firstToUse([as({ way: "seed" }), as({ grade: "seed" })])).toEqual([]);
    expect(
      weekOf([as({ way: "seed" }), as({ preserved: "jam" }), as({ part: "greens" })], (c) => usualTaste(c, 2)),
    ).toEqual([]);
  });
  it("a week of two lots: eaten, and lost in a fortnight beyond twice that", () => {
    const [s] = stock([{}]);
    const lot = (id: string, leftG: number, good: number, goodInWeek: number, crop = s!.crop) => ({
      ...s!,
      crop,
      good,
      goodInWeek,
      lot: { ...s!.lot, id, leftG, pieceG: 100 },
    });
    const taste = (weeklyG: number) => (crop: typeof s extends undefined ? never : NonNullable<typeof s>["crop"]) => ({
      ...usualTaste(crop, 2),
      weeklyG,
    });
    // 4000 × 0.9 + 1000 × 0.5 = 4100 good; lost: 3600 × (1 − 0.25) + 500 × (1 − 0.01) = 3195
    const two = [lot("a", 4000, 0.9, 0.5), lot("b", 1000, 0.5, 0.1)];
    expect(weekOf(two, taste(600))).toMatchObject([{ goodG: 4100, eatG: 600, surplusG: 1995, lots: 2, pieces: 50 }]);
    // more is eaten in a fortnight than would be lost
    expect(weekOf(two, taste(1600))).toMatchObject([{ eatG: 1600, surplusG: 0 }]);
    expect(weekOf(two, taste(9000))).toMatchObject([{ eatG: 4100, surplusG: 0 }]);
    // no more is over than there is beyond a fortnight's eating
    expect(weekOf([lot("a", 1000, 1, 0)], taste(400))).toMatchObject([{ surplusG: 200 }]);
    const kale = { ...cropOf("kale") };
    const order = weekOf(
      [lot("a", 1000, 1, 1), lot("k", 2000, 1, 1, kale), ...two.map((x) => ({ ...x, crop: cropOf("leek") }))],
      taste(100),
    );
    expect(order.map((w) => w.crop.id)).toEqual(["leek", "kale", "carrot"]);
  });
});

describe("a better place", () => {
  const moves = (seeds: Partial<LotSeed>[], places = PLACES, events: LotEvent[] = []) =>
    betterPlaces(stock(seeds, events, { places }), places);
  it("is told for what weighs 200 g and more, with both times of a first tenth", () => {
    const [move] = moves([{ placeId: "counter", pickedAt: ago(1) }]);
    const lived = stock([{ placeId: "counter", pickedAt: ago(1) }])[0]!.livedDays;
    const tenth = (place: Place) =>
      Math.min(180, daysUntil(carrot, lived, ageingOf(carrot, saidAir(place), "sound", false).rate, 0.9));
    expect(move!.share).toBeCloseTo(1, 9);
    expect(move!.fromDays).toBeCloseTo(tenth(counter), 6);
    expect(move!.toDays).toBeCloseTo(tenth(move!.to), 6);
    expect(moves([{ placeId: "counter", pickedAt: ago(1), massG: 200 }])).toHaveLength(1);
    expect(moves([{ placeId: "counter", pickedAt: ago(1), massG: 199 }])).toHaveLength(0);
  });
  it("is never a freezer or a sill, and none for what was put by or still cures", () => {
    const cold = [
      counter,
      placeWith({ id: "f", name: "f", kind: "freezer", litres: 500 }),
      placeWith({ id: "s", name: "s", kind: "sill", litres: 500 }),
    ];
    expect(moves([{ placeId: "counter", pickedAt: ago(1) }], cold)).toEqual([]);
    const put = event({ kind: "preserve", toLot: "jar", how: "jam", at: ago(1), placeId: "counter" });
    expect(moves([{ placeId: "counter", pickedAt: ago(2) }], PLACES, [put])).toEqual([]);
    expect(moves([{ cropId: "bulb-onion", placeId: "counter", pickedAt: ago(2) }])).toEqual([]);
  });
  it("takes what there is room for", () => {
    const small = { ...cellar, litres: 6, takenLitres: 2 };
    const [move] = moves(
      [{ placeId: "counter", pickedAt: ago(1), massG: 20_000 }],
      [small, { ...counter, litres: 90 }],
    );
    expect(move).toMatchObject({ to: { id: "cellar" } });
    expect(move!.share).toBeLessThan(0.2);
  });
  it("is told from nowhere too, by what it loses in a room’s air", () => {
    const [move] = moves([{ placeId: null, pickedAt: ago(1) }]);
    const [lies] = stock([{ placeId: null, pickedAt: ago(1) }]);
    expect(move!.to.id).not.toBe("counter");
    expect(move!.fromDays).toBeCloseTo(lies!.tenthInDays, 6);
  });
  it("goes to what is worth more for each day it gains, where there is not room for both", () => {
    const cool = { ...cellar, litres: 8, takenLitres: 0 };
    const worth = (perKg: number, other: number) =>
      betterPlaces(
        stock(
          [
            { id: "a", pickId: "a", placeId: "counter", pickedAt: ago(1), massG: 5000 },
            { id: "b", pickId: "b", placeId: "counter", pickedAt: ago(1), massG: 5000 },
          ],
          [],
          { places: [cool, { ...counter, litres: 90 }] },
        ).map((s) => ({
          ...s,
          crop: { ...s.crop, worth: { ...s.crop.worth, perKg: s.lot.id === "a" ? perKg : other } },
        })),
        [cool, { ...counter, litres: 90 }],
      ).flatMap((m) => (m.share > 0.9 ? [m.lotId] : []));
    expect(worth(3, 1)).toEqual(["a"]);
    expect(worth(1, 3)).toEqual(["b"]);
  });
  it("is not told for a gain of less than four days", () => {
    const nearly = { ...saidAir(counter) };
    const alike = [counter, placeWith({ id: "other", name: "o", kind: "counter", litres: 90 })];
    expect(moves([{ placeId: "counter", pickedAt: ago(1) }], alike)).toEqual([]);
    expect(nearly.tempC).toBe(20);
  });
});

describe("where a pick is laid when nobody says", () => {
  const all = (["fridge", "counter", "airy", "cellar"] as const).map((kind) =>
    placeWith({ id: kind, name: kind, kind, litres: 50 }),
  );
  it.each([
    ["tomato", true, "counter"],
    ["bulb-onion", false, "airy"],
    ["carrot", false, "cellar"],
    ["lettuce-head", false, "fridge"],
  ])("%s, green: %s, goes to the %s", (id, green, to) => expect(usualPlace(id, green, book, all)?.id ?? null).toBe(to));
  it("and nowhere in a house without such a place, nor for a crop nobody knows", () => {
    expect(usualPlace("tomato", true, book, [])).toBeNull();
    expect(usualPlace("nothing", false, book, all)).toBeNull();
  });
});

describe("blanching at its edges (National Center for Home Food Preservation; from memory)", () => {
  it("sizes beyond the table are its ends; a minute more from 1,524 m on", () => {
    const at = (size: number, m = 0) => blanchMinutes({ like: "asparagus" }, size, m);
    expect([at(-1), at(0), at(0.25), at(2)]).toEqual([2, 2, 2.5, 4]);
    expect([at(0, 1523), at(0, 1524)]).toEqual([2, 3]);
    expect(blanchMinutes({ like: "asparagus" }, 0, 1524, true)).toBe(4);
  });
});
