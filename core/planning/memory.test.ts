import { describe, expect, it } from "vitest";
import { garden, NOW } from "../fixtures/snapshot";
import type { Snapshot } from "../snapshot";
import { blankPick } from "../weighing/pick";
import { Memory } from "./memory";
import { outlookOf } from "./outlook";

describe("a memory", () => {
  it("works out once what hangs on the same, and again what hangs on something else", () => {
    const memory = new Memory();
    let worked = 0;
    const of = (...on: unknown[]) => memory.once("sum", on, () => ++worked);
    expect([of(1, { a: [2] }), of(1, { a: [2] }), of(1, { a: [3] }), of(1, { a: [2] })]).toEqual([1, 1, 2, 3]);
  });
  it("gives back the older of two that are the same, and forgets what is no longer asked for", () => {
    const memory = new Memory();
    const first = memory.steady("x", { a: 1 });
    expect(memory.steady("x", { a: 1 })).toBe(first);
    memory.keepOnly(new Set());
    expect(memory.steady("x", { a: 1 })).not.toBe(first);
  });
});

describe("an outlook that remembers the one before it", () => {
  const plain = garden();
  const look = { ...plain.checks[0]!, id: "new", at: "2026-10-06T09:00", plantingId: "kale", readings: [] };
  const pick = blankPick({ id: "p", plantingId: "tomato", at: "2026-10-06T10:00", grossG: 900 });
  const missed = (days: Snapshot["weather"]) => days.map((d) => ({ ...d, tempMinC: d.tempMinC - 8 }));
  const CHANGES: [string, Partial<Snapshot>, string[]][] = [
    ["nothing", {}, []],
    ["a look at the kale", { checks: [...plain.checks, { ...look, foundNothing: true } as never] }, ["kale"]],
    ["a pick of the tomato", { picks: [...plain.picks, pick] }, ["tomato"]],
    [
      "another kind of day for the squash",
      { plantings: plain.plantings.map((p) => (p.id === "squash" ? { ...p, startedOn: "2026-06-10" } : p)) },
      ["squash"],
    ],
    ["a warmer wall", { beds: plain.beds.map((b) => (b.id === "wall" ? { ...b, nightOffsetC: 3 } : b)) }, ["kale"]],
    ["a cover for a night", { covers: [{ id: "c", bedId: "low", day: "2026-10-09" }] }, ["squash"]],
    [
      "a wish for the kale",
      { pickWishes: [{ id: "w", plantingId: "kale", kind: "take-all", day: "2026-10-12" }] },
      ["kale"],
    ],
    [
      "a thermometer read on a still night",
      {
        bedReadings: [
          { id: "r", bedId: "low", day: plain.weather.at(-1)!.day, minC: plain.weather.at(-1)!.tempMinC - 4 },
        ],
      },
      ["squash"],
    ],
    [
      "a warmer day in the record",
      { weather: plain.weather.with(-1, { ...plain.weather.at(-1)!, tempMaxC: 31 }) },
      ["kale", "squash", "tomato"],
    ],
    [
      "a forecast kept that was eight degrees off",
      { forecasts: [{ ...plain.forecast!, issuedOn: "2026-10-03", days: missed(plain.weather.slice(-2)) }] },
      ["kale", "squash", "tomato"],
    ],
    ["no forecast", { forecast: null }, ["kale", "squash", "tomato"]],
    ["ten degrees further north", { garden: { ...plain.garden, latitudeDeg: 62 } }, ["kale", "squash", "tomato"]],
    [
      "a scale that has taught what a tomato weighs",
      { weighings: [{ id: "w", cropId: "tomato", day: "2026-09-20", what: "piece", amount: 10, massG: 2400 }] },
      ["tomato"],
    ],
  ];
  it.each(CHANGES)(
    "says after %s what one without memory says, and judges again what it concerns alone",
    (_, over, again) => {
      const memory = new Memory();
      const before = outlookOf(plain, NOW, true, false, memory);
      const after = outlookOf({ ...plain, ...over }, NOW, true, false, memory);
      const anew = outlookOf({ ...plain, ...over }, NOW, true, false);
      expect({ ...after, hazardDays: null }).toEqual({ ...anew, hazardDays: null });
      for (const bed of plain.beds) expect(after.hazardDays(bed)).toEqual(anew.hazardDays(bed));
      const other = after.plantings.filter((p) => !before.plantings.includes(p)).map((p) => p.planting.id);
      expect(other.sort()).toEqual(again);
    },
  );
  it("judges all anew on the next day", () => {
    const memory = new Memory();
    outlookOf(plain, NOW, true, false, memory);
    const next = "2026-10-07T08:00";
    expect(outlookOf(plain, next, true, false, memory).plantings).toEqual(outlookOf(plain, next, true).plantings);
  });
});
