import { dayOfYear } from "../calendar/day";
import { inGrowingYear } from "../calendar/hemisphere";
import { dayLengthHours } from "../calendar/sun";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop, Landmarks, School } from "../handbook/crop";
import { bedDay } from "../weather/bed-night";
import type { Climate } from "../weather/climate";
import { meanTempC, type WeatherDay } from "../weather/daily";
import { degreeDaysSine } from "../weather/degree-days";
import { daysToFirst, firstOf, ripeningSd } from "./flush";
import { lightShare } from "./light";
import { type DayStep, SET_STAGE } from "./stage-filter";
import { NEARLY_FROM, READY_FROM } from "./stage-grid";
import { evennessOf, piecesOf, wayOf } from "./way";

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
const LEAST_SPREAD = 0.11;

/** Doubt added where nobody states the base temperature, and where a year's bloom is only the usual one. */
const BASE_UNKNOWN = 0.08;
const BLOOM_UNKNOWN = 0.1;

export type Clock = {
  /** warmth from start to the chosen target, °C·day */
  targetDd: number;
  /** standard deviation of the stage when the mean reaches 1 */
  spread: number;
  /** for what sets fruit: warmth from start to set, °C·day, and days from set to ready, warm and cool; else null */
  fruit: { setDd: number; warmDays: number; coolDays: number } | null;
  range: DaysRange;
};

/** Half the span between night and day at the place a table's days were measured (own estimate), K. */
const REFERENCE_HALF_SPAN = 5.5;
/** A site's days are held between these shares of a table's: close to the base the formula exaggerates (own estimate). */
const LEAST_DAYS = 0.7;
const MOST_DAYS = 1.6;
/** Days of the usual year that are gone through for the days a site takes. */
const LONGEST_DAYS = 400;

/**
 * Turns days to maturity into warmth. A packet's and a table's days are days of the place where they were counted: the
 * handbook keeps its mean temperature, and a cool site takes longer. What it says nothing of (garlic over the winter,
 * trees from their bloom) is counted in this site's own usual days. Within 0.7 and 1.6 of the table's days, unless the
 * site is too cold for the crop to grow at all. The school of picking moves the target.
 * Common practice (days as a hint), with the sine method of Baskerville & Emin 1969 for the warmth.
 */
export function clockOf(planting: Planting, crop: Crop, school: School, climate: Climate, latitudeDeg: number): Clock {
  const range = daysRange(planting, crop);
  const days = ((range.minDays + range.maxDays) / 2) * school.daysFactor;
  const from = inGrowingYear(Number(planting.startedOn.slice(0, 4)), crop.usualStart, latitudeDeg);
  const half = (range.maxDays - range.minDays) / (range.maxDays + range.minDays);
  const unsure = (crop.warmth.baseC === null ? BASE_UNKNOWN : 0) + (crop.days.yearly ? BLOOM_UNKNOWN : 0);
  const targetDd = Math.max(
    20,
    targetWarmth(crop, days - firstBefore(planting, crop, school, days), dayOfYear(from) - 1, climate),
  );
  const fromFlower = crop.days.yearly ? null : (crop.pieces?.fromFlower ?? null);
  const fruitShare = fromFlower
    ? Math.min(
        MOST_OF_FRUIT,
        (fruitDays(fromFlower[0], fromFlower[1], crop.daysAt?.meanC ?? 20) * school.daysFactor) / days,
      )
    : 0;
  return {
    targetDd,
    fruit: fromFlower && {
      setDd: targetDd * (1 - fruitShare),
      warmDays: fromFlower[0] * school.daysFactor,
      coolDays: fromFlower[1] * school.daysFactor,
    },
    spread: Math.hypot(LEAST_SPREAD, half / RANGE_SDS, unsure),
    range,
  };
}

/** The first of many pieces comes at most so much earlier than the usual one, as a share of its days (own estimate). */
const MOST_BEFORE = 0.3;

/**
 * Days by which the first piece of a planting is ready before a usual one: packets state the usual root or head, and
 * where they are taken one by one the ripest counts. Fruits have none: their packets state the first picking.
 */
function firstBefore(planting: Planting, crop: Crop, school: School, days: number): number {
  if (daysToFirst(crop) || wayOf(crop, school) === "all-at-once") return 0;
  if (evennessOf(crop) === "weeks") return 0;
  return Math.min(MOST_BEFORE * days, ripeningSd(crop) * firstOf(piecesOf(planting, crop)));
}

/** A fruit takes at most this share of all days from the start (a guard against tables that do not fit each other). */
const MOST_OF_FRUIT = 0.8;

/** Days from set to ready at a temperature, between the handbook's warm (23.5 °C) and cool (17 °C) values, on a log scale. */
const fruitDays = (warmDays: number, coolDays: number, tempC: number): number =>
  warmDays * (coolDays / warmDays) ** ((23.5 - Math.min(30, Math.max(6, tempC))) / 6.5);

function targetWarmth(crop: Crop, days: number, first: number, climate: Climate): number {
  // by day of the year, without making a date of each: this runs for every planting at every judgement
  const usualWarmth = (k: number) => {
    const j = ((first + k) % 366) + 1;
    return warmth({ tempMinC: climate.tempMinC[j] ?? 5, tempMaxC: climate.tempMaxC[j] ?? 14 }, crop);
  };
  const here = (count: number): number => {
    let sum = (count % 1) * usualWarmth(Math.floor(count));
    for (let k = 0; k < Math.floor(count); k++) sum += usualWarmth(k);
    return sum;
  };
  if (!crop.daysAt || crop.days.yearly) return here(days);
  const { meanC } = crop.daysAt;
  const there = days * warmth({ tempMinC: meanC - REFERENCE_HALF_SPAN, tempMaxC: meanC + REFERENCE_HALF_SPAN }, crop);
  // a season that never brings half of it is no season for this crop: nothing is held back to make it fit
  if (here(Math.min(LONGEST_DAYS, MOST_DAYS * days)) < 0.5 * there) return there;
  return Math.min(here(MOST_DAYS * days), Math.max(here(LEAST_DAYS * days), there));
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

/** Days at a temperature, between the handbook's warm (20 °C) and cool (12.5 °C) values, on a log scale; slower still in the cold, hardly faster in the heat: the warm values are meant from 20 °C on. */
export function daysAtTemp(warmDays: number, coolDays: number, tempC: number): number {
  const share = (20 - Math.min(21.5, Math.max(2, tempC))) / 7.5;
  return warmDays * (coolDays / warmDays) ** share;
}

/** How a planting's clock runs: towards its first readiness, bearing on after a pick, or towards its next cut. */
export type Regime = "first" | "bears" | "regrows";
/** Spread of a count of days from a dated event: far less than that of a packet. */
const COUNTED_SPREAD = 0.12;

/** A dated event (silk, set, death of the haulm) from which the days are counted instead of the warmth. */
export type Counted = { marks: Landmarks };

/** How much faster a crop that bolts in long days is past its best once they are (own estimate). */
const BOLTS_FASTER = 1.7;

/**
 * Warmth of a day that a planting grows by, °C·day: as its bed feels it, less in shade; leaves, roots and heads need
 * light as well, and where days are counted at the site itself they hold it already.
 */
export function grownBy(day: WeatherDay, bed: Bed, crop: Crop, latitudeDeg: number): number {
  const lit = crop.daysAt && !crop.days.yearly && !daysToFirst(crop);
  const light = lit ? Math.max(DARK_SHARE, lightShare(day.day, latitudeDeg)) : 1;
  return warmth(bedDay(day, bed), crop) * sunShare(bed.sunHours) * light;
}

/** What stands grows on a little in the darkest weeks, where a sowing would not start (own estimate). */
const DARK_SHARE = 0.15;

/** Spread of the days from set to ready, as a share. */
const FRUIT_SPREAD = 0.16;

/**
 * How far a day carries the stage of a planting: towards its first readiness, and on while it bears, or towards its
 * next cut. What sets fruit goes by the plant's warmth until it has set, then by the fruit's own days. Day length holds
 * bulbs back in short days and hurries bolting in long ones.
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
  const sun = sunShare(bed.sunHours);
  const after = { after: bolts / daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, temp), spreadAfter: 0.35 };
  if (regime === "regrows") {
    const before = sun / daysAtTemp(crop.interval.warmDays, crop.interval.coolDays, temp);
    return { ...after, before, spreadBefore: 0.3 };
  }
  if (counted) {
    const before = 0.4 / Math.max(1, counted.marks.ready - counted.marks.early);
    return { ...after, before, spreadBefore: COUNTED_SPREAD };
  }
  const dd = grownBy(day, bed, crop, latitudeDeg);
  const soon = regime === "bears" ? sun * nextPiece(crop, temp) : 0;
  if (clock.fruit) {
    const grows = 1 - SET_STAGE;
    const { setDd, warmDays, coolDays } = clock.fruit;
    return {
      ...after,
      set: {
        by: (SET_STAGE * dd) / setDd,
        // the doubt is one of days: on the short stretch below set as large as on the whole way
        spread: (clock.spread * Math.sqrt(SET_STAGE) * clock.targetDd) / setDd,
      },
      before: dd === 0 ? 0 : Math.max(grows / fruitDays(warmDays, coolDays, temp), soon),
      spreadBefore: FRUIT_SPREAD,
    };
  }
  const step = { ...after, before: dd === 0 ? 0 : Math.max(dd / clock.targetDd, soon), spreadBefore: clock.spread };
  return holds ? { ...step, holdAt: crop.light?.holdAt ?? 0.5 } : step;
}

/**
 * How far a day brings the pieces that come next, on what bears: the nearly ready are ready by the next usual picking,
 * for that is why it is usual (common practice, no source).
 */
const nextPiece = (crop: Crop, tempC: number): number =>
  (READY_FROM - NEARLY_FROM) / daysAtTemp(crop.interval.warmDays, crop.interval.coolDays, tempC);

/** Share of a day's stage that a day of reference warmth brings a piece: what a gap of days is in stage. */
export function referenceStep(crop: Crop, clock: Clock): number {
  const soon = nextPiece(crop, referenceC(crop));
  if (clock.fruit)
    return Math.max((1 - SET_STAGE) / fruitDays(clock.fruit.warmDays, clock.fruit.coolDays, referenceC(crop)), soon);
  return Math.max(referenceWarmth(crop) / clock.targetDd, soon);
}

/**
 * Mean temperature of the reference day, °C: that of the place for which a crop's days are meant, so that its yield and
 * its span of ripening are spread over days that are usual for it.
 */
const referenceC = (crop: Pick<Crop, "daysAt">): number => crop.daysAt?.meanC ?? 18;

/** Degree days of one reference day for a crop; the rate of bearing is measured against it. */
export const referenceWarmth = (crop: Pick<Crop, "warmth" | "weather" | "daysAt">): number =>
  Math.max(1, warmth({ tempMinC: referenceC(crop) - 5, tempMaxC: referenceC(crop) + 5 }, crop));
