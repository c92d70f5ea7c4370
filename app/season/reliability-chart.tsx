import { chakra } from "@chakra-ui/react";
import type { Band } from "#core/season/was-it-right";

const WIDTH = 360;
const HEIGHT = 240;
const LEFT = 48;
const TOP = 26;
const BOTTOM = 28;
const Picture = chakra("svg", {
  base: { w: "full", h: "auto", color: "ink", display: "block", "& text": { fontSize: "11px" } },
});

/** How often what was said came true, as bars by chance said; a bar ends on the line where the two are equal. */
export function ReliabilityChart({ bands }: { bands: readonly Band[] }) {
  const wide = (WIDTH - LEFT) / bands.length;
  const y = (share: number) => TOP + (HEIGHT - TOP - BOTTOM) * (1 - share);
  const spoken = bands
    .filter((b) => b.count > 0)
    .map((b) => `${Math.round(100 * b.said)} % said, ${Math.round(100 * b.came)} % of ${b.count} so`)
    .join("; ");
  return (
    <Picture viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`Chances said and come true: ${spoken}`}>
      {[0, 0.5, 1].map((s) => (
        <g key={s}>
          <line x1={LEFT} x2={WIDTH} y1={y(s)} y2={y(s)} stroke="currentColor" strokeOpacity="0.15" />
          <text x={LEFT - 6} y={y(s) + 4} textAnchor="end" fill="currentColor">
            {100 * s} %
          </text>
        </g>
      ))}
      {bands.map((b, k) => (
        <g key={b.from}>
          {b.count > 0 && (
            <>
              <rect
                x={LEFT + k * wide + 8}
                width={wide - 16}
                y={y(b.came)}
                height={Math.max(1, y(0) - y(b.came))}
                rx="3"
                fill="var(--chakra-colors-leaf, #6f7f4d)"
                fillOpacity={b.count >= 5 ? 0.85 : 0.4}
              />
              <line
                x1={LEFT + k * wide + 2}
                x2={LEFT + (k + 1) * wide - 2}
                y1={y(b.said)}
                y2={y(b.said)}
                stroke="currentColor"
                strokeWidth="2.5"
              />
              <text x={LEFT + (k + 0.5) * wide} y={y(b.came) - 5} textAnchor="middle" fill="currentColor">
                {b.count}
              </text>
            </>
          )}
          <text x={LEFT + (k + 0.5) * wide} y={HEIGHT - 8} textAnchor="middle" fill="currentColor">
            {Math.round(100 * b.from)}–{Math.round(100 * b.to)}
          </text>
        </g>
      ))}
    </Picture>
  );
}
