import type { Reading } from "#core/planting/check";
import { type Chance, chance } from "../random";
import { beyond, isThere, type Piece, type Stand, stageOf } from "./stand";
import type { Shown } from "./truth";

/** A person at the bed: leans early or late, misjudges, overlooks, and reads coarsely. */
export type Eyes = {
  /** how far this person takes pieces too early (below zero) or too late, in days at refC per day of prime, by crop */
  leans(cropId: string): number;
  overlooks: number;
  slips: number;
  luck: Chance;
};

/** Eyes with a bias of their own for every crop. */
export const eyesOf = (seed: number): Eyes => ({
  leans: (cropId) => {
    let hash = seed;
    for (const c of cropId) hash = (hash * 31 + c.charCodeAt(0)) >>> 0;
    return 0.15 * chance(hash).normal();
  },
  overlooks: 0.07,
  slips: 0.03,
  luck: chance(seed * 977 + 5),
});

/** Whether a piece looks ripe to somebody who stands before it. */
export function looksRipe(s: Stand, p: Piece, eyes: Eyes): boolean {
  if (!isThere(s, p)) return false;
  const doubt = 0.15 * s.truth.primeDays + 0.02 * p.ripe * 0.3;
  return (
    beyond(s, p) >= eyes.leans(s.truth.cropId) * s.truth.primeDays + doubt * (0.9 * p.guise + 0.4 * eyes.luck.normal())
  );
}

const TILES = [0, 10, 25, 50, 75, 90, 100];
const nearestTile = (x: number): number => TILES.reduce((a, b) => (Math.abs(b - x) < Math.abs(a - x) ? b : a));

function along(at: readonly (readonly [number, number])[], m: number): number {
  if (m <= at[0]![0]) return at[0]![1] * Math.max(0, m / at[0]![0]);
  for (let k = 1; k < at.length; k++) {
    const [a, va] = at[k - 1]!;
    const [b, vb] = at[k]!;
    if (m <= b) return va + ((vb - va) * (m - a)) / (b - a);
  }
  return at.at(-1)![1];
}

const lookOf = (shown: Extract<Shown, { kind: "looks" }>, m: number): string =>
  (shown.upTo.find(([to]) => m <= to) ?? shown.upTo.at(-1)!)[1];

/**
 * What a person reads of a cue at the bed; null when the trial's plants do not show it, or nothing is there yet.
 * Crops that bear pieces one after the other are read on the ripest that is seen, all others on a typical one.
 */
export function readCue(s: Stand, cueId: string, eyes: Eyes): Reading | null {
  const shown = s.truth.shows[cueId];
  if (!shown) return null;
  const there = s.pieces.filter((p) => isThere(s, p) && stageOf(s, p) > 0.12);
  const { luck } = eyes;
  if (shown.kind === "count") {
    const ready = there.filter(
      (p) => looksRipe(s, p, eyes) && stageOf(s, p) <= shown.to && luck.next() > eyes.overlooks,
    );
    return { cueId, value: ready.length };
  }
  if (there.length === 0) return null;
  const lean = 1 - (eyes.leans(s.truth.cropId) * s.truth.primeDays) / Math.max(5, s.truth.ripenDays);
  if (shown.kind === "share" && s.truth.taken === "lift") {
    const sample = there.filter(() => luck.next() < Math.min(1, 40 / there.length));
    const of = sample.length > 0 ? sample : there;
    const mean = of.reduce((sum, p) => sum + along(shown.at, stageOf(s, p) * lean), 0) / of.length;
    return { cueId, value: nearestTile(mean + 5 * luck.normal()) };
  }
  const few = Array.from({ length: Math.min(there.length, 5) }, () => luck.pick(there)).sort(
    (a, b) => stageOf(s, a) - stageOf(s, b),
  );
  // whoever takes pieces one by one looks at the ripest and biggest; whoever lifts them all, at what is usual
  const oneByOne = s.truth.taken === "each";
  const ripest = there.reduce((a, b) => (stageOf(s, b) > stageOf(s, a) ? b : a));
  const read = oneByOne ? (luck.next() < 0.75 ? ripest : few.at(-1)!) : few[Math.floor(few.length / 2)]!;
  const m = stageOf(s, luck.next() < eyes.slips ? luck.pick(there) : read) * lean;
  if (shown.kind === "size") {
    const mm = shown.target * m ** shown.power * read.size ** 0.34 * Math.exp(0.05 * luck.normal());
    const step = mm > 60 ? 5 : mm > 20 ? 2 : 1;
    return { cueId, value: Math.max(1, Math.round(mm / step) * step) };
  }
  const doubtful = m * (1 + 0.025 * luck.normal());
  if (shown.kind === "share") return { cueId, value: nearestTile(along(shown.at, doubtful) + 5 * luck.normal()) };
  return { cueId, value: lookOf(shown, doubtful) };
}
