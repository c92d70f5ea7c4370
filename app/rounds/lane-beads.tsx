import type { LaneRound } from "./lane-shape";

const v = (name: string) => `var(--ak-colors-${name})`;
/** Half the side of what a finger must hit. */
const REACH = 17;

type Props = {
  rounds: readonly LaneRound[];
  narrow: boolean;
  x: (t: number) => number;
  /** height of a planting's lane; undefined when it has none */
  y: (plantingId: string) => number | undefined;
  tOf: (round: LaneRound, plantingId: string) => number;
  nameOf: (plantingId: string) => string;
  onGrab?: (roundId: string, e: React.PointerEvent<SVGGElement>, plantingId: string) => void;
  onKey?: (roundId: string, e: React.KeyboardEvent<SVGGElement>, plantingId: string) => void;
};

/** The beads: what each round takes of each lane. One can be moved alone, by pointer, finger or arrow keys. */
export function LaneBeads({ rounds, narrow, x, y, tOf, nameOf, onGrab, onKey }: Props) {
  return rounds.flatMap((r) =>
    r.beads.map(({ plantingId, take }) => {
      const cy = y(plantingId);
      if (cy === undefined) return null;
      const t = tOf(r, plantingId);
      const X = x(t);
      return (
        <g
          key={`${r.id} ${plantingId}`}
          role="slider"
          tabIndex={onGrab ? 0 : undefined}
          aria-label={`${nameOf(plantingId)}, ${r.label}. Arrow keys move it alone, Enter keeps it there, Escape puts it back`}
          aria-valuenow={Math.round(t * 10) / 10}
          aria-valuetext={r.label}
          onPointerDown={(e) => onGrab?.(r.id, e, plantingId)}
          onKeyDown={(e) => onKey?.(r.id, e, plantingId)}
          style={{ cursor: onGrab ? "grab" : undefined, touchAction: "none" }}
        >
          <title>{`${nameOf(plantingId)}: drag it alone`}</title>
          <rect x={X - REACH} y={cy - REACH} width={2 * REACH} height={2 * REACH} fill="transparent" />
          {take === "strip" ? (
            <rect
              x={X - 5.5}
              y={cy - 5.5}
              width="11"
              height="11"
              transform={`rotate(45 ${X} ${cy})`}
              fill={v("sheet")}
              stroke={v("madder")}
              strokeWidth="2.4"
            />
          ) : (
            <circle cx={X} cy={cy} r={narrow ? 5 : 6} fill={v("sheet")} stroke={v("madder")} strokeWidth="2.4" />
          )}
        </g>
      );
    }),
  );
}
