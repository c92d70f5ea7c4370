import { describe, expect, it } from "vitest";
import { cropOf } from "../../handbook/index";
import { STAGES } from "../stage-grid";
import { sayReading } from "../words";
import { likelihoodOf, meaningOf, readingFault } from "./index";

const crop = cropOf("dry-bean");
const rattle = crop.cues.find((c) => c.id === "sound")!;
const context = { school: crop.schools[0]!, plants: 10 };
const mostLikely = (value: string) => {
  const like = likelihoodOf(rattle, value, context);
  let sum = 0;
  let total = 0;
  like.forEach((l, i) => {
    sum += l * STAGES[i]!;
    total += l;
  });
  return sum / total;
};

describe("two answers given at once: some pods rattle, some are silent", () => {
  it("lie between the two, in whichever order they were tapped", () => {
    const between = mostLikely("silent+rattles");
    expect(between).toBeGreaterThan(mostLikely("silent"));
    expect(between).toBeLessThan(mostLikely("rattles"));
    expect(mostLikely("rattles+silent")).toBeCloseTo(between, 9);
  });
  it("a planting half of which is ready is not called ready, one of ready and over-age is", () => {
    expect(meaningOf(rattle, "silent+rattles", context)).toBe(meaningOf(rattle, "dull", context));
    expect(meaningOf(rattle, "rattles+shatters", context)).not.toBe(meaningOf(rattle, "silent", context));
  });
  it("are said in words, and only two that differ are taken", () => {
    expect(sayReading(rattle, "silent+rattles", "metric")).toBe("rattle: some silent, some rattles");
    expect(readingFault(rattle, "silent+rattles")).toBeNull();
    for (const wrong of ["silent+silent", "silent+dull+rattles", "silent+", "loud", "silent+loud"])
      expect(readingFault(rattle, wrong), wrong).toContain("one of");
  });
});
