import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Handbook } from "../handbook/index";
import { type KeepingFacts, keepingFactsOf } from "../handbook/storage";
import type { Place } from "../household/place";
import { bulkOf } from "../weighing/bulk";
import { type Picked, picksInHouse } from "../weighing/by-planting";
import { logged } from "../weighing/pick-log";
import { type Lot, type LotEvent, lotsNow, pickOfLot, placeOf } from "./lot";
import { seedsOf } from "./seeds";
import { shareGood } from "./shelf-life";

/** What keeps for less is eaten before it stands in the way of a plan of a fortnight. */
const STAYS_DAYS = 30;
type Garden = Picked & {
  plantings: readonly Planting[];
  places: readonly Place[];
  lotEvents: readonly LotEvent[];
};

/** Of what nobody has touched since it was picked, at least so much must still be good in the best of air for it to be there. */
const STILL_THERE = 0.5;
/** Longer than this nothing lies about untold, days; and no jar for longer after anybody has touched it. */
const OLDEST_DAYS = 400;
export const TOLD_DAYS = 800;
/** Picks of whose lots something was written down since a day. */
export const toldOf = (events: readonly LotEvent[], since: Day): Set<string> =>
  new Set(events.flatMap((e) => (e.at >= since ? [pickOfLot(e.lotId)] : [])));

/**
 * The places with the room that lots take which lie there, said so or by default, and which stay: what is eaten from the
 * cellar is room that the next plan can use.
 */
export function placesWithLots(garden: Garden, book: Handbook, today: Day): Place[] {
  const told = toldOf(garden.lotEvents, addDays(today, -TOLD_DAYS));
  const since = addDays(today, -OLDEST_DAYS);
  const plantings = new Map(garden.plantings.map((p) => [p.id, p]));
  const factsBy = new Map<string, KeepingFacts>();
  const factsOf = (cropId: string): KeepingFacts => {
    const facts = factsBy.get(cropId) ?? keepingFactsOf(book.of(cropId));
    factsBy.set(cropId, facts);
    return facts;
  };
  const entries = picksInHouse(garden, addDays(today, -2 * TOLD_DAYS), since).flatMap((pick) => {
    if (pick.at < since && !told.has(pick.id)) return [];
    const planting = plantings.get(pick.plantingId);
    return planting && (told.has(pick.id) || mayLieThere(factsOf(planting.cropId), pick.at, today))
      ? [logged(pick, planting, book.of(planting.cropId), "")]
      : [];
  });
  const events = garden.lotEvents.filter((e) => e.at.slice(0, 10) <= today);
  const taken = new Map<string, number>();
  for (const lot of lotsNow(seedsOf(entries, plantings, book, garden.places), events).values()) {
    const place = placeOf(lot);
    const crop = book.find(lot.cropId);
    if (place === null || lot.leftG <= 0 || !crop || lot.part !== "crop") continue;
    if (!lot.placed && !isThereUntold(lot, factsOf(crop.id), today)) continue;
    if (!lot.preserved && factsOf(crop.id).days[1] < STAYS_DAYS) continue;
    taken.set(place, (taken.get(place) ?? 0) + lot.leftG / 1000 / bulkOf(crop).kgPerL);
  }
  return garden.places.map((p) => ({
    ...p,
    takenLitres: Math.min(p.litres, p.takenLitres + (taken.get(p.id) ?? 0)),
  }));
}

/** Whether of what was picked then, and nobody has said anything of, enough can still be good. */
const isGoodUntold = (facts: KeepingFacts, pickedAt: string, today: Day): boolean =>
  shareGood(facts, daysBetween(pickedAt.slice(0, 10), today)) >= STILL_THERE;

const mayLieThere = (facts: KeepingFacts, pickedAt: string, today: Day): boolean =>
  facts.days[1] >= STAYS_DAYS && isGoodUntold(facts, pickedAt, today);

/** Whether a lot of which nobody has said anything may be reckoned to lie where such things lie. */
const isThereUntold = (lot: Lot, facts: KeepingFacts, today: Day): boolean =>
  lot.way !== "kitchen" && isGoodUntold(facts, lot.pickedAt, today);
