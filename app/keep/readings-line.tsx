import { Text } from "@chakra-ui/react";
import { line } from "d3-shape";
import { sayDay } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import { linear } from "../ui/linear";

type Reading = { at: string; tempC: number; humidityPct: number | null };
const W = 480;
const H = 90;

/** The last readings of a place as a line from reading to reading; nothing while there are fewer than three. */
export function ReadingsLine({ readings, units }: { readings: readonly Reading[]; units: UnitSystem }) {
  if (readings.length < 3) return null;
  const temps = readings.map((r) => r.tempC);
  const low = Math.floor(Math.min(...temps) - 1);
  const high = Math.ceil(Math.max(...temps) + 1);
  const time = (at: string) => Date.parse(`${at}:00Z`);
  const from = time(readings[0]!.at);
  const span = Math.max(1, time(readings.at(-1)!.at) - from);
  const across = linear([0, span], [0, W]);
  const x = (at: string) => across(time(at) - from);
  const y = linear([low, high], [H, 0]);
  const path = line<(typeof readings)[number]>()
    .x((r) => x(r.at))
    .y((r) => y(r.tempC));
  const last = readings.at(-1)!;
  return (
    <>
      <svg
        viewBox={`-44 -10 ${W + 50} ${H + 32}`}
        width="100%"
        role="img"
        aria-label={`From ${sayTemp(Math.min(...temps), units, 1)} to ${sayTemp(Math.max(...temps), units, 1)} over ${readings.length} readings`}
      >
        {[low, high].map((c) => (
          <g key={c}>
            <line x1={0} x2={W} y1={y(c)} y2={y(c)} stroke="var(--ak-colors-rule-soft)" />
            <text x={-6} y={y(c) + 4} textAnchor="end" fontSize="12" fill="var(--ak-colors-ink-soft)">
              {sayTemp(c, units)}
            </text>
          </g>
        ))}
        <path d={path([...readings]) ?? ""} fill="none" stroke="var(--ak-colors-moss)" strokeWidth="2" />
        <text x={0} y={H + 18} fontSize="12" fill="var(--ak-colors-ink-soft)">
          {sayDay(readings[0]!.at.slice(0, 10))}
        </text>
        <text x={W} y={H + 18} textAnchor="end" fontSize="12" fill="var(--ak-colors-ink-soft)">
          {sayDay(last.at.slice(0, 10))}
        </text>
      </svg>
      <Text fontSize="sm" color="inkSoft" mb="2">
        Last: {sayTemp(last.tempC, units, 1)}
        {last.humidityPct === null ? "" : `, ${last.humidityPct} %`}
      </Text>
    </>
  );
}
