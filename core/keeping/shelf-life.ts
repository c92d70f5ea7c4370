import { type KeepingFacts, STORAGE } from "../handbook/storage";
import type { PLACE_LIGHTS } from "../household/place";
import { normalCdf } from "../weather/normal";
import type { Grade } from "../weighing/pick";
import { relativeRate, scaledRate } from "./q10";

/** What a place is like. Humidity unknown: null, and then it counts for nothing. */
export type Air = { tempC: number; humidityPct: number | null; light: (typeof PLACE_LIGHTS)[number] };

/** Why a lot ages faster than in the air it keeps best in. */
export type AgeingWhy =
  | { what: "freezes" | "chilled"; tempC: number }
  | { what: "warm"; bestC: readonly [number, number] }
  | { what: "dry" | "damp"; percent: number }
  | { what: "gas" }
  | { what: "grade"; grade: Grade };
export type AgeingFactor = { why: AgeingWhy; factor: number };
/** How fast a lot ages in a place, 1 as in the published conditions, and why. */
export type Ageing = { rate: number; factors: AgeingFactor[] };

/** What each kelvin below the safe temperature adds to ageing (own estimate). */
const CHILL_PER_K = 0.3;
/** What each point of humidity too few or too many adds (own estimates: wilting, and rot and sprouting). */
const DRY_PER_POINT = { soon: 0.03, slowly: 0.006 };
const DAMP_PER_POINT = 0.035;
/** A crop that wants at most this much is one that must stay dry. */
const DRY_KEEPER_PCT = 75;
/** Once frozen by mistake it is gone within days. */
const FROZEN_RATE = 60;
/** Faster ageing beside ripening fruit, by how much it is harmed (own estimate). */
const GAS = [1, 1.2, 1.5] as const;
/** Faster ageing by condition at picking (own estimates; the order is common practice: damaged first). */
const GRADE_RATE: Partial<Record<Grade, number>> = {
  "eat-first": 3,
  bolted: 3,
  small: 1.5,
  damaged: 4,
  "pest-eaten": 4,
};

/**
 * How fast a lot ages in the air of a place, as a multiple of the published conditions, with each reason. Warmer than
 * published: Kader's Q10 pattern, or the small Q10 of what rests in store. Colder: no slower than published, and faster below the safe temperature.
 * @param besideGas something that gives off ripening gas lies in the same place
 */
export function ageingOf(facts: KeepingFacts, air: Air, grade: Grade, besideGas: boolean): Ageing {
  const factors: AgeingFactor[] = [];
  const add = (why: AgeingWhy, factor: number) => {
    if (factor > 1.005) factors.push({ why, factor });
  };
  const [low, high] = facts.tempC;
  const t = air.tempC;
  if (t <= facts.freezesC - 1 && low > t) add({ what: "freezes", tempC: facts.freezesC }, FROZEN_RATE);
  else if (t > high)
    add(
      { what: "warm", bestC: [low, high] },
      facts.rests ? scaledRate(1, high, t, STORAGE.dormantQ10) : relativeRate(t) / relativeRate(high),
    );
  else if (facts.safeC !== null && t < Math.min(facts.safeC, low))
    add({ what: "chilled", tempC: facts.safeC }, 1 + CHILL_PER_K * (Math.min(facts.safeC, low) - t));
  const h = air.humidityPct;
  const [dry, damp] = facts.humidityPct;
  if (h !== null && h < dry) add({ what: "dry", percent: dry }, 1 + DRY_PER_POINT[facts.wilts] * (dry - h));
  if (h !== null && h > damp && damp <= DRY_KEEPER_PCT)
    add({ what: "damp", percent: damp }, 1 + DAMP_PER_POINT * (h - damp));
  if (besideGas) add({ what: "gas" }, GAS[facts.gasHarm]);
  add({ what: "grade", grade }, GRADE_RATE[grade] ?? 1);
  return { rate: factors.reduce((r, f) => r * f.factor, 1), factors };
}

/** The published range of life is read as from one lot in ten to nine in ten gone: z of 0.9. */
const Z90 = 1.2815515655446004;
/** A life given as one number still scatters. */
const LEAST_SIGMA = 0.12;

/** Life in the published conditions: its median, days, and spread as the standard deviation of its logarithm. */
export function lifeOf(facts: KeepingFacts): { medianDays: number; sigma: number } {
  const [low, high] = facts.days;
  return { medianDays: Math.sqrt(low * high), sigma: Math.max(LEAST_SIGMA, Math.log(high / low) / (2 * Z90)) };
}

/**
 * Share of a lot still good after so much of its life: a lognormal in days of the published conditions.
 * @param livedDays days in its places, each multiplied by how fast it aged there
 */
export function shareGood(facts: KeepingFacts, livedDays: number): number {
  if (livedDays <= 0) return 1;
  const { medianDays, sigma } = lifeOf(facts);
  return 1 - normalCdf(Math.log(livedDays / medianDays) / sigma);
}

/**
 * Days until a share of a lot is no longer good in a place, from what it has lived already.
 * @param share of what is good now that may still be good then, 0 to 1
 */
export function daysUntil(facts: KeepingFacts, livedDays: number, rate: number, share: number): number {
  const now = shareGood(facts, livedDays);
  if (now < 1e-6) return 0;
  let low = 0;
  let high = 4 * facts.days[1];
  for (let i = 0; i < 36; i++) {
    const middle = (low + high) / 2;
    if (shareGood(facts, livedDays + middle * rate) / now > share) low = middle;
    else high = middle;
  }
  return low;
}

/** Why something does not belong where it is to go. */
export type Warning =
  | { what: "no-fridge" | "ripe-only" | "few-days" | "light" }
  | { what: "harmed"; safeC: number; tempC: number };

/**
 * What is said before something goes where it does not belong; none: all is well.
 * @param fridge whether the place is a refrigerator
 * @param is what is known of the lot: whether light turns it green, whether it is still to ripen
 */
export function warningsOf(
  facts: KeepingFacts,
  air: Air,
  fridge: boolean,
  is: { greens: boolean; ripening: boolean },
): Warning[] {
  const warnings: Warning[] = [];
  if (fridge && facts.fridge === "no") warnings.push({ what: "no-fridge" });
  else if (fridge && facts.fridge === "ripe-only" && is.ripening) warnings.push({ what: "ripe-only" });
  else if (fridge && facts.fridge === "few-days") warnings.push({ what: "few-days" });
  else if (facts.safeC !== null && air.tempC < facts.safeC)
    warnings.push({ what: "harmed", safeC: facts.safeC, tempC: air.tempC });
  if (is.greens && air.light !== "dark") warnings.push({ what: "light" });
  return warnings;
}
