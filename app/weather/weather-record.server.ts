import { addDays } from "#core/calendar/day";
import { firstFrosts, frostDay, lastFrosts } from "#core/weather/frost-dates";
import { monthlyRain, usualWeeks, WEEKS, warmthByWeek, weekOf, yearsOf } from "#core/weather/record";
import type { GardenNow } from "../server/garden-now.server";

/** Base of the degree days of the garden as a whole, °C (common practice for mixed crops). */
export const BASE_C = 5;
const SHARES = [0.1, 0.5, 0.9] as const;
/** Years drawn beside the chosen one. */
const YEARS_DRAWN = 6;

const mean = (xs: readonly number[]): number | null =>
  xs.length > 0 ? xs.reduce((s, x) => s + x, 0) / xs.length : null;
const round1 = (x: number | null): number | null => (x === null ? null : Math.round(x * 10) / 10);

/** A station's record as a page: a year beside what is usual, rain by month, warmth as it gathers, frost dates, years. */
export function recordView(d: GardenNow, wanted: number | null) {
  const record = d.snapshot.weather.filter((w) => w.day < d.today);
  const { latitudeDeg } = d.snapshot.garden;
  const years = yearsOf(record, latitudeDeg);
  const listed = years.map((y) => y.year);
  const year = wanted !== null && listed.includes(wanted) ? wanted : (listed.at(-1) ?? Number(d.today.slice(0, 4)));
  const own = record.filter((w) => Number(w.day.slice(0, 4)) === year);
  const weekly = Array.from({ length: WEEKS }, () => ({ low: [] as number[], high: [] as number[] }));
  for (const w of own) {
    weekly[weekOf(w.day)]!.low.push(w.tempMinC);
    weekly[weekOf(w.day)]!.high.push(w.tempMaxC);
  }
  const usual = new Map(usualWeeks(record, year).map((u) => [u.week, u]));
  const others = listed.filter((y) => y !== year);
  const rain = monthlyRain(record, year);
  const rainBefore = others.map((y) => monthlyRain(record, y));
  const start = latitudeDeg >= 0 ? "03-01" : "09-01";
  const drawn = [...others.slice(-YEARS_DRAWN), year];
  const warmth = drawn.map((y) => ({ year: y, weeks: warmthByWeek(record, y, BASE_C, start) }));
  const first = firstFrosts(record, latitudeDeg).filter((f) => f.day < addDays(d.today, -1));
  const last = lastFrosts(record, latitudeDeg);
  const thisYear = Number(d.today.slice(0, 4));
  return {
    year,
    years,
    weeks: Array.from({ length: WEEKS }, (_, week) => {
      const u = usual.get(week);
      return {
        week,
        day: addDays(`${year}-01-01`, week * 7 + 3),
        low: round1(mean(weekly[week]!.low)),
        high: round1(mean(weekly[week]!.high)),
        usual: u ? ([round1(u.low)!, round1(u.high)!] as [number, number]) : null,
        warmth: Object.fromEntries(warmth.map((w) => [w.year, w.weeks[week] ?? null])),
      };
    }),
    warmthYears: drawn,
    warmthFrom: start,
    months: rain.map((mm, month) => {
      const before = rainBefore.flatMap((r) => (r[month] === null || r[month] === undefined ? [] : [r[month]]));
      return { month, mm: round1(mm), usual: round1(mean(before)) };
    }),
    frost: {
      springs: last.length,
      autumns: first.length,
      rows: SHARES.map((share) => ({
        share,
        // a late spring frost is the bad luck there, an early autumn one here
        spring: last.length >= 2 ? lastFrostDay(last, 1 - share, thisYear, latitudeDeg) : null,
        autumn: frostDay(first, share, thisYear, latitudeDeg),
      })),
    },
  };
}
export type RecordView = ReturnType<typeof recordView>;

/** The day after which a share of springs bring no more frost. */
function lastFrostDay(
  dates: Parameters<typeof frostDay>[0],
  share: number,
  year: number,
  latitudeDeg: number,
): string | null {
  // frostDay counts from the half-year's own beginning; springs begin where autumns end
  return frostDay(dates, share, year, -latitudeDeg);
}
