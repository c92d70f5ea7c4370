import { sayDay, weekdayName } from "#core/calendar/day";
import type { DayChances } from "#core/planting/conclude";
import { SvgText } from "../ui/svg-text";

const W = 320;
const H = 40;
const DAYS = 14;

/** Chances of the next fortnight if nothing is picked: nearly, ready and past stacked, a column a day. */
export function FortnightRibbon({ days }: { days: readonly DayChances[] }) {
  const shown = days.slice(0, DAYS + 1);
  const step = W / (DAYS + 1);
  const best = shown.reduce((a, b) => (b.ready > a.ready ? b : a), shown[0]!);
  return (
    <svg
      viewBox={`0 0 ${W} ${H + 16}`}
      width="100%"
      role="img"
      aria-label={`The next fortnight: ${Math.round(100 * (shown[0]?.ready ?? 0))} percent ready today, most likely ready ${sayDay(best.day)} with ${Math.round(100 * best.ready)} percent`}
      style={{ display: "block", marginTop: 10 }}
    >
      {shown.map((d, i) => {
        const x = i * step + 1.5;
        const past = d.past * H;
        const ready = d.ready * H;
        const nearly = d.nearly * H;
        return (
          <g key={d.day}>
            <rect x={x} y={0} width={step - 3} height={H} fill="var(--ak-colors-tint)" />
            <rect x={x} y={H - past} width={step - 3} height={past} fill="var(--ak-colors-past)" />
            <rect x={x} y={H - past - ready} width={step - 3} height={ready} fill="var(--ak-colors-ochre)" />
            <rect x={x} y={H - past - ready - nearly} width={step - 3} height={nearly} fill="var(--ak-colors-nearly)" />
            <rect
              x={x}
              y={H - past - ready}
              width={step - 3}
              height={ready}
              fill="none"
              stroke="var(--ak-colors-ink)"
              strokeWidth={ready > 1 ? 0.8 : 0}
            />
            <SvgText
              x={x + (step - 3) / 2}
              y={H + 12}
              size={10.5}
              textAnchor="middle"
              bold={i === 0}
              fill="var(--ak-colors-ink-soft)"
            >
              {weekdayName(d.day).slice(0, 2)}
            </SvgText>
          </g>
        );
      })}
    </svg>
  );
}
