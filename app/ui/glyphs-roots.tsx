import { DRY, type Drawing, LEAF, mix, ripening } from "./glyph-paint";

/** Bulbs, roots and tubers. */
export const ROOTS = {
  bulb: (s, grown) => {
    const fall = Math.min(1, Math.max(0, (s - 0.6) / 0.6)) * 78;
    const leaf = mix(LEAF, DRY, (s - 0.7) / 0.8);
    return (
      <>
        <g transform={`rotate(${fall} 24 27)`}>
          <path
            d="M24 27C22 18 20 10 17 4M24 27C24 17 25 9 26 3M24 27c2-8 4-14 8-19"
            fill="none"
            stroke={leaf}
            strokeWidth="2.6"
          />
        </g>
        <ellipse cx="24" cy="35" rx={11 * grown} ry={9 * grown} fill={mix("#e8e3c4", "#d39a4a", s / 1.4)} />
      </>
    );
  },
  garlic: (s, grown) => (
    <>
      <path
        d="M24 28V8M24 20 15 6M24 20 33 7M24 25 12 14M24 25l12-10"
        fill="none"
        stroke={mix(LEAF, DRY, (s - 0.3) / 1.2)}
        strokeWidth="2.4"
      />
      <path d={`M24 26c${-13 * grown} 3 ${-12 * grown} 17 0 17s${12 * grown} -14 0 -17Z`} fill="#f1e9df" />
      <path d="M24 28c-4 5-4 11 0 15M24 28c4 5 4 11 0 15" fill="none" strokeWidth="0.9" />
    </>
  ),
  root: taproot("#f0cf9c", "#dd7f2f"),
  tuber: (s, grown) => (
    <>
      <path
        d="M24 22C20 14 14 10 9 11M24 22c0-8 3-13 8-15M24 22c4-5 9-7 14-6"
        fill="none"
        stroke={mix(LEAF, "#9b7a4d", (s - 0.4) / 0.7)}
        strokeWidth="2.4"
      />
      <ellipse cx="17" cy="33" rx={8 * grown} ry={6.4 * grown} fill="#e0c68f" />
      <ellipse cx="31" cy="35" rx={9 * grown} ry={7 * grown} fill="#d9bd83" />
    </>
  ),
  shank: (s, grown, past) => (
    <>
      <path
        d={`M24 ${22 - 8 * grown}C21 8 14 4 9 4M24 ${22 - 8 * grown}c0-6 1-9 3-12M24 ${22 - 8 * grown}c4-6 9-8 15-7`}
        fill="none"
        stroke={mix(LEAF, DRY, past)}
        strokeWidth={1.8 + 1.8 * grown}
      />
      <rect
        x={24 - 1.4 - 3.4 * grown}
        y={18}
        width={2.8 + 6.8 * grown}
        height="24"
        rx={1.4 + 2.4 * grown}
        fill={mix("#eef0d8", "#f6f4e6", s)}
      />
      <path d="M21 43l-2 3M24 43v4M27 43l2 3" fill="none" strokeWidth="0.9" />
    </>
  ),
  parsnip: taproot("#efe2bf", "#ead7a4"),
  globe: globe("#d6dfb4", "#b9cf8e", "#a9a06c"),
  beet: globe("#b46a72", "#8a2845", "#5b2431"),
  radish: globe("#e9a2a4", "#cf3f55", "#9b4050"),
  turnip: globe("#efe8dd", "#f3ead8", "#cbb793", "#b48ab0"),
  fennel: (s, grown, past) => (
    <>
      <path
        d="M24 22C22 12 18 7 13 5M24 22c0-9 1-13 4-18M24 22c4-8 8-11 13-12"
        fill="none"
        stroke={LEAF}
        strokeWidth="1.8"
      />
      <path
        d={`M24 ${20 - 2 * s}C${24 - 16 * grown} 24 ${24 - 15 * grown} 42 24 43C${24 + 15 * grown} 42 ${24 + 16 * grown} 24 24 ${20 - 2 * s}Z`}
        fill={mix("#eef1d6", "#d8caa0", past)}
      />
      <path d="M24 22v20M19 27c-1 6 0 11 3 15M29 27c1 6 0 11-3 15" fill="none" strokeWidth="0.8" />
    </>
  ),
} satisfies Record<string, Drawing>;

function taproot(unripe: string, ripe: string): Drawing {
  return (s, grown, past) => (
    <>
      <path
        d="M24 14C22 8 18 5 14 4M24 14c0-6 1-9 3-11M24 14c3-5 6-7 10-8"
        fill="none"
        stroke={mix(LEAF, DRY, past)}
        strokeWidth="2.2"
      />
      <path
        d={`M${24 - 8 * grown} 15q${8 * grown} -4 ${16 * grown} 0C${24 + 7 * grown} 30 26 40 24 45 22 40 ${24 - 7 * grown} 30 ${24 - 8 * grown} 15Z`}
        fill={mix(unripe, ripe, s)}
      />
      {past > 0.3 && <path d="m20 19 3 6-2 6" fill="none" />}
    </>
  );
}

function globe(unripe: string, ripe: string, over: string, shoulder?: string): Drawing {
  return (s, grown, past) => (
    <>
      <path
        d="M24 20C20 12 15 8 11 8M24 20c0-8 1-12 2-16M24 20c4-7 8-10 13-10"
        fill="none"
        stroke={mix(LEAF, DRY, past)}
        strokeWidth="2.2"
      />
      <path d={`M24 ${30 + 12 * grown}q0 4 1 5`} fill="none" strokeWidth="1" />
      <circle cx="24" cy="31" r={4 + 9 * grown} fill={ripening(unripe, ripe, over, s, past)} />
      {shoulder && (
        <path
          d={`M${24 - 3.4 - 8 * grown} 28a${4 + 9 * grown} ${4 + 9 * grown} 0 0 1 ${6.8 + 16 * grown} 0Z`}
          fill={shoulder}
          strokeWidth="0.6"
        />
      )}
      {past > 0.3 && <path d="m22 25 3 5-2 6" fill="none" />}
    </>
  );
}
