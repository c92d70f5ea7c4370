import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import type { WeatherDay } from "../weather/daily";

/** A cue that the last days' weather makes lie, why, and the day from which it can be believed again. */
export type Misled = { cueIds: readonly string[]; why: string; believeFrom: Day; by: "rain" | "heat" | "gale" };

/** Share of its weight that a misled reading keeps (own estimate). */
export const MISLED_WEIGHT = 0.3;

/**
 * Which cues of a crop the weather of the last days makes lie on a day: softness after rain, colour that stalls in
 * heat, tops folded by a gale. Published and common limits stand in the handbook.
 * @param weather days in order; those after the day are not read
 */
export function misledOn(crop: Pick<Crop, "misled">, weather: readonly WeatherDay[], day: Day): Misled[] {
  if (crop.misled.length === 0 || weather.length === 0) return [];
  const at = daysBetween(weather[0]!.day, day);
  return crop.misled.flatMap((m): Misled[] => {
    for (let back = 0; back <= m.days; back++) {
      const w = weather[at - back];
      if (!w) break;
      const strength = m.by === "rain" ? w.rainMm : m.by === "heat" ? w.tempMaxC : (w.gustMs ?? 0);
      if (strength < m.from) continue;
      return [{ cueIds: m.cues, why: m.why, believeFrom: addDays(w.day, m.days + 1), by: m.by }];
    }
    return [];
  });
}
