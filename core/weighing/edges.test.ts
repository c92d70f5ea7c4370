import { describe, expect, it } from "vitest";
import { bed, planting } from "../fixtures/garden";
import { cropOf, handbookWith } from "../handbook";
import { expectedYieldG } from "../planting/yield";
import { GRAMS_PER_POUND, LITRES_PER_US_BUSHEL } from "../units/constants";
import { readAmount, readVolume } from "./amount";
import { bulkOf, containerMeasures } from "./bulk";
import { firstFrom, picksOf, picksSince } from "./by-planting";
import { doubtsOfPick } from "./doubts";
import { learnedOf, taughtCrops, type Weighing, weighingSchema } from "./learned";
import { ACCIDENTS, lotParts, usualWay } from "./lots";
import { doubtsOf, netOf } from "./net";
import {
  blankPick,
  containerSchema,
  GRADES,
  gradesFor,
  isCrop,
  isSoon,
  isUnripe,
  type PickRecord,
  partSchema,
  pickSchema,
  ROW_SHARES,
  tareItemSchema,
  tareOf,
  viewSchema,
} from "./pick";
import { settledG } from "./scale";
import { sayNet } from "./words";

const pick = (over: Partial<PickRecord> = {}): PickRecord =>
  blankPick({ id: "p", plantingId: "x", at: "2026-10-06T17:00", grossG: 6000, entered: "6 kg", ...over });
const carrot = bulkOf(cropOf("carrot"));

describe("what a pick may hold, at the edges", () => {
  const mayBe = (over: Partial<PickRecord>) => pickSchema.safeParse(pick(over)).success;
  const crate = (tareG: number, count = 1) => ({ name: "crate", tareG, count });
  it.each<[Partial<PickRecord>, boolean]>([
    [{}, true],
    [{ grossG: 5_000_000 }, true],
    [{ grossG: 5_000_001 }, false],
    [{ grossG: -1 }, false],
    [{ grossG: null, count: 0 }, true],
    [{ grossG: null, count: null }, false],
    [{ count: 1_000_001 }, false],
    [{ count: 1.5 }, false],
    [{ tare: [crate(6000)] }, true],
    [{ tare: [crate(6000.01)] }, false],
    [{ tare: [crate(3000, 2)] }, true],
    [{ tare: Array.from({ length: 21 }, () => crate(1)) }, false],
    [{ minutes: 1440 }, true],
    [{ minutes: 1441 }, false],
    [{ rowDone: 0.5 }, true],
    [{ rowDone: 0 }, false],
    [{ rowDone: 1 }, false],
    [{ againG: 6000, againHow: "dried" }, true],
    [{ againG: 6000.01, againHow: "dried" }, false],
    [{ againG: 100, againHow: "dried", tare: [crate(5900)] }, true],
    [{ againG: 101, againHow: "dried", tare: [crate(5900)] }, false],
    [{ note: "x".repeat(500) }, true],
    [{ note: "x".repeat(501) }, false],
    [{ left: "x".repeat(121) }, false],
    [{ by: "x".repeat(61) }, false],
    [{ at: "2026-02-30T10:00" }, false],
    [{ id: "" }, false],
  ])("%j: %s", (over, may) => expect(mayBe(over)).toBe(may));
  it("parts may weigh and count as much as the whole, to half a hundredth of a gram", () => {
    const part = (massG: number | null, count: number | null = null) => ({
      grade: "sound" as const,
      way: "" as const,
      massG,
      count,
      note: "",
    });
    expect(mayBe({ sorted: [part(3000), part(3000.004)] })).toBe(true);
    expect(mayBe({ sorted: [part(3000), part(3000.01)] })).toBe(false);
    expect(mayBe({ count: 5, sorted: [part(null, 2), part(null, 3)] })).toBe(true);
    expect(mayBe({ count: 5, sorted: [part(null, 3), part(null, 3)] })).toBe(false);
    expect(mayBe({ sorted: Array.from({ length: 13 }, () => part(1)) })).toBe(false);
    expect(partSchema.safeParse(part(null)).success).toBe(false);
    expect(partSchema.safeParse({ ...part(null, 1), note: "x".repeat(201) }).success).toBe(false);
  });
  it.each([
    [tareItemSchema, { name: "c", tareG: 0, count: 1 }, true],
    [tareItemSchema, { name: "c", tareG: -1, count: 1 }, false],
    [tareItemSchema, { name: " ", tareG: 1, count: 1 }, false],
    [tareItemSchema, { name: "c", tareG: 50_001, count: 1 }, false],
    [tareItemSchema, { name: "c", tareG: 1, count: 0 }, false],
    [tareItemSchema, { name: "c", tareG: 1, count: 501 }, false],
    [containerSchema, { id: "c", name: "c", tareG: 10, litres: 1000, atHand: 0 }, true],
    [containerSchema, { id: "c", name: "c", tareG: 10, litres: 0 }, false],
    [containerSchema, { id: "c", name: "c", tareG: 10, litres: 1001 }, false],
    [containerSchema, { id: "c", name: "c", tareG: 10, atHand: 1001 }, false],
    [containerSchema, { id: "c", name: "c", tareG: 10, atHand: -1 }, false],
    [viewSchema, { id: "v", name: "mine", query: "q=a" }, true],
    [viewSchema, { id: "v", name: "  ", query: "" }, false],
    [viewSchema, { id: "v", name: "x".repeat(61), query: "" }, false],
    [viewSchema, { id: "v", name: "mine", query: "x".repeat(501) }, false],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-06", what: "litre", amount: 1, massG: 1 }, true],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-36", what: "litre", amount: 1, massG: 1 }, false],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-06", what: "litre", amount: 0, massG: 1 }, false],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-06", what: "piece", amount: 10_001, massG: 1 }, false],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-06", what: "piece", amount: 1, massG: 0 }, false],
    [weighingSchema, { id: "w", cropId: "c", day: "2026-10-06", what: "piece", amount: 1, massG: 1_000_001 }, false],
  ] as const)("%#: %j", (schema, value, may) => expect(schema.safeParse(value).success).toBe(may));
});

describe("what grades and parts mean", () => {
  it("five are eaten first, four are still to ripen, and none is both", () => {
    expect(GRADES.filter(isSoon)).toEqual(["eat-first", "bolted", "small", "damaged", "pest-eaten"]);
    expect(GRADES.filter(isUnripe)).toEqual(["green-to-ripen", "blush-to-ripen", "half-to-ripen", "nearly-ripe"]);
  });
  it("nothing is picked to ripen that does not; a pepper only from half coloured on", () => {
    const unripe = (climacteric: boolean, indoors: "any" | "half" | "no" | null) =>
      gradesFor({ climacteric, indoors }).filter(isUnripe);
    expect(unripe(true, null)).toHaveLength(4);
    expect(unripe(false, null)).toEqual([]);
    expect(unripe(false, "any")).toHaveLength(4);
    expect(unripe(true, "half")).toEqual(["half-to-ripen", "nearly-ripe"]);
    expect(unripe(true, "no")).toEqual([]);
    expect(gradesFor({ climacteric: false, indoors: null })).toContain("sound");
  });
  it("only the crop itself is the crop; shares of a row rise and are less than all", () => {
    expect([isCrop(pick()), isCrop(pick({ part: "tops" }))]).toEqual([true, false]);
    const shares = [...ROW_SHARES];
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.every((s) => s > 0 && s < 1)).toBe(true);
  });
  it("tare is summed to a hundredth of a gram", () => {
    expect(tareOf([])).toBe(0);
    expect(tareOf([{ name: "a", tareG: 0.333, count: 2 }])).toBe(0.67);
  });
  it("what breaks while picking is eaten first, rotten it is none", () => {
    expect(ACCIDENTS.map((a) => a.grade)).toEqual(["eat-first", "eat-first", "eat-first", "pest-eaten", "compost"]);
    expect(usualWay("nearly-ripe", false)).toBe("store");
    expect(usualWay("damaged", true)).toBe("kitchen");
  });
});

describe("net, worked by hand", () => {
  it("tops on weigh by their share; weighed again, by the scale", () => {
    const on = pick({ topsOn: true });
    expect(netOf(on, 0.3, 100)).toEqual({ grossG: 6000, tareG: 0, netG: 6000, trimmedG: 4200, estimated: true });
    expect(netOf(on, 0, 100)).toMatchObject({ trimmedG: 6000, estimated: false });
    expect(netOf(pick({ estimated: true }), 0, 100).estimated).toBe(true);
    // dried it says nothing of tops
    const dried = pick({ topsOn: true, againG: 5000, againHow: "dried" });
    expect(netOf(dried, 0.3, 100).trimmedG).toBe(4200);
    const off = pick({ topsOn: true, againG: 4000, againHow: "tops-off", tare: [{ name: "c", tareG: 500, count: 2 }] });
    expect(netOf(off, 0.3, 100)).toEqual({ grossG: 6000, tareG: 1000, netG: 5000, trimmedG: 4000, estimated: false });
  });
  it("is told as a sum, with one container and with none", () => {
    const one = pick({ tare: [{ name: "bowl", tareG: 300, count: 1 }] });
    expect(sayNet(one, netOf(one, 0, 100), "metric")).toBe("6 kg gross − 300 g bowl = 5.7 kg net");
    expect(sayNet(pick(), netOf(pick(), 0, 100), "metric")).toBe("6 kg net");
    const on = pick({ topsOn: true });
    expect(sayNet(on, netOf(on, 0, 100), "metric")).toBe("6 kg net");
    const dried = pick({ againG: 5000, againHow: "dried" });
    expect(sayNet(dried, netOf(dried, 0, 100), "metric")).toBe("6 kg net");
  });
  it("doubts begin beyond ten times the usual, the plants there are, eight pieces and a twelfth of one", () => {
    const doubts = (over: Partial<PickRecord>, usualG: number | null, pieceG: number, most: number | null) =>
      doubtsOf(pick(over), netOf(pick(over), 0, pieceG), usualG, pieceG, most).length;
    expect([doubts({}, 600, 100, null), doubts({}, 599, 100, null)]).toEqual([0, 1]);
    expect([doubts({}, 0, 100, null), doubts({}, null, 100, null)]).toEqual([0, 0]);
    expect([doubts({ count: 60 }, null, 100, 60), doubts({ count: 61 }, null, 100, 60)]).toEqual([0, 1]);
    expect(doubts({ count: 60 }, null, 100, null)).toBe(0);
    // 6 kg in 7.5 pieces of 100 g would be eight times the usual
    expect([doubts({ count: 8 }, null, 100, null), doubts({ count: 7 }, null, 100, null)]).toEqual([0, 1]);
    expect([doubts({ count: 720 }, null, 100, null), doubts({ count: 721 }, null, 100, null)]).toEqual([0, 1]);
    expect(doubts({ count: 0 }, null, 100, null)).toBe(0);
    expect(doubts({ grossG: null, count: 7 }, null, 1, null)).toBe(0);
  });
});

describe("parts of a pick, worked by hand", () => {
  const part = (over: Partial<PickRecord["sorted"][number]>) => ({
    grade: "small" as const,
    way: "kitchen" as const,
    massG: null,
    count: null,
    note: "",
    ...over,
  });
  const lots = (over: Partial<PickRecord>, pieceG = 100) => lotParts(pick(over), netOf(pick(over), 0, pieceG), pieceG);
  it("counted where the whole was not: by the usual piece, never more than there is", () => {
    expect(lots({ sorted: [part({ count: 10 })] }).map((l) => [l.massG, l.count, l.estimated])).toEqual([
      [5000, null, true],
      [1000, 10, true],
    ]);
    expect(lots({ sorted: [part({ count: 100 })] }).map((l) => l.massG)).toEqual([6000]);
  });
  it("the rest keeps its count as long as every part was counted", () => {
    const count = (...parts: PickRecord["sorted"]) => lots({ count: 30, sorted: parts })[0]!.count;
    expect(count(part({ count: 10, massG: 500 }), part({ count: 5, massG: 500 }))).toBe(15);
    expect(count(part({ count: 10, massG: 500 }), part({ massG: 500 }))).toBeNull();
    expect(lots({ count: null, sorted: [part({ count: 10, massG: 500 })] })[0]!.count).toBeNull();
  });
  it("weighed parts are no estimates; the rest of an estimated one is", () => {
    expect(lots({ sorted: [part({ massG: 500, note: "forked" })] })).toMatchObject([
      { id: "p", estimated: false, note: "" },
      { id: "p.1", estimated: false, note: "forked", way: "kitchen", grade: "small" },
    ]);
    expect(lots({ estimated: true, sorted: [part({ massG: 500 })] }).map((l) => l.estimated)).toEqual([true, true]);
  });
  it("a bulb dug to see how it does is food, not stock", () => {
    const grade = (over: Partial<PickRecord>) => lots(over)[0]!.grade;
    expect([grade({ purpose: "test" }), grade({ purpose: "test", grade: "damaged" }), grade({})]).toEqual([
      "eat-first",
      "damaged",
      "sound",
    ]);
  });
  it("a pick of nothing is still one lot", () => {
    expect(lots({ grossG: 0 }).map((l) => [l.id, l.massG])).toEqual([["p", 0]]);
    expect(lotParts(pick({ grossG: 0, topsOn: true }), netOf(pick({ grossG: 0 }), 0.3, 100), 100)[0]!.massG).toBe(0);
  });
});

describe("volumes, at the edges", () => {
  const measures = [
    { name: "willow basket", litres: 12 },
    { name: "Trug", litres: 20 },
    { name: "big trug", litres: 40 },
  ];
  it.each<[string, number | null]>([
    ["2 willow baskets", 24],
    ["a basket", 12],
    ["half a basket", 6],
    ["a quarter of a basket", 3],
    ["quarter of a basket", 3],
    ["a half basket", 6],
    ["half basket", 6],
    ["3 trugs", 60],
    ["¾ trug", 15],
    ["1/4 trug", 5],
    ["2 big trugs", 80],
    ["2 litres", 2],
    ["2 liters", 2],
    ["1,5 l", 1.5],
    ["2 constructor", null],
    ["2", null],
    ["basket", null],
    ["1/0 l", null],
    ["two baskets", null],
    ["2 l of peas", null],
  ])("%s: %s l", (text, litres) => {
    const read = readVolume(text, measures);
    if (litres === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(litres, 9);
  });
  it("a word that ends two containers' names is neither", () => {
    const two = [
      { name: "green crate", litres: 10 },
      { name: "grey crate", litres: 30 },
    ];
    expect([readVolume("2 crates", two), readVolume("2 grey crates", two)]).toEqual([null, 60]);
  });
  it("one's own container goes before the unit of the same name", () => {
    expect(readVolume("1 peck", [{ name: "peck", litres: 5 }])).toBe(5);
  });
  it("a sum of weights and volumes tells its loads, its litres, and that it is an estimate", () => {
    const read = readAmount("2 + 3 kg + 2 l", "metric", carrot);
    const two = 2 * carrot.kgPerL * 1000;
    expect(read).toMatchObject({ ok: true, amount: { estimated: true, litres: 2 } });
    expect(read.ok && read.amount.loads).toEqual([2000, 3000, expect.closeTo(two, 1)]);
    expect(read.ok && read.amount.massG).toBeCloseTo(5000 + two, 1);
    expect(readAmount("2 + 3", "metric", carrot).ok).toBe(readAmount("2", "metric", carrot).ok);
  });
  it("600 letters are read, 601 are not", () => {
    const long = (n: number) => `${"1+".repeat(Math.floor((n - 2) / 2))}${"1".repeat(n % 2 === 0 ? 1 : 2)}g`;
    expect([long(600).length, long(601).length]).toEqual([600, 601]);
    expect(readAmount(long(600), "metric", carrot).ok).toBe(true);
    expect(readAmount(long(601), "metric", carrot)).toEqual({ ok: false, message: "This is too long for a weight." });
  });
});

describe("how much a litre weighs", () => {
  it("own weighing before the published bushel before the part's estimate", () => {
    const published = (50 * GRAMS_PER_POUND) / 1000 / LITRES_PER_US_BUSHEL;
    expect(carrot).toEqual({ kgPerL: published, published: true, measures: [] });
    expect(bulkOf({ ...cropOf("carrot"), ownKgPerL: 0.7 })).toMatchObject({ kgPerL: 0.7, published: false, own: true });
    expect(bulkOf({ like: "nothing", parts: ["pod"] })).toMatchObject({ kgPerL: 0.38, published: false });
    expect(bulkOf({ like: "nothing", parts: ["leaf"] }).kgPerL).toBe(0.14);
  });
  it("containers of which somebody said what they hold are measures", () => {
    const said = containerMeasures([
      { name: "trug", litres: 20 },
      { name: "bowl", litres: null },
    ]);
    expect(said).toEqual([{ name: "trug", litres: 20 }]);
  });
});

describe("what the scale teaches, at the edges", () => {
  const weighed = (over: Partial<Weighing>): Weighing => ({
    ...{ id: "w", cropId: "carrot", day: "2026-09-01", what: "litre", amount: 2, massG: 1300 },
    ...over,
  });
  it("only crops that something was learned of are taught, tops between none and nine tenths", () => {
    const picks = [
      pick({ id: "a", plantingId: "b", topsOn: true, grossG: 1000, againG: 10, againHow: "tops-off" }),
      pick({ id: "b", plantingId: "gone", topsOn: true, grossG: 1000, againG: 10, againHow: "tops-off" }),
    ];
    const all = handbookWith([]).all;
    const taught = taughtCrops(all, picks, [weighed({})], new Map([["b", "beetroot"]]));
    expect(taught.map((c) => c.id).sort()).toEqual(["beetroot", "carrot"]);
    const beet = taught.find((c) => c.id === "beetroot")!;
    expect(beet.topsShare).toBeCloseTo((1.5 * cropOf("beetroot").topsShare + 0.99) / 2.5, 9);
    expect(beet.ownKgPerL ?? null).toBe(cropOf("beetroot").ownKgPerL ?? null);
    expect(taught.find((c) => c.id === "carrot")).toMatchObject({
      ownKgPerL: 0.65,
      yield: { pieceG: cropOf("carrot").yield.pieceG },
    });
    const nineTenths = taughtCrops(
      all,
      Array.from({ length: 60 }, (_, k) => ({ ...picks[0]!, id: `m${k}` })),
      [],
      new Map([["b", "beetroot"]]),
    );
    expect(nineTenths[0]!.topsShare).toBe(0.9);
  });
  it("drying and tops are told apart, and a pick without a first weight teaches nothing", () => {
    const learned = learnedOf(
      { topsShare: 0 },
      [
        pick({ againG: 4500, againHow: "dried", tare: [{ name: "c", tareG: 1000, count: 1 }] }),
        pick({ grossG: null, count: 3, againG: 10, againHow: "dried" }),
      ],
      [],
    );
    expect(learned).toEqual({
      tops: null,
      drying: { share: expect.closeTo(0.1, 9), pairs: 1 },
      kgPerL: null,
      pieceG: null,
    });
  });
});

describe("picks from a moment on", () => {
  const at = (id: string, day: number) => pick({ id, at: `2026-09-0${day}T10:00` });
  const list = [at("a", 1), at("b", 3), at("c", 3), at("d", 5)];
  it.each([
    ["2026-09-01", 4],
    ["2026-09-02", 3],
    ["2026-09-03T10:00", 3],
    ["2026-09-03T10:01", 1],
    ["2026-09-09", 0],
  ])("%s: the last %s", (from, n) => {
    expect(picksSince({ picks: list }, from)).toEqual(list.slice(4 - n));
    expect(firstFrom(list, from)).toBe(4 - n);
  });
  it("of a planting nobody picked from there are none", () => expect(picksOf({ picks: list }, "nobody")).toEqual([]));
});

describe("a scale settles", () => {
  const readings = (shown: number[], stepMs = 200, overload = false) =>
    shown.map((shownG, k) => ({ atMs: k * stepMs, shownG, overload }));
  it.each([
    ["four readings over six tenths of a second that agree", settledG(readings([500, 500, 500, 500]), 1), 500],
    ["a drift of a step", settledG(readings([500, 500, 501, 501, 501]), 1), 501],
    ["a drift of more", settledG(readings([500, 500, 502, 502, 502]), 1), null],
    ["too few", settledG(readings([500, 500, 500]), 1), null],
    ["too soon", settledG(readings([500, 500, 500, 500], 100), 1), null],
    ["overloaded", settledG(readings([500, 500, 500, 500], 200, true), 1), null],
    ["none", settledG([], 1), null],
    ["what moved long before", settledG(readings([0, 900, 500, 500, 500, 500, 500]), 1), 500],
  ])("%s", (_, got, wanted) => expect(got).toBe(wanted));
});

describe("doubts of a pick of a planting, at the edges", () => {
  const grown = planting("carrot", { id: "x", startedOn: "2026-05-20", endedOn: "2026-10-20" });
  const crop = cropOf("carrot");
  const doubts = (over: Partial<PickRecord>, of = grown) => doubtsOfPick(pick(over), of, bed(), crop, "2026-10-25");
  const most = Math.max(3000, 3 * expectedYieldG(grown, bed(), crop));
  it("the first day, the last day and today are in order; three times a whole season's yield still is", () => {
    expect(doubts({ at: "2026-05-20T00:00", grossG: 100 })).toEqual([]);
    expect(doubts({ at: "2026-05-19T23:59", grossG: 100 })).toEqual(["before-start"]);
    expect(doubts({ at: "2026-10-20T23:00", grossG: 100 })).toEqual([]);
    expect(doubts({ at: "2026-10-21T00:00", grossG: 100 })).toEqual(["after-end"]);
    expect(doubts({ at: "2026-10-25T10:00", grossG: 100 }, { ...grown, endedOn: null })).toEqual([]);
    expect(doubts({ at: "2026-10-26T00:00", grossG: 100 }, { ...grown, endedOn: null })).toEqual(["to-come"]);
    expect([doubts({ grossG: most }), doubts({ grossG: most + 1 })]).toEqual([[], ["too-much"]]);
    expect(doubts({ grossG: 0, count: 2 })).toEqual([]);
  });
});
