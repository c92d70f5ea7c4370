import { type Bed, bedCentre } from "#core/garden/bed";
import type { Crop } from "#core/handbook/crop";
import type { Verdict } from "#core/planting/verdict";
import { VERDICT_WORDS } from "#core/planting/words";
import type { UnitSystem } from "#core/units/mass";
import { sayDistance } from "#core/units/say";
import { CropGlyph } from "../ui/crop-glyph";
import { SvgText } from "../ui/svg-text";
import { PLOT_PAD, PlotGround, PX_A_METRE } from "./plot-ground";

export type MapPlanting = { id: string; kind: string; glyph: Crop["glyph"]; stage: number; verdict: Verdict };
export type MapBed = Bed & { plantings: MapPlanting[]; frostChance: number | null };

const COVER_DASH: Record<Bed["cover"], string | undefined> = {
  none: undefined,
  fleece: "4 4",
  "cold-frame": "10 4",
  polytunnel: "14 3",
  greenhouse: "14 3",
};
const URGENT: Verdict[] = ["pick-all", "past-prime", "pick-some"];

/** The plot to scale, north up: beds where they lie, what grows in them, frost hatched over the beds it will reach. */
export function PlotMap({
  beds,
  widthM,
  lengthM,
  units,
  highlight,
  onOpen,
}: {
  beds: MapBed[];
  units: UnitSystem;
  widthM: number;
  lengthM: number;
  highlight?: string;
  onOpen?: (bedId: string) => void;
}) {
  const scale = PX_A_METRE;
  const pad = PLOT_PAD;
  const W = widthM * scale;
  const H = lengthM * scale;
  const y = (metres: number, height: number) => H - (metres + height) * scale;
  return (
    <svg
      viewBox={`${-pad} ${-pad} ${W + 2 * pad} ${H + 2 * pad}`}
      width="100%"
      role="img"
      aria-label={`Plan of the plot, ${sayDistance(widthM, units)} by ${sayDistance(lengthM, units)}, north up`}
      style={{ display: "block", maxHeight: "70vh" }}
    >
      <PlotGround widthM={widthM} lengthM={lengthM} units={units} />
      {beds.map((bed) => {
        const circle = bed.shape === "circle";
        const w = bed.widthM * scale;
        const h = (circle ? bed.widthM : bed.lengthM) * scale;
        const x = bed.xM * scale;
        const top = y(bed.yM, circle ? bed.widthM : bed.lengthM);
        const centre = bedCentre(bed);
        const shape = {
          stroke: highlight === bed.id ? "var(--ak-colors-madder)" : "var(--ak-colors-ink)",
          strokeWidth: highlight === bed.id ? 5 : 2.2,
          strokeDasharray: COVER_DASH[bed.cover],
        };
        const draw = (extra: object) =>
          circle ? (
            <circle cx={centre.xM * scale} cy={H - centre.yM * scale} r={w / 2} {...extra} />
          ) : (
            <rect x={x} y={top} width={w} height={h} rx="5" {...extra} />
          );
        const glyph = Math.min(64, h * 0.72, (w / Math.max(1, bed.plantings.length)) * 0.8);
        const open = onOpen ? () => onOpen(bed.id) : undefined;
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: the list beside the plan holds the same links for the keyboard
          <g key={bed.id} onClick={open} style={open ? { cursor: "pointer" } : undefined}>
            <title>{`${bed.name}: ${bed.plantings.map((p) => `${p.kind}, ${VERDICT_WORDS[p.verdict].toLowerCase()}`).join("; ") || "empty"}`}</title>
            {draw({ fill: "var(--ak-colors-sheet)", ...shape })}
            {(bed.frostChance ?? 0) >= 0.1 &&
              draw({
                fill: "url(#frost-hatch)",
                opacity: Math.min(0.75, 0.15 + 0.55 * (bed.frostChance ?? 0)),
              })}
            {bed.plantings.map((p, i) => {
              const gap = w / bed.plantings.length;
              const cx = x + gap * (i + 0.5);
              const cy = circle ? H - centre.yM * scale : top + h / 2;
              return (
                <g key={p.id} transform={`translate(${cx - glyph / 2} ${cy - glyph / 2})`}>
                  <circle
                    cx={glyph / 2}
                    cy={glyph / 2}
                    r={glyph * 0.58}
                    fill={URGENT.includes(p.verdict) ? "var(--ak-colors-ochre-tint)" : "var(--ak-colors-sheet)"}
                    stroke={URGENT.includes(p.verdict) ? "var(--ak-colors-ochre)" : "none"}
                    strokeWidth="2"
                  />
                  <CropGlyph kind={p.glyph} stage={p.stage} size={glyph} />
                </g>
              );
            })}
            <SvgText
              x={circle ? centre.xM * scale : x + 2}
              y={top - 7}
              textAnchor={circle ? "middle" : "start"}
              size={20}
              bold
              fill="var(--ak-colors-ink)"
            >
              {bed.name}
            </SvgText>
          </g>
        );
      })}
    </svg>
  );
}
