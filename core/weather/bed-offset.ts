import { z } from "zod";
import type { Day } from "../calendar/day";
import { daySchema } from "../calendar/schemas";
import { stillness } from "./bed-night";
import type { WeatherDay } from "./daily";

/** A minimum read off a thermometer in a bed, of the night before the day. */
export const bedReadingSchema = z.object({
  id: z.string().min(1).max(40),
  bedId: z.string().min(1).max(40),
  day: daySchema,
  minC: z.number().min(-40, "at least −40 °C").max(40, "at most 40 °C"),
});
export type BedReading = z.infer<typeof bedReadingSchema>;
/** A cover laid over a bed for one night, of the night before the day. */
export const coverSchema = z.object({
  id: z.string().min(1).max(60),
  bedId: z.string().min(1).max(40),
  day: daySchema,
});
export type CoverNight = z.infer<typeof coverSchema>;
/** A bed's night offset as learned, K on a still clear night, with its doubt and how many nights spoke. */
export type LearnedOffset = { offsetC: number; sdC: number; nights: number };

/** Doubt about an offset said by hand, K, and of one thermometer night about the rule (own estimates). */
const SAID_SD = 1.5;
const NIGHT_SD = 0.9;

/**
 * A bed's night offset, learned from its thermometer beside the station's record: each night says
 * (bed − station − cover) / stillness, and says more the stiller it was (weighted normal conjugate rule, Gelman et
 * al., Bayesian Data Analysis, ch. 2; checked against the handbook's worked example).
 * @param saidC the offset said by hand; @param coverC what the bed's cover adds by itself
 */
export function learnOffset(
  readings: readonly Pick<BedReading, "day" | "minC">[],
  record: ReadonlyMap<Day, WeatherDay>,
  saidC: number,
  coverC: number,
): LearnedOffset {
  let precision = 1 / SAID_SD ** 2;
  let mean = saidC;
  let nights = 0;
  for (const r of readings) {
    const night = record.get(r.day);
    if (!night) continue;
    const still = stillness(night);
    if (still < 0.15) continue;
    const shown = (r.minC - night.tempMinC - coverC) / still;
    const weight = (still / NIGHT_SD) ** 2;
    mean = (mean * precision + shown * weight) / (precision + weight);
    precision += weight;
    nights += 1;
  }
  return { offsetC: mean, sdC: Math.sqrt(1 / precision), nights };
}
