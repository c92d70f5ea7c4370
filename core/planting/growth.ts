import { addDays, type Day, daysBetween } from "../calendar/day";

/** A size measured on a day, mm (or any one unit). */
export type Measured = { day: Day; size: number };

/** Growth towards a ceiling as it is believed after some measurements. */
export type Growth = {
  /** the size that will not be passed, same unit as the measurements */
  ceiling: number;
  /** rate of the logistic curve, per day, with its standard deviation */
  ratePerDay: number;
  rateSd: number;
  /** logit of size over ceiling on the last day measured, with its standard deviation */
  level: number;
  levelSd: number;
  lastDay: Day;
};

/** Standard deviation of one measurement on the logit scale: other fruit, other hand (own estimate). */
const NOISE = 0.18;

const logit = (share: number) => Math.log(share / (1 - share));
const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/**
 * Fits growth to dated measurements of a fruit or root: logistic, N = K / [1 + ((K − N₀)/N₀) e^(−rt)], which is a
 * straight line in logit(N/K); the line by Bayes' rule from a prior rate and a flat level (conjugate normal
 * regression, Gelman et al., Bayesian Data Analysis, ch. 14). Far below the ceiling this is exponential growth.
 *
 * @param measured at least one; sizes above zero; several of a day are taken together
 * @param ceiling size that will not be passed; sizes at or above it are drawn just below
 * @param prior the handbook's rate per day with its standard deviation
 * @returns null when nothing was measured
 */
export function fitGrowth(
  measured: readonly Measured[],
  ceiling: number,
  prior: { ratePerDay: number; sd: number },
): Growth | null {
  const points = measured.filter((m) => m.size > 0);
  if (points.length === 0) return null;
  const lastDay = points.reduce((latest, m) => (m.day > latest ? m.day : latest), points[0]!.day);
  const xs = points.map((m) => daysBetween(lastDay, m.day));
  const ys = points.map((m) => logit(Math.min(0.985, m.size / ceiling)));
  const w = 1 / (NOISE * NOISE);
  // normal equations of level (flat prior) and rate (normal prior)
  const n = points.length * w;
  const sx = xs.reduce((s, x) => s + x, 0) * w;
  const sxx = xs.reduce((s, x) => s + x * x, 0) * w + 1 / (prior.sd * prior.sd);
  const sy = ys.reduce((s, y) => s + y, 0) * w;
  const sxy = xs.reduce((s, x, i) => s + x * ys[i]!, 0) * w + prior.ratePerDay / (prior.sd * prior.sd);
  const det = n * sxx - sx * sx;
  return {
    ceiling,
    ratePerDay: Math.max(0, (n * sxy - sx * sy) / det),
    rateSd: Math.sqrt(n / det),
    level: (sxx * sy - sx * sxy) / det,
    levelSd: Math.sqrt(sxx / det),
    lastDay,
  };
}

/** Expected size on a day, with the bounds between which it lies 8 times in 10. */
export function sizeOn(growth: Growth, day: Day): { size: number; low: number; high: number } {
  const t = daysBetween(growth.lastDay, day);
  const mid = growth.level + growth.ratePerDay * t;
  const sd = Math.hypot(growth.levelSd, growth.rateSd * t);
  const at = (x: number) => growth.ceiling * logistic(x);
  return { size: at(mid), low: at(mid - 1.2816 * sd), high: at(mid + 1.2816 * sd) };
}

/** The first day on which the expected size reaches a goal; null when it does not within a hundred days. */
export function dayOfSize(growth: Growth, goal: number): Day | null {
  if (goal >= growth.ceiling) return null;
  const need = logit(goal / growth.ceiling) - growth.level;
  if (need <= 0) return growth.lastDay;
  const days = Math.ceil(need / growth.ratePerDay - 1e-9);
  return days <= 100 ? addDays(growth.lastDay, days) : null;
}

/**
 * The rate a handbook implies: from its early to its ready size in the days that two fifths of the way to ready take.
 * @param daysToReady days from start to ready; @returns rate per day with a wide standard deviation
 */
export function usualRate(
  early: number,
  ready: number,
  ceiling: number,
  daysToReady: number,
): { ratePerDay: number; sd: number } {
  const rise = logit(Math.min(0.97, ready / ceiling)) - logit(Math.min(0.96, Math.max(0.01, early / ceiling)));
  const ratePerDay = Math.max(0.005, rise / Math.max(1, 0.4 * daysToReady));
  return { ratePerDay, sd: 0.6 * ratePerDay + 0.01 };
}
