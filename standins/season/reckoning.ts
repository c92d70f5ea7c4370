import type { Said } from "./akmedon";

/** A row of a reliability table: chances said in a band, how many, their mean, and how often they came true. */
export type Band = { from: number; to: number; count: number; said: number; came: number };

const EDGES = [0, 0.02, 0.1, 0.3, 0.5, 0.7, 0.9, 0.98, 1.0001];

/** Chances said against what was true, band by band. */
export const reliability = (cases: readonly Said[]): Band[] =>
  EDGES.slice(1).map((to, i) => {
    const from = EDGES[i]!;
    const of = cases.filter((c) => c.chance >= from && c.chance < to);
    const mean = (value: (c: Said) => number) => of.reduce((s, c) => s + value(c), 0) / Math.max(1, of.length);
    return { from, to: Math.min(1, to), count: of.length, said: mean((c) => c.chance), came: mean((c) => c.truth) };
  });

/** How far chances lie from what came true, in points: the bands' distances weighted by how many were said in each. */
export function missedBy(bands: readonly Band[]): number {
  const all = bands.reduce((s, b) => s + b.count, 0);
  return (100 * bands.reduce((s, b) => s + b.count * Math.abs(b.said - b.came), 0)) / Math.max(1, all);
}

/** Mean squared distance between chance and outcome (G. W. Brier, Monthly Weather Review 78, 1950). */
export const brierOf = (cases: readonly Said[], chance: (c: Said) => number): number =>
  cases.reduce((s, c) => s + (chance(c) - c.truth) ** 2, 0) / Math.max(1, cases.length);

/** Of all that was said with more than nine chances in ten, the share that was true. */
export function sureAndTrue(cases: readonly Said[]): number {
  const sure = cases.filter((c) => c.chance > 0.9);
  return sure.length > 0 ? sure.reduce((s, c) => s + c.truth, 0) / sure.length : 1;
}

/** The last look carried on; before any look the packet's answer. */
export const carriedOn = (c: Said): number => c.lastLook ?? c.packet;

/** The worst that was said, one of each crop: sure of something to take where nothing was, or of nothing where much was. */
export function worstSaid(cases: readonly (Said & { climate: string; seed: number })[], count: number) {
  const wrong = (c: Said): number =>
    c.truth === 1
      ? (1 - c.chance) * Math.min(1, c.ripe / Math.max(1, 0.3 * c.there))
      : c.chance * (c.ripe === 0 ? 1 : 0.5);
  const seen = new Set<string>();
  return [...cases]
    .sort((a, b) => wrong(b) - wrong(a))
    .filter((c) => !seen.has(c.cropId) && seen.add(c.cropId))
    .slice(0, count);
}
