import { sayDay, weekdayName } from "#core/calendar/day";
import type { HazardKind } from "#core/weather/hazards";
import { SvgText } from "../ui/svg-text";
import { LaneBeads } from "./lane-beads";
import { type Lane, type LaneDay, type LaneRound, lanePath, laneStops } from "./lane-shape";

const v = (name: string) => `var(--ak-colors-${name})`;
const HAZARD_SPAN: Partial<Record<HazardKind, [number, number]>> = {
  frost: [-0.3, 0.32],
  gale: [0.2, 0.95],
  downpour: [0.1, 0.9],
  heat: [0.35, 0.85],
  thunder: [0.5, 0.92],
};

type Props = {
  lanes: Lane[];
  days: LaneDay[];
  rounds: LaneRound[];
  narrow: boolean;
  /** the round being moved and where it is now */
  /** with a planting, only its bead */
  moving: { roundId: string; t: number; plantingId: string | null } | null;
  onGrab?: (roundId: string, e: React.PointerEvent<SVGGElement>, plantingId: string | null) => void;
  onKey?: (roundId: string, e: React.KeyboardEvent<SVGGElement>, plantingId: string | null) => void;
  onFocusRound?: (roundId: string) => void;
};

export const GEOMETRY = {
  wide: { width: 1200, left: 176, right: 16, head: 92, row: 35, half: 12.5, group: 0 },
  narrow: { width: 358, left: 4, right: 6, head: 66, row: 50, half: 11, group: 0 },
};

/** Days from today's midnight at a distance across the drawing. */
export const timeAt = (x: number, narrow: boolean, days: number): number => {
  const g = narrow ? GEOMETRY.narrow : GEOMETRY.wide;
  return ((x - g.left) / (g.width - g.left - g.right)) * days;
};

/**
 * The ripening lanes: time from left to right, one lane a planting that swells with the chance of being ready and
 * thins as it passes; weather behind, trips as gaps, rounds as lines with a bead where they take something.
 */
export function Lanes({ lanes, days, rounds, narrow, moving, onGrab, onKey, onFocusRound }: Props) {
  const g = narrow ? GEOMETRY.narrow : GEOMETRY.wide;
  const n = days.length;
  const dayW = (g.width - g.left - g.right) / n;
  const x = (t: number) => g.left + t * dayW;
  const height = g.head + lanes.length * g.row + 22;
  const cy = (i: number) => g.head + i * g.row + (narrow ? 33 : g.row / 2);
  const rowOf = new Map(lanes.map((l, i) => [l.plantingId, i]));
  const tOf = (r: LaneRound) => (moving?.roundId === r.id && moving.plantingId === null ? moving.t : r.t);
  return (
    <svg
      viewBox={`0 0 ${g.width} ${height}`}
      width="100%"
      style={{ display: "block", touchAction: "pan-y", userSelect: "none" }}
      role="group"
      aria-label="Ripening lanes for the next fortnight"
    >
      <defs>
        <pattern
          id={`frost${g.width}`}
          width="8"
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" x2="0" y1="0" y2="8" stroke={v("frost")} strokeWidth="2.2" />
        </pattern>
        <pattern id={`gale${g.width}`} width="16" height="10" patternUnits="userSpaceOnUse">
          <path d="M0 6q4-6 8 0t8 0" fill="none" stroke={v("wind")} strokeWidth="1.4" />
        </pattern>
        <pattern id={`downpour${g.width}`} width="8" height="10" patternUnits="userSpaceOnUse">
          <path d="M3 1 1.6 6" stroke={v("frost-ink")} strokeWidth="1.3" />
        </pattern>
        <pattern id={`heat${g.width}`} width="9" height="9" patternUnits="userSpaceOnUse">
          <circle cx="4" cy="4" r="1.4" fill={v("madder")} />
        </pattern>
        <pattern id={`thunder${g.width}`} width="14" height="16" patternUnits="userSpaceOnUse">
          <path d="M8 1 5 8h4L6 15" fill="none" stroke={v("wind")} strokeWidth="1.4" />
        </pattern>
      </defs>
      {days.map((d, k) => (
        <g key={d.day}>
          {d.away && <rect x={x(k)} y={g.head - 14} width={dayW} height={height - g.head} fill={v("tint")} />}
          <line x1={x(k)} x2={x(k)} y1={g.head - 14} y2={height - 14} stroke={v("rule-soft")} strokeWidth="1" />
          <SvgText
            x={x(k) + dayW / 2}
            y={narrow ? 14 : 18}
            textAnchor="middle"
            size={narrow ? 10.5 : 13}
            fill={v("ink-soft")}
          >
            {weekdayName(d.day).slice(0, narrow ? 1 : 3)}
          </SvgText>
          <SvgText
            x={x(k) + dayW / 2}
            y={narrow ? 30 : 38}
            textAnchor="middle"
            size={narrow ? 13 : 19}
            bold
            serif
            fill={k === 0 ? v("madder") : v("ink")}
          >
            {Number(d.day.slice(8))}
          </SvgText>
        </g>
      ))}
      <AwayNames days={days} x={x} y={height - 4} />
      {lanes.map((lane, i) => {
        const once = lane.once
          ? rounds
              .filter((r) => r.beads.some((b) => b.plantingId === lane.plantingId))
              .map((r) => (moving?.roundId === r.id && moving.plantingId === lane.plantingId ? moving.t : tOf(r)))
          : [];
        const cut = once.length > 0 ? Math.min(...once) : null;
        const path = lanePath(lane.days, (k) => x(k), cy(i), g.half, n);
        const id = `lane${g.width}-${i}`;
        return (
          <g key={lane.plantingId}>
            <defs>
              <linearGradient id={id} x1={x(0)} x2={x(n)} y1="0" y2="0" gradientUnits="userSpaceOnUse">
                {laneStops(lane.days, n).map((s) => (
                  <stop key={s.offset} offset={s.offset} stopColor={v(s.tone)} />
                ))}
              </linearGradient>
              {cut !== null && (
                <clipPath id={`${id}-clip`}>
                  <rect x={x(0) - 4} y={cy(i) - g.row} width={x(cut) - x(0) + 4} height={g.row * 2} />
                </clipPath>
              )}
            </defs>
            {!narrow && (
              <>
                <SvgText x={0} y={cy(i) - 1} size={15} bold serif fill={v("ink")}>
                  {lane.crop}
                </SvgText>
                <SvgText x={0} y={cy(i) + 13} size={11.5} fill={v("ink-soft")}>
                  {lane.own ? `${lane.own} · ${lane.bed}` : lane.bed}
                </SvgText>
              </>
            )}
            <line x1={x(0)} x2={x(n)} y1={cy(i)} y2={cy(i)} stroke={v("rule")} strokeWidth="0.8" />
            {cut !== null && (
              <path d={path} fill="none" stroke={v("ink-soft")} strokeWidth="0.9" strokeDasharray="2 3" />
            )}
            <path
              d={path}
              fill={`url(#${id})`}
              stroke={v("ink")}
              strokeWidth="0.9"
              clipPath={cut !== null ? `url(#${id}-clip)` : undefined}
            />
          </g>
        );
      })}
      {days.flatMap((d, k) =>
        d.hazards
          .filter((h) => HAZARD_SPAN[h.kind])
          .map((h) => {
            const [from, to] = HAZARD_SPAN[h.kind]!;
            const left = Math.max(x(0) - 6, x(k + from));
            return (
              <g key={`${d.day}${h.kind}`} pointerEvents="none">
                <rect
                  x={left}
                  y={g.head - 14}
                  width={x(k + to) - left}
                  height={height - g.head}
                  fill={`url(#${h.kind}${g.width})`}
                  opacity={0.15 + 0.45 * h.chance}
                />
                {!narrow && h === mostLikely(d) && (
                  <SvgText
                    x={(left + x(k + to)) / 2}
                    y={60}
                    size={11.5}
                    bold
                    textAnchor="middle"
                    fill={h.kind === "frost" ? v("frost-ink") : v("ink-soft")}
                  >
                    {h.kind} {Math.round(h.chance * 100)} %
                  </SvgText>
                )}
              </g>
            );
          }),
      )}
      {rounds.map((r) => {
        const X = x(tOf(r));
        const active = moving?.roundId === r.id && moving.plantingId === null;
        return (
          <g
            key={r.id}
            role="slider"
            tabIndex={onGrab ? 0 : undefined}
            aria-label={`Round ${r.label}, ${r.beads.length} plantings. Arrow keys move it, Enter keeps it there, Escape puts it back`}
            aria-valuenow={Math.round(tOf(r) * 10) / 10}
            aria-valuetext={r.label}
            onPointerDown={(e) => onGrab?.(r.id, e, null)}
            onKeyDown={(e) => onKey?.(r.id, e, null)}
            onFocus={() => onFocusRound?.(r.id)}
            style={{ cursor: onGrab ? "grab" : undefined, touchAction: "none" }}
          >
            <title>{r.label}</title>
            <rect
              x={X - (narrow ? 14 : 16)}
              y={g.head - 26}
              width={narrow ? 28 : 32}
              height={height - g.head + 12}
              fill="transparent"
            />
            <line
              x1={X}
              x2={X}
              y1={g.head - 14}
              y2={height - 14}
              stroke={v("madder")}
              strokeWidth={active ? 2.8 : 1.7}
            />
            <path
              d={`M${X - 9} ${g.head - 25}h18v7l-9 9-9-9Z`}
              fill={v("madder")}
              stroke={r.pinned ? v("ink") : "none"}
              strokeWidth="2"
            />
          </g>
        );
      })}
      <LaneBeads
        rounds={rounds}
        narrow={narrow}
        x={x}
        y={(id) => (rowOf.has(id) ? cy(rowOf.get(id)!) : undefined)}
        tOf={(r, id) => (moving?.roundId === r.id && moving.plantingId === id ? moving.t : tOf(r))}
        nameOf={(id) => lanes[rowOf.get(id) ?? -1]?.kind ?? ""}
        onGrab={onGrab}
        onKey={onKey}
      />
      {narrow &&
        lanes.map((lane, i) => (
          <SvgText
            key={lane.plantingId}
            x={7}
            y={cy(i) - 15}
            size={12.5}
            bold
            fill={v("ink")}
            pointerEvents="none"
            style={{ paintOrder: "stroke", stroke: v("sheet"), strokeWidth: 4, strokeLinejoin: "round" }}
          >
            {lane.kind}
            <tspan style={{ fontWeight: 400 }} fill={v("ink-soft")}>{`  ${lane.bed}`}</tspan>
          </SvgText>
        ))}
    </svg>
  );
}

/** Of a day's hazards the likeliest; it alone is named, the others are drawn. */
const mostLikely = (d: LaneDay) =>
  d.hazards
    .filter((h) => HAZARD_SPAN[h.kind])
    .reduce<LaneDay["hazards"][number] | null>((a, b) => (!a || b.chance > a.chance ? b : a), null);

/** The names of gaps under the lanes. */
function AwayNames({ days, x, y }: { days: LaneDay[]; x: (t: number) => number; y: number }) {
  const first = days.findIndex((d) => d.away);
  if (first < 0) return null;
  const count = days.slice(first).findIndex((d) => !d.away);
  const length = count < 0 ? days.length - first : count;
  return (
    <SvgText x={x(first + length / 2)} y={y} size={12} textAnchor="middle" fill={v("ink-soft")}>
      away until {sayDay(days[first + length - 1]!.day)}
    </SvgText>
  );
}
