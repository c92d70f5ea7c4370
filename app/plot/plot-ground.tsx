import { M_PER_FOOT } from "#core/units/constants";
import type { UnitSystem } from "#core/units/mass";
import { SvgText } from "../ui/svg-text";

/** Pixels of the drawing that a metre takes, and the margin around the plot. */
export const PX_A_METRE = 60;
export const PLOT_PAD = 34;

/** The plot's ground as a drawing: its edge, strokes by the metre or by three feet, north. */
export function PlotGround({ widthM, lengthM, units }: { widthM: number; lengthM: number; units: UnitSystem }) {
  const scale = PX_A_METRE;
  const W = widthM * scale;
  const H = lengthM * scale;
  // a stroke a metre, or three feet; every fifth one is told
  const [stepM, told] = units === "us" ? [3 * M_PER_FOOT, "ft"] : [1, "m"];
  const perStep = units === "us" ? 3 : 1;
  return (
    <>
      <defs>
        <pattern id="frost-hatch" width="12" height="12" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="12" stroke="var(--ak-colors-frost)" strokeWidth="4" />
        </pattern>
      </defs>
      <rect
        x={0}
        y={0}
        width={W}
        height={H}
        fill="var(--ak-colors-moss-tint)"
        stroke="var(--ak-colors-rule)"
        strokeWidth="2"
      />
      {Array.from({ length: Math.floor(widthM / stepM) }, (_, i) => (
        <line
          key={i}
          x1={(i + 1) * stepM * scale}
          x2={(i + 1) * stepM * scale}
          y1={H}
          y2={H + ((i + 1) % 5 === 0 ? 14 : 7)}
          stroke="var(--ak-colors-ink-soft)"
          strokeWidth="2"
        />
      ))}
      {Array.from({ length: Math.floor(widthM / (5 * stepM)) }, (_, i) => (
        <SvgText
          key={i}
          x={(i + 1) * 5 * stepM * scale}
          y={H + 32}
          size={18}
          textAnchor="middle"
          fill="var(--ak-colors-ink-soft)"
        >
          {(i + 1) * 5 * perStep} {told}
        </SvgText>
      ))}
      <g transform={`translate(${W - 26} 30)`}>
        <path d="M0 16V-12M-7-4 0-14 7-4" fill="none" stroke="var(--ak-colors-ink-soft)" strokeWidth="2.4" />
        <SvgText y="34" size={17} textAnchor="middle" fill="var(--ak-colors-ink-soft)">
          N
        </SvgText>
      </g>
    </>
  );
}
