import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { picksOf, picksSince, weighedAgain } from "./by-planting";
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
