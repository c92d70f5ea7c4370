import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import type { DayChances } from "../planting/conclude";
import { bandsOf, lossesSeen, roundsKept, settle } from "./was-it-right";

const day = (n: number) => `2026-07-${String(n).padStart(2, "0")}`;
const track = (chances: Record<number, number>): DayChances[] =>
  Object.entries(chances).map(([n, ready]) => ({
    day: day(Number(n)),
    unready: 1 - ready,
    nearly: 0,
    ready,
    past: 0,
    meanStage: 1,
  }));
const cue = (id: string) => cropOf("courgette").cues.find((c) => c.id === id)!;
const seen = (n: number, id: string, means: "short" | "nearly" | "right" | "past") => ({
  cue: cue(id),
  day: day(n),
  means,
  discounted: null,
});
const pick = (n: number, massG = 400, unripe = false) => ({ day: day(n), massG, unripe, extent: "all-ready" as const });

describe("chances said against what was found", () => {
  it("counts the chance of the day before, never one that knew the look or the pick", () => {
    const settled = settle("p", track({ 1: 0.3, 2: 0.9 }), [], [pick(2)]);
    expect(settled).toEqual([{ plantingId: "p", day: day(2), said: 0.3, was: true, by: "pick" }]);
  });
  it("a decisive sign short of the mark says no, one at it yes, two that disagree nothing", () => {
    const said = track({ 1: 0.7, 2: 0.7, 3: 0.7 });
    const looks = [
      seen(2, "length", "short"),
      seen(3, "length", "right"),
      seen(4, "length", "right"),
      seen(4, "length", "short"),
    ];
    expect(settle("p", said, looks, []).map((s) => [s.day, s.was])).toEqual([
      [day(2), false],
      [day(3), true],
    ]);
  });
  it("a pick outweighs the look of its day; a pick of green ones means not ready; an empty one says nothing", () => {
    const said = track({ 1: 0.7, 2: 0.7, 3: 0.7 });
    const looks = [seen(2, "length", "short")];
    expect(settle("p", said, looks, [pick(2), pick(3, 300, true), pick(4, 0)]).map((s) => s.was)).toEqual([
      true,
      false,
    ]);
  });
  it("supporting signs and days before anything was said settle nothing", () => {
    expect(settle("p", track({ 5: 0.5 }), [seen(3, "length", "right"), seen(6, "width", "right")], [])).toEqual([]);
  });
  it("bands: said and come true, band by band, the last one with certainty in it", () => {
    const settled = [0.05, 0.1, 0.9, 1].map((said, k) => ({
      plantingId: "p",
      day: day(k + 1),
      said,
      was: k >= 2,
      by: "pick" as const,
    }));
    const bands = bandsOf(settled);
    expect(bands.map((b) => b.count)).toEqual([2, 0, 0, 0, 2]);
    expect(bands[0]!.came).toBe(0);
    expect(bands[4]!.said).toBeCloseTo(0.95);
    expect(bands[4]!.came).toBe(1);
  });
});

describe("rounds and losses", () => {
  it("rounds of the past with what they promised and brought, latest first", () => {
    const round = (id: string, n: number, ...grams: number[]) => ({
      id,
      day: day(n),
      lines: grams.map((expectedG) => ({ expectedG })),
    });
    const rounds = [round("a", 1, 500, 200), round("b", 3, 100), round("c", 9, 900), round("none", 2, 50)];
    const brought = new Map([
      ["a", 650],
      ["b", 90],
      ["c", 800],
    ]);
    expect(roundsKept(rounds, brought, day(5)).map((r) => [r.roundId, r.expectedG, r.broughtG])).toEqual([
      ["b", 100, 90],
      ["a", 700, 650],
    ]);
  });
  it("a loss was warned of by a line or a chance of the week before, not by one long ago", () => {
    const loss = (n: number, plantingId: string) => ({
      id: `l${n}`,
      plantingId,
      day: day(n),
      cause: "too late" as const,
      massG: 500,
      note: "",
    });
    const losses = [loss(10, "a"), loss(12, "b"), loss(14, "c")];
    const lines = [
      { plantingId: "a", day: day(8) },
      { plantingId: "c", day: day(1) },
    ];
    const tracks = new Map([
      ["b", track({ 9: 0.8 })],
      ["c", track({ 1: 0.9, 12: 0.2 })],
    ]);
    expect(lossesSeen(losses, lines, tracks).map((l) => [l.plantingId, l.warned])).toEqual([
      ["c", false],
      ["b", true],
      ["a", true],
    ]);
  });
});
