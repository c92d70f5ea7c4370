import { type Bed, PATH_M } from "./bed";

/** A bed as it lies on the plan: metres from the plot's south-west corner. */
export type Lie = Pick<Bed, "shape" | "xM" | "yM" | "widthM" | "lengthM">;
export type Plot = { widthM: number; lengthM: number };

/** An edge this near to another's line is laid on it, m. */
const CATCHES_M = 0.15;
/** The smallest bed that can be drawn, m: a pot. */
export const LEAST_M = 0.2;

const heightOf = (b: Lie): number => (b.shape === "circle" ? b.widthM : b.lengthM);
const tidy = (m: number): number => Math.round(m * 1e4) / 1e4;
const onStep = (m: number, stepM: number): number => tidy(Math.round(m / stepM) * stepM);
const between = (m: number, least: number, most: number): number => Math.min(Math.max(m, least), Math.max(least, most));

/** Lines that an edge may be laid on: the edges of the others, and a path's breadth beside them. */
function linesOf(others: readonly Lie[], across: boolean): number[] {
  return others.flatMap((o) => {
    const [from, length] = across ? [o.xM, o.widthM] : [o.yM, heightOf(o)];
    return [from, from + length, from - PATH_M, from + length + PATH_M];
  });
}

/** The nearest line within reach, else the nearest step. */
function laid(m: number, lines: readonly number[], stepM: number): number {
  const near = lines.reduce<number | null>(
    (best, l) => (Math.abs(l - m) <= CATCHES_M && (best === null || Math.abs(l - m) < Math.abs(best - m)) ? l : best),
    null,
  );
  return near === null ? onStep(m, stepM) : tidy(near);
}

/** Where a stretch of a length comes to lie that was let go at a place: by whichever of its ends meets a line. */
function stretchAt(from: number, length: number, lines: readonly number[], stepM: number, most: number): number {
  const by = [laid(from, lines, stepM), laid(from + length, lines, stepM) - length];
  const meets = (start: number) => lines.some((l) => Math.abs(l - start) < 1e-6 || Math.abs(l - start - length) < 1e-6);
  const start = by.filter(meets).sort((a, b) => Math.abs(a - from) - Math.abs(b - from))[0] ?? onStep(from, stepM);
  return tidy(between(start, 0, most - length));
}

/**
 * A bed moved so that its south-west corner comes near a point. It stays on the plot, and catches on its neighbours'
 * edges, or a path beside them.
 * @param stepM else it is laid on steps of so much
 */
export const moved = <B extends Lie>(
  bed: B,
  xM: number,
  yM: number,
  others: readonly Lie[],
  plot: Plot,
  stepM: number,
): B => ({
  ...bed,
  xM: stretchAt(xM, bed.widthM, linesOf(others, true), stepM, plot.widthM),
  yM: stretchAt(yM, heightOf(bed), linesOf(others, false), stepM, plot.lengthM),
});

/** A bed whose north-east corner is drawn to a point; a circle grows to all sides alike from its south-west corner. */
export function resized<B extends Lie>(
  bed: B,
  xM: number,
  yM: number,
  others: readonly Lie[],
  plot: Plot,
  stepM: number,
): B {
  const side = (from: number, to: number, across: boolean, most: number) =>
    tidy(between(laid(to, linesOf(others, across), stepM) - from, LEAST_M, most - from));
  const widthM = side(bed.xM, xM, true, plot.widthM);
  const lengthM = side(bed.yM, yM, false, plot.lengthM);
  if (bed.shape === "rectangle") return { ...bed, widthM, lengthM };
  const across = Math.min(Math.max(widthM, lengthM), plot.widthM - bed.xM, plot.lengthM - bed.yM);
  return { ...bed, widthM: tidy(across), lengthM: tidy(across) };
}

/** A bed turned by a quarter about its middle, as far as the plot allows. @example turned({ shape: "rectangle", xM: 1, yM: 2, widthM: 4, lengthM: 2 }, { widthM: 9, lengthM: 9 }).xM // 2 */
export function turned<B extends Lie>(bed: B, plot: Plot): B {
  if (bed.shape === "circle") return bed;
  const { widthM: lengthM, lengthM: widthM } = bed;
  const xM = between(bed.xM + (bed.widthM - widthM) / 2, 0, plot.widthM - widthM);
  const yM = between(bed.yM + (bed.lengthM - lengthM) / 2, 0, plot.lengthM - lengthM);
  return { ...bed, widthM, lengthM, xM: tidy(xM), yM: tidy(yM) };
}

/** Whether two beds lie over each other, circles taken for squares. */
const overlap = (a: Lie, b: Lie): boolean =>
  a.xM < b.xM + b.widthM - 1e-6 &&
  b.xM < a.xM + a.widthM - 1e-6 &&
  a.yM < b.yM + heightOf(b) - 1e-6 &&
  b.yM < a.yM + heightOf(a) - 1e-6;

/**
 * So many more of a bed in a row, a path between each two: to the side on which most of them find room, beside the
 * longer side first. None lies over another bed or beyond the plot; there are fewer where no more find room.
 */
export function rowOf<B extends Lie>(bed: B, count: number, others: readonly Lie[], plot: Plot): B[] {
  const beside = bed.widthM <= heightOf(bed);
  const ways = [
    [beside, 1],
    [beside, -1],
    [!beside, 1],
    [!beside, -1],
  ] as const;
  const rows = ways.map(([across, way]) => {
    const [own, from, most] = across ? [bed.widthM, bed.xM, plot.widthM] : [heightOf(bed), bed.yM, plot.lengthM];
    const row: B[] = [];
    for (let k = 1; row.length < count; k++) {
      const m = tidy(from + way * k * (own + PATH_M));
      if (m < 0 || m + own > most + 1e-9) break;
      const next = across ? { ...bed, xM: m } : { ...bed, yM: m };
      if (others.some((o) => overlap(o, next))) break;
      row.push(next);
    }
    return row;
  });
  return rows.reduce((best, row) => (row.length > best.length ? row : best));
}

/** A bed drawn from one corner to the other, laid on steps and on the neighbours' lines; null: too small to be meant. */
export function drawn(
  shape: Bed["shape"],
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  others: readonly Lie[],
  plot: Plot,
  stepM: number,
): Lie | null {
  if (Math.abs(ax - bx) < LEAST_M && Math.abs(ay - by) < LEAST_M) return null;
  const edge = (m: number, across: boolean) =>
    between(laid(m, linesOf(others, across), stepM), 0, across ? plot.widthM : plot.lengthM);
  const xM = Math.min(edge(Math.min(ax, bx), true), plot.widthM - LEAST_M);
  const yM = Math.min(edge(Math.min(ay, by), false), plot.lengthM - LEAST_M);
  const start: Lie = { shape, xM, yM, widthM: LEAST_M, lengthM: LEAST_M };
  return resized(start, Math.max(ax, bx), Math.max(ay, by), others, plot, stepM);
}

/** "Bed 4": the first number that no bed bears yet. @example nextName(["Bed 1", "Herbs"]) // "Bed 2" */
export function nextName(names: readonly string[], word = "Bed"): string {
  const taken = new Set(names);
  for (let n = 1; ; n++) if (!taken.has(`${word} ${n}`)) return `${word} ${n}`;
}
