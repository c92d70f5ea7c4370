import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drawn, LEAST_M, type Lie, moved, nextName, resized, rowOf, turned } from "./draw";

const PLOT = { widthM: 12, lengthM: 8 };
const bed = (over: Partial<Lie> = {}): Lie => ({ shape: "rectangle", xM: 1, yM: 1, widthM: 1.2, lengthM: 3, ...over });
const lie = fc.record({
  shape: fc.constantFrom<Lie["shape"]>("rectangle", "circle"),
  xM: fc.integer({ min: 0, max: 60 }).map((x) => x / 10),
  yM: fc.integer({ min: 0, max: 40 }).map((x) => x / 10),
  widthM: fc.integer({ min: 3, max: 30 }).map((x) => x / 10),
  lengthM: fc.integer({ min: 3, max: 30 }).map((x) => x / 10),
});
const point = fc.double({ min: -5, max: 20, noNaN: true });
const onPlot = (b: Lie) => {
  const height = b.shape === "circle" ? b.widthM : b.lengthM;
  return b.xM >= 0 && b.yM >= 0 && b.xM + b.widthM <= PLOT.widthM + 1e-9 && b.yM + height <= PLOT.lengthM + 1e-9;
};

describe("beds drawn by hand", () => {
  it("stay on the plot, keep their size when moved, and are never smaller than a pot", () => {
    fc.assert(
      fc.property(lie, fc.array(lie, { maxLength: 4 }), point, point, (b, others, x, y) => {
        const to = moved(b, x, y, others, PLOT, 0.1);
        expect(onPlot(to)).toBe(true);
        expect([to.widthM, to.lengthM]).toEqual([b.widthM, b.lengthM]);
        const big = resized(to, x, y, others, PLOT, 0.1);
        expect(onPlot(big)).toBe(true);
        expect(Math.min(big.widthM, big.lengthM)).toBeGreaterThanOrEqual(LEAST_M - 1e-9);
        expect([big.xM, big.yM]).toEqual([to.xM, to.yM]);
        expect(onPlot(turned(to, PLOT))).toBe(true);
        const made = drawn(b.shape, [x, y], [y, x], others, PLOT, 0.1);
        if (made) expect(onPlot(made)).toBe(true);
      }),
    );
  });
  it("are laid on steps in the open, and on a neighbour's edge or a path beside it when they come near", () => {
    expect(moved(bed(), 4.234, 2.061, [], PLOT, 0.1)).toMatchObject({ xM: 4.2, yM: 2.1 });
    // the neighbour ends at 2.2 m east: a path of 0.4 m leaves 2.6
    expect(moved(bed(), 2.52, 1.07, [bed()], PLOT, 0.1)).toMatchObject({ xM: 2.6, yM: 1 });
    // the upper edges in one line, for beds of different length
    expect(moved(bed({ lengthM: 2 }), 6, 1.9, [bed()], PLOT, 0.1)).toMatchObject({ xM: 6, yM: 2 });
    expect(resized(bed(), 3.94, 4.09, [bed({ xM: 4 })], PLOT, 0.1)).toMatchObject({ widthM: 3, lengthM: 3 });
  });
  it("a circle grows to all sides alike", () => {
    const round = resized(bed({ shape: "circle" }), 2.5, 1.8, [], PLOT, 0.1);
    expect([round.widthM, round.lengthM]).toEqual([1.5, 1.5]);
  });
  it("turned twice lie as before where there is room, about their middle", () => {
    const at = bed({ xM: 4, yM: 2, widthM: 1, lengthM: 3 });
    expect(turned(at, PLOT)).toMatchObject({ xM: 3, yM: 3, widthM: 3, lengthM: 1 });
    expect(turned(turned(at, PLOT), PLOT)).toEqual(at);
  });
  it("a row of six alike has a path between each two; where the plot ends there are fewer, or they go the other way", () => {
    expect(rowOf(bed(), 5, [], PLOT).map((b) => b.xM)).toEqual([2.6, 4.2, 5.8, 7.4, 9]);
    expect(rowOf(bed({ xM: 10.5 }), 5, [], PLOT).map((b) => b.xM)).toEqual([8.9, 7.3, 5.7, 4.1, 2.5]);
    expect(rowOf(bed({ widthM: 3, lengthM: 1 }), 2, [], PLOT).map((b) => b.yM)).toEqual([2.4, 3.8]);
    expect(rowOf(bed({ widthM: 7, lengthM: 8, yM: 0 }), 3, [], PLOT)).toEqual([]);
  });
  it("a row goes where there is room beside the others, and never over one of them", () => {
    const wall = bed({ xM: 4.2, widthM: 0.5, lengthM: 6 });
    // one fits before the wall to the east; two fit to the north of it
    expect(rowOf(bed({ lengthM: 2 }), 2, [wall], PLOT).map((b) => [b.xM, b.yM])).toEqual([
      [1, 3.4],
      [1, 5.8],
    ]);
    fc.assert(
      fc.property(lie, fc.array(lie, { maxLength: 5 }), fc.integer({ min: 1, max: 6 }), (b, others, n) => {
        for (const c of rowOf(b, n, others, PLOT)) {
          expect(onPlot(c)).toBe(true);
          for (const o of others) {
            const [h, oh] = [c, o].map((x) => (x.shape === "circle" ? x.widthM : x.lengthM)) as [number, number];
            const apart =
              c.xM >= o.xM + o.widthM - 1e-5 ||
              o.xM >= c.xM + c.widthM - 1e-5 ||
              c.yM >= o.yM + oh - 1e-5 ||
              o.yM >= c.yM + h - 1e-5;
            expect(apart).toBe(true);
          }
        }
      }),
    );
  });
  it("a slip of the hand draws nothing, and names count on", () => {
    expect(drawn("rectangle", [1, 1], [1.05, 1.1], [], PLOT, 0.1)).toBeNull();
    expect(drawn("rectangle", [3.02, 4.01], [1.01, 1.98], [], PLOT, 0.1)).toEqual(
      bed({ xM: 1, yM: 2, widthM: 2, lengthM: 2 }),
    );
    expect(nextName(["Bed 1", "Bed 3"])).toBe("Bed 2");
  });
});
