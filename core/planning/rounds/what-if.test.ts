import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../../calendar/day";
import { plainWeather } from "../../fixtures/garden";
import { garden, NO_WISHES, NOW, TODAY } from "../../fixtures/snapshot";
import type { Snapshot } from "../../snapshot";
import { outlookOf } from "../outlook";
import { problemOf } from "../question/question";
import { outcomeOf, plan } from "../solver/optimise";
import { arcsOf } from "../solver/paths";
import { totalsOf } from "./explain";
import { AS_IT_IS, type Supposal, supposalSchema, supposed, supposes } from "./what-if";

const askOf = (s: Snapshot) => problemOf(s, outlookOf(s, NOW), NO_WISHES);
const if_ = (over: Partial<Supposal>, from = garden()) => supposed(from, TODAY, { ...AS_IT_IS, ...over });
const lowsOf = (s: Snapshot) => s.forecast!.days.map((d) => d.tempMinC);

describe("what if", () => {
  it("nothing supposed is the garden as it is", () => {
    expect(if_({})).toEqual(garden());
    expect(supposes(AS_IT_IS)).toBe(false);
    expect(supposes({ ...AS_IT_IS, pickers: 2 })).toBe(true);
  });
  it("a frost a night earlier: tomorrow's weather moves up, today's stays, the last day is not known any more", () => {
    const before = lowsOf(garden());
    const after = lowsOf(if_({ earlierDays: 1 }));
    expect(after[0]).toBe(before[0]);
    expect(after.slice(1)).toEqual(before.slice(2));
    const nights = outlookOf(if_({ earlierDays: 1 }), NOW).days;
    expect(nights.find((d) => d.weather.tempMinC < 0)!.weather.day).toBe(addDays(TODAY, 2));
  });
  it("two degrees colder, members and all, and what freezes is lost more likely", () => {
    const members = [3, 4, 5].map((tempMinC) => ({ tempMinC, tempMaxC: 15, rainMm: 0, gustMs: null }));
    const days = plainWeather(TODAY, 14).map((d) => ({ ...d, members }));
    const cold = if_({ colderC: 2 }, garden({ forecast: { source: "test", issuedOn: TODAY, days } }));
    expect(cold.forecast!.days[4]!.members!.map((m) => m.tempMinC)).toEqual([1, 2, 3]);
    expect(cold.forecast!.days[0]!.members!.map((m) => m.tempMinC)).toEqual([3, 4, 5]);
    const frost = (s: Snapshot) => askOf(s).supplies.find((x) => x.plantingId === "squash")!.days[3]!.killChance;
    expect(frost(if_({ colderC: 2 }))).toBeGreaterThan(frost(garden()));
  });
  it("a trip two days longer closes its windows, and only of the next trip", () => {
    const later = {
      id: "u",
      name: "Later",
      fromDay: "2026-10-18",
      toDay: "2026-10-18",
      standIn: "",
      standInMinutes: 0,
    };
    const from = garden({ trips: [later, ...garden().trips] });
    const open = (s: Snapshot) =>
      askOf(s)
        .slots.filter((x) => x.allowed)
        .map((x) => x.day);
    expect(open(from)).toContain("2026-10-13");
    const longer = if_({ longerDays: 2 }, from);
    expect(open(longer)).not.toContain("2026-10-13");
    expect(open(longer)).not.toContain("2026-10-14");
    expect(longer.trips.find((t) => t.id === "u")).toEqual(later);
  });
  it("one more picker doubles the minutes of the household's windows, boots and washing up once more, not the stand-in's", () => {
    const trips = garden().trips.map((t) => ({ ...t, standIn: "Ada", standInMinutes: 30 }));
    const slots = askOf(if_({ pickers: 2 }, garden({ trips }))).slots.filter((s) => s.allowed);
    expect(slots.filter((s) => s.by === undefined).every((s) => s.minutes === 180 - garden().garden.roundMinutes)).toBe(
      true,
    );
    expect(slots.filter((s) => s.by === "Ada").map((s) => [s.day, s.minutes])).toEqual([["2026-10-11", 30]]);
  });
  it("planning for it is never worth less than keeping the old rounds through it", () => {
    const made = plan(askOf(garden()));
    fc.assert(
      fc.property(
        fc.record({
          earlierDays: fc.integer({ min: 0, max: 2 }),
          colderC: fc.constantFrom(0, 2, 4),
          longerDays: fc.constant(0),
          pickers: fc.constantFrom(1, 2),
        }),
        (s) => {
          const asked = askOf(supposed(garden(), TODAY, s));
          const arcs = asked.supplies.map((x) => arcsOf(asked, x));
          // a pick that would find its leaves wet then is not among what could be kept
          const barred = new Set(asked.bars!.map((b) => `${b.plantingId} ${b.slotId}`));
          const steps = made.schedule.map((path, p) =>
            path.filter((x) => !barred.has(`${asked.supplies[p]!.plantingId} ${asked.slots[x.slot]!.id}`)),
          );
          const kept = outcomeOf(asked, arcs, steps).value;
          const anew = plan(asked);
          expect(anew.value).toBeGreaterThanOrEqual(kept - 0.01 * Math.abs(kept));
          expect(anew.bound).toBeGreaterThanOrEqual(kept - 1e-6);
        },
      ),
      { numRuns: 12 },
    );
  });
  it("colder nights never leave more to be kept by the same rounds", () => {
    const made = plan(askOf(garden()));
    const kept = [0, 2, 4].map((colderC) => totalsOf(askOf(if_({ colderC })), made.schedule).keptG);
    expect(kept[1]).toBeLessThanOrEqual(kept[0]! + 1e-6);
    expect(kept[2]).toBeLessThanOrEqual(kept[1]! + 1e-6);
  });
  it("supposes nothing out of reason", () => {
    for (const bad of [{ pickers: 0 }, { colderC: 20 }, { earlierDays: 0.5 }, { longerDays: -1 }])
      expect(supposalSchema.safeParse({ ...AS_IT_IS, ...bad }).success).toBe(false);
  });
});
