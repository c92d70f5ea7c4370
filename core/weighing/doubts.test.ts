import { describe, expect, it } from "vitest";
import { bed, planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { doubtsOfPick } from "./doubts";
import { blankPick, type PickRecord } from "./pick";

const grown = planting("tomato", { id: "p", plants: 1, startedOn: "2026-05-20", endedOn: "2026-10-20" });
const doubts = (over: Partial<PickRecord>, of = grown) =>
  doubtsOfPick(
    blankPick({ plantingId: "p", at: "2026-09-01T10:00", grossG: 900, ...over }),
    of,
    bed(),
    cropOf("tomato"),
    "2026-10-25",
  );

describe("a pick that is doubted before it is kept", () => {
  it("an everyday one is not", () => expect(doubts({})).toEqual([]));
  it.each([
    ["of next year", { at: "2027-09-01T10:00" }, ["to-come", "after-end"]],
    ["of before it was planted", { at: "2026-05-01T10:00" }, ["before-start"]],
    ["of after it was cleared", { at: "2026-10-22T10:00" }, ["after-end"]],
    ["of nothing", { grossG: 0 }, ["nothing"]],
    ["of no pieces", { grossG: null, count: 0 }, ["nothing"]],
    ["of 900 kg from one plant", { grossG: 900_000 }, ["too-much"]],
  ])("one %s is", (_, over, found) => expect(doubts(over)).toEqual(found));
  it("a basket from an unknown number of plants is not, nor a heap of tops", () => {
    expect(doubts({ grossG: 2900 })).toEqual([]);
    expect(doubts({ grossG: 900_000, part: "tops" })).toEqual([]);
  });
  it("what grows still has no end to be after", () => {
    expect(doubts({ at: "2026-10-22T10:00" }, { ...grown, endedOn: null })).toEqual([]);
  });
});
