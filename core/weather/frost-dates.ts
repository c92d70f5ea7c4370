import { addDays, type Day, daysBetween } from "../calendar/day";
import type { WeatherDay } from "./daily";
import { ofRecord } from "./of-record";

/** First autumn frost of a year: days after 1 July (1 January in the south), so that leap years do not shift it. */
export type FrostDate = { year: number; day: Day; after: number };

/**
 * The first day from midsummer on with a minimum at or below a limit, for each year of a record that covers autumn.
 * @param limitC 0 for frost; −2.2 for a killing freeze (Koss et al. 1988)
 */
export const firstFrosts = (record: readonly WeatherDay[], latitudeDeg: number, limitC = 0): FrostDate[] =>
  ofRecord(record, `first ${yearStart(latitudeDeg)} ${limitC}`, () =>
    firstFrostsFelt(record, latitudeDeg, limitC, (d) => d.tempMinC),
  );

/** The same where a night's minimum is another one than the station's: in a hollow, under a cover. @param minC of a day, °C */
export function firstFrostsFelt(
  record: readonly WeatherDay[],
  latitudeDeg: number,
  limitC: number,
  minC: (day: WeatherDay) => number,
): FrostDate[] {
  const start = yearStart(latitudeDeg);
  const years = new Map<number, FrostDate>();
  for (const d of record) {
    if (minC(d) > limitC) continue;
    const year = Number(d.day.slice(0, 4));
    const from = `${year}-${start}`;
    if (d.day < from || years.has(year)) continue;
    years.set(year, { year, day: d.day, after: daysBetween(from, d.day) });
  }
  return [...years.values()].sort((a, b) => a.year - b.year);
}

/** From when autumn's frosts are counted: midsummer in the north, the new year in the south. */
const yearStart = (latitudeDeg: number): string => (latitudeDeg >= 0 ? "07-01" : "01-01");

/** The last day before midsummer with a minimum at or below a limit, for each year. */
export function lastFrosts(record: readonly WeatherDay[], latitudeDeg: number, limitC = 0): FrostDate[] {
  const [from, to] = latitudeDeg >= 0 ? ["01-01", "06-30"] : ["07-01", "12-31"];
  return ofRecord(record, `last ${from} ${limitC}`, () => {
    const years = new Map<number, FrostDate>();
    for (const d of record) {
      if (d.tempMinC > limitC) continue;
      const year = Number(d.day.slice(0, 4));
      if (d.day < `${year}-${from}` || d.day > `${year}-${to}`) continue;
      years.set(year, { year, day: d.day, after: daysBetween(`${year}-${from}`, d.day) });
    }
    return [...years.values()].sort((a, b) => a.year - b.year);
  });
}

/**
 * Quantile of a small sample, type 7 of Hyndman & Fan (Amer. Statistician 50 (1996) 361–365), the default of R.
 * Throws RangeError on an empty sample or a share outside 0 to 1.
 * @example quantile([1, 2, 3], 0.5) // 2
 */
export function quantile(values: readonly number[], share: number): number {
  if (values.length === 0 || !(share >= 0 && share <= 1)) throw new RangeError("a share of a sample that has values");
  const sorted = [...values].sort((a, b) => a - b);
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  return sorted[low]! + (at - low) * ((sorted[low + 1] ?? sorted[low]!) - sorted[low]!);
}

/**
 * The day of a year before which the first frost comes in a share of years, by the record.
 * @returns null with fewer than two years
 */
export function frostDay(dates: readonly FrostDate[], share: number, year: number, latitudeDeg: number): Day | null {
  if (dates.length < 2) return null;
  const start = `${year}-${yearStart(latitudeDeg)}`;
  return addDays(
    start,
    Math.round(
      quantile(
        dates.map((d) => d.after),
        share,
      ),
    ),
  );
}

/** Days left until frost is as likely as a share, from a day; zero once past; null when the record cannot say. */
export function growingDaysLeft(
  record: readonly WeatherDay[],
  today: Day,
  latitudeDeg: number,
  share = 0.5,
): number | null {
  const day = frostDay(firstFrosts(record, latitudeDeg), share, Number(today.slice(0, 4)), latitudeDeg);
  return day === null ? null : Math.max(0, daysBetween(today, day));
}
