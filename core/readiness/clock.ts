import { addDays, dayOfYear } from "../calendar/day";
import { dayLengthHours } from "../calendar/sun";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop, Landmarks, School } from "../handbook/crop";
import { bedDay } from "../weather/bed-night";
import type { Climate } from "../weather/climate";
import { meanTempC, type WeatherDay } from "../weather/daily";
import { degreeDaysSine } from "../weather/degree-days";
import type { DayStep } from "./stage-filter";

/** Days to maturity a planting is judged by, with where they come from. */
export type DaysRange = { minDays: number; maxDays: number; from: "packet" | "handbook" };

/** The packet's range when given, else the handbook's for this way of starting, else the widest it knows. */
export function daysRange(
  planting: Pick<Planting, "packetMinDays" | "packetMaxDays" | "startedHow">,
  crop: Crop,
): DaysRange {
  if (planting.packetMinDays !== null && planting.packetMaxDays !== null)
    return { minDays: planting.packetMinDays, maxDays: planting.packetMaxDays, from: "packet" };
  const known = crop.days.yearly ??
    crop.days[planting.startedHow] ??
    crop.days.sown ??
    crop.days.transplanted ??
    crop.days.planted ?? [60, 120];
  return { minDays: known[0], maxDays: known[1], from: "handbook" };
}

/** Share of the range's half-width taken as one standard deviation: packets state about the middle four fifths. */
const RANGE_SDS = 1.28;
/** Doubt that remains even for a narrow range: soil, thirst, the seedsman's own climate. */
const LEAST_SPREAD = 0.09;

/** Doubt added where nobody states the base temperature, and where a year's bloom is only the usual one. */
const BASE_UNKNOWN = 0.08;
const BLOOM_UNKNOWN = 0.1;

export type Clock = {
  /** warmth from start to the chosen target, °C·day */
  targetDd: number;
  /** standard deviation of the stage when the mean reaches 1 */
  spread: number;
  range: DaysRange;
};

/**
 * Turns days to maturity into warmth: the degree days that the site usually gathers in those days from the crop's
 * usual start. The school of picking moves the target.
 * Common practice (days as a hint), with the sine method of Baskerville & Emin 1969 for the warmth.
 */
export function clockOf(planting: Planting, crop: Crop, school: School, climate: Climate, latitudeDeg: number): Clock {
  const range = daysRange(planting, crop);
  const days = ((range.minDays + range.maxDays) / 2) * school.daysFactor;
  const usual = `${planting.startedOn.slice(0, 4)}-${crop.usualStart}`;
  const from = latitudeDeg >= 0 ? usual : addDays(usual, 182);
  // by day of the year, without making a date of each: this runs for every planting at every judgement
  const first = dayOfYear(from) - 1;
  const usualWarmth = (k: number) => {
    const j = ((first + k) % 366) + 1;
    return warmth({ tempMinC: climate.tempMinC[j] ?? 5, tempMaxC: climate.tempMaxC[j] ?? 14 }, crop);
  };
  let targetDd = (days % 1) * usualWarmth(Math.floor(days));
  for (let k = 0; k < Math.floor(days); k++) targetDd += usualWarmth(k);
  const half = (range.maxDays - range.minDays) / (range.maxDays + range.minDays);
  const unsure = (crop.warmth.baseC === null ? BASE_UNKNOWN : 0) + (crop.days.yearly ? BLOOM_UNKNOWN : 0);
  return { targetDd: Math.max(20, targetDd), spread: Math.hypot(LEAST_SPREAD, half / RANGE_SDS, unsure), range };
}

/**
 * Base temperature a crop is reckoned with, °C: the handbook's, or where nobody states one 10 for what a light frost
 * kills and 4.4 for the hardy (the usual pair in lists of base temperatures; from memory).
 */
export const baseOf = (crop: Pick<Crop, "warmth" | "weather">): number =>
  crop.warmth.baseC ?? (crop.weather.killC >= -1.2 ? 10 : 4.4);

/** Degree days of one day for a crop, °C·day. */
export const warmth = (
  day: Pick<WeatherDay, "tempMinC" | "tempMaxC">,
  crop: Pick<Crop, "warmth" | "weather">,
): number => degreeDaysSine(day.tempMaxC, day.tempMinC, baseOf(crop), crop.warmth.capC);

/** Growth in a bed with fewer than six hours of sun, as a share of that in full sun (own estimate). */
export const sunShare = (sunHours: number): number => Math.min(1, 0.55 + 0.075 * Math.max(0, sunHours));

/** Days at a temperature, between the handbook's warm (20 °C) and cool (12.5 °C) values, on a log scale; slower still in the cold. */
export function daysAtTemp(warmDays: number, coolDays: number, tempC: number): number {
  const share = (20 - Math.min(28, Math.max(2, tempC))) / 7.5;
  return warmDays * (coolDays / warmDays) ** share;
}

export type Regime = "first" | "again";
/** Spread of a count of days from a dated event: far less than that of a packet. */
const COUNTED_SPREAD = 0.12;

/** A dated event (silk, set, death of the haulm) from which the days are counted instead of the warmth. */
export type Counted = { marks: Landmarks };

/** How much faster a crop that bolts in long days is past its best once they are (own estimate). */
const BOLTS_FASTER = 1.7;

/**
 * How far a day carries the stage of a planting: towards its first readiness, or towards its next pick after one.
 * Day length holds bulbs back in short days and hurries bolting in long ones.
 */
export function dayStep(
  day: WeatherDay,
  bed: Bed,
  crop: Crop,
  clock: Clock,
  regime: Regime,
  latitudeDeg: number,
  counted: Counted | null = null,
): DayStep {
  const felt = bedDay(day, bed);
  const temp = meanTempC(felt);
  const hours = crop.light ? dayLengthHours(day.day, latitudeDeg) : 12;
  const bolts = crop.light?.boltAboveH != null && hours > crop.light.boltAboveH ? BOLTS_FASTER : 1;
  const holds = crop.light?.holdBelowH != null && hours < crop.light.holdBelowH;
  const after = bolts / daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, temp);
  const before =
    counted && regime === "first"
      ? 0.4 / Math.max(1, counted.marks.ready - counted.marks.early)
      : regime === "first"
        ? (warmth(felt, crop) * sunShare(bed.sunHours)) / clock.targetDd
        : sunShare(bed.sunHours) / daysAtTemp(crop.interval.warmDays, crop.interval.coolDays, temp);
  const step = {
    before,
    after,
    spreadBefore: counted ? COUNTED_SPREAD : regime === "first" ? clock.spread : 0.3,
    spreadAfter: 0.35,
  };
  return holds && !counted ? { ...step, holdAt: crop.light?.holdAt ?? 0.5 } : step;
}
