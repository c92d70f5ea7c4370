import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { gramsFromPounds } from "../units/convert";
import { doubtsOf, netOf } from "./net";
import { blankPick, type PickRecord, pickSchema, tareOf } from "./pick";
import { sayDoubt, sayNet } from "./words";

const pick = (over: Partial<PickRecord> = {}): PickRecord =>
  blankPick({
    id: "p",
    plantingId: "x",
    at: "2026-10-06T17:00",
    by: "A",
    method: "lift",
    extent: "all-ready",
    grossG: 6400,
    entered: "6.4 kg",
    ...over,
  });

describe("tare and net", () => {
  it("77.9 lb less two crates of 3.5 lb is 70.9 lb (trade handbook 4-011)", () => {
    const net = netOf(
      pick({
        grossG: gramsFromPounds(77.9),
        tare: [{ name: "crate", tareG: gramsFromPounds(3.5), count: 2 }],
      }),
      0,
      150,
    );
    expect(net.netG).toBeCloseTo(gramsFromPounds(70.9), 1);
  });
  it("six baskets, six crates and a small one make one tare (trade handbook 4-006)", () => {
    const tare = [
      { name: "basket", tareG: 1040, count: 6 },
      { name: "crate", tareG: 1590, count: 6 },
      { name: "small crate", tareG: 680, count: 1 },
    ];
    expect(tareOf(tare)).toBe(16_460);
  });
  it("any split of the crates gives the same net", () => {
    const load = fc.array(
      fc.record({ gross: fc.integer({ min: 2000, max: 20_000 }), tare: fc.integer({ min: 200, max: 1900 }) }),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(load, (crates) => {
        const one = netOf(
          pick({
            grossG: crates.reduce((s, c) => s + c.gross, 0),
            tare: crates.map((c) => ({ name: "c", tareG: c.tare, count: 1 })),
          }),
          0,
          100,
        ).netG;
        const each = crates.reduce(
          (s, c) => s + netOf(pick({ grossG: c.gross, tare: [{ name: "c", tareG: c.tare, count: 1 }] }), 0, 100).netG,
          0,
        );
        expect(one).toBeCloseTo(each, 6);
      }),
    );
  });
  it("shows the arithmetic as a line", () => {
    const p = pick({
      tare: [
        { name: "crate", tareG: 1590, count: 2 },
        { name: "bowl", tareG: 300, count: 1 },
      ],
    });
    expect(sayNet(p, netOf(p, 0, 150), "metric")).toBe("6.4 kg gross − (2 × 1.59 kg crate + 300 g bowl) = 2.92 kg net");
    const tops = pick({ topsOn: true });
    expect(sayNet(tops, netOf(tops, 0.25, 150), "metric")).toBe("6.4 kg net, about 4.8 kg without tops");
    expect(netOf(tops, 0.25, 150).estimated).toBe(true);
  });
  it("reckons a pick that was only counted, and says so", () => {
    const p = pick({ grossG: null, entered: "", count: 12 });
    const net = netOf(p, 0, 150);
    expect(net).toMatchObject({ netG: 1800, estimated: true });
    expect(sayNet(p, net, "metric")).toBe("12 pieces, about 1.8 kg reckoned");
  });
  it("refuses a load lighter than its empties, and a pick of nothing", () => {
    const tooLight = pickSchema.safeParse(pick({ grossG: 900, tare: [{ name: "crate", tareG: 1590, count: 1 }] }));
    expect(tooLight.success).toBe(false);
    expect(tooLight.error?.issues[0]?.path).toEqual(["gross"]);
    expect(pickSchema.safeParse(pick({ grossG: null, count: null })).success).toBe(false);
    expect(pickSchema.safeParse(pick()).success).toBe(true);
  });
  it("asks about ten times the usual, too many pieces, and pieces of an odd weight", () => {
    const p = pick({ grossG: 60_000, count: 40 });
    const doubts = doubtsOf(p, netOf(p, 0, 150), 2000, 150, 30);
    expect(doubts).toEqual([{ what: "ten-times" }, { what: "pieces", most: 30 }, { what: "piece-weight" }]);
    expect(doubts.map(sayDoubt)[1]).toBe("More pieces than the 30 that were planted.");
    expect(doubtsOf(pick({ count: 40 }), netOf(pick(), 0, 150), 5000, 150, 60)).toEqual([]);
  });
});
