import { DRY, type Drawing, LEAF, mix, ripening, STEM } from "./glyph-paint";

/** Fruit, pods, ears and flowers. */
export const FRUIT = {
  tomato: (s, grown, past) => (
    <>
      <circle
        cx="24"
        cy="28"
        r={6 + 10 * grown}
        fill={mix(mix("#a9c27a", "#d6532c", (s - 0.7) / 0.8), "#8a2f1c", past)}
      />
      <path
        d="M24 13v-5M24 13c-4-1-7 0-9 2M24 13c4-1 7 0 9 2M24 13l-3 5M24 13l3 5"
        fill="none"
        stroke="#4f6e3a"
        strokeWidth="2"
      />
      {past > 0.3 && <path d="m17 22 4 7" />}
    </>
  ),
  courgette: (s, grown) => (
    <g transform="rotate(-28 24 24)">
      <rect
        x={24 - 19 * grown}
        y={24 - 6.5 * grown}
        width={38 * grown}
        height={13 * grown}
        rx={6.5 * grown}
        fill={mix("#8fae62", "#3f6b39", s)}
      />
      <path d={`M${24 - 14 * grown} ${24 - 2 * grown}h${26 * grown}`} stroke="#b9cf95" strokeWidth="1" fill="none" />
      <path d={`M${24 + 18 * grown} 24h5`} strokeWidth="3" />
      {s < 1.1 && <path d={`M${24 - 19 * grown} 24l-6-4 2 4-2 4Z`} fill="#eab53c" />}
    </g>
  ),
  bean: (s, grown, past) => (
    <>
      <path d={`M10 10c4 ${18 * grown} 14 ${28 * grown} 28 ${28 * grown}`} fill="none" strokeWidth={7 * grown + 2.6} />
      <path
        d={`M10 10c4 ${18 * grown} 14 ${28 * grown} 28 ${28 * grown}`}
        fill="none"
        stroke={mix(mix("#a8c47c", "#6d8a3f", s), "#b79a5a", past)}
        strokeWidth={7 * grown}
      />
      {s > 1.3 &&
        [0.25, 0.5, 0.75].map((t) => (
          <circle
            key={t}
            cx={10 + 28 * t * t + 6 * t}
            cy={10 + 30 * grown * (1 - (1 - t) ** 2)}
            r="2.2"
            fill="none"
            strokeWidth="1"
          />
        ))}
    </>
  ),
  squash: (s, grown) => (
    <>
      <ellipse
        cx="24"
        cy="30"
        rx={7 + 11 * grown}
        ry={5 + 8.5 * grown}
        fill={mix("#b9c98a", "#cf8a35", (s - 0.4) / 0.9)}
      />
      <path
        d={`M24 ${30 - 13 * grown}c-6 6 -6 ${20 * grown} 0 ${26 * grown}M24 ${30 - 13 * grown}c6 6 6 ${20 * grown} 0 ${26 * grown}`}
        fill="none"
        strokeWidth="1"
      />
      <path d={`M24 ${31 - 14 * grown}l2 -7`} stroke={s > 1 ? "#9b7a4d" : "#5f7d40"} strokeWidth="3.4" />
    </>
  ),
  pepper: (s, grown, past) => (
    <>
      <path
        d={`M24 15c${-15 * grown} -4 ${-15 * grown} 12 ${-8 * grown} 26q4 5 ${8 * grown} 1q4 4 ${8 * grown} -1c${7 * grown} -14 ${7 * grown} -30 ${-8 * grown} -26Z`}
        fill={ripening("#86ab52", "#c9402b", "#8a3a28", s, past)}
      />
      <path d="M24 15v-7h3" fill="none" stroke={STEM} strokeWidth="3" />
    </>
  ),
  aubergine: (s, grown, past) => (
    <>
      <path
        d={`M24 14c${-9 * grown} 6 ${-15 * grown} 16 ${-11 * grown} 24c4 8 18 8 ${22 * grown} 0c4 -8 ${-2 * grown} -18 ${-11 * grown} -24Z`}
        fill={mix(mix("#a98bb0", "#4a2a55", s), "#8a6a4a", past)}
      />
      <path d="M24 14v-8M18 17c2-4 10-4 12 0l-6 3Z" fill={STEM} stroke={STEM} strokeWidth="2" />
      {past < 0.3 && (
        <path d={`M${24 - 6 * grown} 26c-2 4-2 7-1 10`} stroke="#fff" strokeWidth="1.4" fill="none" opacity="0.8" />
      )}
    </>
  ),
  pea: (s, grown, past) => (
    <g transform="rotate(-24 24 24)">
      <path
        d={`M${24 - 20 * grown} 24q${20 * grown} ${-6 - 8 * Math.min(1.6, s)} ${40 * grown} 0q${-20 * grown} ${6 + 8 * Math.min(1.6, s)} ${-40 * grown} 0Z`}
        fill={mix("#9dc06a", "#c9b26a", past)}
      />
      {s > 0.5 &&
        [-2, -1, 0, 1, 2].map((k) => (
          <circle
            key={k}
            cx={24 + k * 6.6 * grown}
            cy="24"
            r={Math.min(4, 1 + 2.2 * s)}
            fill="#c7dd97"
            strokeWidth="0.8"
          />
        ))}
      <path d={`M${24 + 20 * grown} 24l5 -3`} stroke={STEM} strokeWidth="2" />
    </g>
  ),
  corn: (s, grown, past) => (
    <>
      <path
        d={`M24 44c${-10 * grown} -6 ${-10 * grown} -22 0 ${-32 * grown}c${10 * grown} 10 ${10 * grown} 26 0 ${32 * grown}Z`}
        fill={mix("#e9e0a8", "#e5b93c", s)}
      />
      <path
        d={`M24 45c${-14 * grown} -4 ${-14 * grown} -18 ${-6 * grown} -24M24 45c${14 * grown} -4 ${14 * grown} -18 ${6 * grown} -24`}
        fill={LEAF}
        fillOpacity="0.85"
      />
      <path
        d={`M24 ${44 - 32 * grown}c-4-3-6-5-6-8M24 ${44 - 32 * grown}c0-4 1-6 1-9M24 ${44 - 32 * grown}c4-3 6-5 7-7`}
        fill="none"
        stroke={mix("#d6d59a", "#6b4a2e", (s - 0.4) / 0.7)}
        strokeWidth="1.6"
        opacity={1 - 0.4 * past}
      />
    </>
  ),
  melon: (s, grown, past) => (
    <>
      <circle cx="24" cy="28" r={6 + 10.5 * grown} fill={ripening("#a7bd7c", "#d9b565", "#b58a4a", s, past)} />
      {s > 0.5 && (
        <path
          d={`M${24 - 10 * grown} 22q10 8 ${20 * grown} 0M${24 - 12 * grown} 29q12 8 ${24 * grown} 0M18 ${28 - 13 * grown}q-4 13 0 ${26 * grown}M30 ${28 - 13 * grown}q4 13 0 ${26 * grown}`}
          fill="none"
          stroke="#f2e7c4"
          strokeWidth="1.2"
        />
      )}
      <path d={`M24 ${28 - 16 * grown}v-5`} stroke={STEM} strokeWidth="2.6" />
    </>
  ),
  watermelon: (_s, grown, past) => (
    <>
      <ellipse cx="24" cy="28" rx={7 + 12 * grown} ry={5 + 9 * grown} fill={mix("#5f8f4e", "#7a7a4a", past)} />
      {[-0.55, -0.18, 0.18, 0.55].map((t) => (
        <path
          key={t}
          d={`M24 ${28 - 13 * grown}q${60 * t * grown} 13 0 ${26 * grown}`}
          fill="none"
          stroke="#2f5c34"
          strokeWidth="2"
        />
      ))}
      <path d={`M24 ${28 - 14 * grown}q3 -5 8 -4`} stroke={past > 0 ? DRY : STEM} strokeWidth="1.6" fill="none" />
    </>
  ),
  berry: (s, grown, past) => (
    <>
      <path
        d={`M24 ${26 - 10 * grown}c${-16 * grown} 0 ${-14 * grown} 12 0 ${24 * grown}c${14 * grown} ${-12 * grown} ${16 * grown} ${-24 * grown} 0 ${-24 * grown}Z`}
        fill={ripening("#dfe3b0", "#cf3030", "#7f1f22", s, past)}
      />
      {[-5, 0, 5].map((dx) => (
        <path
          key={dx}
          d={`M${24 + dx * grown} ${25 + Math.abs(dx) * 0.2}v1.6M${24 + dx * 0.7 * grown} ${31}v1.6`}
          stroke="#f6e0a0"
          strokeWidth="1.1"
        />
      ))}
      <path
        d={`M24 ${26 - 10 * grown}c-4-1-7-4-8-7M24 ${26 - 10 * grown}c4-1 7-4 8-7M24 ${26 - 10 * grown}v-8`}
        fill="none"
        stroke={STEM}
        strokeWidth="2"
      />
    </>
  ),
  raspberry: cluster("#d9dcae", "#c23a55", "#6d1f33"),
  blueberry: round("#b9c79a", "#45588a", "#2c3350"),
  gooseberry: round("#a5bb73", "#c9c46a", "#9a7a4a", true),
  string: string("#c9d3a0", "#cc2f34", "#8a2a2a"),
  blackcurrant: string("#b9a08a", "#332a3f", "#2a2228"),
  orchard: round("#b3c87f", "#c9503a", "#8a5a3a"),
  peach: round("#b9c88a", "#e8a25c", "#a86a3f", false, true),
  plum: round("#a9b884", "#6b4a80", "#4a3248", false, true),
  pear: pear("#a9bd72", "#cfc26a", "#9a7a46"),
  fig: pear("#9fb47a", "#6b4a6b", "#4a3340"),
  flower: (s, grown, past) => (
    <>
      <path d="M24 46V24" stroke={STEM} strokeWidth="2.4" />
      <path d="M24 38c-6 0-9-3-10-7 6-1 9 2 10 7Z" fill={LEAF} />
      {s > 0.5 &&
        Array.from({ length: 10 }, (_, i) => (
          <ellipse
            key={i}
            cx="24"
            cy={20 - 8 * Math.min(1, s)}
            rx="3.4"
            ry={6 * Math.min(1.1, s)}
            transform={`rotate(${i * 36} 24 20)`}
            fill={mix("#d98aa0", "#b79a7a", past)}
            strokeWidth="0.8"
          />
        ))}
      <circle cx="24" cy="20" r={2.6 + 3 * grown} fill={s > 0.5 ? mix("#e5b93c", "#7a5a34", past) : LEAF} />
    </>
  ),
  seedhead: (s, _grown, past) => (
    <g transform={`rotate(${Math.min(1, Math.max(0, s - 0.7)) * 28} 24 30)`}>
      <path d="M24 46V26" stroke={mix(STEM, DRY, (s - 0.6) / 0.9)} strokeWidth="3" />
      {s < 1.3 &&
        Array.from({ length: 14 }, (_, i) => (
          <ellipse
            key={i}
            cx="24"
            cy="8"
            rx="2.6"
            ry="5"
            transform={`rotate(${(i * 360) / 14} 24 20)`}
            fill={mix("#e9c04a", "#b99a5a", s - 0.4)}
            strokeWidth="0.7"
          />
        ))}
      <circle cx="24" cy="20" r="10" fill={mix(mix("#b9c07a", "#6b4a2e", s), "#2f241c", past)} />
      <path d="M18 16l12 8M30 16l-12 8M17 20h14M24 13v14" stroke="#d9c7a0" strokeWidth="0.7" fill="none" />
    </g>
  ),
} satisfies Record<string, Drawing>;

function cluster(unripe: string, ripe: string, over: string): Drawing {
  return (s, grown, past) => (
    <>
      <path d="M24 14v-8M24 14c-4-1-7-3-8-6M24 14c4-1 7-3 8-6" fill="none" stroke={STEM} strokeWidth="2" />
      {[
        [0, 18],
        [-5, 21],
        [5, 21],
        [-2.6, 26],
        [2.6, 26],
        [-6, 28],
        [6, 28],
        [0, 31],
        [-4, 34],
        [4, 34],
        [0, 38],
      ].map(([dx, y]) => (
        <circle
          key={`${dx}/${y}`}
          cx={24 + dx! * grown}
          cy={16 + (y! - 16) * grown}
          r={1.2 + 2.6 * grown}
          fill={ripening(unripe, ripe, over, s, past)}
          strokeWidth="0.9"
        />
      ))}
    </>
  );
}

function string(unripe: string, ripe: string, over: string): Drawing {
  return (s, grown, past) => (
    <>
      <path d="M24 4C23 16 25 30 24 44" fill="none" stroke={STEM} strokeWidth="1.6" />
      {[10, 16, 22, 28, 34, 40].map((y, i) => (
        <circle
          key={y}
          cx={24 + (i % 2 ? -1 : 1) * 5}
          cy={y}
          r={2 + 3 * grown * (1 - i * 0.06)}
          fill={ripening(unripe, ripe, over, s - i * 0.05, past)}
          strokeWidth="0.9"
        />
      ))}
    </>
  );
}

function round(unripe: string, ripe: string, over: string, striped = false, cleft = false): Drawing {
  return (s, grown, past) => (
    <>
      <path d="M24 14V6M25 9c4-4 9-4 11-2-3 4-7 5-11 2Z" fill={LEAF} stroke={STEM} strokeWidth="1.6" />
      <circle cx="24" cy="28" r={5 + 10 * grown} fill={ripening(unripe, ripe, over, s, past)} />
      {cleft && <path d={`M24 ${28 - 14 * grown}q-6 10 0 ${24 * grown}`} fill="none" strokeWidth="1" />}
      {striped && (
        <path
          d={`M24 ${28 - 14 * grown}v${28 * grown}M${24 - 6 * grown} ${28 - 12 * grown}q-4 12 0 ${24 * grown}M${24 + 6 * grown} ${28 - 12 * grown}q4 12 0 ${24 * grown}`}
          fill="none"
          stroke="#f4efc8"
          strokeWidth="1"
        />
      )}
      {past > 0.4 && <path d="m18 24 4 6-2 5" fill="none" />}
    </>
  );
}

function pear(unripe: string, ripe: string, over: string): Drawing {
  return (s, grown, past) => (
    <>
      <path d="M24 12V5" stroke={STEM} strokeWidth="2.2" />
      <path
        d={`M24 11c${-5 * grown} 2 ${-4 * grown} 9 ${-9 * grown} 16c-6 11 3 ${17 * grown} ${9 * grown} ${16 * grown}c6 1 15 -5 ${9 * grown} ${-16 * grown}c${-5 * grown} -7 ${-4 * grown} -14 ${-9 * grown} -16Z`}
        fill={ripening(unripe, ripe, over, s, past)}
      />
      {past > 0.3 && <path d="m19 30 4 5-2 5" fill="none" />}
    </>
  );
}
