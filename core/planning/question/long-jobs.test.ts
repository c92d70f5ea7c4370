import { describe, expect, it } from "vitest";
import { bed, planting } from "../../fixtures/garden";
import { problem, slot, supply } from "../../fixtures/problem";
import { garden, NO_WISHES, NOW } from "../../fixtures/snapshot";
import type { Snapshot } from "../../snapshot";
import { outlookOf } from "../outlook";
import { leftStanding } from "../rounds/left";
import { roundsOf, scheduleOf } from "../rounds/rounds";
import { plan } from "../solver/optimise";
import { sayParts, withReasons } from "../words";
import { inParts } from "./long-jobs";
import { problemOf } from "./question";

const HOURS = { roundMinutes: 12, lineMinutes: 3 };
const evenings = (minutes: number) => Array.from({ length: 12 }, (_, d) => slot(d, "17:30", minutes));
/** 240 ft of potatoes: eight hours to lift (common practice, no source), ripe from today, worth every minute. */
const potatoes = supply("potatoes", { standingG: 120_000, minutesPerG: 480 / 120_000, worthPerG: 0.001, primeFor: 30 });
let n = 0;
const newId = () => `id-${n++}`;

describe("a job longer than any evening", () => {
  it("is parted so that each part fits the longest hour, and the parts are the whole", () => {
    const parts = inParts(potatoes, evenings(102), HOURS);
    expect(parts).toHaveLength(7);
    expect(parts.reduce((g, p) => g + p.standingG, 0)).toBeCloseTo(120_000, 6);
    for (const p of parts) expect(3 + p.standingG * p.minutesPerG).toBeLessThanOrEqual(90);
  });
  it("stays whole where it fits, bears on, or no hour could ever hold a part of it", () => {
    expect(inParts(potatoes, evenings(600), HOURS)).toEqual([potatoes]);
    const beans = { ...potatoes, once: false };
    expect(inParts(beans, evenings(60), HOURS)).toEqual([beans]);
    expect(inParts(potatoes, evenings(14), HOURS)).toEqual([potatoes]);
    expect(inParts(potatoes, [], HOURS)).toEqual([potatoes]);
  });
  it("is planned over several days, never beyond an evening, and each line says which share it is", () => {
    const slots = evenings(102);
    const p = problem(slots, [...inParts(potatoes, slots, HOURS), supply("squash", { standingG: 4000 })]);
    const made = plan(p);
    const rounds = withReasons(roundsOf(p, made.schedule, newId), "metric");
    const lines = rounds.flatMap((r) => r.lines.filter((l) => l.plantingId === "potatoes"));
    expect(lines.length).toBeGreaterThanOrEqual(6);
    expect(lines.reduce((g, l) => g + l.expectedG, 0)).toBeGreaterThan(0.8 * 120_000);
    for (const r of rounds) expect(r.lines.reduce((m, l) => m + l.minutes, 12)).toBeLessThanOrEqual(102.5);
    for (const l of lines) expect(l.why).toMatch(/^\d of 7 parts of it: /);
    expect(leftStanding(p, made.schedule).filter((l) => l.plantingId === "potatoes")).toEqual([]);
  });
  it("two parts in one long evening are one line, with the walk to the bed once", () => {
    const slots = [slot(1, "17:30", 60), slot(2, "09:00", 260), slot(4, "17:30", 260)];
    const parts = inParts(potatoes, [slot(1, "17:30", 102)], HOURS);
    const p = problem(slots, parts);
    const schedule = parts.map((_, k) =>
      k < 2 ? [{ slot: 1, take: "ready" as const }] : k < 4 ? [{ slot: 2, take: "ready" as const }] : [],
    );
    const rounds = withReasons(roundsOf(p, schedule, newId), "metric");
    expect(rounds.map((r) => r.lines.length)).toEqual([1, 1]);
    const [line] = rounds[0]!.lines;
    expect(line!.minutes).toBeCloseTo(3 + line!.expectedG * potatoes.minutesPerG, 0);
    expect(line!.why).toMatch(/^2 of 7 parts of it: /);
    // what is stored reads back as the same parts at the same hours; the rest is said to be left
    expect(scheduleOf(p, rounds).map((s) => s[0]?.slot ?? null)).toEqual([1, 1, 2, 2, null, null, null]);
    expect(leftStanding(p, schedule)).toMatchObject([{ plantingId: "potatoes", rest: true }]);
  });
  it("each hour that the gardener fixed takes a part; the others find their own", () => {
    const slots = evenings(102);
    const parts = inParts(potatoes, slots, HOURS);
    const take = [3, 5].map((d) => ({ plantingId: "potatoes", slotId: slots[d]!.id }));
    const made = plan(problem(slots, parts, { wishes: { take, leave: [], open: [] } }));
    const used = made.schedule.map((s) => s[0]?.slot);
    expect(used).toContain(3);
    expect(used).toContain(5);
    expect(new Set(used).size).toBeGreaterThan(2);
    expect(made.unmet).toEqual([]);
  });
  it("what was planned before is kept part by part", () => {
    const slots = evenings(102);
    const parts = inParts(potatoes, slots, HOURS);
    const first = plan(problem(slots, parts));
    const kept = first.schedule.flatMap((s) =>
      s.map(({ slot: j, take }) => ({ plantingId: "potatoes", slotId: slots[j]!.id, take })),
    );
    const again = plan(problem(slots, parts, { kept }));
    const hours = (made: typeof first) => made.schedule.map((s) => s[0]?.slot ?? -1).sort((a, b) => a - b);
    expect(hours(again)).toEqual(hours(first));
  });
  it.each([
    [1, 2, "half of it"],
    [2, 3, "two thirds of it"],
    [3, 6, "half of it"],
    [1, 4, "a quarter of it"],
    [2, 7, "2 of 7 parts of it"],
    [3, 3, "all of it"],
  ])("%i of %i is said as %s", (parts, of, words) => {
    expect(sayParts(parts, of)).toBe(words);
  });
});

describe("a garden with a row too long for an evening", () => {
  it("plans it over several evenings instead of leaving it for want of an hour", () => {
    const row = planting("potato", { id: "pot", startedOn: "2026-04-10", plants: 300, bedId: bed().id });
    const s: Snapshot = garden({
      beds: [bed()],
      plantings: [row],
      windows: [1, 3, 5].map((weekday) => ({ id: `w${weekday}`, weekday, startsAt: "17:30", minutes: 75 })),
    });
    const asked = problemOf(s, outlookOf(s, NOW), NO_WISHES);
    const parts = asked.supplies.filter((x) => x.plantingId === "pot");
    expect(parts.length).toBeGreaterThan(1);
    const day = { id: "w1", plantingId: "pot", kind: "take-all" as const, day: "2026-10-10" };
    const whole = problemOf({ ...s, pickWishes: [day] }, outlookOf({ ...s, pickWishes: [day] }, NOW), NO_WISHES);
    expect(whole.supplies.filter((x) => x.plantingId === "pot")).toHaveLength(1);
  });
});
