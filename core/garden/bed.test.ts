import { describe, expect, it } from "vitest";
import { freeSpot } from "./bed";

const bed = (xM: number, yM: number, widthM: number, lengthM: number, shape: "rectangle" | "circle" = "rectangle") => ({
  shape,
  xM,
  yM,
  widthM,
  lengthM,
});
const size = { widthM: 3, lengthM: 1.2 };

describe("a spot for a new bed", () => {
  it("is the corner of an empty plot", () => {
    expect(freeSpot([], { widthM: 10, lengthM: 8 }, size)).toEqual({ xM: 0.5, yM: 0.5 });
  });
  it("lies beside what is there, a path away, inside the plot", () => {
    const beds = [bed(0.5, 0.5, 3, 1.2), bed(4, 0.5, 3, 1.2)];
    const spot = freeSpot(beds, { widthM: 10, lengthM: 8 }, size);
    expect(spot).toEqual({ xM: 0.5, yM: 2.5 });
  });
  it("keeps off the whole of a round bed, whose length is its width", () => {
    expect(freeSpot([bed(0.5, 0.5, 3, 0.1, "circle")], { widthM: 6, lengthM: 8 }, size)).toEqual({ xM: 0.5, yM: 4 });
  });
  it("is the corner again where nothing is free", () => {
    expect(freeSpot([bed(0, 0, 10, 8)], { widthM: 10, lengthM: 8 }, size)).toEqual({ xM: 0.5, yM: 0.5 });
  });
});
