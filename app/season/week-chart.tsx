import { Box } from "@chakra-ui/react";
import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { sayMass, type UnitSystem } from "#core/units/mass";

const v = (name: string) => `var(--ak-colors-${name})`;
type Week = { key: string; name: string; weighedG: number; estimatedG: number };

/** What came in week by week, weighed and estimated told apart. */
export function WeekChart({ weeks, units }: { weeks: readonly Week[]; units: UnitSystem }) {
  const per = units === "us" ? 453.59237 : 1000;
  const data = weeks.map((w) => ({ name: w.name, weighed: w.weighedG / per, estimated: w.estimatedG / per }));
  return (
    <Box h="260px" role="img" aria-label="What came in week by week; the table below has the figures">
      <ResponsiveContainer width="100%" height="100%">
        <BarChart data={data} margin={{ left: 0, right: 8, top: 8, bottom: 0 }}>
          <CartesianGrid stroke={v("rule-soft")} vertical={false} />
          <XAxis
            dataKey="name"
            tick={{ fill: v("ink-soft"), fontSize: 13 }}
            stroke={v("rule")}
            tickLine={false}
            minTickGap={24}
          />
          <YAxis
            tick={{ fill: v("ink-soft"), fontSize: 13 }}
            stroke={v("rule")}
            tickLine={false}
            width={56}
            tickFormatter={(x: number) => `${x} ${units === "us" ? "lb" : "kg"}`}
          />
          <Tooltip
            isAnimationActive={false}
            contentStyle={{ background: v("sheet"), border: `1px solid ${v("rule")}`, color: v("ink"), fontSize: 14 }}
            formatter={(x) => sayMass(Number(x) * per, units)}
          />
          <Legend wrapperStyle={{ fontSize: 14 }} />
          <Bar dataKey="weighed" stackId="a" fill={v("moss")} isAnimationActive={false} />
          <Bar dataKey="estimated" stackId="a" fill={v("nearly")} isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </Box>
  );
}
