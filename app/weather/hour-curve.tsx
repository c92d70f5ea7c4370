import { ticks } from "d3-array";
import { line } from "d3-shape";
import { fahrenheitFromCelsius } from "#core/units/convert";
import type { UnitSystem } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import { linear } from "../ui/linear";
import { SvgText } from "../ui/svg-text";

type Stretch = { fromHour: number; toHour: number };
type Props = {
  temps: number[];
  /** hours with wet leaves, and the best stretch for what may be touched wet and for what must be dry */
  wet: boolean[];
  good: { any: Stretch | null; dry: Stretch | null };
  dewC: number | null;
  sunriseHour: number;
  sunsetHour: number;
  units: UnitSystem;
};

/** A day's temperature by the hour, the dew point under it, light behind it, frost below the line. */
export function HourCurve({ temps, wet, good, dewC, sunriseHour, sunsetHour, units }: Props) {
  const W = 480;
  const H = 258;
  const left = 40;
  const low = Math.min(...temps, dewC ?? 99, 0) - 1;
  const high = Math.max(...temps) + 1;
  const x = linear([0, 23], [left, W - 12]);
  // lines at round degrees of the garden's own scale
  const shown = (tempC: number) => (units === "us" ? fahrenheitFromCelsius(tempC) : tempC);
  const degrees = linear([shown(low), shown(high)], [H - 70, 12]);
  const y = (tempC: number) => degrees(shown(tempC));
  const curve = line<number>()
    .x((_, h) => x(h))
    .y((t) => y(t));
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`From ${sayTemp(Math.min(...temps), units, 1)} to ${sayTemp(Math.max(...temps), units, 1)}`}
      style={{ display: "block" }}
    >
      <rect
        x={x(sunriseHour)}
        y="8"
        width={x(sunsetHour) - x(sunriseHour)}
        height={H - 76}
        fill="var(--ak-colors-ochre-tint)"
        opacity="0.6"
      />
      {low < 0 && (
        <rect
          x={left}
          y={y(0)}
          width={W - left - 12}
          height={Math.max(0, H - 68 - y(0))}
          fill="var(--ak-colors-frost-tint)"
        />
      )}
      {ticks(shown(low), shown(high), 6).map((t) => (
        <g key={t}>
          <line x1={left} x2={W - 12} y1={degrees(t)} y2={degrees(t)} stroke="var(--ak-colors-rule-soft)" />
          <SvgText x={left - 6} y={degrees(t) + 4} size={11.5} textAnchor="end" fill="var(--ak-colors-ink-soft)">
            {String(t).replace("-", "−")} {units === "us" ? "°F" : "°C"}
          </SvgText>
        </g>
      ))}
      {[0, 6, 12, 18, 23].map((h) => (
        <SvgText key={h} x={x(h)} y={H - 10} size={11.5} textAnchor="middle" fill="var(--ak-colors-ink-soft)">
          {String(h).padStart(2, "0")} h
        </SvgText>
      ))}
      {wet.map((is, h) =>
        is ? (
          <rect key={h} x={x(h)} y={H - 60} width={(W - left - 12) / 23} height="7" fill="var(--ak-colors-frost)" />
        ) : null,
      )}
      <SvgText x={left - 6} y={H - 53} size={10.5} textAnchor="end" fill="var(--ak-colors-ink-soft)">
        wet
      </SvgText>
      {(
        [
          [good.any, H - 48, "var(--ak-colors-nearly)"],
          [good.dry, H - 38, "var(--ak-colors-ochre)"],
        ] as const
      ).map(([s, top, fill]) =>
        s ? (
          <rect
            key={fill}
            x={x(s.fromHour)}
            y={top}
            width={x(Math.min(23, s.toHour)) - x(s.fromHour)}
            height="7"
            rx="3"
            fill={fill}
            stroke="var(--ak-colors-ink)"
            strokeWidth="0.8"
          />
        ) : null,
      )}
      <SvgText x={left - 6} y={H - 36} size={10.5} textAnchor="end" fill="var(--ak-colors-ink-soft)">
        pick
      </SvgText>
      {dewC !== null && (
        <>
          <line
            x1={left}
            x2={W - 12}
            y1={y(dewC)}
            y2={y(dewC)}
            stroke="var(--ak-colors-frost-ink)"
            strokeDasharray="5 4"
            strokeWidth="1.4"
          />
          <SvgText x={W - 16} y={y(dewC) - 6} size={11.5} textAnchor="end" fill="var(--ak-colors-frost-ink)">
            dew point
          </SvgText>
        </>
      )}
      <path
        d={curve(temps) ?? ""}
        fill="none"
        stroke="var(--ak-colors-madder)"
        strokeWidth="2.6"
        strokeLinejoin="round"
      />
    </svg>
  );
}
