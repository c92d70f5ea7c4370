import { Box, Grid, Text } from "@chakra-ui/react";
import { decimals, type UnitSystem } from "#core/units/mass";
import { sayChance, sayRain, saySpeed, sayTemp } from "#core/units/say";
import { beaufort } from "#core/weather/hazards";
import { LIGHTNING_RULE } from "#core/weather/words";
import { Note } from "../ui/ui";
import { HourCurve } from "./hour-curve";
import type { DayView } from "./weather-day.server";

const hours = (s: { fromHour: number; toHour: number } | null): string | null =>
  s ? `${String(s.fromHour).padStart(2, "0")} to ${String(s.toHour).padStart(2, "0")} h` : null;

/** A day hour by hour with its good hours for picking and why, its figures, its cautions, and the night before. */
export function DayHours({ view, units }: { view: DayView; units: UnitSystem }) {
  const w = view.weather;
  const any = hours(view.good.any);
  const dry = hours(view.good.dry);
  const against = [...new Set(view.good.against)].slice(0, 3).join(", ");
  return (
    <>
      <HourCurve
        temps={view.temps}
        wet={view.wet}
        good={view.good}
        dewC={view.dewC}
        sunriseHour={view.sun.sunriseHour}
        sunsetHour={view.sun.sunsetHour}
        units={units}
      />
      <Text mt="2">
        {any ? (
          <>
            Good hours: leaves, roots and heads <strong>{any}</strong>;{" "}
            {dry ? (
              <>
                tomatoes, beans and fruit <strong>{dry}</strong>
                {view.dryFrom !== null ? `, dry from about ${view.dryFrom} h` : ""}.
              </>
            ) : (
              "the leaves hardly dry."
            )}
          </>
        ) : (
          "No good hours this day."
        )}
        {against ? ` Against it: ${against}.` : ""}
      </Text>
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(4, 1fr)" }} gap="4" mt="4">
        <Figure
          name="lowest"
          value={sayTemp(w.tempMinC, units, 1)}
          note={
            view.frostClass === "none"
              ? "no frost"
              : view.frostClass === "ground"
                ? "ground frost on still nights"
                : `${view.frostClass} freeze`
          }
        />
        <Figure
          name="dew point"
          value={view.dewC === null ? "unknown" : sayTemp(view.dewC, units, 1)}
          note={w.humidityPct === null ? "" : `${w.humidityPct} % humidity`}
        />
        <Figure
          name="gusts"
          value={w.gustMs === null ? "unknown" : saySpeed(w.gustMs, units)}
          note={w.gustMs === null ? "" : `Beaufort ${beaufort(w.gustMs)}`}
        />
        <Figure
          name="rain"
          value={w.rainMm > 0.2 ? sayRain(w.rainMm, units) : "dry"}
          note={view.stillness > 0.6 ? "clear and still: hollows fill with cold" : "stirred or clouded night"}
        />
      </Grid>
      <Box mt="4">
        {view.thunder >= 0.2 && (
          <Note tone="caution" title={`Thunder: ${sayChance(view.thunder)}`}>
            {LIGHTNING_RULE} (US National Weather Service)
          </Note>
        )}
        {view.people.map((p) => (
          <Note key={p} tone="caution">
            {p}
          </Note>
        ))}
        {(view.belowFrom || view.fit) && (
          <Note tone="frost" title="The night before that morning">
            {view.belowFrom && (
              <Text>
                Falls through {sayTemp(0, units)} at about {view.belowFrom}, if it stays clear and calm.
              </Text>
            )}
            {view.fit && (
              <Text>
                This garden’s own frost formula, from {view.fit.nights} clear nights of its record, says{" "}
                {sayTemp(view.fit.tempC, units, 1)} (± {decimals(view.fit.sdC, 1)} K).
              </Text>
            )}
          </Note>
        )}
      </Box>
    </>
  );
}

function Figure({ name, value, note }: { name: string; value: string; note: string }) {
  return (
    <Box>
      <Text fontFamily="heading" fontSize="xl" fontWeight="600">
        {value}
      </Text>
      <Text fontSize="sm" color="inkSoft">
        {name}
        {note ? `: ${note}` : ""}
      </Text>
    </Box>
  );
}
