import { addDays, type Day, daysBetween } from "../calendar/day";
import { groupBy } from "../group-by";
import type { WeatherDay } from "./daily";
import { degreeDaysSine } from "./degree-days";
import { firstFrosts, lastFrosts, quantile } from "./frost-dates";

/** A year of the record in figures. What could not be told, for want of days, is null. */
export type YearOfWeather = {
  year: number;
  days: number;
  lowest: { tempC: number; day: Day };
  highest: { tempC: number; day: Day };
  meanMaxC: number;
  meanMinC: number;
  rainMm: number;
  /** nights at or below freezing */
  frostDays: number;
  lastFrost: Day | null;
  firstFrost: Day | null;
  /** days strictly between the last spring frost and the first autumn frost */
  frostFreeDays: number | null;
  rainyDays: number;
  hotDays: number;
  windyDays: number;
  longestDry: Run | null;
  longestWet: Run | null;
};
export type Run = { days: number; from: Day };

/** A day with wind of this strength is a windy one: Beaufort 5, 8.0 m/s (WMO). */
const WINDY_MS = 8;
const HOT_C = 30;

/** Each year of a record in figures, oldest first. Days in order; the half-years of frost follow the latitude. */
export function yearsOf(record: readonly WeatherDay[], latitudeDeg: number): YearOfWeather[] {
  const byYear = groupBy(record, (d) => Number(d.day.slice(0, 4)));
  const last = new Map(lastFrosts(record, latitudeDeg).map((f) => [f.year, f.day]));
  const first = new Map(firstFrosts(record, latitudeDeg).map((f) => [f.year, f.day]));
  return [...byYear].map(([year, days]) => {
    const sum = (of: (d: WeatherDay) => number) => days.reduce((s, d) => s + of(d), 0);
    const count = (is: (d: WeatherDay) => boolean) => days.filter(is).length;
    const low = days.reduce((a, b) => (b.tempMinC < a.tempMinC ? b : a));
    const high = days.reduce((a, b) => (b.tempMaxC > a.tempMaxC ? b : a));
    const [spring, autumn] = [last.get(year) ?? null, first.get(year) ?? null];
    return {
      year,
      days: days.length,
      lowest: { tempC: low.tempMinC, day: low.day },
      highest: { tempC: high.tempMaxC, day: high.day },
      meanMaxC: sum((d) => d.tempMaxC) / days.length,
      meanMinC: sum((d) => d.tempMinC) / days.length,
      rainMm: sum((d) => d.rainMm),
      frostDays: count((d) => d.tempMinC <= 0),
      lastFrost: spring,
      firstFrost: autumn,
      frostFreeDays: spring && autumn && spring < autumn ? daysBetween(spring, autumn) - 1 : null,
      rainyDays: count((d) => d.rainMm > 0),
      hotDays: count((d) => d.tempMaxC >= HOT_C),
      windyDays: count((d) => d.windMs !== null && d.windMs >= WINDY_MS),
      longestDry: longestRun(days, (d) => d.rainMm === 0),
      longestWet: longestRun(days, (d) => d.rainMm > 0),
    };
  });
}

/** The longest run of days without a gap on which something holds; the first of several as long. */
export function longestRun(days: readonly WeatherDay[], holds: (d: WeatherDay) => boolean): Run | null {
  let best: Run | null = null;
  let run: Run = { days: 0, from: "" };
  let expected: Day = "";
  for (const d of days) {
    if (!holds(d)) run = { days: 0, from: "" };
    else if (run.days > 0 && d.day === expected) run = { days: run.days + 1, from: run.from };
    else run = { days: 1, from: d.day };
    expected = addDays(d.day, 1);
    if (run.days > (best?.days ?? 0)) best = run;
  }
  return best;
}

/** What is usual in a week of the year: nine of ten years' nights are above `low`, nine of ten days below `high`. */
export type WeekOfYear = { week: number; low: number; high: number; midLow: number; midHigh: number };
export const WEEKS = 52;

/**
 * Week of the year from 0, seven days each from 1 January; the odd days at the end belong to the last.
 * @example weekOf("2026-01-08") // 1
 */
export const weekOf = (day: Day): number =>
  Math.min(WEEKS - 1, Math.floor(daysBetween(`${day.slice(0, 4)}-01-01`, day) / 7));

/**
 * The usual extremes of each week by the years before a given one: medians, the tenth of the nights and the ninetieth
 * hundredth of the days (type 7 of Hyndman & Fan). Weeks without any record are left out.
 */
export function usualWeeks(record: readonly WeatherDay[], before: number): WeekOfYear[] {
  const mins = Array.from({ length: WEEKS }, (): number[] => []);
  const maxs = Array.from({ length: WEEKS }, (): number[] => []);
  for (const d of record) {
    if (Number(d.day.slice(0, 4)) >= before) continue;
    mins[weekOf(d.day)]!.push(d.tempMinC);
    maxs[weekOf(d.day)]!.push(d.tempMaxC);
  }
  return mins.flatMap((low, week) =>
    low.length === 0
      ? []
      : [
          {
            week,
            low: quantile(low, 0.1),
            midLow: quantile(low, 0.5),
            midHigh: quantile(maxs[week]!, 0.5),
            high: quantile(maxs[week]!, 0.9),
          },
        ],
  );
}

/** Rain of each month, mm, January first; null where the month has no day in the record. */
export function monthlyRain(record: readonly WeatherDay[], year: number): (number | null)[] {
  const months: (number | null)[] = Array(12).fill(null);
  for (const d of record) {
    if (Number(d.day.slice(0, 4)) !== year) continue;
    const month = Number(d.day.slice(5, 7)) - 1;
    months[month] = (months[month] ?? 0) + d.rainMm;
  }
  return months;
}

/**
 * Degree days gathered by the end of each week of a year from a day of the year on (sine method, °C·day).
 * @param from month and day, "03-01"; weeks before it hold 0, weeks after the last recorded day are null
 */
export function warmthByWeek(
  record: readonly WeatherDay[],
  year: number,
  baseC: number,
  from: string,
): (number | null)[] {
  const weeks: (number | null)[] = Array(WEEKS).fill(null);
  let sum = 0;
  for (const d of record) {
    if (Number(d.day.slice(0, 4)) !== year) continue;
    if (d.day.slice(5) >= from) sum += degreeDaysSine(d.tempMaxC, d.tempMinC, baseC);
    weeks[weekOf(d.day)] = sum;
  }
  return weeks;
}
