import { addDays, type Day, dayOfYear, daysBetween } from "../calendar/day";
import { inGrowingYear } from "../calendar/hemisphere";
import { dayLengthHours } from "../calendar/sun";
import type { Bed } from "../garden/bed";
import { type Crop, STARTS, type Start } from "../handbook/crop";
import { keptWith } from "../kept-with";
import { sunShare, warmth } from "../planting/clock";
import { lightShare, STILL_HOURS } from "../planting/light";
import { bedDay, bedMinC } from "../weather/bed-night";
import { type Climate, usualDay } from "../weather/climate";
import type { WeatherDay } from "../weather/daily";
import { firstFrostsFelt, frostDay } from "../weather/frost-dates";
import { ofRecord } from "../weather/of-record";

export type Site = {
  climate: Climate;
  latitudeDeg: number;
  bed: Pick<Bed, "cover" | "nightOffsetC" | "sunHours">;
};

type UsualYear = { tempMinC: number; tempMaxC: number; share: number }[];
const usualYears = keptWith<Climate>();

/** The usual year as a bed feels it, by day of the year (1 to 366): extremes, and the share of growth its light allows. */
const usualYear = ({ climate, latitudeDeg, bed }: Site): UsualYear =>
  usualYears(climate, `${latitudeDeg} ${bed.cover} ${bed.nightOffsetC} ${bed.sunHours}`, () =>
    Array.from({ length: 367 }, (_, j) => {
      const day = addDays("2023-12-31", Math.max(1, j));
      const { tempMinC, tempMaxC } = bedDay(usualDay(climate, day), bed);
      return { tempMinC, tempMaxC, share: sunShare(bed.sunHours) * lightShare(day, latitudeDeg) };
    }),
  );

/**
 * Warmth that a crop in a bed usually gathers, light counted, °C·day: after a day, after two and so on without end, the first
 * of them `from`. Counted by the days of the year, not by dates: this runs for every crop, way of starting and bed of a page.
 * @param step 1 forwards in time, -1 back
 */
function* gathered(crop: Crop, from: Day, step: 1 | -1, site: Site): Generator<number> {
  const usual = usualYear(site);
  let year = Number(from.slice(0, 4));
  let at = dayOfYear(from);
  let last = dayOfYear(`${year}-12-31`);
  let sum = 0;
  for (;;) {
    const day = usual[at]!;
    if (day.share > 0) sum += warmth(day, crop) * day.share;
    yield sum;
    at += step;
    if (at >= 1 && at <= last) continue;
    year += step;
    last = dayOfYear(`${year}-12-31`);
    at = step === 1 ? 1 : last;
  }
}

/** No crop is ready at once, however cold its usual days, °C·day (own choice). */
const LEAST_DD = 20;

/**
 * Warmth a crop needs from its start to its first pick, °C·day: what the site usually gathers in the middle of its days
 * from its usual start, in an open bed in full sun. Days are the packet's where it gives any, else the handbook's.
 * @returns null for a way of starting that has no days
 */
export function neededWarmth(
  crop: Crop,
  how: Start,
  site: Pick<Site, "climate" | "latitudeDeg">,
  packet: readonly [number, number] | null = null,
): number | null {
  const range = packet ?? crop.days[how];
  if (!range) return null;
  const days = Math.round((range[0] + range[1]) / 2);
  const open = { ...site, bed: { cover: "none" as const, nightOffsetC: 0, sunHours: 8 } };
  let left = days;
  let needDd = LEAST_DD;
  for (const sum of gathered(crop, usualStartIn(crop, 2025, site.latitudeDeg), 1, open)) {
    if (left-- <= 0) break;
    needDd = Math.max(LEAST_DD, sum);
  }
  return needDd;
}

/** The usual start of a crop in a year; half a year later in the south. */
export const usualStartIn = (crop: Pick<Crop, "usualStart">, year: number, latitudeDeg: number): Day =>
  inGrowingYear(year, crop.usualStart, latitudeDeg);

/** Sums of the same days in another order are the same sum, °C·day. */
const ROUNDING = 1e-6;

/** Nothing is waited for longer than this, days. */
const LONGEST = 400;

/** How many days it takes until a crop has usually gathered enough; null: not within 400. */
function daysUntil(crop: Crop, from: Day, step: 1 | -1, needDd: number, site: Site): number | null {
  let days = 0;
  for (const sum of gathered(crop, from, step, site)) {
    days += 1;
    if (sum >= needDd - ROUNDING) return days;
    if (days === LONGEST) break;
  }
  return null;
}

/** The day on which a crop started on a day is usually first picked; null: not within 400 days. */
export function readyDay(crop: Crop, start: Day, needDd: number, site: Site): Day | null {
  const days = daysUntil(crop, start, 1, needDd, site);
  return days === null ? null : addDays(start, days);
}

/** The last day on which a crop can be started to be ready on a day or before; null: not within 400 days. */
export function lastStartFor(crop: Crop, ready: Day, needDd: number, site: Site): Day | null {
  const days = daysUntil(crop, addDays(ready, -1), -1, needDd, site);
  return days === null ? null : addDays(ready, -days);
}

/**
 * The day before which frost of a crop's killing strength comes in no more than a share of years, in the bed; null: the
 * record has fewer than two such autumns, or it hardly ever comes.
 * @param risk share of years in which frost comes earlier, 0 to 1
 */
export function frostLimit(
  crop: Pick<Crop, "weather">,
  record: readonly WeatherDay[],
  year: number,
  latitudeDeg: number,
  bed: Pick<Bed, "cover" | "nightOffsetC">,
  risk: number,
): Day | null {
  const { killC } = crop.weather;
  const dates = ofRecord(record, `first-in-bed ${latitudeDeg} ${bed.cover} ${bed.nightOffsetC} ${killC}`, () =>
    firstFrostsFelt(record, latitudeDeg, killC, (w) => bedMinC(w, bed)),
  );
  const years = ofRecord(record, "years", () => new Set(record.map((w) => w.day.slice(0, 4))).size);
  return dates.length < Math.max(2, years / 2) ? null : frostDay(dates, risk, year, latitudeDeg);
}

export type LastSowing = {
  how: Start;
  needDd: number;
  /** latest start that is still ready, and picked for a while, before the frost; null: at no time */
  latest: Day | null;
  frost: Day | null;
  /** limit that was reckoned with: frost, or the day from which growth stands still */
  limit: Day;
  limitBy: "frost" | "light";
};

/** Days a crop must stand ready before frost for a start to be worth it: some of its picks (own choice). */
const WORTH_DAYS: Record<Crop["habit"], number> = {
  "once-over": 3,
  repeat: 14,
  "leaf-by-leaf": 10,
  "cut-again": 7,
  "lift-as-needed": 3,
  "main-then-side": 5,
  perennial: 0,
};

/** The first day after midsummer from which growth stands still for want of light. */
export function lightEnds(year: number, latitudeDeg: number): Day {
  const midsummer = latitudeDeg >= 0 ? `${year}-06-21` : `${year}-12-21`;
  for (let k = 0; k < 200; k++) {
    const day = addDays(midsummer, k);
    if (dayLengthHours(day, latitudeDeg) < STILL_HOURS) return day;
  }
  return addDays(midsummer, 200);
}

const darkKnown = keptWith<Climate>();

/**
 * The last date on which a crop can be sown, set out or planted to ripen before the frost percentile the gardener
 * accepts: back from that frost, less the days for which it should be picked, by the warmth the site usually gathers and
 * the light left. Hardy crops stand beyond their frost: for them the limit is where growth stands still.
 */
export function lastSowings(
  crop: Crop,
  record: readonly WeatherDay[],
  year: number,
  site: Site,
  risk: number,
  packet: { how: Start; days: readonly [number, number] } | null = null,
): LastSowing[] {
  if (crop.days.yearly) return [];
  const frost = frostLimit(crop, record, year, site.latitudeDeg, site.bed, risk);
  const dark = darkKnown(site.climate, `${year} ${site.latitudeDeg}`, () => lightEnds(year, site.latitudeDeg));
  const limitBy = frost !== null && frost < dark ? "frost" : "light";
  const limit = limitBy === "frost" ? frost! : dark;
  return STARTS.flatMap((how): LastSowing[] => {
    const needDd = neededWarmth(crop, how, site, packet?.how === how ? packet.days : null);
    // what is planted in autumn to stand the winter has no last day before this frost
    if (needDd === null || (crop.days[how]?.[0] ?? 0) > 180) return [];
    const ready = addDays(limit, -WORTH_DAYS[crop.habit]);
    const latest = lastStartFor(crop, ready, needDd, site);
    const far = latest !== null && daysBetween(latest, ready) > 300;
    return [{ how, needDd, latest: far ? null : latest, frost, limit, limitBy }];
  });
}
