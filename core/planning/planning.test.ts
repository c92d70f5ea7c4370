import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { generated, problem, slot, supply, TODAY } from "../fixtures/problem";
import { firstPick, massOf, nextPick } from "../planting/fate";
import { gammaMean, gammaPosterior, gammaSd } from "../planting/rate";
import type { PlanProblem } from "./question/problem";
import { linesOf, lostG, reasonOf, totalsOf } from "./rounds/explain";
import { outcomeOf, plan } from "./solver/optimise";
import { arcsOf } from "./solver/paths";
import { sayReason, sayUnmet } from "./words";

const twoWeeks = (minutes = 60) => Array.from({ length: 14 }, (_, d) => slot(d, "17:30", minutes));
const opened = (p: PlanProblem) =>
  [
    ...new Set(
      plan(p)
        .schedule.flat()
        .map((s) => p.slots[s.slot]!.day),
    ),
  ].sort();

describe("supply", () => {
  // C14.2: gamma prior, Poisson counts (Gelman et al., BDA ch. 2)
  it("learns a rate by the conjugate formulas", () => {
    const posterior = gammaPosterior({ shape: 2, rate: 1 }, 12, 3);
    expect(posterior).toEqual({ shape: 14, rate: 4 });
    expect(gammaMean(posterior)).toBeCloseTo(3.5, 9);
    expect(gammaSd(posterior)).toBeCloseTo(0.935414, 6);
    expect(gammaMean(gammaPosterior({ shape: 3, rate: 5 }, 30, 20))).toBeCloseTo(1.32, 9);
  });
  it("a repeat cropper left longer gives more, with a larger share over-age", () => {
    const beans = supply("b", { once: false, rateG: 400, stockG: 300, primeFor: 4 });
    const soon = nextPick(beans, 0.4, 1, 3);
    const late = nextPick(beans, 0.4, 1, 11);
    expect(massOf(late)).toBeGreaterThan(massOf(soon));
    expect(late.pastG / massOf(late)).toBeGreaterThan(soon.pastG / massOf(soon) + 0.2);
  });
  it("frost takes its share of what stands, and only after the night", () => {
    const squash = supply("s", { readyOn: -20, primeFor: 60, frost: { 3: 0.7 }, lossShare: 0.9 });
    expect(firstPick(squash, 0.4, 2.8).frostG).toBe(0);
    const after = firstPick(squash, 0.4, 3.3);
    expect(after.frostG).toBeCloseTo(5000 * 0.63, -1);
    expect(massOf(after) + after.frostG).toBeCloseTo(5000, -2);
  });
});

describe("worked situations of the trade (common practice, no source)", () => {
  it("a killing frost three nights off: tender crops come in before it, hardy ones may wait", () => {
    const tender = supply("squash", { readyOn: -3, primeFor: 30, frost: { 3: 0.75 } });
    const hardy = supply("kale", { readyOn: -3, primeFor: 30, killC: -12 });
    const p = problem(twoWeeks(), [tender, hardy]);
    const result = plan(p);
    const day = p.slots[result.schedule[0]![0]!.slot]!;
    expect(day.t).toBeLessThan(3.25);
    const lines = linesOf(p, tender, result.schedule[0]!, [result.schedule[0]![0]!.slot]);
    expect(sayReason(reasonOf(p, tender, lines[0]!), "metric")).toMatch(
      /75 % chance of frost in this bed in the night to Friday, which harms at −1 °C; left, 3\.\d+ kg is lost/,
    );
  });
  it("away for five days in courgette season: picked right before leaving and right after", () => {
    const courgette = supply("c", { once: false, rateG: 700, stockG: 800, primeFor: 1.5, worthPerG: 0.0013 });
    const slots = twoWeeks().map((s, d) => (d >= 4 && d <= 8 ? { ...s, minutes: 0, allowed: false, away: true } : s));
    const days = opened(problem(slots, [courgette]));
    expect(days).toContain("2026-10-09");
    expect(days).toContain("2026-10-15");
    expect(days.some((d) => d > "2026-10-09" && d < "2026-10-15")).toBe(false);
  });
  it("only one hour: the crop that would be lost is taken, the one that can wait is left", () => {
    const lost = supply("tomato", { readyOn: -2, frost: { 1: 0.9 }, standingG: 9000, minutesPerG: 0.004 });
    const waits = supply("leek", {
      readyOn: -2,
      primeFor: 60,
      killC: -15,
      standingG: 9000,
      minutesPerG: 0.004,
      worthPerG: 0.002,
    });
    const p = problem([slot(0, "17:30", 60)], [lost, waits]);
    const result = plan(p);
    expect(result.schedule[0]).toHaveLength(1);
    expect(result.schedule[1]).toHaveLength(0);
  });
  it("nothing ready and nothing in danger: nobody goes out", () => {
    expect(opened(problem(twoWeeks(), [supply("s", { readyOn: 40, primeFor: 20 })]))).toEqual([]);
  });
  it("a last strip before the frost takes green fruit too", () => {
    const tomato = supply("t", {
      once: false,
      rateG: 200,
      stockG: 900,
      stripG: 4000,
      stripShare: 0.5,
      worthPerG: 0.0025,
      frost: { 3: 0.95 },
    });
    const steps = plan(problem(twoWeeks(120), [tomato])).schedule[0]!;
    expect(steps.at(-1)!.take).toBe("strip");
  });
});

describe("wishes", () => {
  const p = (wishes: Partial<PlanProblem["wishes"]>) =>
    problem(twoWeeks(), [supply("a", { readyOn: -3, frost: { 3: 0.8 } })], {
      wishes: { take: [], leave: [], open: [], ...wishes },
    });
  it("a pinned line stays, a forbidden one goes", () => {
    const pinned = p({ take: [{ plantingId: "a", slotId: "2026-10-12T17:30" }] });
    expect(opened(pinned)).toContain("2026-10-12");
    const free = p({});
    const chosen = opened(free)[0]!;
    expect(opened(p({ leave: [{ plantingId: "a", slotId: `${chosen}T17:30` }] }))).not.toContain(chosen);
  });
  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "wishes too long for their windows are kept and said, and the planning ends (garden %d)",
    (seed) => {
      const asked = generated(seed, 8, 7, 1);
      for (const s of asked.slots) s.minutes = Math.min(s.minutes, asked.roundMinutes + 6);
      const take = asked.supplies
        .slice(0, 5)
        .map((s, k) => ({ plantingId: s.plantingId, slotId: asked.slots[k % 4]!.id }));
      const made = plan({ ...asked, wishes: { take, leave: [], open: [] } });
      for (const w of take) {
        const p = asked.supplies.findIndex((s) => s.plantingId === w.plantingId);
        const slot = asked.slots.findIndex((s) => s.id === w.slotId);
        expect(made.schedule[p]!.map((s) => s.slot)).toContain(slot);
      }
      const arcs = asked.supplies.map((s) => arcsOf(asked, s));
      const { minutesBySlot } = outcomeOf(asked, arcs, made.schedule);
      asked.slots.forEach((s, j) => {
        const over = minutesBySlot[j]! > s.minutes - asked.roundMinutes + 1e-6;
        // only where a wish stands may a window be overrun, and then it is said
        if (over)
          expect(
            take.some((w) => w.slotId === s.id) && made.unmet.some((u) => u.why === "too-long" && u.day === s.day),
          ).toBe(true);
      });
    },
  );
  it("wishes that contradict each other are said, and the rest is planned as near to them as can be", () => {
    const [a, b] = [supply("a", { readyOn: -3, once: true }), supply("b", { readyOn: -3 })];
    const at = (day: number) => `${addDays(TODAY, day)}T17:30`;
    const asked = problem(twoWeeks(), [a, b], {
      wishes: {
        take: [
          { plantingId: "a", slotId: at(2) },
          { plantingId: "a", slotId: at(5) },
          { plantingId: "b", slotId: at(3) },
          { plantingId: "b", slotId: "2031-01-01T08:00" },
        ],
        leave: [{ plantingId: "b", slotId: at(3) }],
        open: [],
      },
    });
    const made = plan(asked);
    const said = made.unmet.map((u) => sayUnmet(u, "metric")).join("\n");
    expect(said).toMatch(/Wed 1 Jan, 08:00 is not an hour of this fortnight/);
    expect(said).toMatch(/both to be taken and to be left on Fri 9 Oct, 17:30; it is left/);
    expect(said).toMatch(/taken once is wished for on Thu 8 Oct, 17:30 and on Sun 11 Oct, 17:30/);
    expect(Number.isFinite(made.value)).toBe(true);
    expect(made.schedule[0]!.map((s) => asked.slots[s.slot]!.id)).toEqual([at(2)]);
    expect(made.schedule[1]!.map((s) => asked.slots[s.slot]!.id)).not.toContain(at(3));
  });
  it("negative minutes are no minutes: nobody goes out, and nothing is worth less than standing still", () => {
    const asked = problem(twoWeeks(), [supply("a", { readyOn: -3 })]);
    for (const s of asked.slots) s.minutes = -30;
    const made = plan(asked);
    expect(made.schedule).toEqual([[]]);
    expect(made.gap).toBeGreaterThanOrEqual(0);
  });
  it("with no window at all the plan is empty and says nothing false", () => {
    const result = plan(problem(twoWeeks(0), [supply("a", { readyOn: -3 })]));
    expect(result.schedule).toEqual([[]]);
    expect(result.gap).toBeLessThan(0.01);
  });
  it("never exceeds the minutes of a window, and is the same every time", () => {
    for (let seed = 1; seed <= 12; seed++) {
      const q = generated(seed, 12, 10, 2);
      const one = plan(q);
      const arcs = q.supplies.map((s) => arcsOf(q, s));
      const outcome = outcomeOf(q, arcs, one.schedule);
      outcome.minutesBySlot.forEach((m, j) => {
        if (m > 0) expect(m + q.roundMinutes).toBeLessThanOrEqual(q.slots[j]!.minutes + 1e-6);
      });
      expect(outcome.value).toBeCloseTo(one.value, 6);
      expect(plan(q)).toEqual(one);
    }
  });
  it("counts kept and lost masses that move when a round moves", () => {
    const q = p({});
    const steps = plan(q).schedule;
    const late = steps.map(() => [{ slot: 10, take: "ready" as const }]);
    expect(totalsOf(q, late).lostG).toBeGreaterThan(totalsOf(q, steps).lostG + 1000);
    expect(lostG(linesOf(q, q.supplies[0]!, steps[0]!, [steps[0]![0]!.slot])[0]!)).toBeGreaterThan(1000);
  });
});

describe("laws of the planner", () => {
  it("worth, and the price of an hour, scaled by k scale the plan's value and bound by k", () => {
    for (let seed = 20; seed < 26; seed++) {
      const q = generated(seed, 8, 8, 1);
      const scaled = {
        ...q,
        hourWorth: q.hourWorth * 3,
        supplies: q.supplies.map((s) => ({ ...s, worthPerG: s.worthPerG * 3 })),
      };
      const one = plan(q);
      const three = plan(scaled);
      expect(three.value / one.value).toBeCloseTo(3, 1);
      expect(three.bound).toBeGreaterThanOrEqual(3 * one.value - 1e-6);
    }
  });
  it("the bound holds for every smaller choice of windows", () => {
    for (let seed = 30; seed < 36; seed++) {
      const q = generated(seed, 8, 8, 1);
      const fewer = { ...q, slots: q.slots.map((s, j) => (j % 2 === 0 ? { ...s, allowed: false, minutes: 0 } : s)) };
      expect(plan(fewer).value).toBeLessThanOrEqual(plan(q).bound + 1e-6);
    }
  });
  it("a dearer hour never makes for more rounds", () => {
    for (let seed = 40; seed < 46; seed++) {
      const q = generated(seed, 8, 10, 1);
      const minutes = (p: PlanProblem) => totalsOf(p, plan(p).schedule).minutes;
      expect(minutes({ ...q, hourWorth: q.hourWorth * 6 })).toBeLessThanOrEqual(minutes(q) + 1e-6);
    }
  });
  it("mass is kept, lost or still standing, never made: a once-over crop gives at most what stands", () => {
    for (let seed = 50; seed < 60; seed++) {
      const q = generated(seed, 10, 10, 2);
      plan(q).schedule.forEach((steps, p) => {
        const s = q.supplies[p]!;
        if (!s.once) return;
        const open = steps.map((step) => step.slot);
        const got = linesOf(q, s, steps, open).reduce((sum, l) => sum + l.expectedG, 0);
        expect(got).toBeLessThanOrEqual(s.standingG + 1e-6);
        expect(steps.length).toBeLessThanOrEqual(1);
      });
    }
  });
  it("every fate of a repeat cropper adds up over frost, gale and age", () => {
    for (let seed = 60; seed < 70; seed++)
      for (const s of generated(seed, 6, 10, 1).supplies.filter((x) => !x.once)) {
        const fate = nextPick(s, 0.4, 1.2, 8.3);
        for (const mass of Object.values(fate)) expect(mass).toBeGreaterThanOrEqual(-1e-9);
        const safe = { ...s, days: s.days.map((d) => ({ ...d, killChance: 0, galeChance: 0 })) };
        const unharmed = nextPick(safe, 0.4, 1.2, 8.3);
        expect(massOf(fate)).toBeLessThanOrEqual(massOf(unharmed) + 1e-6);
        expect(unharmed.frostG + unharmed.galeG).toBeCloseTo(0, 9);
      }
  });
});
