import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import { type KeepingFacts, keepingFactsOf } from "../handbook/storage";
import type { Place } from "../household/place";
import { PRESERVED_DAYS } from "./blanching";
import { type CuringAir, type CuringClock, curingClock, curingOf, curingRate } from "./curing";
import { type Lot, placeOf } from "./lot";
import { airOf, NOWHERE, type PlaceReading, summed } from "./place-air";
import { RIPE_SPREAD, ripeIn, softIn, type TomatoStage } from "./ripening";
import { type Air, ageingOf, daysUntil, shareGood } from "./shelf-life";

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
  why: string[];
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
/** How a preserved lot keeps: by its date alone. */
const preservedFacts = (days: number): KeepingFacts => ({
  tempC: [-30, 40],
  humidityPct: [0, 100],
  days: [days * 0.8, days * 1.25],
  safeC: null,
  freezesC: -90,
  givesGas: false,
  gasHarm: 0,
  rests: false,
  wilts: "slowly",
  fridge: "yes",
  row: null,
});

/** The colour stage a lot of green tomatoes was picked at, by its note; breaker when nobody said (common practice). */
const stageOf = (note: string): TomatoStage =>
  /pink/i.test(note)
    ? "pink"
    : /turning/i.test(note)
      ? "turning"
      : /mature green|green/i.test(note)
        ? "green"
        : "breaker";
const TOMATO = /^tomato/;

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
  const cureAir = (placeId: string | null, day: Day): CuringAir => {
    const said = placeId ? placeById.get(placeId)?.air : null;
    return { ...airIn(placeId, day), ...(said ? { moving: said === "moving" } : {}) };
  };
  const present = [...lots].filter((l) => l.leftG > 0);
  const first = present.reduce((least, l) => (l.stays[0]!.from < least ? l.stays[0]!.from : least), today);
  const gassy = gassyPlaces(present, cropOf);
  const sums = new Map<string, (a: Day, b: Day) => number>();
  const factsBy = new Map<string, KeepingFacts>();
  return present.flatMap((lot): Stocked[] => {
    const crop = cropOf(lot.cropId);
    if (!crop) return [];
    const green = lot.grade === "green-to-ripen";
    const what = lot.preserved ?? `${crop.id} ${green}`;
    const facts =
      factsBy.get(what) ??
      (lot.preserved ? preservedFacts(PRESERVED_DAYS[lot.preserved]) : keepingFactsOf(crop, green));
    factsBy.set(what, facts);
    // the reasons are of today; the past is reckoned by air and condition alone
    const lived = (placeId: string | null, a: Day, b: Day): number => {
      const key = `${placeId} ${what} ${lot.preserved ? "" : lot.grade}`;
      let sum = sums.get(key);
      if (!sum) {
        sum = summed(first, addDays(today, 1), (day) =>
          lot.preserved ? 1 : ageingOf(facts, airIn(placeId, day), lot.grade, false).rate,
        );
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
    const beside = !lot.preserved && placeId !== null && (gassy.get(placeId) ?? []).some((id) => id !== lot.id);
    const ageing = lot.preserved ? { rate: 1, factors: [] } : ageingOf(facts, air, lot.grade, beside);
    return [
      {
        lot,
        crop,
        facts,
        place: placeId ? (placeById.get(placeId) ?? null) : null,
        air,
        livedDays,
        rate: ageing.rate,
        why: ageing.factors.map((f) => `${f.words} (${f.factor.toFixed(1)} times as fast)`),
        good,
        goodInWeek: shareGood(facts, livedDays + 7 * ageing.rate) / good,
        halfInDays: daysUntil(facts, livedDays, ageing.rate, 0.5),
        tenthInDays: daysUntil(facts, livedDays, ageing.rate, 0.9),
        curing: curingNow(lot, crop, cureAir, today),
        ripe: ripeNow(lot, crop, airIn, today),
      },
    ];
  });
}

/** Lots that give off ripening gas, by the place they lie in. */
function gassyPlaces(lots: readonly Lot[], cropOf: (id: string) => Crop | null): Map<string, string[]> {
  const by = new Map<string, string[]>();
  for (const lot of lots) {
    const place = placeOf(lot);
    const crop = place === null || lot.preserved ? null : cropOf(lot.cropId);
    if (!crop || !keepingFactsOf(crop, lot.grade === "green-to-ripen").givesGas) continue;
    by.set(place!, [...(by.get(place!) ?? []), lot.id]);
  }
  return by;
}

type AirIn = (placeId: string | null, day: Day) => Air;
type CureAirIn = (placeId: string | null, day: Day) => CuringAir;
const placeOn = (lot: Lot, day: Day): string | null =>
  [...lot.stays].reverse().find((s) => s.from <= day)?.placeId ?? lot.stays[0]!.placeId;

function curingNow(lot: Lot, crop: Crop, cureAir: CureAirIn, today: Day): CuringClock | null {
  const facts = lot.preserved ? null : curingOf(crop);
  if (!facts) return null;
  const picked = lot.pickedAt.slice(0, 10);
  const days = Math.max(0, daysBetween(picked, today));
  // longer than a season needs no counting day by day: it is cured or was never
  const done = Array.from({ length: Math.min(days, 120) }, (_, i) => {
    const day = addDays(picked, i);
    return curingRate(facts, cureAir(placeOn(lot, day), day));
  });
  const tests = lot.events
    .filter((e) => e.kind === "check" && e.ready !== null)
    .map((e) => ({ afterDays: daysBetween(picked, e.at.slice(0, 10)), ready: e.ready === "ready" }));
  return curingClock(facts, done, curingRate(facts, cureAir(placeOf(lot), today)), tests);
}

function ripeNow(lot: Lot, crop: Crop, airIn: AirIn, today: Day): readonly [number, number] | null {
  if (lot.preserved || !crop.climacteric) return null;
  if (lot.events.some((e) => e.kind === "check" && e.ready === "ready")) return null;
  const green = lot.grade === "green-to-ripen";
  if (TOMATO.test(crop.id) && !green) return null;
  const full = (tempC: number) =>
    green && TOMATO.test(crop.id) ? ripeIn(stageOf(lot.note), tempC) : softIn(crop.id, tempC);
  const picked = lot.pickedAt.slice(0, 10);
  let done = 0;
  for (let i = 0, n = Math.min(60, daysBetween(picked, today)); i < n; i++) {
    const day = addDays(picked, i);
    const days = full(airIn(placeOn(lot, day), day).tempC);
    if (days !== null) done += 1 / days;
  }
  const now = full(airIn(placeOf(lot), today).tempC);
  if (done >= 1 || now === null) return null;
  const left = (1 - done) * now;
  return [Math.max(0, left * (1 - RIPE_SPREAD)), left * (1 + RIPE_SPREAD) + 0.5];
}
