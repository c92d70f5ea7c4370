import { addDays } from "#core/calendar/day";
import { dayLengthHours } from "#core/calendar/sun";
import type { Outlook } from "#core/planning/outlook";
import type { Snapshot } from "#core/snapshot";
import { stillness } from "#core/weather/bed-night";
import type { FrostNight } from "#core/weather/frost";
import { tempAtHour } from "#core/weather/hourly-curve";
import { dewPointC } from "#core/weather/humid-air";
import type { StripDay } from "./weather-strip";

/** The days ahead as the weather strip shows them. */
export const stripOf = (outlook: Outlook): StripDay[] =>
  outlook.days.slice(0, 14).map((d) => ({
    day: d.weather.day,
    tempMinC: d.weather.tempMinC,
    tempMaxC: d.weather.tempMaxC,
    rainMm: d.weather.rainMm,
    gustMs: d.weather.gustMs,
    from: d.from,
    away: d.away,
    hazards: d.hazards,
  }));

const MOST_NIGHTS = 60;

/**
 * Clear, calm, cool nights of the record as evening readings and the minimum that followed, for fitting the garden's
 * frost formula. Evening values are read off the day's curve two hours after sunset.
 */
export function frostNightsOf(snapshot: Snapshot, today: string): FrostNight[] {
  const { latitudeDeg } = snapshot.garden;
  const nights: FrostNight[] = [];
  for (let i = snapshot.weather.length - 2; i >= 0 && nights.length < MOST_NIGHTS; i--) {
    const eve = snapshot.weather[i]!;
    const next = snapshot.weather[i + 1]!;
    if (
      next.day !== addDays(eve.day, 1) ||
      next.day >= today ||
      next.tempMinC > 4 ||
      eve.humidityPct === null ||
      stillness(next) < 0.45
    )
      continue;
    const length = dayLengthHours(eve.day, latitudeDeg);
    const sunsetHour = 12.3 + length / 2;
    const eveningTempC = tempAtHour(
      {
        tempMaxC: eve.tempMaxC,
        tempMinC: eve.tempMinC,
        nextMinC: next.tempMinC,
        sunriseHour: 12.3 - length / 2,
        sunsetHour,
      },
      sunsetHour + 2,
    );
    nights.push({
      eveningTempC,
      eveningDewC: dewPointC((eve.tempMinC + eve.tempMaxC) / 2, eve.humidityPct),
      minC: next.tempMinC,
    });
  }
  return nights;
}
