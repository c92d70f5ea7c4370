import { groupBy } from "../../group-by";
import type { Crop } from "../../handbook/crop";
import { type Place, type PlaceKind, placeKindFor } from "../../household/place";
import { BEYOND_SHARE, SPARED_SHARE, type Taste } from "../../household/taste";
import type { Supply } from "../../planting/supply";
import { bulkOf } from "../../weighing/bulk";
import type { Container } from "../../weighing/pick";
import type { PlanSlot, Store } from "./problem";

/** A crop in the garden with what the plan knows of it. */
export type Grown = { crop: Crop; supply: Supply };

/** Days that a pick stays in a place of a kind before it is eaten or moved on, at most (common practice). */
const STAYS: Record<PlaceKind, number> = { fridge: 7, counter: 6, airy: 28, cellar: 60, freezer: 200, sill: 7 };
/** A place is looked into every so many days. */
const LOOK_EVERY = 2;
/** What no longer fits in its place loses this share of its worth (own estimate: it must go at once, or wilts). */
const NO_ROOM_SHARE = 0.5;
/** Containers are not overfilled: a litre beyond them costs this many times the dearest crop's worth. */
const NO_TUB = 3;

/** What so much of a week's appetite is left today: what was picked of a crop in the last week and not yet eaten, g. */
export type AtHome = ReadonlyMap<string, number>;

/** All that a plan must mind at home: appetite week by week, places day by day, containers round by round. */
export function householdStores(
  grown: readonly Grown[],
  tasteOf: (crop: Crop) => Taste,
  places: readonly Place[],
  containers: readonly Container[],
  atHome: AtHome,
  slots: readonly PlanSlot[],
  horizonDays: number,
): Store[] {
  return [
    ...appetite(grown, tasteOf, atHome, horizonDays),
    ...rooms(grown, places, horizonDays),
    ...tubs(grown, containers, slots),
  ];
}

/** A crop that keeps for weeks is eaten over them; one that does not, in its own week. */
function appetite(
  grown: readonly Grown[],
  tasteOf: (crop: Crop) => Taste,
  atHome: AtHome,
  horizonDays: number,
): Store[] {
  return [...groupBy(grown, (g) => g.crop.id).values()].flatMap((of) => {
    const { crop, supply } = of[0]!;
    const { weeklyG, sparedG } = tasteOf(crop);
    const keepDays = (crop.after.days[0] + crop.after.days[1]) / 2;
    const spans =
      keepDays >= horizonDays
        ? [{ fromT: 0, toT: horizonDays, weeks: keepDays / 7, week: null }]
        : Array.from({ length: Math.ceil(horizonDays / 7) }, (_, w) => ({
            fromT: 7 * w,
            toT: 7 * (w + 1),
            weeks: 1,
            week: w,
          }));
    const { worthPerG } = supply;
    return spans.flatMap(({ fromT, toT, weeks, week }, k): Store[] => {
      const draws = of.flatMap((g) => appetiteOf(g.supply, fromT, toT));
      const here = k === 0 ? (atHome.get(crop.id) ?? 0) : 0;
      const eaten = Math.max(0, weeklyG * weeks - here);
      const spared = Math.max(0, (weeklyG + sparedG) * weeks - here);
      return [
        {
          id: `eat ${crop.id} ${k}`,
          of: { kind: "use", crop: crop.name, week, spared: false },
          capacity: eaten,
          over: worthPerG * (1 - SPARED_SHARE),
          draws: draws,
        },
        {
          id: `spare ${crop.id} ${k}`,
          of: { kind: "use", crop: crop.name, week: null, spared: true },
          capacity: spared,
          over: worthPerG * (SPARED_SHARE - BEYOND_SHARE),
          draws: draws,
        },
      ];
    });
  });
}

/**
 * What a gram of a pick takes of the appetite, day by day: as much as it is worth of a prime one. Of what is over-age or
 * unripe more is peeled off and thrown out before anybody is full.
 */
function appetiteOf(supply: Supply, fromT: number, toT: number): Store["draws"] {
  const { plantingId, earlyShare, pastShare, once } = supply;
  const last = supply.days.length - 1;
  return Array.from({ length: toT - fromT }, (_, k) => {
    const { nearly, ready, past } = supply.days[Math.min(last, fromT + k)]!.chances;
    const early = once ? nearly : 0;
    const whole = early + ready + past;
    const perG = whole < 1e-6 ? 1 : (earlyShare * early + ready + pastShare * past) / whole;
    return { plantingId, perG, fromT: fromT + k, toT: fromT + k + 1 };
  });
}

function rooms(grown: readonly Grown[], places: readonly Place[], horizonDays: number): Store[] {
  const has = (kind: PlaceKind) => places.some((p) => p.kind === kind);
  const kinds = [...new Set(places.map((p) => p.kind))];
  return kinds.flatMap((kind) => {
    const of = grown.filter((g) => placeKindFor(g.crop, has) === kind);
    if (of.length === 0) return [];
    const free = places.filter((p) => p.kind === kind).reduce((sum, p) => sum + p.litres - p.takenLitres, 0);
    const drawer = (g: Grown, fromT: number, toT: number) => ({
      plantingId: g.supply.plantingId,
      perG: litresPerG(g.crop),
      fromT,
      toT,
    });
    const over =
      (NO_ROOM_SHARE * mean(of.map((g) => g.supply.worthPerG / litresPerG(g.crop)))) / looksAStay(kind, horizonDays);
    const names = places.filter((p) => p.kind === kind).map((p) => p.name);
    const looks = STAYS[kind] >= horizonDays ? [horizonDays] : everyOther(horizonDays);
    return looks.map(
      (day): Store => ({
        id: `room ${kind} ${day}`,
        of: { kind: "room", place: kind, names },
        capacity: free,
        over,
        draws: of.map((g) => drawer(g, day - Math.min(STAYS[kind], Math.max(2, g.crop.after.days[1])), day)),
      }),
    );
  });
}

const everyOther = (days: number): number[] =>
  Array.from({ length: Math.floor(days / LOOK_EVERY) }, (_, k) => LOOK_EVERY * (k + 1));
/** How often one pick is met on its stay: what does not fit is then charged once in all, not at every look. */
const looksAStay = (kind: PlaceKind, horizonDays: number): number =>
  STAYS[kind] >= horizonDays ? 1 : STAYS[kind] / LOOK_EVERY;

/** The tubs and crates at hand hold one round; they are empty again for the next. */
function tubs(grown: readonly Grown[], containers: readonly Container[], slots: readonly PlanSlot[]): Store[] {
  const known = containers.filter((c) => c.litres !== null && c.atHand !== null);
  if (known.length === 0 || grown.length === 0) return [];
  const capacity = known.reduce((sum, c) => sum + c.litres! * c.atHand!, 0);
  const over = NO_TUB * Math.max(...grown.map((g) => g.supply.worthPerG / litresPerG(g.crop)));
  return slots.map((slot) => ({
    id: `tubs ${slot.id}`,
    of: { kind: "containers" },
    capacity,
    over,
    draws: grown.map((g) => ({
      plantingId: g.supply.plantingId,
      perG: litresPerG(g.crop),
      fromT: slot.t - 1e-6,
      toT: slot.t + 1e-6,
    })),
  }));
}

const litresPerG = (crop: Crop): number => 1 / (1000 * bulkOf(crop).kgPerL);
const mean = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;
