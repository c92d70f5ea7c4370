import { z } from "zod";
import { type Day, daysBetween } from "../calendar/day";
import { localTimeSchema } from "../calendar/schemas";
import { groupBy } from "../group-by";
import type { Place, PlaceKind } from "../household/place";
import type { Air } from "./shelf-life";

/** What a thermometer in a place showed. */
export const placeReadingSchema = z.object({
  id: z.string().min(1).max(40),
  placeId: z.string().min(1).max(40),
  at: localTimeSchema,
  tempC: z.number("a temperature").min(-40, "colder than a freezer").max(60, "hotter than any store"),
  humidityPct: z.number().min(0, "0 to 100 %").max(100, "0 to 100 %").nullable(),
});
export type PlaceReading = z.infer<typeof placeReadingSchema>;

/** The air of a kind of place in most homes, where nobody has said or measured (common practice). */
const USUAL: Record<PlaceKind, Air> = {
  fridge: { tempC: 4, humidityPct: 90, light: "dark" },
  counter: { tempC: 20, humidityPct: 50, light: "light" },
  airy: { tempC: 15, humidityPct: 65, light: "dim" },
  cellar: { tempC: 9, humidityPct: 85, light: "dark" },
  freezer: { tempC: -18, humidityPct: null, light: "dark" },
  sill: { tempC: 21, humidityPct: 45, light: "light" },
};

const middle = (low: number | null, high: number | null): number | null =>
  low === null ? high : high === null ? low : (low + high) / 2;

/** What a place is taken to be like without a reading: as it was typed, else as such places are. */
export function saidAir(place: Place): Air {
  const usual = USUAL[place.kind];
  return {
    tempC: middle(place.tempMinC, place.tempMaxC) ?? usual.tempC,
    humidityPct: middle(place.humidityMin, place.humidityMax) ?? usual.humidityPct,
    light: place.light ?? usual.light,
  };
}
/** The air where nobody has said the place: a counter's. */
export const NOWHERE: Air = USUAL.counter;

/** Readings hold for so many days; after that the place is as it is said to be. */
const HOLDS_DAYS = 10;

/** The air of a place day by day: means of the day's readings, held for some days, else as it is said to be. */
export function airOf(place: Place, readings: readonly PlaceReading[]): (day: Day) => Air {
  const said = saidAir(place);
  const here = readings.filter((r) => r.placeId === place.id);
  const byDay = groupBy(here, (r) => r.at.slice(0, 10));
  if (byDay.size === 0) return () => said;
  const mean = (xs: number[]) => xs.reduce((a, b) => a + b, 0) / xs.length;
  const days = [...byDay.keys()].sort();
  const means = new Map(
    days.map((day) => {
      const list = byDay.get(day)!;
      const wet = list.flatMap((r) => (r.humidityPct === null ? [] : [r.humidityPct]));
      return [
        day,
        {
          tempC: mean(list.map((r) => r.tempC)),
          humidityPct: wet.length > 0 ? mean(wet) : said.humidityPct,
          light: said.light,
        },
      ];
    }),
  );
  return (day) => {
    let low = 0;
    let high = days.length;
    while (low < high) {
      const at = (low + high) >> 1;
      if (days[at]! <= day) low = at + 1;
      else high = at;
    }
    const last = days[low - 1];
    return last !== undefined && daysBetween(last, day) <= HOLDS_DAYS ? means.get(last)! : said;
  };
}

/**
 * Sums of a daily figure over any span of days: `between(a, b)` is the sum from day a up to and without day b.
 * @param from the first day, whose figure comes first
 */
export function summed(from: Day, figures: readonly number[]): (a: Day, b: Day) => number {
  const n = figures.length;
  const sums = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) sums[i + 1] = sums[i]! + figures[i]!;
  const at = (day: Day) => sums[Math.min(n, Math.max(0, daysBetween(from, day)))]!;
  return (a, b) => Math.max(0, at(b) - at(a));
}
