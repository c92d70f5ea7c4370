import { describe, expect, it } from "vitest";
import { curePlan } from "./cure-plan";
import { curingClock, curingOf, curingRate } from "./curing";

const sweet = curingOf({ like: "sweet-potato" })!;
const onion = curingOf({ like: "bulb-onion" })!;
const TODAY = "2026-10-06";
/** The plan of a lot that has lain for some days in an air. */
const plan = (facts: typeof sweet, air: Parameters<typeof curePlan>[2], days: number) => {
  const rate = curingRate(facts, air);
  const clock = curingClock(
    facts,
    Array.from({ length: days }, () => rate),
    rate,
    [],
  );
  return curePlan(facts, clock, air, TODAY);
};

describe("the plan of what cures", () => {
  it("in the right air lacks nothing, and ends here when it ends there (Kitinoja & Kader 2002: 4 to 7 days)", () => {
    const p = plan(sweet, { tempC: 30, humidityPct: 88, moving: true }, 0);
    expect(p.lacks).toEqual([]);
    expect(p.thereOn).toEqual(["2026-10-10", "2026-10-13"]);
    expect(p.hereOn).toEqual(p.thereOn);
  });
  it("says by how much a room is too cold and too dry, and ends later there", () => {
    const p = plan(sweet, { tempC: 20, humidityPct: 50, moving: true }, 0);
    expect(p.lacks).toEqual([
      { what: "cold", by: 9 },
      { what: "dry", by: 35 },
    ]);
    expect(p.hereOn![0] > p.thereOn[0]).toBe(true);
  });
  it("says by how much it is too hot and too damp, and nothing right at the edge", () => {
    const [cold, hot] = sweet.tempC;
    const [dry, damp] = sweet.humidityPct!;
    expect(plan(sweet, { tempC: hot + 4, humidityPct: damp, moving: true }, 0).lacks).toEqual([{ what: "hot", by: 4 }]);
    expect(plan(sweet, { tempC: hot, humidityPct: damp, moving: true }, 0).lacks).toEqual([]);
    expect(plan(sweet, { tempC: cold, humidityPct: dry, moving: true }, 0).lacks).toEqual([]);
    expect(plan(sweet, { tempC: cold, humidityPct: null, moving: false }, 0).lacks).toEqual([
      { what: "still", by: null },
    ]);
    expect(plan(sweet, { tempC: 30, humidityPct: 88, moving: true }, 0).right).toEqual({
      tempC: sweet.tempC,
      humidityPct: sweet.humidityPct,
    });
  });
  it("what is done counts in both", () => {
    const fresh = plan(onion, { tempC: 20, humidityPct: 60, moving: true }, 0);
    const week = plan(onion, { tempC: 20, humidityPct: 60, moving: true }, 7);
    expect(fresh.thereOn[0]).toBe("2026-10-20");
    expect(week.thereOn[0]).toBe("2026-10-13");
  });
  it("where it does not go on, there is no end, and still air is named", () => {
    const p = plan(onion, { tempC: 2, humidityPct: 90, moving: false }, 3);
    expect(p.hereOn).toBeNull();
    expect(p.lacks.map((l) => l.what)).toEqual(["cold", "damp", "still"]);
  });
});
