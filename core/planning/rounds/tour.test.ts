import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bed } from "../../fixtures/garden";
import { cropOf } from "../../handbook/index";
import { roundOrder, type Stop, turnOf } from "./round-order";
import { shortestPath, shortestTour } from "./tour";

const matrix = (points: readonly (readonly [number, number])[], of: (dx: number, dy: number) => number) =>
  points.map(([x, y]) => points.map(([u, v]) => of(x - u, y - v)));
const POINTS: [number, number][] = [
  [0, 0],
  [2, 1],
  [6, 1],
  [6, 4],
  [2, 4],
  [9, 2],
  [4, 7],
];
const manhattan = (dx: number, dy: number) => Math.abs(dx) + Math.abs(dy);
/** All orders tried: the truth for few places. */
function byTrial(distance: readonly (readonly number[])[], home: boolean): number {
  let best = Number.POSITIVE_INFINITY;
  const go = (here: number, left: readonly number[], length: number) => {
    if (left.length === 0) best = Math.min(best, length + (home ? distance[here]![0]! : 0));
    for (const next of left)
      go(
        next,
        left.filter((x) => x !== next),
        length + distance[here]![next]!,
      );
  };
  go(0, distance.map((_, i) => i).slice(1), 0);
  return best;
}
const lengthOf = (distance: readonly (readonly number[])[], order: readonly number[], home: boolean) =>
  order.slice(1).reduce((s, i, k) => s + distance[order[k]!]![i]!, 0) +
  (home ? distance[order.at(-1)!]![order[0]!]! : 0);

// TSPLIB burma14, degrees.minutes, as in C15.5
const BURMA: [number, number][] = [
  [16.47, 96.1],
  [16.47, 94.44],
  [20.09, 92.54],
  [22.39, 93.37],
  [25.23, 97.24],
  [22.0, 96.05],
  [20.47, 97.02],
  [17.2, 96.29],
  [16.3, 97.38],
  [14.05, 98.12],
  [16.53, 97.38],
  [21.52, 95.59],
  [19.41, 97.13],
  [20.09, 94.55],
];
function geographic(points: readonly (readonly [number, number])[]): number[][] {
  // biome-ignore lint/suspicious/noApproximativeNumericConstant: TSPLIB reckons with this very number
  const rad = (x: number) => (3.141592 * (Math.trunc(x) + (5 * (x - Math.trunc(x))) / 3)) / 180;
  return points.map(([la, lo], i) =>
    points.map(([lb, ob], j) => {
      if (i === j) return 0;
      const q1 = Math.cos(rad(lo) - rad(ob));
      const q2 = Math.cos(rad(la) - rad(lb));
      const q3 = Math.cos(rad(la) + rad(lb));
      return Math.trunc(6378.388 * Math.acos(0.5 * ((1 + q1) * q2 - (1 - q1) * q3)) + 1);
    }),
  );
}

describe("C15.5 the shortest closed tour", () => {
  it("five cities: 19", () => {
    const five = [
      [0, 3, 4, 2, 7],
      [3, 0, 4, 6, 3],
      [4, 4, 0, 5, 8],
      [2, 6, 5, 0, 6],
      [7, 3, 8, 6, 0],
    ];
    expect(shortestTour(five).length).toBe(19);
  });
  it("burma14 of TSPLIB: 3323", () => {
    const { order, length } = shortestTour(geographic(BURMA));
    expect(length).toBe(3323);
    expect([...order].sort((a, b) => a - b)).toEqual(BURMA.map((_, i) => i));
  });
  it("seven points: 32 in streets, 24.687135 as the crow flies", () => {
    expect(shortestTour(matrix(POINTS, manhattan)).length).toBe(32);
    expect(shortestTour(matrix(POINTS, Math.hypot)).length).toBeCloseTo(24.687135, 6);
  });
  const points = (max: number) =>
    fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 })), {
      minLength: 1,
      maxLength: max,
    });
  it("is what trying every order gives, closed and open, and its length is that of its order", () => {
    fc.assert(
      fc.property(points(7), (ps) => {
        const d = matrix(ps, Math.hypot);
        const tour = shortestTour(d);
        const path = shortestPath(d);
        expect(tour.length).toBeCloseTo(ps.length > 1 ? byTrial(d, true) : 0, 9);
        expect(path.length).toBeCloseTo(ps.length > 1 ? byTrial(d, false) : 0, 9);
        expect(lengthOf(d, tour.order, true)).toBeCloseTo(tour.length, 9);
        expect(lengthOf(d, path.order, false)).toBeCloseTo(path.length, 9);
      }),
      { numRuns: 60 },
    );
  });
  it("beyond fourteen places stays within a tenth of a tour known to be shortest: points round a circle", () => {
    const ring = Array.from({ length: 30 }, (_, k): [number, number] => {
      const at = ((k * 11) % 30) / 30;
      return [50 * Math.cos(2 * Math.PI * at), 50 * Math.sin(2 * Math.PI * at)];
    });
    const best = 30 * 2 * 50 * Math.sin(Math.PI / 30);
    const { order, length } = shortestTour(matrix(ring, Math.hypot));
    expect(new Set(order).size).toBe(30);
    expect(length).toBeLessThan(1.1 * best);
    expect(shortestPath(matrix(ring, Math.hypot)).length).toBeLessThan(1.1 * best);
  });
  it("refuses distances that are not square, and has nothing to walk without places", () => {
    expect(() => shortestTour([[0, 1], [1]])).toThrow(RangeError);
    expect(shortestTour([])).toEqual({ order: [], length: 0 });
  });
});

describe("the order of a round (1-031; common practice, no source)", () => {
  const stop = (cropId: string, id: string, xM: number, sick = false): Stop => ({
    id: `${cropId}-${id}`,
    bed: bed({ id, xM, yM: 1 }),
    crop: cropOf(cropId),
    sick,
  });
  it("leaves and roots in the dew, beans and tomatoes dry, squash and potatoes late, a sick bed last", () => {
    const turns = Object.fromEntries(
      [
        "lettuce-loose-leaf",
        "carrot",
        "kale",
        "french-bean-climbing",
        "tomato",
        "raspberry-summer",
        "winter-squash",
        "potato",
      ].map((c) => [c, turnOf(stop(c, "a", 1))]),
    );
    expect(turns).toMatchObject({
      "lettuce-loose-leaf": "dew",
      carrot: "dew",
      kale: "dew",
      "french-bean-climbing": "dry",
      tomato: "delicate",
      "raspberry-summer": "delicate",
      "winter-squash": "heavy",
      potato: "heavy",
    });
    expect(turnOf(stop("carrot", "a", 1, true))).toBe("sick");
  });
  it("takes the turns one after the other, and the shortest way within each", () => {
    const stops = [
      stop("potato", "p", 2),
      stop("carrot", "c9", 9),
      stop("kale", "k3", 3),
      stop("tomato", "t", 20),
      stop("carrot", "c6", 6),
      stop("french-bean-climbing", "b", 12),
      stop("kale", "s", 1, true),
    ];
    const { order, wayM } = roundOrder(stops, { xM: 0, yM: 1 });
    expect(order.map((o) => o.stop.bed.id)).toEqual(["k3", "c6", "c9", "b", "t", "p", "s"]);
    // from the gate through the centres, all on one line
    const width = stops[0]!.bed.widthM / 2;
    const length = stops[0]!.bed.lengthM / 2;
    expect(wayM).toBeCloseTo(Math.hypot(3 + width, length) + 3 + 3 + 3 + 8 + 18 + 1, 6);
  });
  it("two plantings of one bed are picked together where their turns allow", () => {
    const both = [stop("carrot", "a", 1), stop("kale", "z", 30), stop("kale", "a", 1)];
    expect(roundOrder(both, { xM: 0, yM: 0 }).order.map((o) => o.stop.bed.id)).toEqual(["a", "a", "z"]);
    expect(roundOrder([], { xM: 0, yM: 0 })).toEqual({ order: [], wayM: 0 });
  });
  it("goes by the gardener's own order of the beds where that is asked for, a longer way or not", () => {
    const beds = [4, 0, 8].map((yM, k) => bed({ id: `b${k}`, yM, walkOrder: k }));
    const stops: Stop[] = beds.map((b) => ({ id: b.id, bed: b, crop: cropOf("carrot"), sick: false }));
    const ids = (byHand: boolean) => roundOrder(stops, { xM: 0, yM: 0 }, byHand).order.map((o) => o.stop.id);
    expect(ids(true)).toEqual(["b0", "b1", "b2"]);
    expect(ids(false)).toEqual(["b1", "b0", "b2"]);
    expect(roundOrder(stops, { xM: 0, yM: 0 }, true).wayM).toBeGreaterThan(
      roundOrder(stops, { xM: 0, yM: 0 }, false).wayM,
    );
  });
  it("does one place after the other, and the way across town is none of its metres", () => {
    const at = (id: string, site: string, xM: number, walkOrder: number): Stop => ({
      id,
      bed: bed({ id, site, xM, walkOrder }),
      crop: cropOf("carrot"),
      sick: false,
    });
    const stops = [at("h1", "", 0, 0), at("p1", "plot", 200, 1), at("h2", "", 3, 2), at("p2", "plot", 206, 3)];
    const { order, wayM } = roundOrder(stops, { xM: 0, yM: 0 });
    expect(order.map((o) => [o.stop.id, o.site])).toEqual([
      ["h1", ""],
      ["h2", ""],
      ["p1", "plot"],
      ["p2", "plot"],
    ]);
    expect(wayM).toBeLessThan(15);
  });
});
