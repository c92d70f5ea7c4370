import type { Cover } from "../garden/bed";
import type { WeatherDay } from "./daily";
import { type Night, nightAt } from "./ensemble";

/** How much warmer a cover keeps the night, and the day, K. Own estimates from common practice; a bed's measured offset is added on top. */
export const COVER_WARMTH: Record<Cover, { nightC: number; dayC: number }> = {
  none: { nightC: 0, dayC: 0 },
  fleece: { nightC: 2, dayC: 1.5 },
  "cold-frame": { nightC: 3, dayC: 4 },
  polytunnel: { nightC: 1.5, dayC: 5 },
  greenhouse: { nightC: 2, dayC: 5 },
};

/**
 * How clear and calm a night is, 0 (overcast or windy: the whole garden is as cold as the station) to 1
 * (clear and still: hollows fill with cold air). Own weighting of cloud and wind; 0.6 when neither is known.
 * @example stillness({ cloudPct: 0, windMs: 0 }) // 1
 */
export function stillness(day: Pick<WeatherDay, "cloudPct" | "windMs">): number {
  const clear = day.cloudPct === null ? 0.6 : 1 - 0.85 * (day.cloudPct / 100);
  const calm = day.windMs === null ? 1 : Math.min(1, Math.max(0.15, 1.15 - day.windMs / 6));
  return clear * calm;
}

export type BedAir = { nightOffsetC: number; cover: Cover };

/** What a fleece or sheet laid over an open bed for a night adds, K (own estimate). */
export const LAID_COVER_C = 2;

/** The weather of a night under a cover laid for it. */
export const coverNight = (day: WeatherDay): WeatherDay => {
  const tempMinC = day.tempMinC + LAID_COVER_C;
  return { ...day, tempMinC, tempMaxC: Math.max(tempMinC, day.tempMaxC) };
};

/** Night minimum in a bed, °C: the station's, the bed's own offset as far as the night is still, and its cover. */
export const bedMinC = (day: WeatherDay, bed: BedAir): number =>
  day.tempMinC + bed.nightOffsetC * stillness(day) + COVER_WARMTH[bed.cover].nightC;

/**
 * What is known of a night in one bed: the one reckoning of frost for verdicts, plans and tables.
 * @param night at the station
 * @param day the same day's weather, a cover laid for that night reckoned in
 * @param sdC scatter of the bed's learned offset on still nights, K; 0 where none was learned
 */
export const nightInBed = (night: Night, day: WeatherDay, bed: BedAir, sdC = 0): Night =>
  nightAt(night, bedMinC(day, bed) - night.minC, sdC * stillness(day));

/** The day as the plants in a bed feel it: both extremes under its cover. Sunless days warm a cover less. */
export function bedDay(day: WeatherDay, bed: BedAir): WeatherDay {
  const sunny = day.cloudPct === null ? 0.6 : 1 - 0.7 * (day.cloudPct / 100);
  const tempMinC = bedMinC(day, bed);
  return {
    ...day,
    tempMinC,
    tempMaxC: Math.max(tempMinC, day.tempMaxC + COVER_WARMTH[bed.cover].dayC * sunny),
  };
}
