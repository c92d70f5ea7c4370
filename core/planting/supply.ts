import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { bedDay } from "../weather/bed-night";
import { meanTempC, type WeatherDay } from "../weather/daily";
import { type Night, nightChance } from "../weather/ensemble";
import { daysAtTemp, referenceWarmth, warmth } from "./clock";
import { flushShare, inFlush } from "./flush";
import type { DayChances, Judgement } from "./judge";
import { OVER_PRIMES, type Population } from "./population";
import { gammaMean, gammaPosterior } from "./rate";
import { CELLS, READY_FROM, STAGES, STEP, type Stage } from "./stage-grid";
import { clearedByRow, evennessOf, growsAgain, piecesOf, RIPENS_OVER } from "./way";
import { expectedYieldG } from "./yield";

/** One coming day as it bears on one planting. */
export type SupplyDay = {
  day: Day;
  /** chance that the night before this day reaches what the crop cannot bear */
  killChance: number;
  /** chance of a gale this day */
  galeChance: number;
  /** growth relative to a day at the crop's reference warmth */
  growth: number;
  /** what becomes ready on this day while the plants live, g; nothing once all that is left has come */
  bringsG: number;
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
  /** all that is still to come or stands, g */
  leftG: number;
  /** taken piece by piece: what stands ready today in its prime, and over-age, g */
  stockG: number;
  stockOverG: number;
  /** repeat: what becomes ready on a day of reference warmth, g */
  rateG: number;
  /** repeat: unripe crop that a last strip would also bring, g */
  stripG: number;
  /** chance that there are pieces of some use at all, ready or not */
  usable: number;
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
  /** the most of it that one pick is worth taking, g: what can be eaten, kept or given; the rest is left standing */
  mostG: number;
  /** days from today's midnight from which a first pick of it may be planned, wishes apart; 0: at once */
  fromT: number;
  /** what the household can use of it after the plan, g: more than that left standing is worth nothing more */
  laterG: number;
  /** share of what stands that disease takes in a day; 0 when none was seen */
  sickLossShare: number;
  days: SupplyDay[];
  /** which part of a job too long for one hour this is, counted from 0; absent: the whole planting */
  part?: { index: number; of: number };
};

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
  today?: Day,
): number {
  const evenness = evennessOf(crop);
  const priorG = expectedYieldG(planting, bed, crop, today) / RIPENS_OVER[evenness];
  // what ripens within a few weeks is as much as it is: only what bears on teaches its rate
  const rateG = evenness === "weeks" ? learnedRateG(priorG, crop.yield.pieceG, picked, pickedReferenceDays) : priorG;
  return rateG / crop.yield.pieceG;
}

/** A pick of this season; `rowDone`: the share of the whole row that was cleared with it, null: nobody said. */
export type PickedBefore = { day: Day; netG: number; rowDone?: number | null };

/**
 * Whole yield of a row by what its cleared share gave, g; null: nobody said how much of it is cleared.
 * @example byRowG([{ day: "2026-10-01", netG: 4000, rowDone: 0.5 }]) // 8000
 */
export function byRowG(picked: readonly PickedBefore[]): number | null {
  let sumG = 0;
  let wholeG: number | null = null;
  for (const { netG, rowDone } of picked) {
    sumG += netG;
    if (rowDone) wholeG = sumG / rowDone;
  }
  return wholeG;
}

/**
 * Expected supply of a planting over the coming days, from its judged chances, its size and what it has given so
 * far. Once-over crops stand as one mass; all others yield at a rate per day of warmth, learned from the pick log
 * by the gamma–Poisson rule on the handbook's yield.
 *
 * @param judged chances of today and the coming days, the stage behind them, and how the crop is taken
 * @param weather the same days as the bed is covered; `nights` what is known of their minima in the bed, and of gales
 * @param standing pieces standing today as counts and picks say; null when nobody counted
 * @param pickedReferenceDays warmth between the first and last pick of this planting, in reference days
 */
export function supplyOf(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  judged: Pick<Judgement, "way" | "stage" | "regime" | "borneDays"> & { days: readonly DayChances[] },
  weather: readonly WeatherDay[],
  nights: readonly (Night & { galeChance: number })[],
  picked: readonly PickedBefore[],
  pickedReferenceDays: number,
  standing: Population | null = null,
): Supply {
  const once = judged.way === "all-at-once" && judged.regime !== "regrows" && !growsAgain(crop, judged.way);
  const pickedG = picked.reduce((sum, p) => sum + p.netG, 0);
  const flush = inFlush(crop, judged.way) && !once;
  const pieces = piecesOf(planting, crop);
  const share = (borneDays: number) => flushShare(crop, pieces, borneDays);
  const rowG = clearedByRow(crop, judged.way) ? byRowG(picked) : null;
  const expectedG = rowG ?? expectedYieldG(planting, bed, crop, judged.days[0]?.day);
  const { pieceG } = crop.yield;
  const perDayG = piecesPerDay(planting, bed, crop, picked, pickedReferenceDays, judged.days[0]?.day) * pieceG;
  // what stands for years has a season; what bears for weeks goes on until the cold
  const weeks = evennessOf(crop) === "weeks" && crop.days.yearly === null;
  // what bears for weeks is not at an end because the handbook's yield was reached
  const leftG =
    rowG !== null
      ? Math.max(0, rowG - pickedG)
      : weeks || flush || judged.way === "as-needed" || once
        ? Math.max((weeks ? 0.3 : 0.1) * expectedG, expectedG - pickedG)
        : Math.min(
            Math.max(0, 1.2 * expectedG - pickedG),
            expectedG * Math.max(0, 1.5 - judged.borneDays / RIPENS_OVER[evennessOf(crop)]),
          );
  const { days } = judged;
  let toCome = leftG;
  let borne = judged.borneDays;
  const supplyDays = days.slice(0, weather.length).map((chances, k) => {
    const day = weather[k]!;
    const felt = bedDay(day, bed);
    const growth = Math.min(MOST_GROWTH, warmth(felt, crop) / referenceWarmth(crop));
    // a flush goes on by its bell from where it is believed to be, all else at its rate
    const bears = judged.regime === "bears" ? 1 : chances.ready + chances.past;
    const comesG = flush ? expectedG * (share(borne + growth) - share(borne)) : perDayG * growth;
    borne += growth * bears;
    const bringsG = once ? 0 : Math.max(0, Math.min(toCome, comesG));
    toCome -= bringsG;
    return {
      day: day.day,
      killChance: nightChance(nights[k]!, crop.weather.killC),
      galeChance: bed.cover === "none" || bed.cover === "fleece" ? nights[k]!.galeChance : 0,
      growth,
      bringsG,
      primeDays: daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, meanTempC(felt)),
      bedMinC: nights[k]!.minC,
      chances,
    };
  });
  const growth = supplyDays[0]?.growth ?? 1;
  const stock = standing
    ? { primeG: standing.ready * pieceG, overG: standing.over * pieceG }
    : stockOf(
        judged.stage,
        flush
          ? (days) => expectedG * sharesSince(share, judged.regime === "bears" ? judged.borneDays : null, growth * days)
          : (days) => perDayG * growth * days,
        supplyDays[0]?.primeDays ?? crop.prime.warmDays,
        leftG,
        Math.max(LEAST_STOCK_G, crop.yield.pieceG),
      );
  return {
    plantingId: planting.id,
    cropId: crop.id,
    once,
    standingG: leftG,
    leftG,
    stockG: once ? 0 : stock.primeG,
    stockOverG: once ? 0 : stock.overG,
    rateG: once ? 0 : perDayG,
    stripG: once
      ? 0
      : usableUnripe(judged.stage) * Math.min(0.2 * expectedG, leftG, perDayG * (crop.climacteric ? 10 : 1.5)),
    usable: usableUnripe(judged.stage),
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
    mostG: PLENTY_G,
    fromT: 0,
    laterG: PLENTY_G,
    days: supplyDays,
  };
}

/** From this stage on unripe pieces are of some use: big enough to cook, or to ripen indoors (own estimate). */
const USABLE_FROM = 0.6;
/** Chance that there are pieces of some use: a plant that has hardly set cannot be stripped. */
const usableUnripe = (stage: Stage): number =>
  stage.reduce((sum, p, i) => sum + (STAGES[i]! >= USABLE_FROM ? p : 0), 0);

/** No day brings more than so many days of reference warmth: beyond it plants have enough to do with the heat (own estimate). */
const MOST_GROWTH = 1.7;
/** What stands at least where something is ready, g. */
const LEAST_STOCK_G = 30;

/** Share of a flush that became ready in the last so many days; `borneDays` null: its first piece ripened then. */
const sharesSince = (share: (borneDays: number) => number, borneDays: number | null, days: number): number =>
  borneDays === null ? share(days) : share(borneDays) - share(borneDays - days);

/**
 * What stands ready and over-age by the belief about the ripest piece, g: since that ripened, more have; those of the
 * last days are in their prime, the ones before over-age, the oldest gone.
 * @param sinceG what became ready in the last so many days, g
 * @param leastG what stands at least where something is ready: a piece
 */
function stockOf(
  stage: Stage,
  sinceG: (days: number) => number,
  primeDays: number,
  leftG: number,
  leastG: number,
): { primeG: number; overG: number } {
  let primeG = 0;
  let overG = 0;
  for (let i = READY_CELL; i < CELLS; i++) {
    const p = stage[i]!;
    if (p === 0) continue;
    // the last cell holds all that ripened long ago
    const days = i === CELLS - 1 ? (1 + OVER_PRIMES) * primeDays : (STAGES[i]! - READY_FROM) * primeDays;
    const all = sinceG(days);
    const fresh = Math.max(0, Math.min(leftG, Math.max(leastG, sinceG(Math.min(days, primeDays)))));
    primeG += p * fresh;
    overG += p * Math.max(0, Math.min(leftG - fresh, all - fresh));
  }
  return { primeG, overG };
}
const READY_CELL = Math.round(READY_FROM / STEP);

function learnedRateG(priorG: number, pieceG: number, picked: readonly PickedBefore[], referenceDays: number): number {
  if (picked.length < 2 || referenceDays <= 1) return priorG;
  const after = picked.slice(1).reduce((sum, p) => sum + p.netG, 0);
  const prior = { shape: PRIOR_PIECES, rate: (PRIOR_PIECES * pieceG) / priorG };
  return gammaMean(gammaPosterior(prior, after / pieceG, referenceDays)) * pieceG;
}
