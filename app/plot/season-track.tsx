import { area } from "d3-shape";
import { daysBetween, sayDay } from "#core/calendar/day";
import { linear } from "../ui/linear";
import { SvgText } from "../ui/svg-text";

/** A day with its chances of being nearly ready, ready, and past. */
export type TrackDay = readonly [day: string, nearly: number, ready: number, past: number];

const W = 520;
const H = 110;

/**
 * The season of one planting, drawn: nearly, ready and past stacked from below, day by day; eyes where somebody
 * looked, beads where something was picked.
 */
export function SeasonTrack({
  days,
  looks,
  picks,
}: {
  days: readonly TrackDay[];
  looks: readonly string[];
  picks: readonly string[];
}) {
  const first = days[0]![0];
  const last = days.at(-1)![0];
  const span = Math.max(1, daysBetween(first, last));
  const at = linear([0, span], [0, W]);
  const x = (day: string) => at(daysBetween(first, day));
  const y = linear([0, 1], [H, 10]);
  const band = (low: (d: TrackDay) => number, high: (d: TrackDay) => number) =>
    area<TrackDay>()
      .x((d) => x(d[0]))
      .y0((d) => y(low(d)))
      .y1((d) => y(high(d)))([...days]) ?? "";
  const inside = (day: string) => day >= first && day <= last;
  // the first day is named unless a month begins right after it
  const months = days.filter((d, i) => d[0].endsWith("-01") || (i === 0 && Number(d[0].slice(8)) < 20));
  return (
    <svg
      viewBox={`0 0 ${W} ${H + 34}`}
      width="100%"
      role="img"
      aria-label={`Chances from ${sayDay(first)} to ${sayDay(last)}: at the end ${Math.round(100 * days.at(-1)![2])} percent ready, ${Math.round(100 * days.at(-1)![3])} percent past`}
      style={{ display: "block", overflow: "visible" }}
    >
      <path
        d={band(
          () => 0,
          (d) => d[3],
        )}
        fill="var(--ak-colors-past)"
      />
      <path
        d={band(
          (d) => d[3],
          (d) => d[3] + d[2],
        )}
        fill="var(--ak-colors-ochre)"
        stroke="var(--ak-colors-ink)"
        strokeWidth="0.8"
      />
      <path
        d={band(
          (d) => d[3] + d[2],
          (d) => Math.min(1, d[3] + d[2] + d[1]),
        )}
        fill="var(--ak-colors-nearly)"
        opacity="0.8"
      />
      <line x1="0" y1={H} x2={W} y2={H} stroke="var(--ak-colors-ink)" strokeWidth="1" />
      {looks.filter(inside).map((d, i) => (
        <g key={`${d}${i}`} transform={`translate(${x(d)} ${H + 8})`}>
          <path d="M-5 0Q0 -5 5 0Q0 5 -5 0Z" fill="var(--ak-colors-sheet)" stroke="var(--ak-colors-ink)" />
          <circle r="1.5" fill="var(--ak-colors-ink)" />
        </g>
      ))}
      {picks.filter(inside).map((d, i) => (
        <circle
          key={`${d}${i}`}
          cx={x(d)}
          cy={H - 4}
          r="4"
          fill="var(--ak-colors-sheet)"
          stroke="var(--ak-colors-madder)"
          strokeWidth="2"
        />
      ))}
      {months.map((d) => (
        <SvgText key={d[0]} x={Math.min(W - 26, x(d[0]))} y={H + 30} size={12} fill="var(--ak-colors-ink-soft)">
          {sayDay(d[0]).slice(4)}
        </SvgText>
      ))}
    </svg>
  );
}
