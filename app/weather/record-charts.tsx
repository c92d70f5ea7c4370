import { Box } from "@chakra-ui/react";
import type { ReactElement } from "react";
import {
  Area,
  Bar,
  CartesianGrid,
  ComposedChart,
  Legend,
  Line,
  LineChart,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { sayDay } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import type { RecordView } from "./weather-record.server";

const v = (name: string) => `var(--ak-colors-${name})`;
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const axis = { tick: { fill: v("ink-soft"), fontSize: 13 }, stroke: v("rule"), tickLine: false } as const;
const grid = <CartesianGrid stroke={v("rule-soft")} vertical={false} />;
const legend = (
  <Legend wrapperStyle={{ fontSize: 14 }} formatter={(name) => <span style={{ color: v("ink") }}>{name}</span>} />
);
const tip = {
  contentStyle: { background: v("sheet"), border: `1px solid ${v("rule")}`, color: v("ink"), fontSize: 14 },
  labelStyle: { color: v("ink"), fontWeight: 650 },
  isAnimationActive: false,
} as const;
/** First weeks of the months, for the axis of a year drawn by weeks. */
const MONTH_WEEKS = [0, 4, 9, 13, 17, 22, 26, 30, 35, 39, 43, 48];
const monthOfWeek = (week: number): string => MONTHS[MONTH_WEEKS.indexOf(week)] ?? "";

/** Every chart has its box before it is drawn, so that nothing below it moves. */
export const CHART_H = 280;
const Frame = ({ label, children }: { label: string; children: ReactElement }) => (
  <Box h={`${CHART_H}px`} role="img" aria-label={label}>
    <ResponsiveContainer width="100%" height="100%">
      {children}
    </ResponsiveContainer>
  </Box>
);

const inUnits = (units: UnitSystem) => (c: number | null) =>
  c === null ? null : units === "us" ? Math.round((c * 9) / 5 + 32) : c;
const numberOf = (x: unknown): string => (Array.isArray(x) ? x.map((y) => numberOf(y)).join(" to ") : String(x));

/** The chosen year's nights and days, week by week, over what nine of ten earlier years kept within. */
export function YearChart({ view, units }: { view: RecordView; units: UnitSystem }) {
  const to = inUnits(units);
  const sign = units === "us" ? "°F" : "°C";
  const data = view.weeks.map((w) => ({
    ...w,
    low: to(w.low),
    high: to(w.high),
    usual: w.usual && [to(w.usual[0]), to(w.usual[1])],
  }));
  return (
    <Frame label={`Lowest and highest temperatures of ${view.year} by week, over the usual range`}>
      <ComposedChart data={data} margin={{ left: -18, right: 8, top: 8 }}>
        {grid}
        <XAxis dataKey="week" ticks={MONTH_WEEKS} tickFormatter={monthOfWeek} {...axis} />
        <YAxis unit="°" {...axis} axisLine={false} width={56} />
        <Tooltip
          {...tip}
          labelFormatter={(_, rows) => `Week of ${sayDay(String(rows[0]?.payload?.day ?? "2026-01-01"))}`}
          formatter={(x, name) => [`${numberOf(x)} ${sign}`, name]}
        />
        {legend}
        <Area
          dataKey="usual"
          name="usual range"
          fill={v("tint")}
          stroke={v("ink-soft")}
          strokeOpacity={0.5}
          fillOpacity={1}
          isAnimationActive={false}
        />
        <Line
          dataKey="high"
          name="days"
          stroke={v("ochre-ink")}
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          dataKey="low"
          name="nights"
          stroke={v("frost-ink")}
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </Frame>
  );
}

/** Rain of each month beside its mean of the other years. */
export function RainChart({ view, units }: { view: RecordView; units: UnitSystem }) {
  const us = units === "us";
  const to = (mm: number | null) => (mm === null ? null : us ? Math.round(mm / 2.54) / 10 : Math.round(mm));
  const data = view.months.map((m) => ({ month: MONTHS[m.month], mm: to(m.mm), usual: to(m.usual) }));
  return (
    <Frame label={`Rain of ${view.year} by month beside the other years' mean`}>
      <ComposedChart data={data} margin={{ left: -18, right: 8, top: 8 }}>
        {grid}
        <XAxis dataKey="month" {...axis} interval="preserveStartEnd" />
        <YAxis {...axis} axisLine={false} width={56} />
        <Tooltip {...tip} formatter={(x, name) => [`${numberOf(x)} ${us ? "in" : "mm"}`, name]} />
        {legend}
        <Bar dataKey="mm" name={String(view.year)} fill={v("frost")} isAnimationActive={false} maxBarSize={26} />
        <Line
          dataKey="usual"
          name="mean of the others"
          stroke={v("ink")}
          strokeDasharray="4 3"
          dot={{ r: 2.5, fill: v("ink") }}
          isAnimationActive={false}
        />
      </ComposedChart>
    </Frame>
  );
}

/** Degree days as they gathered, the chosen year bold among its neighbours. */
export function WarmthChart({ view }: { view: RecordView }) {
  return (
    <Frame label={`Degree days gathered in ${view.year} and the years before`}>
      <LineChart data={view.weeks} margin={{ left: -10, right: 8, top: 8 }}>
        {grid}
        <XAxis dataKey="week" ticks={MONTH_WEEKS} tickFormatter={monthOfWeek} {...axis} />
        <YAxis {...axis} axisLine={false} width={58} />
        <Tooltip
          {...tip}
          labelFormatter={(_, rows) => `Week of ${sayDay(String(rows[0]?.payload?.day ?? "2026-01-01"))}`}
          formatter={(x, name) => [Math.round(Number(x)), name]}
        />
        {legend}
        {view.warmthYears.map((y, i) => (
          <Line
            key={y}
            dataKey={(w: RecordView["weeks"][number]) => w.warmth[y] ?? null}
            name={String(y)}
            stroke={y === view.year ? v("madder") : v(i % 2 === 0 ? "wind" : "past")}
            strokeWidth={y === view.year ? 2.8 : 1.3}
            strokeDasharray={y === view.year ? undefined : ["", "5 3", "2 3", "8 3 2 3"][i % 4]}
            dot={false}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
    </Frame>
  );
}
