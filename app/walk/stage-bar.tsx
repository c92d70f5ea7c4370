import { area } from "d3-shape";
import { NEARLY_FROM, STEP } from "#core/planting/stage-grid";
import { linear } from "../ui/linear";
import { SvgText } from "../ui/svg-text";

/** Where the crop may be between unready and past: the belief drawn as a ridge, and dashed what it was before. */
export function StageBar({ stage, before }: { stage: ArrayLike<number>; before: ArrayLike<number> }) {
  const W = 320;
  const H = 44;
  const bins = 40;
  const ridge = (values: ArrayLike<number>): number[] => {
    const heights = new Array<number>(bins + 1).fill(0);
    for (let i = 0; i < values.length; i++) heights[Math.min(bins, Math.round(((i * STEP) / 2) * bins))]! += values[i]!;
    return heights.map((_, i) => ((heights[i - 1] ?? 0) + 2 * heights[i]! + (heights[i + 1] ?? 0)) / 4);
  };
  const now = ridge(stage);
  const then = ridge(before);
  const most = Math.max(0.06, ...now, ...then);
  const x = linear([0, 2], [0, W]);
  const bin = linear([0, bins], [0, W]);
  const y = linear([0, most], [H, 6]);
  const path = (values: number[]) =>
    area<number>()
      .x((_, i) => bin(i))
      .y0(H)
      .y1((h) => y(h))(values) ?? "";
  return (
    <svg
      viewBox={`0 0 ${W} ${H + 18}`}
      width="100%"
      role="img"
      aria-label="Where the crop stands between unready and past use"
      style={{ display: "block", marginTop: 8 }}
    >
      <rect x={x(1)} y="0" width={x(1)} height={H} fill="var(--ak-colors-ochre-tint)" />
      <path d={path(now)} fill="var(--ak-colors-ochre)" stroke="var(--ak-colors-ink)" strokeWidth="1.2" />
      <path d={path(then)} fill="none" stroke="var(--ak-colors-ink-soft)" strokeDasharray="3 3" strokeWidth="1" />
      {[
        [0, "unready", "start"],
        [NEARLY_FROM, "nearly", "middle"],
        [1.42, "ready", "middle"],
        [2, "past", "end"],
      ].map(([s, name, anchor]) => (
        <SvgText
          key={name}
          x={x(Number(s))}
          y={H + 14}
          size={12}
          textAnchor={anchor as "start"}
          fill="var(--ak-colors-ink-soft)"
        >
          {name}
        </SvgText>
      ))}
    </svg>
  );
}
