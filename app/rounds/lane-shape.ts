import { area, curveBumpX } from "d3-shape";
import type { Day } from "#core/calendar/day";
import type { HazardKind } from "#core/weather/hazards";

export type LaneDay = { day: Day; away: boolean; hazards: { kind: HazardKind; chance: number }[] };
export type Lane = {
  plantingId: string;
  kind: string;
  crop: string;
  /** the name of the kind alone; empty: none given */
  own: string;
  bed: string;
  once: boolean;
  days: { ready: number; nearly: number; past: number }[];
};
export type LaneRound = {
  id: string;
  t: number;
  label: string;
  pinned: boolean;
  beads: { plantingId: string; take: "ready" | "strip" }[];
};

type Chances = { ready: number; nearly: number; past: number };

/** Half the width of a lane as a share of its fullest: wide when ready, a third when nearly, a thread when past. */
export const fullness = (d: Chances): number => Math.min(1, 0.07 + 0.9 * d.ready + 0.34 * d.nearly + 0.16 * d.past);

/** The outline of a lane: a pod around a middle line, its edges smooth from day to day. */
export function lanePath(
  days: readonly Chances[],
  x: (day: number) => number,
  cy: number,
  half: number,
  count: number,
): string {
  const points = Array.from({ length: count + 1 }, (_, k) => ({
    x: x(k),
    h: half * fullness(days[Math.min(k, days.length - 1)] ?? { ready: 0, nearly: 0, past: 0 }),
  }));
  // both ends come to a rounded tip, as a pod does
  const pod = [{ x: points[0]!.x - 3, h: 0 }, ...points, { x: points.at(-1)!.x + 3, h: 0 }];
  const outline = area<{ x: number; h: number }>()
    .x((p) => p.x)
    .y0((p) => cy + p.h)
    .y1((p) => cy - p.h)
    .curve(curveBumpX);
  return outline(pod) ?? "";
}

/** Colours along a lane by what the crop most likely is on each day; where it stays the same only its first and last. */
export function laneStops(
  days: readonly Chances[],
  count: number,
): { offset: string; tone: "unripe" | "nearly" | "ochre" | "past" }[] {
  const stops = Array.from({ length: count + 1 }, (_, k) => {
    const d = days[Math.min(k, days.length - 1)] ?? { ready: 0, nearly: 0, past: 0 };
    const tone =
      d.past > 0.5 ? "past" : d.ready + d.past > 0.55 ? "ochre" : d.nearly + d.ready > 0.4 ? "nearly" : "unripe";
    return { offset: (k / count).toFixed(3), tone } as const;
  });
  return stops.filter(({ tone }, k) => stops[k - 1]?.tone !== tone || stops[k + 1]?.tone !== tone);
}
