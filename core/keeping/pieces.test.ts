import { describe, expect, it } from "vitest";
import { planting } from "../fixtures/garden";
import { event, seed } from "../fixtures/lots";
import { cropOf, handbookWith } from "../handbook";
import { blankPick, type PickRecord, type Way } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import { dishesFor } from "./dishes";
import { lotsNow, massOfPieces, piecesLeft } from "./lot";
import { outcomesOf } from "./outcomes";
import { seedsOf } from "./seeds";

describe("what is left by count", () => {
  const counted = seed({ massG: 1200, count: 10 });
  it("follows the mass through uses and splits, and ends with putting by", () => {
    const lots = lotsNow(
      [counted],
      [
        event({ kind: "use", massG: 360 }),
        event({ kind: "split", massG: 240, toLot: "part" }),
        event({ kind: "preserve", massG: 120, toLot: "jar", how: "frozen", outG: 100 }),
      ],
    );
    const left = (id: string) => piecesLeft(lots.get(id)!);
    expect([left(counted.id), left("part"), left("jar")]).toEqual([4, 2, null]);
  });
  it("two counted lots laid together keep their count; with one uncounted nobody knows", () => {
    const other = (count: number | null) => seed({ id: "o", massG: 600, count });
    const merged = (count: number | null) =>
      lotsNow([counted, other(count)], [event({ kind: "merge", lotId: "o", massG: null, toLot: counted.id })]);
    expect(piecesLeft(merged(4).get(counted.id)!)).toBe(14);
    expect(piecesLeft(merged(null).get(counted.id)!)).toBeNull();
  });
  it.each([
    ["3 pieces", 360],
    ["1 head", 120],
    ["2pcs", 240],
    ["2 kg", null],
    ["pieces", null],
  ])("“%s” is %s g of a lot whose piece weighs 120", (text, g) => {
    expect(massOfPieces(text, lotsNow([counted], []).get(counted.id)!, 50)).toBe(g);
  });
  it("what was not counted goes by the usual mass of a piece", () => {
    expect(massOfPieces("4 pieces", { pieceG: null }, 50)).toBe(200);
  });
});

describe("the household’s own dishes", () => {
  const dish = (id: string, ...cropIds: string[]) => ({ id, name: id, cropIds, note: "" });
  it("most of what wants to be used first, then the most urgent; others stay away", () => {
    const list = [
      dish("soup", "kale", "carrot"),
      dish("fry", "courgette"),
      dish("tart", "leek"),
      dish("chips", "kale"),
    ];
    const told = dishesFor(list, ["courgette", "kale", "carrot"]);
    expect(told.map((x) => x.dish.id)).toEqual(["soup", "fry", "chips"]);
    expect(told[0]!.uses).toEqual(["kale", "carrot"]);
  });
});

describe("what became of a crop", () => {
  const of = (id: string, way: Way, over: Partial<PickRecord> = {}) => {
    const p = planting("carrot", { id: "p" });
    return logged(
      blankPick({ id, plantingId: "p", at: "2026-09-20T10:00", grossG: 1000, extent: "some", way, ...over }),
      p,
      cropOf("carrot"),
      "Low",
    );
  };
  it("eaten, put by, given, to animals, to the compost and lost are told apart, and come to what was picked", () => {
    const entries = [
      of("a", ""),
      of("b", "snacked"),
      of("c", "give"),
      of("d", "animals"),
      of("e", "compost"),
      of("f", "store"),
    ];
    const events = [
      event({ lotId: "a", kind: "use", massG: 200 }),
      event({ lotId: "a", kind: "preserve", massG: 300, toLot: "jar", how: "frozen", outG: 280 }),
      event({ lotId: "a", kind: "lose", massG: 100, cause: "rotten" }),
    ];
    const became = outcomesOf(entries, events, (list) =>
      seedsOf(list, new Map([["p", planting("carrot", { id: "p" })]]), handbookWith([]), []),
    );
    expect(became).toEqual({
      eatenG: 1200,
      putByG: 300,
      givenG: 1000,
      animalsG: 1000,
      compostG: 1000,
      lostG: 100,
      apartG: 0,
      leftG: 1400,
      causes: [["rotten", 100]],
    });
  });
});
