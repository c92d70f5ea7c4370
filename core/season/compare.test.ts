import jstat from "jstat";
import { mean, permutationTest, sampleStandardDeviation, tTestTwoSample } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { type Compared, compare } from "./compare";
import { betaInterval, chanceOfDifference, differenceInterval, spreadOf } from "./spread";
import { sayComparison } from "./words";

/** Extra hours of sleep under two drugs: "Student" (W. S. Gosset), Biometrika 6 (1908) 1–25, R data set `sleep`. */
const SLEEP_1 = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0];
const SLEEP_2 = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];

describe("spread", () => {
  it("agrees with simple-statistics, and with the published deviation of 2, 4, 4, 4, 5, 5, 7, 9", () => {
    const s = spreadOf(SLEEP_2);
    expect(s.mean).toBeCloseTo(mean(SLEEP_2), 12);
    expect(s.sd).toBeCloseTo(sampleStandardDeviation(SLEEP_2), 12);
    expect(spreadOf([2, 4, 4, 4, 5, 5, 7, 9]).sd! ** 2).toBeCloseTo(4.571429, 5);
    expect(spreadOf([3]).sd).toBeNull();
    expect(() => spreadOf([])).toThrow(RangeError);
  });
  it("the interval of a difference is the one R prints for the sleep data: −3.3655 to 0.2055, 17.776 degrees of freedom", () => {
    const i = differenceInterval(SLEEP_1, SLEEP_2)!;
    expect(i.low).toBeCloseTo(-3.3654832, 5);
    expect(i.high).toBeCloseTo(0.2054832, 5);
    expect(i.df).toBeCloseTo(17.77647, 4);
    expect(i.diff).toBeCloseTo(-1.58, 10);
  });
  it("with equal counts its statistic is the one of simple-statistics", () => {
    const t = tTestTwoSample(SLEEP_1, SLEEP_2)!;
    const i = differenceInterval(SLEEP_1, SLEEP_2)!;
    const reach = (i.high - i.low) / 2 / jstat.studentt.inv(0.975, i.df);
    expect(i.diff / reach).toBeCloseTo(t, 8);
  });
  it("too few have no interval", () => {
    expect(differenceInterval([1], [2, 3])).toBeNull();
    expect(differenceInterval([2, 2], [2, 2])).toBeNull();
  });
  it("the interval of a share is the published one of 437 girls in 980 births (Gelman et al., ch. 2)", () => {
    const [low, high] = betaInterval(438, 544);
    expect(low).toBeCloseTo(0.415065, 5);
    expect(high).toBeCloseTo(0.4772, 4);
  });
});

describe("how often chance brings as much", () => {
  const dealt = (a: readonly number[], b: readonly number[]) => [
    ...a.map((value) => ({ side: 0 as const, block: "", value })),
    ...b.map((value) => ({ side: 1 as const, block: "", value })),
  ];
  it("three above three comes by chance twice in twenty deals", () => {
    const { p, least } = chanceOfDifference(dealt([10, 11, 12], [1, 2, 3]));
    expect(p).toBeCloseTo(2 / 20, 12);
    expect(least).toBeCloseTo(2 / 20, 12);
  });
  it("Fisher's pairing of Darwin's maize: 15 pots, crossed and selfed, 863 of 16384 halves reach the sum seen", () => {
    // differences in eighths of an inch (Fisher, The Design of Experiments, 1935, sections 17 and 21)
    const diff = [49, -67, 8, 16, 6, 23, 28, 41, 14, 29, 56, 24, 75, 60, -48];
    const figures = diff.flatMap((d, i) => [
      { side: 0 as const, block: `${i}`, value: d },
      { side: 1 as const, block: `${i}`, value: 0 },
    ]);
    // 2^15 arrangements are more than are counted one by one: drawn
    expect(Math.abs(chanceOfDifference(figures).p - 863 / 16_384)).toBeLessThan(0.006);
  });
  it("agrees with the permutation test of simple-statistics within the noise of its draws", () => {
    const [a, b] = [SLEEP_1.slice(0, 6), SLEEP_2.slice(0, 6)];
    let state = 7;
    const random = () => {
      state = (state * 16_807) % 2_147_483_647;
      return state / 2_147_483_647;
    };
    const other = permutationTest(a, b, "two_side", 6000, random);
    expect(Math.abs(chanceOfDifference(dealt(a, b)).p - other)).toBeLessThan(0.04);
  });
});

describe("two kinds side by side", () => {
  const one = (side: 0 | 1, bed: string, year: string, value: number): Compared => ({
    name: "",
    side,
    bed,
    year,
    value,
  });
  it("a sunny bed is not mistaken for the kind: inside the beds there is no difference", () => {
    // the first kind stood mostly in the good bed
    const list = [
      one(0, "sun", "2024", 10),
      one(0, "sun", "2024", 10.4),
      one(0, "sun", "2025", 10.2),
      one(1, "sun", "2024", 10.2),
      one(1, "shade", "2025", 4),
      one(1, "shade", "2024", 4.2),
      one(1, "shade", "2024", 3.9),
      one(0, "shade", "2024", 4.1),
    ];
    const c = compare(list);
    expect(c.sides[0]!.mean - c.sides[1]!.mean).toBeGreaterThan(3);
    expect(Math.abs(c.diff!)).toBeLessThan(0.1);
    expect([c.both, c.alone]).toEqual([2, 2]);
    expect(c.verdict).toBe("chance");
  });
  it("a difference that shows in every bed is hardly chance", () => {
    const list = ["a", "b", "c", "d"].flatMap((bed, i) => [
      one(0, bed, "2025", 5 + i),
      one(0, bed, "2025", 5.2 + i),
      one(1, bed, "2025", 3 + i),
      one(1, bed, "2025", 3.3 + i),
    ]);
    const c = compare(list);
    expect(c.diff).toBeCloseTo(1.95, 10);
    expect(c.verdict).toBe("likely");
    expect(sayComparison(c)).toContain("Hardly chance");
  });
  it("is said by how sure it is", () => {
    const sure = { ...compare([one(0, "a", "2025", 9), one(1, "a", "2025", 3)]), p: 0.2, least: 0.01, both: 1 };
    const said = (verdict: "likely" | "perhaps" | "chance") => sayComparison({ ...sure, verdict });
    expect(said("likely")).toMatch(/^Hardly chance: .* once in 5\.$/);
    expect(said("perhaps")).toMatch(/^Perhaps: .* once in 5\. Another year would tell\.$/);
    expect(said("chance")).toMatch(/^It may well be nothing: .* once in 5\.$/);
    expect(sayComparison({ ...sure, verdict: "chance", both: 0 })).toMatch(/never stood in one bed in one year/);
  });
  it("is honest about few: one each is an observation, three a side can never be sure", () => {
    expect(compare([one(0, "a", "2025", 9), one(1, "b", "2025", 3)]).verdict).toBe("one-each");
    const three = [9, 9.5, 10]
      .map((v, i) => one(0, `${i}`, "2025", v))
      .concat([1, 1.2, 1.4].map((v, i) => one(1, `x${i}`, "2025", v)));
    const c = compare(three);
    expect(sayComparison(c)).toMatch(/Too few to tell: .* once in 10\. They never stood in one bed/);
    expect(compare([one(0, "a", "2025", 9)]).verdict).toBe("nothing");
  });
});
