import { describe, expect, it } from "vitest";
import { sayChanges } from "../words";
import { changesOf, missedRounds } from "./changes";
import type { PlannedRound } from "./rounds";

const round = (day: string, startsAt: string, plantings: string[], over: Partial<PlannedRound> = {}): PlannedRound => ({
  id: `${day}${startsAt}`,
  day,
  startsAt,
  status: "planned",
  pinned: false,
  note: "",
  lines: plantings.map((plantingId) => ({
    id: `${day}-${plantingId}`,
    roundId: `${day}${startsAt}`,
    plantingId,
    take: "ready",
    expectedG: 500,
    lostG: 0,
    minutes: 5,
    why: "",
  })),
  ...over,
});
const name = (id: string) => id.toUpperCase();

describe("what a new plan changes", () => {
  const before = [round("2026-10-06", "17:15", ["bean", "kale"]), round("2026-10-09", "17:15", ["bean", "squash"])];
  it("names each planting's next pick that moved, came or went, and nothing that stayed", () => {
    const after = [round("2026-10-07", "08:00", ["bean", "leek"]), round("2026-10-09", "17:15", ["squash"])];
    expect(changesOf(before, after)).toEqual([
      { plantingId: "bean", from: "2026-10-06T17:15", to: "2026-10-07T08:00" },
      { plantingId: "kale", from: "2026-10-06T17:15", to: null },
      { plantingId: "leek", from: null, to: "2026-10-07T08:00" },
    ]);
    expect(sayChanges(changesOf(before, after), name, "2026-10-06")).toBe(
      "BEAN tomorrow 08:00 instead of today 17:15; KALE not planned any more; LEEK new, tomorrow 08:00",
    );
  });
  it("the same plan changes nothing, in whatever order its rounds stand", () => {
    expect(changesOf(before, [...before].reverse())).toEqual([]);
    expect(sayChanges([], name, "2026-10-06")).toBe("");
  });
  it("says four and counts the rest", () => {
    const after = [round("2026-10-10", "09:00", ["a", "b", "c", "d", "e", "f"])];
    expect(sayChanges(changesOf([], after), name, "2026-10-06")).toBe(
      "A new, Sat 10 Oct; B new, Sat 10 Oct; C new, Sat 10 Oct; D new, Sat 10 Oct; 2 more",
    );
  });
});

describe("a missed round", () => {
  const yesterday = round("2026-10-05", "17:15", ["bean"]);
  const pick = { roundId: null, plantingId: "bean", at: "2026-10-05T18:00" };
  it("is one that is over and brought nothing", () => {
    expect(missedRounds([yesterday], [], "2026-10-06T15:30")).toEqual([yesterday]);
  });
  it.each([
    ["was picked, though nobody said it was this round", [yesterday], [pick]],
    ["was picked later under its name", [yesterday], [{ ...pick, roundId: yesterday.id, at: "2026-10-06T08:00" }]],
    ["is said to be done", [{ ...yesterday, status: "done" as const }], []],
    ["was today: the evening is not over", [round("2026-10-06", "08:00", ["bean"])], []],
    ["had nothing to take", [round("2026-10-05", "17:15", [])], []],
    ["is still to come", [round("2026-10-07", "17:15", ["bean"])], []],
  ] as [string, PlannedRound[], (typeof pick)[]][])("is none that %s", (_, rounds, picks) => {
    expect(missedRounds(rounds, picks, "2026-10-06T15:30")).toEqual([]);
  });
});
