import { describe, expect, it } from "vitest";
import { CROPS } from "#core/handbook/index";
import { readingFault } from "#core/planting/cue-kinds/index";
import { answerFor, PRACTICE_ANSWERS, practicePlant } from "./practice";

describe("plants to practise on", () => {
  const plants = Array.from({ length: 300 }, (_, i) => practicePlant(CROPS, i + 1));
  it("are the same for the same number, and differ for others", () => {
    expect(practicePlant(CROPS, 7)).toEqual(practicePlant(CROPS, 7));
    expect(new Set(plants.map((p) => p.cropId)).size).toBeGreaterThan(40);
  });
  it("show two or three readings that their cues can have", () => {
    for (const p of plants) {
      const crop = CROPS.find((c) => c.id === p.cropId)!;
      expect(p.readings.length).toBeGreaterThanOrEqual(1);
      expect(p.readings.length).toBeLessThanOrEqual(3);
      for (const r of p.readings) {
        const cue = crop.cues.find((c) => c.id === r.cueId)!;
        expect(readingFault(cue, r.value), `${p.cropId} ${r.cueId} ${r.value}`).toBeNull();
      }
    }
  });
  it("come in all four conditions about equally, and the truth is that of the stage", () => {
    for (const answer of PRACTICE_ANSWERS) {
      const share = plants.filter((p) => p.truth === answer).length / plants.length;
      expect(share, answer).toBeGreaterThan(0.15);
    }
    for (const p of plants) expect(answerFor(p.stage)).toBe(p.truth);
    expect([0.5, 0.9, 1.3, 2].map(answerFor)).toEqual(["not-yet", "nearly", "ready", "past"]);
  });
});
