import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { moveLines, moveRound, unlawful } from "./hand-moves";
import type { PlannedRound } from "./rounds";

const line = (roundId: string, plantingId: string) => ({
  id: `${roundId}-${plantingId}`,
  roundId,
  plantingId,
  take: "ready" as const,
  expectedG: 100,
  lostG: 0,
  minutes: 5,
  why: "",
});
const round = (id: string, day: string, plantings: string[], pinned = false): PlannedRound => ({
  id,
  day,
  startsAt: "17:30",
  status: "planned",
  pinned,
  note: "",
  lines: plantings.map((p) => line(id, p)),
});
const shown = (rounds: PlannedRound[]) =>
  rounds.map((r) => [r.day, r.pinned, r.lines.map((l) => l.plantingId).join("")]).sort();
const hour = (day: string) => ({ day, startsAt: "17:30" });
const two = [round("a", "2026-10-06", ["x", "y"]), round("b", "2026-10-08", ["y", "z"])];

describe("rounds moved by hand", () => {
  it("a round moved to a free hour is pinned there; onto another, the two become one and nothing is taken twice", () => {
    expect(shown(moveRound(two, "a", hour("2026-10-07")))).toEqual([
      ["2026-10-07", true, "xy"],
      ["2026-10-08", false, "yz"],
    ]);
    expect(shown(moveRound(two, "a", hour("2026-10-08")))).toEqual([["2026-10-08", true, "yzx"]]);
    expect(moveRound(two, "a", hour("2026-10-06"))).toEqual(two);
  });
  it("a bead moved alone makes a round of its own or joins the one there; an emptied round goes unless pinned", () => {
    expect(shown(moveLines(two, "a", ["x"], hour("2026-10-09"), "new"))).toEqual([
      ["2026-10-06", false, "y"],
      ["2026-10-08", false, "yz"],
      ["2026-10-09", true, "x"],
    ]);
    const alone = [round("a", "2026-10-06", ["x"]), round("b", "2026-10-08", ["z"])];
    expect(shown(moveLines(alone, "a", ["x"], hour("2026-10-08"), "new"))).toEqual([["2026-10-08", true, "zx"]]);
    const pinned = [round("a", "2026-10-06", ["x"], true)];
    expect(shown(moveLines(pinned, "a", ["x"], hour("2026-10-08"), "new"))).toEqual([
      ["2026-10-06", true, ""],
      ["2026-10-08", true, "x"],
    ]);
    expect(moveLines(two, "a", ["nobody"], hour("2026-10-09"), "new")).toEqual(two);
  });
  it("a line inside the wait that a label sets is unlawful, one that only the weather bars is not", () => {
    const bar = (law: boolean) => [
      { plantingId: "x", slotId: "2026-10-06T17:30", why: { why: "for-seed" as const }, law },
    ];
    expect(unlawful(two, bar(true))).toEqual({ plantingId: "x", why: { why: "for-seed" } });
    expect(unlawful(two, bar(false))).toBeNull();
    expect(unlawful(moveRound(two, "a", hour("2026-10-07")), bar(true))).toBeNull();
  });
  it("no planting is lost and none is taken twice in one round, whatever is moved where", () => {
    const days = ["2026-10-06", "2026-10-07", "2026-10-08"];
    const move = fc.record({ round: fc.nat(2), day: fc.nat(2), planting: fc.constantFrom("", "x", "y", "z") });
    fc.assert(
      fc.property(fc.array(move, { maxLength: 8 }), (moves) => {
        let rounds = two;
        moves.forEach((m, k) => {
          const target = rounds[m.round % Math.max(1, rounds.length)];
          if (!target) return;
          rounds = m.planting
            ? moveLines(rounds, target.id, [m.planting], hour(days[m.day]!), `n${k}`)
            : moveRound(rounds, target.id, hour(days[m.day]!));
        });
        const all = rounds.flatMap((r) => r.lines.map((l) => l.plantingId));
        expect([...new Set(all)].sort()).toEqual(["x", "y", "z"]);
        for (const r of rounds) {
          expect(new Set(r.lines.map((l) => l.plantingId)).size).toBe(r.lines.length);
          for (const l of r.lines) expect(l.roundId).toBe(r.id);
        }
        expect(new Set(rounds.map((r) => r.day)).size).toBe(rounds.length);
      }),
    );
  });
});
