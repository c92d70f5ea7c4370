import { line } from "d3-shape";
import { sayDay } from "#core/calendar/day";
import { linear } from "../ui/linear";

type Point = { t: number; day: string; here: number } & Record<string, number | string>;
type Props = { points: readonly Point[]; here: string; other: { id: string; name: string } | null };
const W = 560;
const H = 170;

/** How much of a lot is still good, day by day, where it lies and where it might: a curve, not a date. */
export function GoodCurve({ points, here, other }: Props) {
  if (points.length < 2) return null;
  const last = points.at(-1)!;
  const x = linear([0, last.t], [0, W]);
  const y = linear([0, 100], [H, 8]);
  const path = (of: (p: Point) => number) =>
    line<Point>()
      .x((p) => x(p.t))
      .y((p) => y(of(p)))([...points]) ?? "";
  const otherOf = (p: Point) => Number(other ? p[other.id] : 0);
  const half = (of: (p: Point) => number) => points.find((p) => of(p) < 50);
  const marks = [0, 0.25, 0.5, 0.75, 1].map((s) => points[Math.round(s * (points.length - 1))]!);
  const at = half((p) => p.here);
  return (
    <svg
      viewBox={`-46 -8 ${W + 56} ${H + 36}`}
      width="100%"
      role="img"
      aria-label={`Still good in ${here}: ${points
        .filter((_, i) => i % Math.ceil(points.length / 5) === 0)
        .map((p) => `${Math.round(p.here)} percent on ${sayDay(p.day)}`)
        .join(", ")}`}
    >
      {[0, 50, 100].map((pct) => (
        <g key={pct}>
          <line x1={0} x2={W} y1={y(pct)} y2={y(pct)} stroke="var(--ak-colors-rule-soft)" />
          <text x={-6} y={y(pct) + 4} textAnchor="end" fontSize="12" fill="var(--ak-colors-ink-soft)">
            {pct} %
          </text>
        </g>
      ))}
      <path d={`${path((p) => p.here)}L${W} ${H}L0 ${H}Z`} fill="var(--ak-colors-moss-tint)" />
      <path d={path((p) => p.here)} fill="none" stroke="var(--ak-colors-moss)" strokeWidth="2.5" />
      {other && (
        <path d={path(otherOf)} fill="none" stroke="var(--ak-colors-madder)" strokeWidth="2" strokeDasharray="6 4" />
      )}
      {at && <circle cx={x(at.t)} cy={y(at.here)} r="4" fill="var(--ak-colors-moss)" />}
      {marks.map((p, i) => (
        <text
          key={p.t}
          x={x(p.t)}
          y={H + 20}
          textAnchor={i === 0 ? "start" : i === marks.length - 1 ? "end" : "middle"}
          fontSize="12"
          fill="var(--ak-colors-ink-soft)"
        >
          {i === 0 ? "today" : sayDay(p.day).slice(4)}
        </text>
      ))}
    </svg>
  );
}
