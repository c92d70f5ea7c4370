import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { check, situation } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { checkSchema } from "./check";
import { judge } from "./judge";
import { type Marked, markable, nextMark, standingMarks } from "./marked";
import { sayMarked } from "./words";

const melons = { cropId: "melon-netted", age: 95, planting: { plants: 3 } };
const marked = (marks: Marked[], daysAgo = 0) => {
  const input = situation(melons);
  return judge({ ...input, checks: [check(addDays(input.today, -daysAgo), [], { marked: marks })] });
};

describe("pieces marked one by one", () => {
  it("are melons, heads and large fruit of a few plants; not beans, and not what is lifted at once", () => {
    const ways = (cropId: string, plants: number | null) => markable(cropOf(cropId), "one-by-one", { plants });
    expect(ways("melon-netted", 3)).toBe(9);
    expect(ways("cabbage", 6)).toBe(6);
    expect([ways("french-bean-bush", 20), ways("cabbage", 90), ways("cabbage", null)]).toEqual([0, 0, 0]);
    expect(markable(cropOf("potato"), "as-needed", { plants: 6 })).toBe(0);
  });
  it("a tap goes round: nearly, ready, too old, none", () => {
    expect(nextMark(nextMark(nextMark(nextMark(null))))).toBeNull();
  });
  it("one ready among green ones is something to take; only nearly ready ones are not", () => {
    expect(
      marked([
        { n: 2, mark: "ready" },
        { n: 3, mark: "nearly" },
      ]).verdict,
    ).toBe("pick-some");
    expect(marked([{ n: 3, mark: "nearly" }]).verdict).toBe("nearly");
    expect(marked([{ n: 3, mark: "past" }]).verdict).toBe("past-prime");
  });
  it("more ready ones never make it less ready", () => {
    const ripe = (n: number) => {
      const { chances } = marked(Array.from({ length: n }, (_, i) => ({ n: i + 1, mark: "ready" as const })));
      return chances.ready + chances.past;
    };
    expect(ripe(1)).toBeGreaterThan(0.85);
    expect(ripe(6)).toBeGreaterThanOrEqual(ripe(1) - 1e-9);
  });
  it("decide for a day or so; after that the clock goes on from them", () => {
    const later = marked([{ n: 1, mark: "nearly" }], 6);
    expect(later.chances.ready + later.chances.past).toBeGreaterThan(0.3);
  });
  it("stand until a pick took what was ready; what was nearly ready then still is", () => {
    const marks: Marked[] = [
      { n: 1, mark: "ready" },
      { n: 4, mark: "nearly" },
    ];
    const looks = [{ at: "2026-08-01T17:00", marked: marks }];
    expect(standingMarks(looks, null)).toEqual(marks);
    expect(standingMarks(looks, "2026-07-30")).toEqual(marks);
    expect(standingMarks(looks, "2026-08-01")).toEqual([{ n: 4, mark: "nearly" }]);
  });
  it("are said by their numbers", () => {
    expect(
      sayMarked([
        { n: 5, mark: "ready" },
        { n: 2, mark: "ready" },
        { n: 7, mark: "nearly" },
      ]),
    ).toBe("ready: 2, 5; nearly: 7");
  });
  it("a piece marked twice, or one that is not there, is refused", () => {
    const look = check("2026-08-01", []);
    const fits = (marks: unknown) => checkSchema.safeParse({ ...look, marked: marks }).success;
    expect(fits([{ n: 1, mark: "ready" }])).toBe(true);
    expect([
      fits([
        { n: 1, mark: "ready" },
        { n: 1, mark: "past" },
      ]),
      fits([{ n: 99, mark: "ready" }]),
      fits("["),
    ]).toEqual([false, false, false]);
  });
});

describe("somebody looked it all over and nothing was ready", () => {
  it("lowers the chance as a count of none does, and is nobody's verdict by itself", () => {
    const s = { cropId: "asparagus", age: 40 };
    const ripe = (r: Record<string, boolean>) => {
      const { chances } = judge(situation({ ...s, readings: r }));
      return chances.ready + chances.past;
    };
    expect(ripe({ "nothing-ready": true })).toBeLessThan(0.5 * ripe({}));
  });
  it("a look without any reading says nothing of that", () => {
    const input = situation({ cropId: "asparagus", age: 40 });
    const quiet = judge({ ...input, checks: [check(input.today, [])] });
    expect(quiet.chances).toEqual(judge(input).chances);
  });
});
