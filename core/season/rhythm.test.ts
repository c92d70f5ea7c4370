import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, dayRange } from "../calendar/day";
import { bed, plainWeather, planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { type AgeingDay, populationOf } from "../planting/population";
import { glutDraft } from "./lessons";
import type { Enough } from "./plants-enough";
import { playThrough, rhythmOf } from "./rhythm";
import { cropWeeks } from "./weeks";
import { sayFinding } from "./words";

const courgette = cropOf("courgette");
const days = (n: number): AgeingDay[] =>
  dayRange("2026-07-01", n).map((day) => ({ day, growth: 1, readyInDays: 2, primeDays: 2 }));

describe("a season played again", () => {
  it("agrees with the running account of the supply model", () => {
    const list = days(20);
    // the account begins with two days' growth nearly ready, and ages from its first day on
    const start = { nearly: 6, ready: 0, over: 0 };
    const brought = playThrough([{ ...list[0]!, day: "2026-06-30" }, ...list], 3, start, () => false, 100, 0.5);
    expect(brought.rounds).toBe(0);
    expect(brought.leftG / 100).toBeCloseTo(populationOf(list, 3, [], []).over, 9);
  });
  it("what was taken is gone: where nothing grows, a second pick finds nothing", () => {
    const still = days(4).map((d) => ({ ...d, growth: 0 }));
    const brought = playThrough(still, 3, { nearly: 0, ready: 5, over: 3 }, () => true, 100, 0.5);
    expect(brought).toEqual({ rounds: 4, primeG: 500, overG: 300, worthG: 650, leftG: 0 });
  });
  it("everything is in proportion to the rate", () => {
    const run = (rate: number) =>
      playThrough(days(30), rate, { nearly: 2 * rate, ready: 2 * rate, over: 0 }, (d) => d.endsWith("5"), 100, 0.3);
    expect(run(6).primeG).toBeCloseTo(2 * run(3).primeG, 6);
    expect(run(6).overG).toBeCloseTo(2 * run(3).overG, 6);
  });
  it("picking more often never brings less prime crop, in even weather", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), (n) => {
        const run = (every: number) =>
          playThrough(
            days(61),
            3,
            { nearly: 6, ready: 6, over: 0 },
            (d) => (Number(d.slice(8)) - 1) % every === 0,
            100,
            0.3,
          );
        expect(run(1).primeG).toBeGreaterThanOrEqual(run(n).primeG - 1e-6);
      }),
    );
  });
});

describe("the rhythm of a planting", () => {
  const p = planting("courgette", { startedOn: "2026-05-25", plants: 2 });
  const weather = plainWeather("2026-05-01", 150);
  const on = (...offsets: number[]) => offsets.map((k) => ({ day: addDays("2026-07-10", k), netG: 800 }));
  const held = on(0, 3, 6, 9, 12, 26, 29, 32);
  const rhythm = rhythmOf(p, bed(), courgette, held, weather, 60)!;
  it("as it was done, it brings what was weighed", () => {
    expect(rhythm.done.primeG + rhythm.done.overG).toBeCloseTo(8 * 800, 3);
    expect(rhythm.done.rounds).toBe(8);
  });
  it("names the fortnight away as the dearest late round", () => {
    expect(rhythm.late[0]!.gap).toBe(14);
    expect(rhythm.late[0]!.day).toBe(addDays("2026-07-10", 26));
    expect(rhythm.late[0]!.costG).toBeGreaterThan(0);
  });
  it("the rarer, the more is past it; a dear round makes the best rhythm rarer", () => {
    const share = rhythm.every.map((e) => e.brought.overG / (e.brought.primeG + e.brought.overG));
    expect([...share].sort((a, b) => a - b)).toEqual(share);
    const dear = rhythmOf(p, bed(), courgette, held, weather, 900)!;
    expect(dear.best).toBeGreaterThan(rhythm.best);
  });
  it("has nothing to say of crops picked once, of three picks, or of weather with holes", () => {
    expect(rhythmOf(planting("bulb-onion"), bed(), cropOf("bulb-onion"), held, weather, 60)).toBeNull();
    expect(rhythmOf(p, bed(), courgette, on(0, 3, 6), weather, 60)).toBeNull();
    expect(
      rhythmOf(
        p,
        bed(),
        courgette,
        held,
        weather.filter((w) => w.day !== "2026-07-15"),
        60,
      ),
    ).toBeNull();
  });
});

describe("gluts and gaps, by hand", () => {
  const taste = { weeklyG: 1000, sparedG: 1000 };
  // Mondays: 6, 13, 20, 27 July, 3 and 10 August 2026
  const picked = [
    { day: "2026-07-07", netG: 900 },
    { day: "2026-07-15", netG: 1500 },
    { day: "2026-07-19", netG: 1500 },
    { day: "2026-07-20", netG: 2600 },
    { day: "2026-08-12", netG: 200 },
  ];
  it("two weeks of too much, two weeks of nothing, a short one at the end", () => {
    const w = cropWeeks(courgette, taste, picked);
    expect(w.weeks.map((x) => x.state)).toEqual(["fair", "glut", "glut", "none", "none", "short"]);
    expect(w.gluts).toEqual([{ from: "2026-07-13", weeks: 2, overG: 1600 }]);
    expect(w.gaps).toEqual([{ from: "2026-07-27", weeks: 2, overG: 0 }]);
    expect(w.tooMuchG).toBe(1600);
    expect(w.weeksWorth).toBeNull();
  });
  it("what keeps is reckoned in weeks at table, not in gluts", () => {
    const w = cropWeeks(cropOf("bulb-onion"), { weeklyG: 500, sparedG: 0 }, [{ day: "2026-08-05", netG: 9000 }]);
    expect([w.gluts, w.gaps, w.weeksWorth]).toEqual([[], [], 18]);
  });
  it("nothing picked has no weeks", () => {
    expect(cropWeeks(courgette, taste, []).weeks).toEqual([]);
  });
});

describe("a lesson from a glut", () => {
  const draft = (tooMuchG: number, totalG: number) =>
    glutDraft(courgette, "2026", totalG, { tooMuchG, gluts: [{ from: "2026-08-03", weeks: 3, overG: tooMuchG }] }, {
      had: 3,
      enough: 1,
      plenty: 1,
    } as Enough);
  it("is proposed where a good part was too much, with the plants that would do", () => {
    const found = draft(4000, 12_000)!;
    expect(found.id).toBe("glut courgette 2026");
    expect(sayFinding(found.finding, "Courgette", "metric")).toEqual({
      words: "Courgette: 4 kg more than the house uses, in 3 weeks.",
      next: "Fewer plants: one, not 3.",
    });
    expect(draft(1000, 12_000)).toBeNull();
    expect(draft(200, 500)).toBeNull();
  });
});
