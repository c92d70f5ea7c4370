import { describe, expect, it } from "vitest";
import { addDays, type Day } from "../calendar/day";
import { bed, plainWeather, type Situation, situation } from "../fixtures/garden";
import type { WeatherDay } from "../weather/daily";
import { judge } from "./judge";
import { type Constraints, FREE, needsOf } from "./needs";
import { sayCall } from "./words";

/** A situation judged with weather of the coming days and what the gardener has in mind. */
function pressed(s: Situation, coming: Partial<WeatherDay>[], constraints: Partial<Constraints> = {}) {
  const input = situation(s);
  const days = plainWeather(input.today, 10).map((w, k) => ({ ...w, ...coming[k] }));
  const ahead = days.map((weather) => ({
    weather,
    night: { minC: weather.tempMinC, errorC: 1.2, members: [] },
    members: [],
  }));
  const before = plainWeather(addDays(input.today, -21), 21);
  const pressing = (chances: Parameters<typeof needsOf>[3]) =>
    needsOf(input.crop, bed(), ahead, chances, before, { ...FREE, ...constraints });
  return { plain: judge(input), under: judge({ ...input, horizonDays: 28, pressing }), today: input.today };
}
const heat = Array.from({ length: 10 }, () => ({ tempMinC: 22, tempMaxC: 38 }));
const mild = Array.from({ length: 10 }, () => ({ tempMinC: 12, tempMaxC: 21 }));
const freezing = [{}, { tempMinC: -4, tempMaxC: 8, cloudPct: 5, windMs: 1 }];
const onDay = (age: number, cropId: string): Day => situation({ cropId, age }).today;

describe("a verdict under what presses from outside", () => {
  it.each(["calabrese", "cauliflower"])("%s: ten days of 38 °C in the forecast take the heads out today", (cropId) => {
    const s = { cropId, age: 78, readings: { width: cropId === "calabrese" ? 95 : 130 } };
    expect(pressed(s, mild).under.verdict).toBe(pressed(s, mild).plain.verdict);
    const hot = pressed(s, heat).under;
    expect([hot.verdict, hot.call?.id]).toEqual(["pick-all", "before-heat"]);
    expect(sayCall(hot.call!, hot.days[0]!.day)).toMatch(/^Heat.*will not grow on/);
  });
  it("squash and green tomatoes come in before a frost that they cannot bear, and the night is named", () => {
    const { under, today } = pressed({ cropId: "winter-squash", age: 100, readings: { stem: "half" } }, freezing);
    expect(under.needs.map((n) => [n.kind, n.by])).toContainEqual(["before-frost", today]);
    const tomato = pressed({ cropId: "tomato", age: 80, readings: { colour: "breaker" } }, freezing).under;
    expect([tomato.verdict, tomato.call?.id]).toEqual(["pick-all", "before-frost"]);
    expect(sayCall(tomato.call!, tomato.days[0]!.day)).toMatch(
      /^Frost that it cannot bear is likely in the night to tomorrow: take all/,
    );
  });
  it("an even chance of frost presses, one in twenty does not", () => {
    const s = { cropId: "tomato", age: 80, readings: { colour: "breaker" } };
    const { killC } = situation(s).crop.weather;
    const night = (above: number) =>
      pressed(s, [{}, { tempMinC: killC + above, tempMaxC: 12, cloudPct: 90, windMs: 4 }]).under.needs.map(
        (n) => n.kind,
      );
    expect(night(0)).toContain("before-frost");
    expect(night(2.2)).not.toContain("before-frost");
  });
  it("what frost does not take is left alone: leeks and parsnips stand", () => {
    for (const cropId of ["leek", "parsnip"])
      expect(pressed({ cropId, age: 150 }, freezing).under.needs.map((n) => n.kind)).not.toContain("before-frost");
  });
  it("what has hardly set cannot be saved by picking", () => {
    expect(pressed({ cropId: "tomato", age: 20 }, freezing).under.verdict).toBe("not-yet");
  });
  it("before days away the nearly ready courgette is taken, and the garlic that waits is not", () => {
    const age = 58;
    const from = addDays(onDay(age, "courgette"), 1);
    const away = { trips: [{ fromDay: from, toDay: addDays(from, 8) }] };
    const s = { cropId: "courgette", age, readings: { length: 130 } };
    expect([pressed(s, mild).plain.verdict, pressed(s, mild, away).under.verdict]).toEqual(["nearly", "pick-some"]);
    expect(sayCall(pressed(s, mild, away).under.call!, onDay(age, "courgette"))).toMatch(
      /You are away until .*: take what is nearly ready too/,
    );
    const garlic = pressed({ cropId: "garlic", age: 60 }, mild, {
      trips: [{ fromDay: addDays(onDay(60, "garlic"), 1), toDay: addDays(onDay(60, "garlic"), 9) }],
    });
    expect(garlic.under.verdict).toBe(garlic.plain.verdict);
  });
  it("no free hour for a week presses like days away", () => {
    const s = { cropId: "courgette", age: 58, readings: { length: 130 } };
    const next = addDays(onDay(58, "courgette"), 7);
    expect(pressed(s, mild, { nextChance: next }).under.call?.id).toBe("before-absence");
    expect(pressed(s, mild, { nextChance: addDays(next, -6) }).under.call?.id).not.toBe("before-absence");
  });
  it("a bed that is wanted is cleared of what is of use, not of what is not", () => {
    const today = onDay(60, "beetroot");
    const wanted = { bedWantedBy: addDays(today, 2) };
    const used = pressed({ cropId: "beetroot", age: 60 }, mild, wanted).under;
    expect([used.verdict, used.call?.id]).toEqual(["pick-all", "bed-wanted"]);
    expect(
      pressed({ cropId: "beetroot", age: 15 }, mild, { bedWantedBy: addDays(onDay(15, "beetroot"), 2) }).under.verdict,
    ).toBe("not-yet");
  });
  it("a radish in mid December stands still: nobody is sent to look at it tomorrow", () => {
    const winter = pressed({ cropId: "radish", age: 40, planting: { startedOn: "2026-11-05" } }, []).under;
    expect(winter.needs.map((n) => n.kind)).toContain("stands-still");
    expect(winter.lookAgain >= addDays("2026-12-15", 10)).toBe(true);
  });
  it("what is kept for seed is left, whatever comes", () => {
    expect(pressed({ cropId: "kale", age: 120, readings: { "for-seed": true } }, freezing).under.verdict).toBe(
      "leave-for-seed",
    );
  });
});
