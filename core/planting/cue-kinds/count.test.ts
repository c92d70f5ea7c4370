import { describe, expect, it } from "vitest";
import { CROPS } from "../../handbook/index";
import { NEARLY_FROM, READY_FROM, STAGES } from "../stage-grid";
import { answersOf, likelihoodOf, meaningOf, readingFault } from "./index";

const crop = CROPS.find((c) => c.cues.some((q) => q.kind === "count" && q.of === "ready"))!;
const context = { school: crop.schools[0]!, plants: 10 };
const counting = (of: "ready" | "nearly" | "over") => {
  const cue = crop.cues.find((q) => q.kind === "count")!;
  return { ...cue, of } as typeof cue;
};
/** Likelihoods just below and just at a stage. */
const around = (of: "ready" | "nearly" | "over", value: number, from: number) => {
  const like = likelihoodOf(counting(of), value, context);
  const at = STAGES.findIndex((s) => s >= from - 1e-9);
  return [like[at - 1], like[at]];
};

describe("counting pieces", () => {
  it.each([0, 1, 10_000])("%d can be counted", (n) => expect(readingFault(counting("ready"), n)).toBeNull());
  it.each([-1, 2.5, 10_001, Number.NaN, "3", true])("%j cannot", (value) =>
    expect(readingFault(counting("ready"), value)).toBe("a whole number from 0 to 10 000"),
  );
  // own estimates: ready ones are overlooked 3 times in 200, seen where none are 4 times in 100
  it("ready ones seen are there; none seen says that there is hardly anything", () => {
    expect(around("ready", 3, READY_FROM)).toEqual([0.04, 1]);
    expect(around("ready", 0, READY_FROM)).toEqual([1, 0.015]);
  });
  it("young and old ones tell less, and each from its own stage on", () => {
    expect(around("nearly", 3, NEARLY_FROM)).toEqual([0.2, 1]);
    expect(around("nearly", 0, NEARLY_FROM)).toEqual([1, 0.6]);
    expect(around("over", 3, 1.85)).toEqual([0.25, 1]);
    expect(around("over", 0, 1.85)).toEqual([1, 0.35]);
  });
  it("means by itself what was counted, and none means too early", () => {
    const means = (of: "ready" | "nearly" | "over", n: number) => meaningOf(counting(of), n, context);
    expect([means("ready", 2), means("nearly", 2), means("over", 2)]).toEqual(["right", "nearly", "past"]);
    expect([means("ready", 0), means("nearly", 0), means("over", 0)]).toEqual(["short", "short", "short"]);
    expect(answersOf(counting("ready"), context)).toEqual([0, 1]);
  });
});
