import { describe, expect, it } from "vitest";
import { check, situation } from "../fixtures/garden";
import { orderSweeps, shareOf, targetSweeps, unseenSweep } from "../fixtures/sweeps";
import { CROPS } from "../handbook";
import { judge } from "./judge";

describe("the whole handbook, every school", () => {
  it.each(targetSweeps())("$name: $fit of $all", (sweep) => {
    expect(sweep.all).toBeGreaterThan(200);
    expect(sweep.misfits).toEqual([]);
    expect(shareOf(sweep)).toBeGreaterThanOrEqual(0.98);
  });
  it.each(orderSweeps())("$name: $fit of $all", (sweep) => {
    expect(sweep.all).toBeGreaterThan(200);
    expect(shareOf(sweep), sweep.misfits.slice(0, 20).join("\n")).toBeGreaterThanOrEqual(0.98);
  });
  it("with nobody looking it is never past its prime", () => {
    expect(unseenSweep().misfits).toEqual([]);
  });
});

const ripe = (j: ReturnType<typeof judge>) => j.chances.ready + j.chances.past;

describe("counts speak the way they should", () => {
  const counted = CROPS.filter((c) => c.cues.some((q) => q.kind === "count" && q.of === "ready"));
  it.each(counted.map((c) => [c.name, c.id]))(
    "%s: more ready ones never make it less ready; none is not a pick",
    (_, id) => {
      const crop = CROPS.find((c) => c.id === id)!;
      const cue = crop.cues.find((q) => q.kind === "count" && q.of === "ready")!;
      for (const age of [50, 90]) {
        const at = (n: number) => judge(situation({ cropId: id, age, readings: { [cue.id]: n } }));
        const chances = [0, 1, 4, 20, 60].map((n) => ripe(at(n)));
        for (let k = 1; k < chances.length; k++) expect(chances[k]!).toBeGreaterThanOrEqual(chances[k - 1]! - 1e-9);
        expect(at(0).verdict).not.toMatch(/^pick|^past/);
        expect(at(40).verdict).toMatch(/^pick/);
      }
    },
  );
  it("a look that comes later in the day than another of the same cue is the one that counts", () => {
    const onion = situation({ cropId: "bulb-onion", age: 110 });
    const look = (at: string, value: number) =>
      check(onion.today, [{ cueId: "tops-down", value }], { id: at, at: `${onion.today}T${at}` });
    const verdict = (...looks: ReturnType<typeof look>[]) => judge({ ...onion, checks: looks }).verdict;
    expect(verdict(look("10:00", 10), look("10:01", 80))).toBe("pick-all");
    expect(verdict(look("10:00", 80), look("10:01", 10))).not.toMatch(/^pick/);
  });
});

describe("all or some hangs on the way of the school", () => {
  it.each([
    ["lettuce-head", "whole-head", { head: "gives" }, "pick-some"],
    ["winter-squash", "as-they-colour", { colour: "dull", rind: "hard" }, "pick-some"],
    ["winter-squash", "one-day-before-frost", { colour: "dull", rind: "hard" }, "pick-all"],
    ["potato", "dig-as-needed", { "haulm-brown": 100, "skin-rub": "holds" }, "pick-some"],
    ["potato", "dead-top", { "haulm-brown": 100, "skin-rub": "holds" }, "pick-all"],
    ["carrot", "bunching", { shoulder: 24 }, "pick-some"],
    ["carrot", "storing", { shoulder: 34 }, "pick-all"],
  ] as const)("%s, %s: %o is %s", (cropId, schoolId, readings, verdict) => {
    expect(judge(situation({ cropId, age: 110, schoolId, readings: { ...readings } })).verdict).toBe(verdict);
  });
});

describe("signs of the end", () => {
  it("tops or haulm all down say ready, never spoilt", () => {
    for (const [cropId, cue] of [
      ["bulb-onion", "tops-down"],
      ["potato", "haulm-brown"],
    ] as const)
      expect(judge(situation({ cropId, age: 170, readings: { [cue]: 100 } })).verdict).toBe("pick-all");
  });
  it("no sign yet puts nothing back to the beginning: a week later it can be ready", () => {
    const none = situation({ cropId: "bulb-onion", age: 115, readings: { "tops-down": 0, neck: "stiff" } });
    const j = judge(none);
    expect(j.verdict).not.toMatch(/^pick/);
    expect(j.days[20]!.ready + j.days[20]!.past).toBeGreaterThan(0.08);
    expect(j.chances.unready).toBeLessThan(0.97);
  });
});

describe("tests, thinnings and what is kept for seed", () => {
  it("a test taken or a thinning leaves what was ready as it was; a pick does not", () => {
    const s = { cropId: "courgette", age: 75, readings: { length: 180 } };
    const today = situation(s).today;
    const chanceLeft = (aside: boolean) =>
      judge(situation({ ...s, picks: [{ day: today, extent: "all-ready", aside }] }));
    expect(ripe(chanceLeft(true))).toBeGreaterThan(0.8);
    expect(ripe(chanceLeft(false))).toBeLessThan(0.3);
  });
  it("a row kept for seed, and a season that was ended, are barred from picking for whoever asks", () => {
    expect(judge(situation({ cropId: "kale", age: 120, readings: { "for-seed": true } })).barred).toEqual({
      why: "for-seed",
    });
    const spears = judge(situation({ cropId: "asparagus", age: 40, readings: { thin: true } }));
    expect([spears.verdict, spears.barred]).toEqual(["leave-for-seed", { why: "resting" }]);
  });
});

describe("looking again", () => {
  it("is never later than the prime is long once it is nearly ready, and never tomorrow for weeks ahead", () => {
    for (const crop of CROPS) {
      for (const age of [20, 45, 70, 100]) {
        const input = situation({ cropId: crop.id, age });
        const j = judge({ ...input, checks: [check(input.today, [])] });
        const days = (Date.parse(j.lookAgain) - Date.parse(input.today)) / 86_400_000;
        if (j.verdict === "nearly")
          expect(days).toBeLessThanOrEqual(Math.max(1, Math.round(Math.min(crop.prime.coolDays, 10))));
        const week = j.days[7]!;
        if (j.verdict === "not-yet" && week.ready + week.past < 0.02 && week.nearly < 0.1)
          expect(days).toBeGreaterThan(3);
      }
    }
  });
});
