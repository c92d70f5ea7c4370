import { describe, expect, it } from "vitest";
import { cropOf } from "../handbook";
import { readNow } from "./conclude";
import { likelihoodOf } from "./cue-kinds";
import { CELLS, chancesOf, READY_FROM, STAGES, type Stage } from "./stage-grid";

/**
 * A day's readings worked out a second time: the clock doubted by four tenths, Bayes' rule reading by reading, and then
 * what decisive signs that all say the same decide: the other side keeps three tenths (own estimates).
 */
const plain = cropOf("bulb-onion");
/** The onion with its neck as a sign that only goes along. */
const onion = {
  ...plain,
  cues: plain.cues.map((c) => (c.id === "neck" ? { ...c, role: "supporting" as const } : c)),
};
const context = { school: onion.schools[0]!, plants: 10 };
const DAY = "2026-08-10";

const even = () => new Float64Array(CELLS).fill(1 / CELLS);
const ripe = (stage: Stage) => {
  const { ready, past } = chancesOf(stage);
  return ready + past;
};
type Reading = { cueId: string; value: string | number | boolean };
function expected(readings: readonly Reading[], decided: "ready" | "not" | null, weight = 1): number {
  let belief = [...even()].map((p) => 0.6 * p + 0.4 / CELLS);
  for (const r of readings) {
    const cue = onion.cues.find((c) => c.id === r.cueId)!;
    const like = likelihoodOf(cue, r.value, context);
    belief = belief.map((p, i) => p * like[i]! ** weight);
  }
  if (decided) belief = belief.map((p, i) => (STAGES[i]! < READY_FROM - 1e-9 === (decided === "ready") ? 0.3 * p : p));
  const all = belief.reduce((a, b) => a + b, 0);
  return belief.reduce((sum, p, i) => sum + (STAGES[i]! < READY_FROM - 1e-9 ? 0 : p), 0) / all;
}
const seen = (readings: readonly Reading[], lying: string[] = [], crop: typeof plain = onion) => {
  const stage = even();
  const taken = readNow(
    stage,
    readings,
    crop,
    context,
    DAY,
    lying.map((id) => ({ cueIds: [id], why: "a storm", believeFrom: DAY, by: "gale" as const })),
  );
  expect(stage.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
  return { ripe: ripe(stage), ...taken };
};
const tops = (value: number) => ({ cueId: "tops-down", value });

describe("decisive signs", () => {
  it("ready by the school's own mark decide for ready, short of it against, over-age as well for ready", () => {
    for (const [value, side, means] of [
      [95, "ready", "right"],
      [20, "not", "nearly"],
      [0, "not", "short"],
    ] as const) {
      const found = seen([tops(value)]);
      expect(found.evidence[0]!.means).toBe(means);
      expect(found.ripe).toBeCloseTo(expected([tops(value)], side), 9);
    }
    const over = { cueId: "neck", value: "papery" };
    const old = seen([over], [], plain);
    expect(old.evidence[0]!.means).toBe("past");
    expect(old.ripe).toBeCloseTo(expected([over], "ready"), 9);
  });
  it("that do not all say the same decide nothing", () => {
    const mixed = [tops(50), { cueId: "neck", value: "giving" }];
    const found = seen(mixed, [], plain);
    expect(found.evidence.map((e) => e.means)).toEqual(["right", "nearly"]);
    expect(found.conflict).toBeNull();
    expect(found.ripe).toBeCloseTo(expected(mixed, null), 9);
  });
  it("decide nothing where the weather makes them lie, and a sign beside them decides nothing at all", () => {
    const lying = seen([tops(95)], ["tops-down"]);
    expect(lying.evidence[0]!.discounted).toBe("a storm");
    // by Bayes' rule alone, at three tenths of its weight (own estimate)
    expect(lying.ripe).toBeCloseTo(expected([tops(95)], null, 0.3), 9);
    const beside = { cueId: "neck", value: "folds" };
    expect(seen([beside]).ripe).toBeCloseTo(expected([beside], null), 9);
    // with a decisive one it decides as that one says
    const both = seen([beside, tops(95)]);
    expect(both.conflict).toBeNull();
    expect(both.ripe).toBeCloseTo(expected([beside, tops(95)], "ready"), 9);
  });
  it("nothing read changes nothing", () => {
    expect(seen([])).toMatchObject({ evidence: [], conflict: null, ripe: ripe(even()) });
  });
});
