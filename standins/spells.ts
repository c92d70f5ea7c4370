import type { WeatherDay } from "#core/weather/daily";
import type { Chance } from "./random";

const round1 = (x: number) => Math.round(x * 10) / 10;

/**
 * Weather that comes in spells, laid over the desk's ordinary days: heat waves that end in thunder, thunderstorms on
 * warm days, gales with the fronts of the cold half, and sharp radiation nights under a clear, still sky.
 * Every day draws the same number of chances, so that the same seed tells the same story wherever it is read from.
 * @returns the spell-maker: give it the days in order
 */
export function spells(luck: Chance): (day: WeatherDay) => WeatherDay {
  let heatLeft = 0;
  let heatBy = 0;
  return (plain) => {
    const [starts, length, strength, storm, gale, cold] = Array.from({ length: 6 }, () => luck.next()) as [
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const day = { ...plain };
    const wasHot = heatLeft > 0;
    if (!wasHot && day.tempMaxC > 18 && starts < 0.02) {
      heatLeft = 4 + Math.floor(4 * length);
      heatBy = 4.5 + 4 * strength;
    }
    if (heatLeft > 0) {
      day.tempMaxC = round1(day.tempMaxC + heatBy);
      day.tempMinC = round1(day.tempMinC + 0.6 * heatBy);
      day.cloudPct = Math.min(day.cloudPct ?? 20, 20);
      day.rainMm = 0;
      heatLeft -= 1;
    }
    const breaks = wasHot && heatLeft === 0;
    if ((breaks && storm < 0.7) || (!breaks && heatLeft === 0 && day.tempMaxC > 21 && storm < 0.05))
      return thunderstorm(day, strength);
    const cool = day.tempMaxC < 15;
    if (day.rainMm > 0.5 && (day.windMs ?? 0) > 5 && gale < (cool ? 0.12 : 0.03)) {
      day.windMs = round1(8 + 5 * strength);
      day.gustMs = round1(18.5 + 9 * strength);
    }
    if ((day.cloudPct ?? 50) < 20 && (day.windMs ?? 2) < 1.8)
      day.tempMinC = round1(Math.min(day.tempMaxC - 1, day.tempMinC - 1 - 1.5 * cold));
    return day;
  };
}

function thunderstorm(day: WeatherDay, strength: number): WeatherDay {
  return {
    ...day,
    rainMm: round1(8 + 20 * strength),
    windMs: 4.5,
    gustMs: round1(14 + 11 * strength),
    cloudPct: 70,
    humidityPct: 85,
  };
}
