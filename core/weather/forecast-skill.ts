import { type Day, daysBetween } from "../calendar/day";
import { type Forecast, forecastErrorC, type WeatherDay } from "./daily";
import { LEAST_SPREAD_C, meanOf, spreadOf } from "./ensemble";
import { normalCdf as cdf } from "./normal";

/** How a source's night minima have turned out, by days ahead. */
export type LeadSkill = {
  lead: number;
  /** forecasts whose day has passed */
  count: number;
  /** mean of observed less forecast, K: add it to the forecast */
  biasC: number;
  /** standard deviation of what remains, K */
  spreadC: number;
};

/** How many forecasts the assumed error weighs as many as (own estimate): a few misses do not condemn a source. */
const PRIOR_COUNT = 8;
const LONGEST_LEAD = 14;
/** How many nights the trust in an ensemble's own spread weighs as many as (own estimate). */
const PRIOR_NIGHTS = 20;

/**
 * Compares every kept forecast of a source with the record of its days. Bias and spread are drawn towards none and
 * the usual error (normal–inverse-gamma shrinkage in its simplest form) until enough days have passed.
 */
export function skillOf(
  forecasts: readonly Forecast[],
  record: ReadonlyMap<Day, WeatherDay>,
  source: string,
): LeadSkill[] {
  const misses: number[][] = Array.from({ length: LONGEST_LEAD + 1 }, () => []);
  for (const f of forecasts) {
    if (f.source !== source) continue;
    for (const d of f.days) {
      const lead = daysBetween(f.issuedOn, d.day);
      const seen = record.get(d.day);
      if (seen && lead >= 0 && lead <= LONGEST_LEAD) misses[lead]!.push(seen.tempMinC - d.tempMinC);
    }
  }
  return misses.map((all, lead) => {
    const n = all.length;
    const usual = forecastErrorC(lead);
    const mean = n > 0 ? all.reduce((s, x) => s + x, 0) / n : 0;
    const biasC = (n * mean) / (n + PRIOR_COUNT);
    const squares = all.reduce((s, x) => s + (x - biasC) ** 2, 0);
    return { lead, count: n, biasC, spreadC: Math.sqrt((PRIOR_COUNT * usual * usual + squares) / (PRIOR_COUNT + n)) };
  });
}

/**
 * How far an ensemble of a source has been too sure of itself: the size of its errors over its members' spread, all
 * leads together, drawn towards 1 until enough nights have passed. Above 1 it was too narrow.
 * @param skill the biases by lead, taken out first
 */
export function spreadRatio(
  forecasts: readonly Forecast[],
  record: ReadonlyMap<Day, WeatherDay>,
  source: string,
  skill: readonly LeadSkill[],
): number {
  let nights = 0;
  let squares = 0;
  for (const f of forecasts) {
    if (f.source !== source) continue;
    for (const d of f.days) {
      const lead = daysBetween(f.issuedOn, d.day);
      const seen = record.get(d.day);
      const minima = (d.members ?? []).map((m) => m.tempMinC);
      if (!seen || lead < 0 || lead > LONGEST_LEAD || minima.length < 3) continue;
      const error = seen.tempMinC - meanOf(minima) - (skill[lead]?.biasC ?? 0);
      squares += (error / Math.max(LEAST_SPREAD_C, spreadOf(minima))) ** 2;
      nights += 1;
    }
  }
  return Math.sqrt((PRIOR_NIGHTS + squares) / (PRIOR_NIGHTS + nights));
}

/**
 * Continuous ranked probability score of a normal forecast N(μ, σ) at what came, same unit as the values; smaller is
 * better. Source: Gneiting & Raftery, JASA 102 (2007) 359–378.
 * @example crpsNormal(0, 1, 0) // 0.2337
 */
export function crpsNormal(mu: number, sigma: number, came: number): number {
  const z = (came - mu) / sigma;
  const density = Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
  return sigma * (z * (2 * cdf(z) - 1) + 2 * density - 1 / Math.sqrt(Math.PI));
}
