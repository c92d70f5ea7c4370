import { describe, expect, it } from "vitest";
import type { BarWhy } from "./question/problem";
import type { LeftWhy } from "./rounds/left";
import type { DrawnRound } from "./rounds/rounds";
import type { Unmet } from "./solver/frame";
import { sayBar, sayLeft, sayStore, sayThing, sayUnmet, withReasons } from "./words";

describe("what is said of a plan", () => {
  it.each<[BarWhy, string]>([
    [{ why: "wet-leaves" }, "its leaves are still wet then, and touching them spreads disease"],
    [{ why: "rain" }, "it wants a dry day, and rain is forecast"],
    [{ why: "wet-fruit" }, "its fruit is still wet then, and would not keep"],
    [{ why: "frozen" }, "the soil is frozen then"],
    [{ why: "too-wet" }, "the soil is too wet to dig then"],
    [
      { why: "wilts", tempC: 30, cooler: { day: "2026-10-07", startsAt: "08:00" } },
      "leaves wilt at 30 °C; Wed 7 Oct 08:00 is cooler",
    ],
    [{ why: "not-before", day: "2026-10-22" }, "you said not before Thu 22 Oct"],
  ])("barred from an hour, %j", (bar, words) => expect(sayBar(bar, "metric")).toBe(words));
  it("the heat in a US garden is in its degrees", () =>
    expect(sayBar({ why: "wilts", tempC: 30, cooler: { day: "2026-10-07", startsAt: "08:00" } }, "us")).toMatch(
      /86 °F/,
    ));
  it.each<[Unmet, string]>([
    [{ why: "no-such-hour", slotId: "2026-12-01T08:00" }, "Tue 1 Dec, 08:00 is not an hour of this fortnight"],
    [
      { why: "take-and-leave", slotId: "2026-10-09T17:30" },
      "one crop is both to be taken and to be left on Fri 9 Oct, 17:30; it is left",
    ],
    [
      { why: "law", slotId: "2026-10-09T17:30", bar: { why: "for-seed" } },
      "a crop wished for on Fri 9 Oct, 17:30 is left: it is kept for seed",
    ],
    [
      { why: "taken-once", slotIds: ["2026-10-08T17:30", "2026-10-11T17:30"] },
      "a crop that is taken once is wished for on Thu 8 Oct, 17:30 and on Sun 11 Oct, 17:30; it is taken on the first",
    ],
    [
      { why: "too-long", day: "2026-10-08", minutes: 140 },
      "what you asked for on Thu 8 Oct takes 140 minutes, more than its window",
    ],
  ])("a wish not kept, %j", (unmet, words) => expect(sayUnmet(unmet, "metric")).toBe(words));
  it.each<[LeftWhy, string]>([
    [{ why: "mostly-past" }, "most of it is past its best, so waiting costs little more"],
    [{ why: "loses-little" }, "what it loses by waiting is worth less than the minutes"],
    [{ why: "barred", bar: { why: "too-wet" } }, "the soil is too wet to dig then"],
    [
      { why: "full", store: { kind: "use", crop: "Courgette", week: 1, spared: false } },
      "enough courgette for next week at home or on the way",
    ],
  ])("left standing, %j", (left, words) => {
    expect(sayLeft({ plantingId: "p", left, rest: false }, "metric")).toBe(words);
    expect(sayLeft({ plantingId: "p", left, rest: true }, "metric")).toBe(`the rest of it: ${words}`);
  });
  it("a place goes by its name, and by its kind where the name does not tell", () => {
    expect(sayStore({ kind: "room", place: "airy", names: ["shed rafters"] })).toBe("shed rafters (airy and dry)");
    expect(sayStore({ kind: "room", place: "fridge", names: ["kitchen refrigerator"] })).toBe("kitchen refrigerator");
    expect(sayStore({ kind: "use", crop: "Kale", week: 0, spared: false })).toBe("kale for this week");
    expect(sayStore({ kind: "use", crop: "Kale", week: null, spared: true })).toBe("kale to eat, put by and give away");
    expect(sayStore({ kind: "containers" })).toBe("the containers at hand");
  });
  it("things to take along are told by their names", () => {
    expect(["fork", "water", "sleeves", "basket"].map(sayThing)).toEqual([
      "fork",
      "water to drink",
      "long sleeves",
      "a small basket",
    ]);
  });
  it("a round is kept with its reasons, which part of a long job first, and no longer than it may be", () => {
    const round: DrawnRound = {
      ...{ id: "r", day: "2026-10-08", startsAt: "17:30", status: "planned", pinned: false, note: "" },
      lines: [
        {
          ...{ id: "l", roundId: "r", plantingId: "p", take: "ready", expectedG: 900, lostG: 400, minutes: 8 },
          reason: { cause: "age", bearsOn: false, away: true, nextDay: "2026-10-12", lostG: 400, bearsUntil: null },
          parts: { here: 1, of: 2 },
        },
      ],
    };
    const [kept] = withReasons([round], "metric");
    expect(kept!.lines[0]).toEqual({
      ...{ id: "l", roundId: "r", plantingId: "p", take: "ready", expectedG: 900, lostG: 400, minutes: 8 },
      why: "Half of it: passing its prime; you are away in between, and the next round is Mon 12 Oct; left, 400 g is lost",
    });
  });
});
