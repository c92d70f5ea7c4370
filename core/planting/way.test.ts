import { expect, it } from "vitest";
import { CROPS } from "../handbook";
import { growsAgain, wayOf } from "./way";

const HABITS = [...new Set(CROPS.map((c) => c.habit))].filter((habit) => habit !== "cut-again");

it.each(HABITS)("a gardener's own %s crop is taken as most of the handbook's are", (habit) => {
  const taken = new Map<string, number>();
  for (const crop of CROPS)
    if (crop.habit === habit && crop.pieces) taken.set(crop.pieces.way, (taken.get(crop.pieces.way) ?? 0) + 1);
  expect(taken.get(wayOf({ habit, pieces: null }, {}))).toBe(Math.max(...taken.values()));
});

it("a gardener's own cut-and-come-again crop is cut whole and begins anew (common practice, no source)", () => {
  const way = wayOf({ habit: "cut-again", pieces: null }, {});
  expect(way).toBe("all-at-once");
  expect(growsAgain({ habit: "cut-again", pieces: null }, way)).toBe(true);
  expect(growsAgain({ habit: "once-over", pieces: null }, way)).toBe(false);
});

it("the school's way goes before the crop's", () => {
  const crop = CROPS.find((c) => c.pieces?.way === "as-they-come")!;
  expect(wayOf(crop, { way: "one-by-one" })).toBe("one-by-one");
  expect(wayOf(crop, {})).toBe("as-they-come");
});
