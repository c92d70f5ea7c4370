import { describe, expect, it } from "vitest";
import { garden, NOW, TODAY } from "../fixtures/snapshot";
import { looksDue } from "./looks-due";
import { outlookOf } from "./outlook";

const [base] = outlookOf(garden(), NOW, true).plantings;
/** The fixture's planting with another doubt, stake, time and day of its next look. */
function like(id: string, over: { ready?: number; stakeG?: number; lookAgain?: string; seconds?: number }) {
  const { ready = 0.5, stakeG = 1000, lookAgain = TODAY, seconds = 6 } = over;
  const cue = { ...base!.crop.cues[0]!, seconds };
  return {
    ...base!,
    planting: { ...base!.planting, id },
    supply: { ...base!.supply, once: true, standingG: stakeG },
    judgement: {
      ...base!.judgement,
      lookAgain,
      chances: { unready: 1 - ready, nearly: 0, ready, past: 0 },
      worth: [{ ...base!.judgement.worth[0]!, cue }],
    },
  };
}
const order = (...all: ReturnType<typeof like>[]) =>
  looksDue(all, new Map(), TODAY, new Set()).map((l) => l.planting.planting.id);

describe("whom to look at first", () => {
  it("those whose day has come, whatever else is at stake", () => {
    expect(order(like("later", { stakeG: 90_000, lookAgain: "2026-10-20" }), like("due", { stakeG: 10 }))).toEqual([
      "due",
      "later",
    ]);
  });
  it("then where more is at stake, where it is more doubtful, and where a look is quicker", () => {
    expect(order(like("little", { stakeG: 100 }), like("much", { stakeG: 9000 }))).toEqual(["much", "little"]);
    expect(order(like("sure", { ready: 0.98 }), like("doubtful", { ready: 0.5 }))).toEqual(["doubtful", "sure"]);
    expect(order(like("dug", { seconds: 90 }), like("glance", { seconds: 3 }))).toEqual(["glance", "dug"]);
  });
  it("leaves out what was looked at today, and knows how long ago the others were", () => {
    const found = looksDue(
      [like("a", {}), like("b", {}), like("c", {})],
      new Map([["b", "2026-10-02"]]),
      TODAY,
      new Set(["a"]),
    );
    expect(found.map((l) => [l.planting.planting.id, l.since])).toEqual([
      ["b", 4],
      ["c", null],
    ]);
  });
});
