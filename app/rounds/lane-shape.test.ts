import { expect, it } from "vitest";
import { laneStops } from "./lane-shape";

const day = (tone: "unripe" | "nearly" | "ochre" | "past") => ({
  ready: tone === "ochre" ? 0.9 : 0,
  nearly: tone === "nearly" ? 0.9 : 0,
  past: tone === "past" ? 0.9 : 0,
});

it("colours every day of a lane by what its crop most likely is, and says a colour that stays only twice", () => {
  const tones = ["unripe", "unripe", "unripe", "nearly", "ochre", "ochre", "ochre", "ochre", "past"] as const;
  const stops = laneStops(tones.map(day), tones.length - 1);
  expect(stops.map((s) => s.tone)).toEqual(["unripe", "unripe", "nearly", "ochre", "ochre", "past"]);
  // between two stops the picture goes evenly from one colour to the other: on each day it is the day's own
  for (const [k, tone] of tones.entries()) {
    const at = k / (tones.length - 1);
    const before = stops.findLast((s) => Number(s.offset) <= at + 0.001)!;
    const next = stops.find((s) => Number(s.offset) >= at - 0.001)!;
    expect(before.tone, `day ${k}`).toBe(tone);
    expect(next.tone, `day ${k}`).toBe(tone);
  }
});
