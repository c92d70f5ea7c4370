import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { bulkOf } from "./bulk";
import { learnedOf, shareLost, type Weighing } from "./learned";
import { lotParts, usualWay } from "./lots";
import { netOf } from "./net";
import { blankPick, GRADES, type PickRecord, pickSchema } from "./pick";
import { bookOf } from "./taught-book";
import { sayNet } from "./words";

const pick = (over: Partial<PickRecord> = {}): PickRecord =>
  blankPick({ id: "p", plantingId: "x", at: "2026-10-06T17:00", grossG: 6000, entered: "6 kg", ...over });
const part = (over: Partial<PickRecord["sorted"][number]> = {}) => ({
  grade: "eat-first" as const,
  way: "kitchen" as const,
  massG: 500 as number | null,
  count: null as number | null,
  note: "",
  ...over,
});

describe("a pick sorted into parts", () => {
  it("the parts and the rest weigh what the whole weighs, to the hundredth of a gram, whatever was sorted", () => {
    const masses = fc.array(fc.integer({ min: 0, max: 90_000 }), { maxLength: 8 });
    const gross = fc.integer({ min: 1, max: 3_000_000 });
    fc.assert(
      fc.property(gross, masses, fc.double({ min: 0, max: 0.9, noNaN: true }), fc.boolean(), (g, ms, tops, on) => {
        const grossG = Math.max(g / 100, ms.reduce((a, b) => a + b, 0) / 100);
        const p = pick({ grossG, topsOn: on, sorted: ms.map((m) => part({ massG: m / 100 })) });
        expect(pickSchema.safeParse(p).success).toBe(true);
        const net = netOf(p, tops, 150);
        const lots = lotParts(p, net, 150);
        expect(lots.reduce((s, l) => s + l.massG, 0)).toBeCloseTo(net.trimmedG, 4);
        expect(lots.every((l) => l.massG >= 0)).toBe(true);
        expect(new Set(lots.map((l) => l.id)).size).toBe(lots.length);
      }),
    );
  });
  it("a part only counted is its share of the pieces, and an estimate", () => {
    const p = pick({ count: 24, sorted: [part({ massG: null, count: 4 })] });
    const [rest, apart] = lotParts(p, netOf(p, 0, 150), 150);
    expect(apart).toMatchObject({ massG: 1000, count: 4, estimated: true, grade: "eat-first" });
    expect(rest).toMatchObject({ id: "p", massG: 5000, count: 20 });
  });
  it("what was weighed with its tops on loses its share of them, part by part", () => {
    const p = pick({ topsOn: true, sorted: [part({ massG: 3000 })] });
    expect(lotParts(p, netOf(p, 0.25, 150), 150).map((l) => l.massG)).toEqual([2250, 2250]);
  });
  it("a pick sorted whole leaves no empty rest", () => {
    const p = pick({ sorted: [part({ massG: 2000 }), part({ massG: 4000, grade: "sound", way: "store" })] });
    expect(lotParts(p, netOf(p, 0, 150), 150).map((l) => l.id)).toEqual(["p.1", "p.2"]);
  });
  it.each([
    ["parts heavier than the whole", { sorted: [part({ massG: 6001 })] }, "sorted"],
    ["more pieces than the whole", { count: 3, sorted: [part({ massG: null, count: 4 })] }, "sorted"],
    ["a part of nothing", { sorted: [part({ massG: null })] }, "sorted"],
    ["heavier the second time", { againG: 6500, againHow: "dried" as const }, "againG"],
    ["weighed again though only counted", { grossG: null, count: 3, againG: 100 }, "againG"],
    ["no minutes at all", { minutes: 0 }, "minutes"],
  ])("refuses %s", (_, over, field) => {
    const checked = pickSchema.safeParse(pick(over));
    expect(checked.success ? "taken" : checked.error.issues[0]!.path[0]).toBe(field);
  });
  it("every grade has a way it usually goes (common practice)", () => {
    const ways = Object.fromEntries(GRADES.map((g) => [g, usualWay(g, true)]));
    expect(ways).toEqual({
      ...{ sound: "store", seed: "seed", animals: "animals", compost: "compost" },
      ...{ "eat-first": "kitchen", bolted: "kitchen", small: "kitchen", damaged: "kitchen", "pest-eaten": "kitchen" },
      ...{ "green-to-ripen": "store", "blush-to-ripen": "store", "half-to-ripen": "store", "nearly-ripe": "store" },
    });
    expect(usualWay("sound", false)).toBe("kitchen");
  });
});

describe("what the scale teaches", () => {
  it("a book's share counts as one and a half pairs: normal prior and readings of one spread (checks C14.4)", () => {
    // precision-weighted mean, worked by hand: (1.5 × 0.3 + 0.2 + 0.25) / 3.5
    expect(
      shareLost(
        [
          [1000, 800],
          [2000, 1500],
        ],
        0.3,
      ),
    ).toEqual({ share: expect.closeTo(0.9 / 3.5, 9), pairs: 2 });
    expect(shareLost([], 0.3)).toEqual({ share: 0.3, pairs: 0 });
    expect(shareLost([], null)).toBeNull();
    expect(shareLost([[1000, 820]], null)!.share).toBeCloseTo(0.18, 9);
  });
  it("many pairs outweigh the book; the share stays between what was seen and what the book says", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.6, noNaN: true }), fc.integer({ min: 1, max: 200 }), (s, n) => {
        const learned = shareLost(
          Array.from({ length: n }, () => [1000, 1000 * (1 - s)] as const),
          0.3,
        )!;
        expect(learned.share).toBeGreaterThanOrEqual(Math.min(s, 0.3) - 1e-9);
        expect(learned.share).toBeLessThanOrEqual(Math.max(s, 0.3) + 1e-9);
        if (n > 100) expect(learned.share).toBeCloseTo(s, 2);
      }),
    );
  });
  const beet = cropOf("beetroot");
  const again = (id: string, before: number, after: number, how: PickRecord["againHow"] = "tops-off") =>
    pick({ id, plantingId: "b", grossG: before, topsOn: true, againG: after, againHow: how });
  it("a pick weighed again with its tops off is believed, and no estimate any more", () => {
    const p = again("a", 2000, 1300);
    expect(netOf(p, 0.4, 150)).toMatchObject({ netG: 2000, trimmedG: 1300, estimated: false });
    expect(sayNet(p, netOf(p, 0.4, 150), "metric")).toBe("2 kg net, 1.3 kg once the tops were off");
  });
  it("own weighings of a litre and of pieces are means by amount", () => {
    const weighed = (what: Weighing["what"], amount: number, massG: number): Weighing => ({
      id: `${what}${amount}`,
      cropId: "beetroot",
      day: "2026-09-01",
      what,
      amount,
      massG,
    });
    const learned = learnedOf(
      beet,
      [],
      [weighed("litre", 5, 3000), weighed("litre", 10, 6600), weighed("piece", 8, 960)],
    );
    expect(learned.kgPerL).toEqual({ value: 0.64, litres: 15 });
    expect(learned.pieceG).toEqual({ value: 120, pieces: 8 });
    const book = bookOf({
      ownCrops: [],
      plantings: [planting("beetroot", { id: "b" })],
      picks: [again("a", 2000, 1300), again("d", 1000, 800, "dried")],
      weighings: [weighed("litre", 5, 3000), weighed("piece", 8, 960)],
    });
    const taught = book.of("beetroot");
    expect(taught.yield.pieceG).toBe(120);
    expect(bulkOf(taught)).toMatchObject({ kgPerL: 0.6, published: false, own: true });
    expect(taught.topsShare).toBeCloseTo((1.5 * beet.topsShare + 0.35) / 2.5, 9);
    // the others stay as the handbook has them
    expect(book.of("carrot")).toBe(cropOf("carrot"));
  });
  it("teaches a crop of one's own as well; it stands in the handbook once, and one that was not weighed as it is", () => {
    const mine = { ...cropOf("beetroot"), id: "own-beet", name: "My beet" };
    const other = { ...cropOf("carrot"), id: "own-carrot", name: "My carrot" };
    const weighed = { id: "w", cropId: "own-beet", day: "2026-09-01", what: "piece" as const, amount: 8, massG: 960 };
    const garden = { ownCrops: [mine, other], plantings: [], picks: [], weighings: [weighed] };
    const named = (id: string, from: typeof garden) => bookOf(from).all.filter((c) => c.id === id);
    expect(named("own-beet", garden).map((c) => c.yield.pieceG)).toEqual([120]);
    expect(named("own-carrot", garden)).toEqual([other]);
    expect(named("own-beet", { ...garden, weighings: [] })).toEqual([mine]);
  });
  it("is told in the garden's units, and asked again it is the same book", () => {
    const plain = { ownCrops: [], plantings: [], picks: [], weighings: [] };
    const us = { ...plain, garden: { units: "us" as const } };
    expect(bookOf(us).of("carrot")).not.toEqual(cropOf("carrot"));
    expect(JSON.stringify(bookOf(us).of("carrot"))).not.toMatch(/\d (cm|mm|kg|°C)\b/);
    expect(bookOf({ ...plain, garden: { units: "metric" as const } }).of("carrot")).toBe(cropOf("carrot"));
    expect(bookOf(us)).toBe(bookOf(us));
  });
});
