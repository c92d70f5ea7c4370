import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { daysAtTemp, warmth } from "../readiness/clock";
import type { DayChances } from "../readiness/judge";
import { bedDay, bedMinC } from "../weather/bed-night";
import { meanTempC, type WeatherDay } from "../weather/daily";
import { type Night, nightAt, nightChance } from "../weather/ensemble";
import { GALE_GUST_MS } from "../weather/hazards";
import { chanceAtOrBelow } from "../weather/normal";
import type { Population } from "./population";
import { gammaMean, gammaPosterior } from "./rate";

/** One coming day as it bears on one planting. */
export type SupplyDay = {
  day: Day;
  /** chance that the night before this day reaches what the crop cannot bear */
  killChance: number;
  /** chance of a gale this day */
  galeChance: number;
  /** growth relative to a day at the crop's reference warmth */
  growth: number;
  primeDays: number;
  bedMinC: number;
  chances: DayChances;
};

/** What the planner needs to know of one planting: masses in grams, shares 0 to 1. */
export type Supply = {
  plantingId: string;
  cropId: string;
  once: boolean;
  /** once-over: the whole standing crop, g */
  standingG: number;
  /** repeat: what stands ready or over-age today, g */
  stockG: number;
  /** repeat: what becomes ready on a day of reference warmth, g */
  rateG: number;
  /** repeat: unripe crop that a last strip would also bring, g */
  stripG: number;
  lossShare: number;
  galeLossShare: number;
  killC: number;
  worthPerG: number;
  earlyShare: number;
  stripShare: number;
  pastShare: number;
  minutesPerG: number;
  /** days that it is let rest between two picks; 0: none */
  restDays: number;
  /** what the household can use of it after the plan, g: more than that left standing is worth nothing more */
  laterG: number;
  /** share of what stands that disease takes in a day; 0 when none was seen */
  sickLossShare: number;
  days: SupplyDay[];
};

/** Warm season over which a repeat cropper spreads its yield, in days of reference warmth (own estimate). */
const BEARING_DAYS = 55;
/** Warmth of the reference day, mean °C. */
const REFERENCE_C = 18;
/** Nothing said about how much can be used later. */
export const PLENTY_G = 1e9;
/** How firmly the handbook's rate is believed, in pieces. */
const PRIOR_PIECES = 12;

/** What a planting's rate is taken to be from the log, pieces on a day of reference warmth. */
export function piecesPerDay(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  picked: readonly PickedBefore[],
  pickedReferenceDays: number,
): number {
  const expectedG = expectedYieldG(planting, bed, crop);
  return learnedRateG(expectedG / BEARING_DAYS, crop.yield.pieceG, picked, pickedReferenceDays) / crop.yield.pieceG;
}

export type PickedBefore = { day: Day; netG: number };

/**
 * Expected supply of a planting over the coming days, from its judged chances, its size and what it has given so
 * far. Once-over crops stand as one mass; all others yield at a rate per day of warmth, learned from the pick log
 * by the gamma–Poisson rule on the handbook's yield.
 *
 * @param days judged chances of today and the coming days
 * @param weather the same days as the bed is covered; nights are what is known of their minima at the station
 * @param standing pieces standing today as counts and picks say; null when nobody counted
 * @param pickedReferenceDays warmth between the first and last pick of this planting, in reference days
 */
export function supplyOf(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  days: readonly DayChances[],
  weather: readonly WeatherDay[],
  nights: readonly Night[],
  picked: readonly PickedBefore[],
  pickedReferenceDays: number,
  standing: Population | null = null,
): Supply {
  const once = crop.habit === "once-over";
  const pickedG = picked.reduce((sum, p) => sum + p.netG, 0);
  const expectedG = expectedYieldG(planting, bed, crop);
  const perDayG = learnedRateG(expectedG / BEARING_DAYS, crop.yield.pieceG, picked, pickedReferenceDays);
  const supplyDays = days.slice(0, weather.length).map((chances, k) => {
    const day = weather[k]!;
    const felt = bedDay(day, bed);
    const min = bedMinC(day, bed);
    const gust = day.gustMs ?? 0;
    return {
      day: day.day,
      killChance: nightChance(nightAt(nights[k]!, min - nights[k]!.minC), crop.weather.killC),
      galeChance:
        bed.cover === "none" || bed.cover === "fleece"
          ? 1 - chanceAtOrBelow(GALE_GUST_MS, gust, Math.max(0.5, gust * (0.12 + 0.015 * k)))
          : 0,
      growth: warmth(felt, crop) / referenceWarmth(crop),
      primeDays: daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, meanTempC(felt)),
      bedMinC: min,
      chances,
    };
  });
  const today = days[0];
  const intervalG = perDayG * Math.max(1, crop.interval.warmDays);
  const ripeness = today ? Math.min(2, Math.max(0, (today.meanStage - 0.4) / 0.6)) : 0;
  return {
    plantingId: planting.id,
    cropId: crop.id,
    once,
    standingG: Math.max(0.1 * expectedG, expectedG - pickedG),
    stockG: once ? 0 : standing ? (standing.ready + standing.over) * crop.yield.pieceG : intervalG * ripeness,
    rateG: once ? 0 : perDayG,
    stripG: once ? 0 : Math.min(0.2 * expectedG, perDayG * (crop.climacteric ? 10 : 1.5)),
    lossShare: crop.weather.lossShare,
    galeLossShare: crop.weather.galeLossShare,
    killC: crop.weather.killC,
    worthPerG: crop.worth.perKg / 1000,
    earlyShare: crop.worth.earlyShare,
    stripShare: crop.worth.stripShare,
    pastShare: crop.worth.pastShare,
    minutesPerG: crop.minutesPerKg / 1000,
    restDays: crop.restDays ?? (crop.habit === "cut-again" ? 0.7 * crop.interval.warmDays : 0),
    sickLossShare: 0,
    laterG: PLENTY_G,
    days: supplyDays,
  };
}

/** Degree days of one reference day for a crop; the rate of bearing is measured against it. */
export const referenceWarmth = (crop: Crop): number =>
  Math.max(1, warmth({ tempMinC: REFERENCE_C - 5, tempMaxC: REFERENCE_C + 5 }, crop));

/** Whole expected yield of a planting, g: by plants, else by row, else by area at one plant per 0.1 m² (own estimate). */
export function expectedYieldG(planting: Planting, bed: Pick<Bed, "sunHours">, crop: Crop): number {
  const mid = (r: readonly [number, number]) => (r[0] + r[1]) / 2;
  const perPlant = crop.yield.perPlantKg;
  const perMetre = crop.yield.perMetreKg;
  const sun = bed.sunHours < 4 ? 0.6 : 1;
  if (planting.plants !== null && perPlant) return 1000 * mid(perPlant) * planting.plants * sun;
  if (planting.rowM !== null && perMetre) return 1000 * mid(perMetre) * planting.rowM * sun;
  const plants = planting.areaM2 !== null ? planting.areaM2 * 8 : planting.rowM !== null ? planting.rowM * 3 : 6;
  return 1000 * (perPlant ? mid(perPlant) : 0.3) * plants * sun;
}

function learnedRateG(priorG: number, pieceG: number, picked: readonly PickedBefore[], referenceDays: number): number {
  if (picked.length < 2 || referenceDays <= 1) return priorG;
  const after = picked.slice(1).reduce((sum, p) => sum + p.netG, 0);
  const prior = { shape: PRIOR_PIECES, rate: (PRIOR_PIECES * pieceG) / priorG };
  return gammaMean(gammaPosterior(prior, after / pieceG, referenceDays)) * pieceG;
}
