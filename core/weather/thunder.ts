import type { WeatherDay } from "./daily";
import { dewPointC } from "./humid-air";

/**
 * Chance of thunder on a day, 0 to 1, from daily values alone: warm, moist air that rains in showers under broken
 * cloud with strong gusts for the wind. Own estimate, meant to warn early; a forecast that names thunder overrules it.
 */
export function thunderChance(day: WeatherDay): number {
  if (day.rainMm < 0.5 || day.tempMaxC < 14) return 0;
  const dew = day.humidityPct === null ? day.tempMinC : dewPointC((day.tempMinC + day.tempMaxC) / 2, day.humidityPct);
  const moist = Math.max(0, Math.min(1, (dew - 8) / 9));
  const warm = Math.max(0, Math.min(1, (day.tempMaxC - 16) / 12));
  const showery = Math.max(0, Math.min(1, day.rainMm / 10)) * (day.cloudPct !== null && day.cloudPct > 95 ? 0.6 : 1);
  const gusty =
    day.gustMs !== null && day.windMs !== null ? Math.min(1, day.gustMs / Math.max(1, day.windMs) / 3) : 0.6;
  return Math.min(0.95, 1.25 * moist * warm * (0.35 + 0.65 * showery) * (0.5 + 0.5 * gusty));
}
