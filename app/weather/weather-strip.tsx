import { Box, chakra, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import { Link } from "react-router";
import { weekdayName } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import { sayRain, saySpeed, sayTemp } from "#core/units/say";
import type { Hazard } from "#core/weather/hazards";
import { linear } from "../ui/linear";
import { SvgText } from "../ui/svg-text";

export type StripDay = {
  day: string;
  tempMinC: number;
  tempMaxC: number;
  rainMm: number;
  gustMs: number | null;
  from: string;
  away: boolean;
  hazards: Hazard[];
};

const WORDS: Record<Hazard["kind"], string> = {
  frost: "frost",
  gale: "gale",
  downpour: "rain",
  heat: "heat",
  thunder: "thunder",
  dew: "dew",
};

const DayLink = chakra(Link, {
  base: { color: "ink", textDecoration: "none", _hover: { bg: "tint" } },
});

/** The fortnight's weather as a row of almanac columns: extremes drawn as a bar on one scale, hazards in words. */
export function WeatherStrip({ days, units }: { days: StripDay[]; units: UnitSystem }) {
  const low = Math.min(...days.map((d) => d.tempMinC), 0);
  const high = Math.max(...days.map((d) => d.tempMaxC));
  const y = linear([low, Math.max(low + 1, high)], [72, 8]);
  return (
    <Box overflowX="auto" position="relative" pb="1" tabIndex={0} role="group" aria-label="Weather of the coming days">
      <Flex minW="max-content" w="100%">
        {days.map((d, k) => {
          const told = d.hazards.filter((h) => h.kind !== "dew" && h.chance >= 0.15);
          const frost = told.some((h) => h.kind === "frost");
          const words = [
            `${sayTemp(d.tempMinC, units)} to ${sayTemp(d.tempMaxC, units)}`,
            d.rainMm > 0.2 ? `rain ${sayRain(d.rainMm, units)}` : "dry",
            d.gustMs ? `gusts ${saySpeed(d.gustMs, units)}` : "",
          ]
            .filter(Boolean)
            .join(", ");
          return (
            <DayLink
              key={d.day}
              to={`/weather?day=${d.day}`}
              preventScrollReset
              flex="1"
              minW={{ base: "58px", md: "64px" }}
              px="1"
              py="2"
              textAlign="center"
              bg={frost ? "frostTint" : d.away ? "tint" : undefined}
              borderLeftWidth={k === 0 ? 0 : "1px"}
              borderColor="ruleSoft"
              title={words}
              opacity={d.from === "usual" ? 0.6 : 1}
            >
              <Text fontSize="xs" color="inkSoft">
                {weekdayName(d.day).slice(0, 3)}
              </Text>
              <Text
                fontFamily="heading"
                fontWeight="600"
                fontSize="lg"
                lineHeight="1"
                color={k === 0 ? "madder" : "ink"}
              >
                {Number(d.day.slice(8))}
              </Text>
              <VisuallyHidden>{words},</VisuallyHidden>
              <svg width="44" height="96" aria-hidden style={{ display: "inline-block" }}>
                {low < 0 && (
                  <line
                    x1="0"
                    x2="44"
                    y1={y(0) + 8}
                    y2={y(0) + 8}
                    stroke="var(--ak-colors-frost)"
                    strokeDasharray="2 3"
                  />
                )}
                <rect
                  x="18"
                  y={y(d.tempMaxC) + 8}
                  width="8"
                  height={Math.max(3, y(d.tempMinC) - y(d.tempMaxC))}
                  rx="4"
                  fill={d.tempMinC <= 0.5 ? "var(--ak-colors-frost)" : "var(--ak-colors-ochre)"}
                  stroke="var(--ak-colors-ink)"
                  strokeWidth="0.8"
                />
                <SvgText x="22" y={y(d.tempMaxC) + 4} size={11} textAnchor="middle" fill="var(--ak-colors-ink)">
                  {sayTemp(d.tempMaxC, units).split(" ")[0]}
                </SvgText>
                <SvgText x="22" y={y(d.tempMinC) + 20} size={11} textAnchor="middle" fill="var(--ak-colors-ink)">
                  {sayTemp(d.tempMinC, units).split(" ")[0]}
                </SvgText>
              </svg>
              <Text fontSize="xs" color="inkSoft" minH="1.3em">
                {d.rainMm > 0.2 ? sayRain(d.rainMm, units) : ""}
              </Text>
              {told.map((h) => (
                <Text
                  key={h.kind}
                  fontSize="xs"
                  fontWeight="650"
                  lineHeight="1.2"
                  color={h.kind === "frost" ? "frostInk" : "madder"}
                >
                  {WORDS[h.kind]} {Math.round(h.chance * 100)} %
                </Text>
              ))}
              {d.away && (
                <Text fontSize="xs" color="inkSoft">
                  away
                </Text>
              )}
            </DayLink>
          );
        })}
      </Flex>
    </Box>
  );
}
