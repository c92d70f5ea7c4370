import { OVER_PRIMES } from "./population";
import type { Supply } from "./supply";

/** What becomes of a planting's crop between two picks, in grams, expected: what a pick brings, what hazards took. */
export type Fate = { primeG: number; earlyG: number; pastG: number; frostG: number; galeG: number; sickG: number };
export const NOTHING: Fate = { primeG: 0, earlyG: 0, pastG: 0, frostG: 0, galeG: 0, sickG: 0 };

/** Hour of the day, as a share, at which the night's minimum has passed, and by which a gale has blown. */
const DAWN = 0.25;
const GALE_HOUR = 0.6;

/** Share of the crop standing now that neither frost nor gale has taken by a time in days from today's midnight. */
export function survivals(s: Supply, fromT: number, toT: number): { frost: number; gale: number; alive: number } {
  let frost = 1;
  let gale = 1;
  let alive = 1;
  for (let d = 0; d < s.days.length; d++) {
    const day = s.days[d]!;
    if (d + DAWN > fromT && d + DAWN <= toT) {
      frost *= 1 - day.killChance * s.lossShare;
      alive *= 1 - day.killChance;
    }
    if (d + GALE_HOUR > fromT && d + GALE_HOUR <= toT) gale *= 1 - day.galeChance * s.galeLossShare;
  }
  return { frost, gale, alive };
}

/** Share of pieces of an age, days since they were ready, that are past their prime. */
const overShare = (age: number, primeDays: number): number =>
  1 / (1 + Math.exp(-(age - PRIME_AT * primeDays) / Math.max(0.4, 0.35 * primeDays)));
const PRIME_AT = 1.3;

/** Share of them that still stands at all. */
const standingShare = (age: number, primeDays: number): number =>
  1 / (1 + Math.exp((age - (PRIME_AT + OVER_PRIMES) * primeDays) / Math.max(0.5, 0.4 * primeDays)));

const dayAt = (s: Supply, t: number) => s.days[Math.min(s.days.length - 1, Math.max(0, Math.floor(t)))]!;

/** What a first pick at time t (days from today's midnight) would bring, the present being nowT. */
export function firstPick(s: Supply, nowT: number, t: number): Fate {
  return sickened(s, t - nowT, healthyFirstPick(s, nowT, t));
}

/** A fate with what disease takes in so many days taken from what would be picked. */
function sickened(s: Supply, days: number, fate: Fate): Fate {
  if (s.sickLossShare === 0) return fate;
  const sound = (1 - s.sickLossShare) ** Math.max(0, days);
  const { primeG, earlyG, pastG } = fate;
  return {
    ...fate,
    primeG: primeG * sound,
    earlyG: earlyG * sound,
    pastG: pastG * sound,
    sickG: (primeG + earlyG + pastG) * (1 - sound),
  };
}

function healthyFirstPick(s: Supply, nowT: number, t: number): Fate {
  const { frost, gale } = survivals(s, nowT, t);
  const c = dayAt(s, t).chances;
  if (s.once) {
    const grown = s.standingG * (c.ready + c.past + 0.92 * c.nearly + 0.65 * c.unready);
    const kept = frost * gale;
    return {
      primeG: s.standingG * c.ready * kept,
      earlyG: s.standingG * (0.92 * c.nearly + 0.65 * c.unready) * kept,
      pastG: s.standingG * c.past * kept,
      frostG: grown * (1 - frost),
      galeG: grown * frost * (1 - gale),
      sickG: 0,
    };
  }
  const kept = frost * gale;
  const grown = grownBetween(s, nowT, t, Math.min(1, c.ready + c.past + c.nearly));
  // what stands in its prime now goes over while it waits, and what is over-age rots, opens or drops
  const { primeDays } = dayAt(s, nowT);
  const waits = t - nowT;
  const aged = waits <= 0 ? 0 : overShare(waits + 0.5 * primeDays, primeDays);
  const stands = waits <= 0 ? 1 : standingShare(waits + 0.5 * primeDays, primeDays);
  const overStands = Math.exp(-waits / (OVER_PRIMES * primeDays));
  const standing = s.stockG + s.stockOverG;
  return {
    primeG: s.stockG * (1 - aged) * kept + grown.primeG,
    earlyG: 0,
    pastG: (s.stockOverG * overStands + s.stockG * aged * stands) * kept + grown.pastG,
    frostG: standing * (1 - frost) + grown.frostG,
    galeG: standing * frost * (1 - gale) + grown.galeG,
    sickG: 0,
  };
}

/** What a pick at t brings when everything ready was taken at fromT. */
export function nextPick(s: Supply, nowT: number, fromT: number, t: number): Fate {
  if (s.once) return NOTHING;
  return sickened(s, t - nowT, grownBetween(s, fromT, t, survivals(s, nowT, fromT).alive));
}

/** Worth of the unripe crop still on the plants at the end of the plan: a little more than stripped, while they live. */
export const unripeRest = (s: Supply, nowT: number, endT: number): number =>
  s.once ? 0 : s.stripG * survivals(s, nowT, endT).alive * s.worthPerG * Math.min(1, s.stripShare + 0.15);

/** Unripe crop that a last strip at t saves besides what is ready, g. */
export const stripMassG = (s: Supply, nowT: number, t: number): number =>
  s.once ? 0 : s.stripG * survivals(s, nowT, t).frost;

/**
 * Crop that becomes ready between two times and what is left of it at the end: each day's share bears only the frosts
 * and gales after it, dead plants bear no more, and over-age pieces slow the plant.
 * @param share of the plants that bear
 */
function grownBetween(s: Supply, fromT: number, t: number, share: number): Fate {
  const fate: Fate = { ...NOTHING };
  let alive = share;
  let totalG = 0;
  let overG = 0;
  for (let d = Math.max(0, Math.floor(fromT)); d < t && d < s.days.length; d++) {
    const day = s.days[d]!;
    if (d + DAWN > fromT) alive *= 1 - day.killChance;
    const part = Math.min(t, d + 1) - Math.max(fromT, d);
    const grown = day.bringsG * part * alive * (totalG > 0 ? 1 / (1 + overG / totalG) : 1);
    if (grown <= 0) continue;
    const after = survivals(s, Math.max(fromT, d + 0.5), t);
    const age = t - (d + 0.5);
    const over = overShare(age, day.primeDays);
    totalG += grown;
    overG += grown * over;
    const kept = grown * after.frost * after.gale;
    fate.primeG += kept * (1 - over);
    fate.pastG += kept * over * standingShare(age, day.primeDays);
    fate.frostG += grown * (1 - after.frost);
    fate.galeG += grown * after.frost * (1 - after.gale);
  }
  return fate;
}

/** Worth of a fate to the kitchen, in kilos of potatoes. */
export const worthOf = (s: Supply, f: Fate): number =>
  s.worthPerG * (f.primeG + s.earlyShare * f.earlyG + s.pastShare * f.pastG);

/** Mass brought home, g. */
export const massOf = (f: Fate): number => f.primeG + f.earlyG + f.pastG;
