import type { Glyph } from "#core/handbook/glyphs";
import { FRUIT } from "./glyphs-fruit";
import { GREENS } from "./glyphs-greens";
import { ROOTS } from "./glyphs-roots";

const ink = "var(--ak-colors-ink)";
const DRAWINGS = { ...ROOTS, ...GREENS, ...FRUIT } satisfies Record<Glyph, unknown>;

/**
 * A small drawing of a crop at a stage, 0 unready to 2 past use: tops that fall, fruit that colours and swells, leaves
 * that yellow. Decorative; the words beside it carry the meaning.
 */
export function CropGlyph({ kind, stage, size = 44 }: { kind: Glyph; stage: number; size?: number }) {
  const s = Math.min(2, Math.max(0, stage));
  const grown = Math.min(1, 0.35 + 0.65 * s);
  const past = Math.max(0, s - 1.4) / 0.6;
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 48 48"
      aria-hidden="true"
      style={{ flex: "none", overflow: "visible" }}
    >
      <g stroke={ink} strokeWidth="1.3" strokeLinejoin="round" strokeLinecap="round">
        {DRAWINGS[kind](s, grown, past)}
      </g>
    </svg>
  );
}
