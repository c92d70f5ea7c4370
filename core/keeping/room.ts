import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import type { Handbook } from "../handbook/index";
import { keepingFactsOf } from "../handbook/storage";
import type { Place } from "../household/place";
import { logged } from "../season/pick-log";
import { bulkOf } from "../weighing/bulk";
import type { PickRecord } from "../weighing/pick";
import { type Lot, type LotEvent, lotsNow, placeOf } from "./lot";
import { seedsOf } from "./seeds";
import { shareGood } from "./shelf-life";

/** What keeps for less is eaten before it stands in the way of a plan of a fortnight. */
const STAYS_DAYS = 30;
type Garden = {
  picks: readonly PickRecord[];
  plantings: readonly Planting[];
  places: readonly Place[];
  lotEvents: readonly LotEvent[];
};

/** Of what nobody has touched since it was picked, at least so much must still be good in the best of air for it to be there. */
const STILL_THERE = 0.5;
/** Longer than this nothing lies about untold, days. */
const OLDEST_DAYS = 400;

/**
 * The places with the room that lots take which lie there, said so or by default, and which stay: what is eaten from the
 * cellar is room that the next plan can use.
 */
export function placesWithLots(garden: Garden, book: Handbook, today: Day): Place[] {
  const told = new Set(garden.lotEvents.map((e) => e.lotId.split(".")[0]!));
  const since = addDays(today, -OLDEST_DAYS);
  const plantings = new Map(garden.plantings.map((p) => [p.id, p]));
  const entries = garden.picks.flatMap((pick) => {
    const planting = plantings.get(pick.plantingId);
    const stays = planting !== undefined && keepingFactsOf(book.of(planting.cropId)).days[1] >= STAYS_DAYS;
    return planting && (told.has(pick.id) || (stays && pick.at >= since))
      ? [logged(pick, planting, book.of(planting.cropId), "")]
      : [];
  });
  const events = garden.lotEvents.filter((e) => e.at.slice(0, 10) <= today);
  const taken = new Map<string, number>();
  for (const lot of lotsNow(seedsOf(entries, plantings, book, garden.places), events).values()) {
    const place = placeOf(lot);
    const crop = book.find(lot.cropId);
    if (place === null || lot.leftG <= 0 || !crop || lot.part !== "crop") continue;
    if (!lot.placed && !isThereUntold(lot, crop, today)) continue;
    if (!lot.preserved && keepingFactsOf(crop).days[1] < STAYS_DAYS) continue;
    taken.set(place, (taken.get(place) ?? 0) + lot.leftG / 1000 / bulkOf(crop).kgPerL);
  }
  return garden.places.map((p) => ({
    ...p,
    takenLitres: Math.min(p.litres, p.takenLitres + (taken.get(p.id) ?? 0)),
  }));
}

/** Whether a lot of which nobody has said anything may be reckoned to lie where such things lie. */
const isThereUntold = (lot: Lot, crop: Crop, today: Day): boolean =>
  lot.way !== "kitchen" &&
  shareGood(keepingFactsOf(crop), daysBetween(lot.pickedAt.slice(0, 10), today)) >= STILL_THERE;
