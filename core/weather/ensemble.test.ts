import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { plainWeather } from "../fixtures/garden";
import { type Forecast, forecastSchema, type Member } from "./daily";
import {
  correctedMembers,
  frostChances,
  meanOf,
  type Night,
  nightAt,
  nightChance,
  shareOfMembers,
  spreadOf,
} from "./ensemble";
import { skillOf, spreadRatio } from "./forecast-skill";
import { galeChance, hazardsOf } from "./hazards";

const night = (over: Partial<Night> = {}): Night => ({ minC: 1, errorC: 2, members: [], ...over });
const minima = fc.array(fc.double({ min: -12, max: 12, noNaN: true }), { minLength: 8, maxLength: 30 });

describe("C6.3 the chance that a night falls to a temperature", () => {
  it("is Φ of the distance where there is no ensemble", () => {
    expect(nightChance(night({ minC: 2, errorC: 1.5 }), 0)).toBeCloseTo(0.09121, 5);
    expect(nightChance(night({ minC: 4, errorC: 2.5 }), 2.2)).toBeCloseTo(0.23576, 5);
  });
  it("two humps stay two: a night either mild or sharp is not taken for one in between", () => {
    const members = [...Array<number>(10).fill(4), ...Array<number>(10).fill(-4)];
    const split = correctedMembers(members, 0, 1, 4);
    expect(nightChance(split, 0)).toBeCloseTo(0.5, 6);
    // by one bell the middle would hold a fifth of the chance
    const middle = nightChance(split, 1) - nightChance(split, -1);
    const bell =
      nightChance(night({ minC: 0, errorC: split.errorC }), 1) -
      nightChance(night({ minC: 0, errorC: split.errorC }), -1);
    expect(middle).toBeLessThan(0.7 * bell);
  });
  it("rises with the temperature asked for, from none to all, whatever the members", () => {
    fc.assert(
      fc.property(minima, fc.double({ min: 0.2, max: 4, noNaN: true }), (members, error) => {
        const n = correctedMembers(members, 0, 1, error);
        const chances = Array.from({ length: 81 }, (_, k) => nightChance(n, -60 + 1.5 * k));
        for (let k = 1; k < chances.length; k++) expect(chances[k]!).toBeGreaterThanOrEqual(chances[k - 1]! - 1e-12);
        expect(chances[0]).toBeLessThan(1e-6);
        expect(chances.at(-1)).toBeGreaterThan(1 - 1e-6);
      }),
    );
  });
  it("keeps the spread it is told: the humps together are as wide as the corrected error", () => {
    const members = [-3, -2.5, -1, -0.5, 0, 0.2, 0.8, 1.5, 2, 2.5];
    const n = correctedMembers(members, 0, 1, spreadOf(members));
    // variance of the chance by its own steps
    const step = 0.02;
    let mean = 0;
    let square = 0;
    for (let t = -20; t < 20; t += step) {
      const mass = nightChance(n, t + step) - nightChance(n, t);
      mean += mass * (t + step / 2);
      square += mass * (t + step / 2) ** 2;
    }
    const members0 = (members.length - 1) / members.length; // the bells hold the n−1 spread but for this
    expect(Math.sqrt(square - mean * mean)).toBeCloseTo(n.errorC * Math.sqrt(0.25 + 0.75 * members0), 2);
  });
});

describe("an ensemble put right", () => {
  it("is shifted by the bias and drawn apart by the ratio, half way to the source's usual error", () => {
    const n = correctedMembers([0, 1, 2, 3, 4, 5, 6, 7], -1, 2, 3);
    const raw = spreadOf([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(n.minC).toBeCloseTo(2.5, 9);
    expect(n.errorC).toBeCloseTo(Math.sqrt(0.5 * (2 * raw) ** 2 + 0.5 * 9), 9);
    expect(meanOf(n.members)).toBeCloseTo(n.minC, 9);
    expect(spreadOf(n.members)).toBeCloseTo(n.errorC, 9);
  });
  it("is never surer than the least spread, even when all its members agree", () => {
    const n = correctedMembers(Array<number>(20).fill(1), 0, 1, 0.1);
    expect(n.errorC).toBe(0.6);
    expect(nightChance(n, 0)).toBeGreaterThan(0);
  });
  it("a colder bed has every member colder, and its own doubt on top", () => {
    const n = nightAt(correctedMembers([0, 1, 2, 3, 4, 5, 6, 7], 0, 1, 2), -2, 1);
    expect(meanOf(n.members)).toBeCloseTo(1.5, 9);
    expect(n.errorC).toBeGreaterThan(correctedMembers([0, 1, 2, 3, 4, 5, 6, 7], 0, 1, 2).errorC);
  });
});

describe("freeze classes of a night", () => {
  it("C6.1 light, moderate and severe add up to the chance of frost", () => {
    fc.assert(
      fc.property(minima, (members) => {
        const n = correctedMembers(members, 0, 1, 1.5);
        const { light, moderate, severe } = frostChances(n);
        for (const c of [light, moderate, severe]) expect(c).toBeGreaterThanOrEqual(-1e-12);
        expect(light + moderate + severe).toBeCloseTo(nightChance(n, 0), 9);
      }),
    );
  });
  it("a sure −3 °C is moderate, a sure −6 °C severe", () => {
    expect(frostChances(night({ minC: -3.3, errorC: 0.2 })).moderate).toBeGreaterThan(0.99);
    expect(frostChances(night({ minC: -6, errorC: 0.2 })).severe).toBeGreaterThan(0.99);
  });
});

describe("what an ensemble's source teaches", () => {
  const issue = (k: number, spread: number): Forecast => ({
    source: "office",
    issuedOn: addDays("2026-03-01", k),
    days: [
      {
        ...plainWeather(addDays("2026-03-01", k + 1), 1)[0]!,
        tempMinC: 5,
        members: Array.from({ length: 11 }, (_, i): Member => {
          const tempMinC = 5 + (spread * (i - 5)) / 3.3166;
          return { tempMinC, tempMaxC: 15, rainMm: 0, gustMs: null };
        }),
      },
    ],
  });
  const seen = (error: number) =>
    new Map(
      Array.from({ length: 200 }, (_, k) => {
        const w = plainWeather(addDays("2026-03-01", k), 1)[0]!;
        return [w.day, { ...w, tempMinC: 5 + (k % 2 === 0 ? error : -error) }] as const;
      }),
    );
  const ratioOf = (spread: number, error: number) => {
    const all = Array.from({ length: 150 }, (_, k) => issue(k, spread));
    return spreadRatio(all, seen(error), "office", skillOf(all, seen(error), "office"));
  };
  it("errors twice its spread: nearly twice too sure; errors half of it: too wide", () => {
    expect(ratioOf(1, 2)).toBeGreaterThan(1.7);
    expect(ratioOf(1, 2)).toBeLessThan(2);
    expect(ratioOf(2, 1)).toBeLessThan(0.75);
  });
  it("is 1 as long as no night has passed, and does not listen to another source", () => {
    expect(spreadRatio([issue(0, 1)], new Map(), "office", [])).toBe(1);
    expect(spreadRatio([issue(0, 1)], seen(5), "elsewhere", [])).toBe(1);
  });
  it("a member whose high is below its low is no member", () => {
    const broken = issue(0, 1);
    broken.days[0]!.members![3]!.tempMaxC = -20;
    expect(forecastSchema.safeParse(broken).success).toBe(false);
    expect(forecastSchema.safeParse(issue(0, 1)).success).toBe(true);
  });
});

describe("hazards counted by members", () => {
  const day = { ...plainWeather("2026-10-09", 1)[0]!, gustMs: 12 };
  const members = (gusts: number[]): Member[] =>
    gusts.map((gustMs) => ({ tempMinC: 6, tempMaxC: 14, rainMm: 0, gustMs }));
  it("five of nineteen members blow a gale: a little over a quarter", () => {
    const nineteen = [...Array<number>(14).fill(9), ...Array<number>(5).fill(21)];
    expect(shareOfMembers(members(nineteen), (m) => m.gustMs! >= 17.2, 0.5)).toBeCloseTo(5.5 / 20, 9);
    const gale = hazardsOf(day, night({ minC: 6 }), 4, members(nineteen)).find((h) => h.kind === "gale");
    expect(gale?.chance).toBeCloseTo(5 / 20, 2);
    // the single forecast alone would not have warned
    expect(hazardsOf(day, night({ minC: 6 }), 4).some((h) => h.kind === "gale")).toBe(false);
  });
  it("a calm day on which no member blows stays calm, a gale that all of them see is all but sure", () => {
    expect(galeChance(6, 4, members(Array<number>(20).fill(6)))).toBeLessThan(0.001);
    expect(galeChance(26, 1, members(Array<number>(20).fill(26)))).toBeGreaterThan(0.99);
  });
});
