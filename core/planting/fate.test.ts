import { describe, expect, it } from "vitest";
import { supply } from "../fixtures/problem";
import { firstPick, massOf, nextPick } from "./fate";

/** A plant that bears on: 100 g a day, two days in its prime. */
const bearing = supply("courgette", { once: false, rateG: 167, primeFor: 2, standingG: 0, lossShare: 0 });
const rate = bearing.days[0]!.bringsG;

describe("what waits on a plant that bears on", () => {
  it("is prime at first, over-age in part later, and rots, opens or drops in the end", () => {
    const left = (days: number) => nextPick(bearing, 0.4, 1, 1 + days);
    expect(left(2).pastG).toBeLessThan(0.3 * massOf(left(2)));
    expect(left(6).pastG).toBeGreaterThan(left(2).pastG);
    // of thirteen days only what ripened in the last prime and a half more than it still stands
    expect(massOf(left(13))).toBeLessThan(7 * rate);
    expect(massOf(left(13))).toBeCloseTo(massOf(left(9)), -2);
  });
  it("what stands ready today goes over while it waits: putting a pick off is not free", () => {
    const standing = { ...bearing, stockG: 400, stockOverG: 300 };
    const worth = (t: number) => firstPick(standing, 0.4, t);
    expect(worth(0.4)).toMatchObject({ primeG: expect.closeTo(400, 0), pastG: expect.closeTo(300, 0) });
    const none = { ...standing, days: standing.days.map((d) => ({ ...d, bringsG: 0 })) };
    expect(firstPick(none, 0.4, 4).primeG).toBeLessThan(150);
    expect(massOf(firstPick(none, 0.4, 9))).toBeLessThan(0.25 * 700);
  });
});
