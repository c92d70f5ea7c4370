import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Picked, picksInHouse, picksLately, picksOf, picksSince, weighedAgain } from "./by-planting";
import { blankPick, type PickRecord } from "./pick";

const pick = (id: number, day: number, planting: number, again = false): PickRecord =>
  blankPick({
    id: `p${String(id).padStart(4, "0")}`,
    plantingId: `t${planting}`,
    at: `2026-${String(1 + (day % 12)).padStart(2, "0")}-10T10:00`,
    grossG: 500,
    againG: again ? 300 : null,
  });
const inOrder = (list: readonly PickRecord[]) =>
  [...list].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1));

describe("picks sorted out by planting", () => {
  const change = fc.record({ what: fc.nat({ max: 2 }), day: fc.nat({ max: 11 }), planting: fc.nat({ max: 4 }) });
  it("say the same after any changes, one at a time or many, as a plain look through the list", () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 60 }), fc.integer({ min: 1, max: 9 }), (changes, everyNth) => {
        let list: PickRecord[] = [];
        for (const [n, c] of changes.entries()) {
          if (c.what === 0 || list.length === 0) list = [...list, pick(n, c.day, c.planting, c.day % 3 === 0)];
          else if (c.what === 1) list = list.filter((_, i) => i !== c.day % list.length);
          else
            list = list.map((p, i) =>
              i === c.planting % list.length ? { ...p, plantingId: `t${c.day % 5}`, grossG: 100 + n } : p,
            );
          list = inOrder(list);
          if (n % everyNth > 0) continue;
          for (let t = 0; t < 6; t++)
            expect(picksOf({ picks: list }, `t${t}`)).toEqual(list.filter((p) => p.plantingId === `t${t}`));
          expect(weighedAgain({ picks: list })).toEqual(list.filter((p) => p.againG !== null));
          expect(picksSince({ picks: list }, "2026-06-01")).toEqual(list.filter((p) => p.at >= "2026-06-01"));
        }
      }),
      { numRuns: 60 },
    );
  });
  it("in a list of no order keep its order", () => {
    const list = [pick(1, 9, 1), pick(2, 3, 1), pick(3, 5, 2)];
    expect(picksOf({ picks: list }, "t1").map((p) => p.id)).toEqual(["p0001", "p0002"]);
    expect(picksSince({ picks: list }, "2026-05-01").map((p) => p.id)).toEqual(["p0001", "p0003"]);
    expect(picksOf({ picks: [...list].reverse() }, "t1").map((p) => p.id)).toEqual(["p0002", "p0001"]);
  });
});

describe("a log of which most lies unread", () => {
  const of = (id: string, at: string, plantingId: string, againG: number | null = null) =>
    blankPick({ id, at, plantingId, grossG: 500, againG });
  const whole = [
    of("a", "2020-07-01T08:00", "old"),
    of("b", "2021-07-01T08:00", "tree"),
    of("c", "2022-07-01T08:00", "old", 300),
    of("d", "2023-07-01T08:00", "old"),
    of("e", "2025-01-01T00:00", "tree"),
    of("f", "2026-07-01T08:00", "young"),
    of("g", "2026-08-01T08:00", "tree"),
  ];
  /** At hand: all since 2025, of the tree, weighed twice, and "d", of which a jar is told. */
  const log = () => {
    let read = 0;
    const garden: Picked = {
      get picks() {
        read += 1;
        return whole;
      },
      atHand: {
        picks: whole.filter((p) => p.id !== "a"),
        since: "2025-01-01",
        of: new Set(["tree", "young"]),
      },
    };
    const ids = (picks: readonly PickRecord[]) => ({ ids: picks.map((p) => p.id).join(""), read: read > 0 });
    return { garden, ids };
  };
  it("is read for what is not at hand, and only then", () => {
    const asked = (ask: (garden: Picked) => readonly PickRecord[]) => {
      const { garden, ids } = log();
      return ids(ask(garden));
    };
    expect(asked((g) => picksOf(g, "tree"))).toEqual({ ids: "beg", read: false });
    expect(asked((g) => picksOf(g, "nobody"))).toEqual({ ids: "", read: true });
    expect(asked((g) => picksOf(g, "old"))).toEqual({ ids: "acd", read: true });
    expect(asked(weighedAgain)).toEqual({ ids: "c", read: false });
    expect(asked((g) => picksSince(g, "2025-01-01"))).toEqual({ ids: "efg", read: false });
    expect(asked((g) => picksSince(g, "2025-01-01T00:01"))).toEqual({ ids: "fg", read: false });
    expect(asked((g) => picksSince(g, "2024-12-31"))).toEqual({ ids: "efg", read: true });
    expect(asked((g) => picksSince(g, "2020-01-01"))).toEqual({ ids: "abcdefg", read: true });
    // older ones, back to a moment, as far as something is told of them
    expect(asked((g) => picksInHouse(g, "2022-01-01", "2025-01-01"))).toEqual({ ids: "cdefg", read: false });
    expect(asked((g) => picksInHouse(g, "2020-01-01", "2024-12-31"))).toEqual({ ids: "abcdefg", read: true });
    expect(asked((g) => picksLately(g, 3))).toEqual({ ids: "efg", read: false });
    expect(asked((g) => picksLately(g, 2))).toEqual({ ids: "fg", read: false });
    // the tree's own older ones are not the latest but one of all
    expect(asked((g) => picksLately(g, 4))).toEqual({ ids: "defg", read: true });
  });
  it("that is read answers from all of it", () => {
    const read: Picked = { picks: whole, atHand: undefined };
    expect(picksOf(read, "old")).toHaveLength(3);
    expect(picksInHouse(read, "2021-01-01", "2025-01-01")).toEqual(whole.slice(1));
    expect(picksLately(read, 2)).toEqual(whole.slice(-2));
  });
});
