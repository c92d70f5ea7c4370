import { addDays, type Day, dayRange, daysBetween } from "../calendar/day";
import { groupBy } from "../group-by";
import type { Crop } from "../handbook/crop";
import { type KeepingFacts, keepingFactsOf, partFactsOf } from "../handbook/storage";
import type { Place } from "../household/place";
import { type Grade, isSoon, isUnripe } from "../weighing/pick";
import { PRESERVED_DAYS } from "./blanching";
import { type CuringClock, type CuringFacts, curingClock, curingOf, curingRate } from "./curing";
import { type Lot, placeOf } from "./lot";
import { airOf, NOWHERE, type PlaceReading, summed } from "./place-air";
import { RIPE_SPREAD, ripeIn, softIn, type TomatoStage } from "./ripening";
import { type AgeingFactor, type Air, ageingOf, daysUntil, shareGood } from "./shelf-life";

/** A lot in the house with how it keeps. */
export type Stocked = {
  lot: Lot;
  crop: Crop;
  facts: KeepingFacts;
  place: Place | null;
  air: Air;
  /** days of the published conditions it has lived */
  livedDays: number;
  rate: number;
  /** why it ages faster than at its best */
  factors: AgeingFactor[];
  /** share of it that is good now, and in a week if nothing changes */
  good: number;
  goodInWeek: number;
  /** days until half of what is good now is not */
  halfInDays: number;
  /** days until the first tenth of it is not */
  tenthInDays: number;
  curing: CuringClock | null;
  /** days until it is ripe to eat, from the earliest to the latest; null: it is, or it never ripens there */
  ripe: readonly [number, number] | null;
};

/** Below this share a lot is taken for gone, whether anybody wrote it down or not. */
const GONE = 0.02;
/** How what goes by its date alone keeps: as preserved, or by a day of the gardener's own. */
const datedFacts = (days: readonly [number, number]): KeepingFacts => ({
  tempC: [-30, 40],
  humidityPct: [0, 100],
  days: [days[0], days[1]],
  safeC: null,
  freezesC: -90,
  givesGas: false,
  gasHarm: 0,
  rests: false,
  wilts: "slowly",
  fridge: "yes",
  row: null,
});

/** On a gardener's own day nearly all of it is still good: its first tenth goes so much later, nearly all so much, as shares of its time. */
const BEYOND_OWN_DAY = [1.05, 1.3] as const;
/** Facts of a lot with the word under which lots of the same facts share them. */
function factsFor(lot: Lot, crop: Crop): { what: string; make: () => KeepingFacts } {
  if (lot.useBy !== null) {
    const days = Math.max(1, daysBetween(lot.stays[0]!.from, lot.useBy));
    return { what: `own ${days}`, make: () => datedFacts([days * BEYOND_OWN_DAY[0], days * BEYOND_OWN_DAY[1]]) };
  }
  const { preserved } = lot;
  if (preserved) {
    const days = PRESERVED_DAYS[preserved];
    return { what: preserved, make: () => datedFacts([days * 0.8, days * 1.25]) };
  }
  const { part } = lot;
  if (part !== "crop") return { what: part, make: () => partFactsOf(part) };
  const green = isStillUnripe(lot);
  return { what: `${crop.id} ${green}`, make: () => keepingFactsOf(crop, green) };
}
/** Whether a test has found it ready: cured, or ripe. */
const foundReady = (lot: Lot): boolean => lot.events.some((e) => e.kind === "check" && e.ready === "ready");
/** Whether it was picked to ripen and nobody has found it ripe yet. */
export const isStillUnripe = (lot: Lot): boolean => isUnripe(lot.grade) && !foundReady(lot);
/** Whether a lot ages by the calendar alone, wherever it lies. */
export const goesByDate = (lot: Lot): boolean => lot.preserved !== null || lot.useBy !== null;

/** The colour stage of fruit picked to ripen, by its grade. */
const STAGE_OF: Partial<Record<Grade, TomatoStage>> = {
  "green-to-ripen": "green",
  "blush-to-ripen": "breaker",
  "half-to-ripen": "pink",
  "nearly-ripe": "light-red",
};

const lives = new WeakMap<Crop, number>();
/** Days after which nothing of a crop can still be good, however well it lies; what was put by apart. */
export function longestLife(crop: Crop): number {
  const known = lives.get(crop);
  if (known !== undefined) return known;
  const each = [keepingFactsOf(crop), ...(crop.colours ? [keepingFactsOf(crop, true)] : [])];
  const days = Math.ceil(Math.max(...each.map((facts) => daysUntil(facts, 0, 1, GONE))));
  lives.set(crop, days);
  return days;
}

/**
 * Everything in the house that has not been used up, with how it keeps where it lies. Lots of which hardly anything can
 * still be good are left out.
 * @param today the day to which it is reckoned
 */
export function stockOf(
  lots: Iterable<Lot>,
  cropOf: (id: string) => Crop | null,
  places: readonly Place[],
  readings: readonly PlaceReading[],
  today: Day,
): Stocked[] {
  const placeById = new Map(places.map((p) => [p.id, p]));
  const airs = new Map(places.map((p) => [p.id, airOf(p, readings)]));
  const airIn = (placeId: string | null, day: Day): Air => (placeId ? airs.get(placeId)?.(day) : undefined) ?? NOWHERE;
  const factsBy = new Map<string, KeepingFacts>();
  const present = [...lots].flatMap((lot) => {
    const crop = lot.leftG > 0 ? cropOf(lot.cropId) : null;
    if (!crop) return [];
    const { what, make } = factsFor(lot, crop);
    const facts = factsBy.get(what) ?? make();
    factsBy.set(what, facts);
    // nothing ages slower than in the best conditions: what would be gone even there need not be reckoned
    const oldest = daysBetween(lot.stays[0]!.from, today);
    return shareGood(facts, oldest) < GONE ? [] : [{ lot, crop, facts, what, oldest }];
  });
  const first = addDays(today, -Math.max(0, ...present.map((p) => p.oldest)));
  const days = dayRange(first, daysBetween(first, today) + 1);
  const gassy = gassyPlaces(present);
  const airByDay = new Map<string | null, Air[]>();
  const airsIn = (placeId: string | null): Air[] => {
    const known = airByDay.get(placeId) ?? days.map((day) => airIn(placeId, day));
    airByDay.set(placeId, known);
    return known;
  };
  // the air it lay in, day by day since it was picked, for so many days at most
  const airSince: AirSince = (lot, most) => {
    const from = Math.max(0, daysBetween(first, lot.pickedAt.slice(0, 10)));
    const starts = lot.stays.map((stay) => daysBetween(first, stay.from));
    const out: Lain[] = [];
    for (let i = from, k = 0; i < Math.min(days.length - 1, from + most); i++) {
      while (k + 1 < starts.length && starts[k + 1]! <= i) k += 1;
      const { placeId } = lot.stays[k]!;
      out.push({ air: airsIn(placeId)[i] ?? NOWHERE, place: placeId ? (placeById.get(placeId) ?? null) : null });
    }
    return out;
  };
  const sums = new Map<string, (a: Day, b: Day) => number>();
  return present.flatMap(({ lot, crop, facts, what }): Stocked[] => {
    // the reasons are of today; the past is reckoned by air and condition alone
    const lived = (placeId: string | null, a: Day, b: Day): number => {
      if (goesByDate(lot)) return daysBetween(a, b);
      const key = `${placeId} ${what} ${lot.grade}`;
      let sum = sums.get(key);
      if (!sum) {
        // days of the same air, to a tenth of a degree, age alike
        const rates = new Map<number, number>();
        const rateOf = (air: Air): number => {
          const alike = Math.round(air.tempC * 10) * 1000 + Math.round(air.humidityPct ?? 500);
          const known = rates.get(alike) ?? ageingOf(facts, air, lot.grade, false).rate;
          rates.set(alike, known);
          return known;
        };
        sum = summed(first, airsIn(placeId).map(rateOf));
        sums.set(key, sum);
      }
      return sum(a, b);
    };
    const livedDays = lot.stays.reduce(
      (s, stay, k) => s + lived(stay.placeId, stay.from, lot.stays[k + 1]?.from ?? today),
      0,
    );
    const good = shareGood(facts, livedDays);
    if (good < GONE) return [];
    const placeId = placeOf(lot);
    const air = airIn(placeId, today);
    const beside = !lot.preserved && placeId !== null && (gassy.get(placeId) ?? []).some((other) => other !== lot);
    const ageing = goesByDate(lot) ? { rate: 1, factors: [] } : ageingOf(facts, air, lot.grade, beside);
    return [
      {
        lot,
        crop,
        facts,
        place: placeId ? (placeById.get(placeId) ?? null) : null,
        air,
        livedDays,
        rate: ageing.rate,
        factors: ageing.factors,
        good,
        goodInWeek: shareGood(facts, livedDays + 7 * ageing.rate) / good,
        halfInDays: daysUntil(facts, livedDays, ageing.rate, 0.5),
        tenthInDays: daysUntil(facts, livedDays, ageing.rate, 0.9),
        curing: curingNow(lot, crop, airSince, { air, place: placeId ? (placeById.get(placeId) ?? null) : null }),
        ripe: ripeNow(lot, crop, airSince, air),
      },
    ];
  });
}

/** Lots that give off ripening gas, by the place they lie in. */
function gassyPlaces(present: readonly { lot: Lot; facts: KeepingFacts }[]): Map<string | null, Lot[]> {
  const gassy = present.filter(({ lot, facts }) => !lot.preserved && facts.givesGas).map(({ lot }) => lot);
  return groupBy(gassy, placeOf);
}

/** The air of a day and the place it was of. */
type Lain = { air: Air; place: Place | null };
type AirSince = (lot: Lot, mostDays: number) => Lain[];
/** Longer than a season needs no counting: it is cured or was never; and no fruit ripens for longer than two months. */
const CURES_WITHIN = 120;
const RIPENS_WITHIN = 60;

const cureRateOf = (facts: CuringFacts, { air, place }: Lain): number =>
  curingRate(facts, place?.air ? { ...air, moving: place.air === "moving" } : air);

function curingNow(lot: Lot, crop: Crop, airSince: AirSince, now: Lain): CuringClock | null {
  const facts = lot.preserved || lot.part !== "crop" || isSoon(lot.grade) ? null : curingOf(crop);
  if (!facts) return null;
  const picked = lot.pickedAt.slice(0, 10);
  const passed = lot.events.find((e) => e.kind === "check" && e.ready === "ready");
  if (passed) {
    const done = daysBetween(picked, passed.at.slice(0, 10));
    return { done, wanted: done, left: [0, 0], ready: true };
  }
  const tests = lot.events
    .filter((e) => e.kind === "check" && e.ready !== null)
    .map((e) => ({ afterDays: daysBetween(picked, e.at.slice(0, 10)), ready: false }));
  const done = airSince(lot, CURES_WITHIN).map((lain) => cureRateOf(facts, lain));
  return curingClock(facts, done, cureRateOf(facts, now), tests);
}

function ripeNow(lot: Lot, crop: Crop, airSince: AirSince, air: Air): readonly [number, number] | null {
  if (lot.preserved || lot.part !== "crop" || !crop.climacteric) return null;
  if (foundReady(lot)) return null;
  const stage = STAGE_OF[lot.grade];
  if (crop.colours && !stage) return null;
  const full = (tempC: number) => (crop.colours && stage ? ripeIn(stage, tempC) : softIn(crop, tempC));
  const done = airSince(lot, RIPENS_WITHIN).reduce((sum, lain) => {
    const days = full(lain.air.tempC);
    return days === null ? sum : sum + 1 / days;
  }, 0);
  const now = full(air.tempC);
  // ten tenths of a day are a day, however they were summed
  if (done > 1 - 1e-9 || now === null) return null;
  const left = (1 - done) * now;
  return [Math.max(0, left * (1 - RIPE_SPREAD)), left * (1 + RIPE_SPREAD) + 0.5];
}
