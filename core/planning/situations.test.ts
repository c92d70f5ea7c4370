import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { check, planting } from "../fixtures/garden";
import { generated, problem, slot, supply } from "../fixtures/problem";
import { garden, NO_WISHES, NOW, TODAY } from "../fixtures/snapshot";
import { placeWith } from "../household/place";
import type { Snapshot } from "../snapshot";
import { outlookOf } from "./outlook";
import type { PlanProblem, Store } from "./question/problem";
import { problemOf } from "./question/question";
import { takenWhole } from "./question/wish";
import { alternativesIn } from "./rounds/alternatives";
import { fullestPlaces, leftStanding } from "./rounds/left";
import { tripPlan } from "./rounds/trip-plan";
import { outcomeOf, plan, planWithin } from "./solver/optimise";
import { arcsOf } from "./solver/paths";
import { sayLeft, sayPlace, sayUnmet } from "./words";

const evenings = (minutes = 60) => Array.from({ length: 14 }, (_, d) => slot(d, "17:30", minutes));
const daysTaken = (p: PlanProblem, id: string): number[] => {
  const at = p.supplies.findIndex((s) => s.plantingId === id);
  return plan(p).schedule[at]!.map((s) => Math.floor(p.slots[s.slot]!.t));
};
const askOf = (s: Snapshot) => problemOf(s, outlookOf(s, NOW), NO_WISHES);
const at = (day: number) => `${addDays(TODAY, day)}T17:30`;

describe("worked situations of the trade, by hand-made supplies (common practice, no source)", () => {
  it("a heat wave on brassica heads: they are cut before it loosens them, not after", () => {
    const cool = supply("head", { readyOn: 2, primeFor: 8, standingG: 2000, pastShare: 0.1, worthPerG: 0.003 });
    const hot = supply("head", { readyOn: 2, primeFor: 2, standingG: 2000, pastShare: 0.1, worthPerG: 0.003 });
    const [waits] = daysTaken(problem(evenings(), [cool]), "head");
    const [hurries] = daysTaken(problem(evenings(), [hot]), "head");
    expect(hurries).toBeLessThanOrEqual(4);
    expect(hurries).toBeLessThan(waits!);
  });
  it("rain before peaches: with a wet week coming they come in while it is dry, though a day early", () => {
    const peach = supply("peach", { readyOn: 3, primeFor: 5, standingG: 6000, earlyShare: 0.8, worthPerG: 0.003 });
    const wet = [3, 4, 5, 6, 7].map((d) => ({
      plantingId: "peach",
      slotId: at(d),
      why: { why: "rain" as const },
      law: false,
    }));
    const dry = daysTaken(problem(evenings(), [peach]), "peach")[0]!;
    const [before] = daysTaken(problem(evenings(), [peach], { bars: wet }), "peach");
    expect(dry).toBeGreaterThanOrEqual(3);
    expect(before).toBeLessThan(3);
  });
  it("ten days away in courgette season: stripped on the last evening, small ones too, and past it on return", () => {
    const courgette = supply("c", {
      once: false,
      rateG: 700,
      stockG: 800,
      stripG: 600,
      primeFor: 1.5,
      worthPerG: 0.0013,
    });
    const trip = { fromDay: addDays(TODAY, 3), toDay: addDays(TODAY, 12) };
    const slots = evenings().map((s, d) => (d >= 3 && d <= 12 ? { ...s, minutes: 0, allowed: false, away: true } : s));
    const p = problem(slots, [courgette]);
    const made = plan(p);
    const lists = tripPlan(p, made.schedule, trip, () => ({ nature: "sizes", habit: "repeat", climacteric: false }));
    const before = [...lists.strip, ...lists.small];
    expect(before.map((l) => [l.plantingId, l.day])).toEqual([["c", addDays(TODAY, 2)]]);
    if (lists.small.length > 0) expect(lists.past.map((l) => l.plantingId)).toEqual(["c"]);
    expect(lists.leave).toEqual([]);
  });
  it("before five days away tomatoes in their first colour come in; before a day out, or with somebody there, they stay", () => {
    const tomato = supply("t", { once: false, rateG: 500, stockG: 900, primeFor: 4, worthPerG: 0.003 });
    const away = (days: number, byThen: { by?: string } = {}) => {
      const trip = { fromDay: addDays(TODAY, 3), toDay: addDays(TODAY, 2 + days) };
      const slots = evenings().map((s, d) =>
        d >= 3 && d <= 2 + days ? { ...s, allowed: Boolean(byThen.by), by: byThen.by ?? "", away: true } : s,
      );
      const p = problem(slots, [tomato]);
      return tripPlan(p, plan(p).schedule, trip, () => ({ nature: "ripens", habit: "repeat", climacteric: true }))
        .blush;
    };
    expect(away(5)).toEqual([{ plantingId: "t", day: addDays(TODAY, 2), startsAt: "17:30" }]);
    expect(away(1)).toEqual([]);
    expect(away(5, { by: "Ines" })).toEqual([]);
  });
  it("a spear crop is picked every second day while the season lasts", () => {
    const spears = supply("a", {
      once: false,
      rateG: 300,
      stockG: 300,
      primeFor: 1.6,
      worthPerG: 0.006,
      pastShare: 0.05,
      minutesPerG: 0.002,
    });
    const days = daysTaken(problem(evenings(), [spears]), "a");
    const gaps = days.slice(1).map((d, k) => d - days[k]!);
    expect(days.length).toBeGreaterThanOrEqual(6);
    expect(Math.max(...gaps)).toBeLessThanOrEqual(2);
  });
  it("tops half down and no other chance for a week: lifted now rather than left to rot at the neck", () => {
    const onion = supply("onion", { readyOn: 1, primeFor: 5, standingG: 8000, earlyShare: 0.9, pastShare: 0.3 });
    const slots = evenings().map((s, d) => (d >= 1 && d <= 8 ? { ...s, minutes: 0, allowed: false } : s));
    expect(daysTaken(problem(slots, [onion]), "onion")).toEqual([0]);
    expect(daysTaken(problem(evenings(), [onion]), "onion")[0]).toBeGreaterThanOrEqual(1);
  });
  it("pick every second day with rest days: a bed cut again is let grow back", () => {
    const leaves = supply("l", { once: false, rateG: 400, stockG: 500, primeFor: 4, restDays: 5, worthPerG: 0.004 });
    const days = daysTaken(problem(evenings(), [leaves]), "l");
    for (let k = 1; k < days.length; k++) expect(days[k]! - days[k - 1]!).toBeGreaterThanOrEqual(5);
    expect(days.length).toBeGreaterThanOrEqual(2);
  });
});

describe("worked situations in a whole garden (common practice, no source)", () => {
  it("disease, so lift early: a sick onion bed is lifted now, a sound one waits", () => {
    const onions = (readings: { cueId: string; value: boolean | number }[]): Snapshot =>
      garden({
        plantings: [planting("bulb-onion", { id: "o", bedId: "wall", startedOn: "2026-06-16", plants: 60 })],
        checks: [check("2026-10-05", readings, { id: "c", plantingId: "o" })],
      });
    const days = (s: Snapshot) => {
      const p = askOf(s);
      return plan(p).schedule[0]!.map((x) => p.slots[x.slot]!.t);
    };
    const sound = days(onions([]));
    const sick = days(onions([{ cueId: "disease", value: true }]));
    expect(sick[0]).toBeLessThan(3);
    expect(sound[0] ?? 14).toBeGreaterThan(sick[0]!);
    expect(
      outlookOf(onions([{ cueId: "disease", value: true }]), NOW).plantings[0]!.supply.sickLossShare,
    ).toBeGreaterThan(0);
  });
  it("the refrigerator is full: salad that only it can keep is left, and the reason says so", () => {
    const plenty = garden({
      plantings: [
        planting("lettuce-loose-leaf", { id: "l", bedId: "tunnel", startedOn: "2026-08-26", plants: 30, kind: "oak" }),
      ],
      places: [placeWith({ id: "f", name: "kitchen refrigerator", kind: "fridge", litres: 100, takenLitres: 10 })],
      tastes: [{ id: "lettuce-loose-leaf", liking: 1, weeklyG: 5000, sparedG: 5000 }],
    });
    const full = { ...plenty, places: plenty.places.map((x) => ({ ...x, takenLitres: 100 })) };
    const got = (s: Snapshot) => {
      const p = askOf(s);
      const arcs = p.supplies.map((x) => arcsOf(p, x));
      const made = plan(p);
      return { p, made, grams: made.schedule[0]!.length, outcome: outcomeOf(p, arcs, made.schedule) };
    };
    const roomy = got(plenty);
    const tight = got(full);
    expect(roomy.grams).toBeGreaterThan(0);
    expect(tight.grams).toBeLessThanOrEqual(roomy.grams);
    expect(tight.made.value).toBeLessThan(roomy.made.value);
    expect(sayPlace(fullestPlaces(roomy.p, roomy.made.schedule)[0]!, "metric")).toMatch(
      /kitchen refrigerator.* of 90 free litres filled by/,
    );
    if (tight.grams === 0)
      expect(sayLeft(leftStanding(tight.p, tight.made.schedule)[0]!, "metric")).toMatch(
        /no room: kitchen refrigerator/,
      );
  });
  it("inside a spray's wait nothing is picked, not even by a pinned wish, and the date is said", () => {
    const s = garden({
      treatments: [
        { id: "t", plantingId: "kale", day: "2026-10-05", kind: "spray", product: "soap", waitDays: 7, note: "" },
      ],
    });
    const p = problemOf(s, outlookOf(s, NOW), {
      ...NO_WISHES,
      take: [{ plantingId: "kale", slotId: at(2) }],
      open: [at(2)],
    });
    const made = plan(p);
    const k = p.supplies.findIndex((x) => x.plantingId === "kale");
    for (const step of made.schedule[k]!) expect(p.slots[step.slot]!.day >= "2026-10-12").toBe(true);
    expect(made.unmet.map((u) => sayUnmet(u, "metric")).join()).toMatch(
      /sprayed with soap on Mon 5 Oct; by its label not before Mon 12 Oct/,
    );
  });
  it("a wait for skins to set, or a date of the gardener's, gives way to a pinned wish", () => {
    const s = garden({ pickWishes: [{ id: "w", plantingId: "squash", kind: "not-before", day: "2026-10-20" }] });
    const free = askOf(s);
    const k = free.supplies.findIndex((x) => x.plantingId === "squash");
    for (const step of plan(free).schedule[k]!) expect(free.slots[step.slot]!.day >= "2026-10-20").toBe(true);
    const pinned = problemOf(s, outlookOf(s, NOW), { ...NO_WISHES, take: [{ plantingId: "squash", slotId: at(2) }] });
    expect(plan(pinned).schedule[k]!.map((x) => pinned.slots[x.slot]!.id)).toEqual([at(2)]);
  });
  it("take all on a day: taken then, and never after", () => {
    const s = garden({ pickWishes: [{ id: "w", plantingId: "kale", kind: "take-all", day: "2026-10-08" }] });
    const p = askOf(s);
    const k = p.supplies.findIndex((x) => x.plantingId === "kale");
    const days = plan(p).schedule[k]!.map((x) => p.slots[x.slot]!.day);
    expect(days.at(-1)).toBe("2026-10-08");
    const whole = takenWhole(p, plan(p).schedule, s.pickWishes);
    expect(whole[k]!.at(-1)!.take).toBe("strip");
    expect(whole.filter((_, q) => q !== k)).toEqual(plan(p).schedule.filter((_, q) => q !== k));
  });
  it("a crop nobody at home eats is left, one that is loved is worth more", () => {
    const liking = (l: number) => garden({ tastes: [{ id: "kale", liking: l, weeklyG: 2000, sparedG: 2000 }] });
    const none = askOf(liking(0));
    const k = none.supplies.findIndex((x) => x.plantingId === "kale");
    const made = plan(none);
    expect(made.schedule[k]).toEqual([]);
    expect(leftStanding(none, made.schedule).find((l) => l.plantingId === "kale")!.left).toEqual({ why: "not-eaten" });
    expect(askOf(liking(2)).supplies[k]!.worthPerG).toBeCloseTo(2 * askOf(liking(1)).supplies[k]!.worthPerG, 12);
  });
  it("a day on which nobody can go has no window, a day with an hour of its own has that one", () => {
    const s = garden({
      datedWindows: [
        { id: "a", day: "2026-10-08", startsAt: null, minutes: 0 },
        { id: "b", day: "2026-10-09", startsAt: "07:00", minutes: 30 },
      ],
    });
    const open = askOf(s).slots.filter((x) => x.allowed);
    expect(open.some((x) => x.day === "2026-10-08")).toBe(false);
    expect(open.filter((x) => x.day === "2026-10-09").map((x) => [x.startsAt, x.minutes])).toEqual([["07:00", 30]]);
  });
  it("containers at hand hold one round: what does not fit waits for the next", () => {
    const one: Store = {
      id: "tubs",
      of: { kind: "containers" },
      capacity: 5,
      over: 50,
      draws: ["a", "b"].map((plantingId) => ({ plantingId, perG: 0.001, fromT: 0, toT: 1 })),
    };
    const two = ["a", "b"].map((id) => supply(id, { readyOn: -3, primeFor: 30, standingG: 5000, frost: { 3: 0.9 } }));
    const free = plan(problem(evenings(), two))
      .schedule.flat()
      .map((s) => s.slot);
    expect(new Set(free).size).toBe(1);
    const held = problem(evenings(), two, {
      stores: [{ ...one, draws: one.draws.map((d) => ({ ...d, toT: 3 })) }],
    });
    const made = plan(held);
    expect(made.schedule.filter((s) => s.length > 0 && held.slots[s[0]!.slot]!.t < 3)).toHaveLength(1);
  });
});

describe("a plan in hand at any moment, and what else could be done", () => {
  it("hands out a first plan at once and never a worse one later", () => {
    const p = generated(3, 30, 14, 2, true);
    let clock = 0;
    const first = planWithin(p, 0, () => clock++);
    const soon = planWithin(p, 6, () => clock++);
    const whole = plan(p);
    expect(first.schedule.flat().length).toBeGreaterThan(0);
    expect(soon.value).toBeGreaterThanOrEqual(first.value - 1e-9);
    expect(whole.value).toBeGreaterThanOrEqual(soon.value - 1e-9);
    expect(whole.bound).toBeLessThanOrEqual(first.bound + 1e-9);
  });
  it("no alternative to a round of a proven plan is worth more, and each says what it changes", () => {
    for (let seed = 200; seed < 212; seed++) {
      const p = generated(seed, 5, 6, 1);
      const made = plan(p);
      if (made.gap > 1e-9) continue;
      const alternatives = alternativesIn(p, made.schedule);
      for (const j of new Set(made.schedule.flat().map((s) => s.slot)))
        for (const a of alternatives(j)) {
          expect(a.value).toBeLessThanOrEqual(1e-6);
          if (a.kind === "earlier") expect(p.slots[a.slot]!.day < p.slots[j]!.day).toBe(true);
          if (a.kind === "later") expect(p.slots[a.slot]!.day > p.slots[j]!.day).toBe(true);
          if (a.kind === "without") expect(a.minutes).toBeLessThan(0);
        }
    }
  });
  it("a line of the plan before stays where another hour is better by little, and moves where it is better by much", () => {
    const squash = supply("s", { readyOn: 4, primeFor: 12, standingG: 3000 });
    const p = problem(evenings(), [squash]);
    const arcs = [arcsOf(p, squash)];
    const worth = (j: number) => outcomeOf(p, arcs, [[{ slot: j, take: "ready" }]]).value;
    const best = plan(p).schedule[0]![0]!.slot;
    const openCost = (p.roundMinutes * p.hourWorth) / 60;
    const stays = (j: number) =>
      plan({ ...p, kept: [{ plantingId: "s", slotId: p.slots[j]!.id, take: "ready" }] }).schedule[0]![0]!.slot;
    const behind = p.slots.map((_, j) => worth(best) - worth(j));
    const little = behind.flatMap((d, j) => (d > 1e-6 && d < 0.2 * openCost ? [j] : []));
    const much = behind.flatMap((d, j) => (d > openCost ? [j] : []));
    expect(little.length).toBeGreaterThan(0);
    expect(much.length).toBeGreaterThan(0);
    for (const j of little) expect(stays(j)).toBe(j);
    for (const j of much) expect(stays(j)).toBe(best);
  });
});
