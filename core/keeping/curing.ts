import type { Crop } from "../handbook/crop";
import { relativeRate } from "./q10";

export type CuringFacts = {
  tempC: readonly [number, number];
  humidityPct: readonly [number, number] | null;
  days: readonly [number, number];
  test: string;
  source: string;
};

/** Curing by crop (Kitinoja & Kader, Small-Scale Postharvest Handling Practices, UC Davis 2002; extension guides; from memory). */
const CURING: Record<string, CuringFacts> = {
  potato: {
    tempC: [10, 16],
    humidityPct: [85, 95],
    days: [10, 14],
    test: "The thumb no longer rubs the skin, and clinging soil is dry.",
    source: "US extension storage guides",
  },
  "sweet-potato": {
    tempC: [29, 32],
    humidityPct: [85, 90],
    days: [4, 7],
    test: "Scrapes have healed and the skin does not slip.",
    source: "Kitinoja & Kader 2002",
  },
  allium: {
    tempC: [15, 30],
    humidityPct: [40, 70],
    days: [14, 21],
    test: "The neck is dry and does not slide between finger and thumb; the skin rustles.",
    source: "extension guides; shed drying, two to three weeks",
  },
  squash: {
    tempC: [27, 29],
    humidityPct: [75, 85],
    days: [10, 10],
    test: "The rind is hard, the stalk corky, no soft spots.",
    source: "extension and Handbook 66 (1986)",
  },
  ginger: { tempC: [18, 30], humidityPct: null, days: [2, 4], test: "Cut ends are dry.", source: "our own estimate" },
};
const GROUP: Record<string, string> = {
  potato: "potato",
  "sweet-potato": "sweet-potato",
  "bulb-onion": "allium",
  garlic: "allium",
  "garlic-softneck": "allium",
  "garlic-elephant": "allium",
  shallot: "allium",
  "winter-squash": "squash",
  pumpkin: "squash",
  ginger: "ginger",
};

/** How a crop is cured before it is stored; null when it is not. */
export const curingOf = (crop: Pick<Crop, "like">): CuringFacts | null => {
  const group = GROUP[crop.like];
  return group ? CURING[group]! : null;
};

export type CuringAir = { tempC: number; humidityPct: number | null; moving?: boolean };
/** Colder than this nothing cures, °C (common practice, no source). */
export const CURES_ABOVE_C = 5;
/** Still air cures this much of what moving air does (own estimate). */
const STILL_AIR = 0.6;

/**
 * How much of a day's curing a day in this air does, 0 to 1: full within the range; slower in the cold by the Q10
 * pattern; halved where it is too damp or too dry for it (own estimate); none in the cold.
 */
export function curingRate(facts: CuringFacts, air: CuringAir): number {
  if (air.tempC < CURES_ABOVE_C) return 0;
  const [low, high] = facts.tempC;
  const warm = air.tempC < low ? relativeRate(air.tempC) / relativeRate(low) : air.tempC > high + 5 ? 0.5 : 1;
  const wet =
    facts.humidityPct && air.humidityPct !== null
      ? air.humidityPct < facts.humidityPct[0] - 10 || air.humidityPct > facts.humidityPct[1] + 10
        ? 0.5
        : 1
      : 1;
  return warm * wet * (air.moving === false ? STILL_AIR : 1);
}

export type CuringClock = {
  /** days of full curing done, and wanted */
  done: number;
  wanted: number;
  /** days that are left in the air of its place, from the earliest to the latest; null: it does not go on there */
  left: readonly [number, number] | null;
  ready: boolean;
};

/**
 * The curing clock of a lot: days of its places weighed by how well they cure, against the published days. A test that
 * said "ready" ends it; one that said "not yet" moves the end beyond it.
 * @param daysDone one rate for each day since it was picked, as `curingRate` gives it
 * @param tests what was found when it was looked at: the day counted from the pick, and whether it passed
 */
export function curingClock(
  facts: CuringFacts,
  daysDone: readonly number[],
  rateNow: number,
  tests: readonly { afterDays: number; ready: boolean }[],
): CuringClock {
  const done = daysDone.reduce((a, b) => a + b, 0);
  if (tests.some((t) => t.ready)) return { done, wanted: done, left: [0, 0], ready: true };
  const failed = tests.filter((t) => !t.ready).map((t) => daysDone.slice(0, t.afterDays).reduce((a, b) => a + b, 0));
  // what was not ready after so much curing wants at least a fifth more (own estimate)
  const atLeast = Math.max(0, ...failed.map((d) => d * 1.2));
  const [low, high] = [Math.max(facts.days[0], atLeast), Math.max(facts.days[1], atLeast)];
  const until = (wanted: number) => Math.max(0, wanted - done) / rateNow;
  return {
    done,
    wanted: (low + high) / 2,
    left: rateNow < 0.02 ? null : [until(low), until(high)],
    ready: done >= high,
  };
}
