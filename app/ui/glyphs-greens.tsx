import { type Drawing, LEAF, mix, STEM } from "./glyph-paint";

const ink = "var(--ak-colors-ink)";

/** Leaves, heads, herbs, stalks and spears. */
export const GREENS = {
  lettuce: (s, grown, past) => (
    <>
      {past > 0.3 && <path d="M24 24V4" stroke="#7f9a55" strokeWidth="3" />}
      {[-62, -36, -12, 12, 36, 62].map((a) => (
        <path
          key={a}
          transform={`rotate(${a} 24 42)`}
          d={`M24 42c-7 -8 -8 ${-20 * grown} 0 ${-32 * grown}c8 ${12 * grown} 7 ${24 * grown} 0 ${32 * grown}Z`}
          fill={mix("#cfe0a2", "#86ab52", s / 1.6)}
        />
      ))}
    </>
  ),
  kale: (_s, grown, past) => (
    <>
      {[-50, -25, 0, 25, 50].map((a) => (
        <g key={a} transform={`rotate(${a} 24 44)`}>
          <path d={`M24 44V${44 - 36 * grown}`} strokeWidth="1.6" />
          <path
            d={`M24 ${44 - 10 * grown}q-8 -3 -5 ${-9 * grown}q-6 -4 0 ${-9 * grown}q-1 -6 5 ${-8 * grown}q6 2 5 ${8 * grown}q6 5 0 ${9 * grown}q3 6 -5 ${9 * grown}Z`}
            fill={Math.abs(a) > 40 ? mix("#6d9160", "#d9c15c", past) : "#5d8457"}
          />
        </g>
      ))}
    </>
  ),
  head: (s, grown, past) => (
    <>
      {past > 0.4 && <path d="M24 18V4" stroke={STEM} strokeWidth="3" />}
      <circle cx="24" cy="28" r={6 + 10 * grown} fill={mix("#bcd39a", "#8fb56c", s / 1.4)} />
      <path
        d={`M24 ${28 - 14 * grown}c-${9 * grown} 8 -${9 * grown} 20 0 ${28 * grown}M24 ${28 - 14 * grown}c${9 * grown} 8 ${9 * grown} 20 0 ${28 * grown}M${24 - 12 * grown} 26q${12 * grown} -10 ${24 * grown} 0`}
        fill="none"
        strokeWidth="1"
      />
      {past > 0.3 && <path d="m20 18 4 8-3 8" strokeWidth="1.6" fill="none" />}
    </>
  ),
  floret: (s, grown, past) => floret(mix(mix("#9db97a", "#4f7f4d", s), "#e3c445", past))(s, grown, past),
  cauliflower: floret("#f3ecd8"),
  sprouts: (_s, grown, past) => (
    <>
      <path d="M24 46V8" stroke={STEM} strokeWidth="3.4" />
      {[40, 31, 22, 14].map((y, i) =>
        [-1, 1].map((side) => (
          <circle
            key={`${y}${side}`}
            cx={24 + side * (3 + 3.4 * grown)}
            cy={y}
            r={Math.max(1.6, (2 + 3.4 * grown) * (1 - i * 0.16))}
            fill={mix("#a9c586", "#d9c15c", i === 0 ? past : 0)}
          />
        )),
      )}
      <path d="M24 10c-6-1-9-4-10-8M24 10c6-1 9-4 10-8" fill="none" stroke={LEAF} strokeWidth="2.2" />
    </>
  ),
  herb: (s, grown, past) => (
    <>
      {[-26, 0, 26].map((a) => (
        <g key={a} transform={`rotate(${a} 24 46)`}>
          <path d={`M24 46V${46 - 36 * grown}`} strokeWidth="1.3" />
          {[0.35, 0.6, 0.85].map((t) => (
            <path
              key={t}
              d={`M24 ${46 - 36 * grown * t}q-7 -1 -8 -6q6 -1 8 6q2 -7 8 -6q-1 5 -8 6Z`}
              fill={mix("#8fb06a", "#b9a15a", past * 0.8)}
            />
          ))}
          {s > 1.45 && <circle cx="24" cy={44 - 36 * grown} r="2.4" fill="#b58ab5" />}
        </g>
      ))}
    </>
  ),
  stalk: (s, grown, past) => (
    <>
      {[-20, 0, 20].map((a) => (
        <g key={a} transform={`rotate(${a} 24 46)`}>
          <path d={`M24 46V${46 - 26 * grown}`} stroke={ink} strokeWidth="6.4" />
          <path
            d={`M24 46V${46 - 26 * grown}`}
            stroke={mix(mix("#cfd9a3", "#b9484b", s / 1.3), "#8d6147", past)}
            strokeWidth="4"
          />
          <path d={`M24 ${46 - 26 * grown}c-8 -2 -9 -10 0 ${-15 * grown}c9 5 8 13 0 ${15 * grown}Z`} fill={LEAF} />
        </g>
      ))}
    </>
  ),
  spear: (s, grown, past) => (
    <>
      {[-7, 5].map((dx, i) => (
        <g key={dx}>
          <rect
            x={22 + dx}
            y={44 - (36 - i * 9) * grown}
            width="6"
            height={(36 - i * 9) * grown}
            rx="2.6"
            fill={mix("#c9d8a2", "#7fa25c", s)}
          />
          <path
            d={`M${22 + dx} ${46 - (36 - i * 9) * grown}q3 ${-9 - 3 * past} 6 0`}
            fill={mix("#8d7ba0", "#7fa25c", past)}
          />
          {past > 0.4 && (
            <path
              d={`M${25 + dx} ${44 - (36 - i * 9) * grown}l-6 -5M${25 + dx} ${44 - (36 - i * 9) * grown}l6 -5`}
              strokeWidth="1"
            />
          )}
        </g>
      ))}
    </>
  ),
} satisfies Record<string, Drawing>;

function floret(colour: string): Drawing {
  return (_s, grown, past) => (
    <>
      <path d="M24 46V30" stroke={STEM} strokeWidth="5" />
      <path d="M24 40c-8 0-14-4-17-11M24 40c8 0 14-4 17-11" fill="none" stroke={LEAF} strokeWidth="2.6" />
      {[
        [0, -8],
        [-7, -4],
        [7, -4],
        [-4, 1],
        [4, 1],
      ].map(([dx, dy]) => (
        <circle
          key={`${dx}${dy}`}
          cx={24 + dx! * (grown + 0.5 * past)}
          cy={27 + dy! * (grown + 0.5 * past)}
          r={2 + 4.6 * grown}
          fill={colour}
        />
      ))}
    </>
  );
}
