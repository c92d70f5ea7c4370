import type { Day } from "../calendar/day";
import type { Planting } from "../garden/planting";
import type { Handbook } from "../handbook/index";
import { keepingFactsOf } from "../handbook/storage";
import type { Place } from "../household/place";
import { logged } from "../season/pick-log";
import { bulkOf } from "../weighing/bulk";
import type { PickRecord } from "../weighing/pick";
import { type LotEvent, lotsNow, placeOf } from "./lot";
import { seedsOf } from "./seeds";

/** What keeps for less is eaten before it stands in the way of a plan of a fortnight. */
const STAYS_DAYS = 30;
type Garden = {
  picks: readonly PickRecord[];
  plantings: readonly Planting[];
  places: readonly Place[];
  lotEvents: readonly LotEvent[];
};

/**
 * The places with the room that lots take which somebody said lie there, and which stay: what is eaten from the cellar
 * is room that the next plan can use.
 */
export function placesWithLots(garden: Garden, book: Handbook, today: Day): Place[] {
  const picked = new Set(garden.lotEvents.map((e) => e.lotId.split(".")[0]!));
  if (picked.size === 0) return [...garden.places];
  const plantings = new Map(garden.plantings.map((p) => [p.id, p]));
  const entries = garden.picks.flatMap((pick) => {
    const planting = picked.has(pick.id) ? plantings.get(pick.plantingId) : undefined;
    return planting ? [logged(pick, planting, book.of(planting.cropId), "")] : [];
  });
  const events = garden.lotEvents.filter((e) => e.at.slice(0, 10) <= today);
  const taken = new Map<string, number>();
  for (const lot of lotsNow(seedsOf(entries, plantings, book, garden.places), events).values()) {
    const place = placeOf(lot);
    const crop = book.find(lot.cropId);
    if (!lot.placed || place === null || lot.leftG <= 0 || !crop) continue;
    if (!lot.preserved && keepingFactsOf(crop).days[1] < STAYS_DAYS) continue;
    taken.set(place, (taken.get(place) ?? 0) + lot.leftG / 1000 / bulkOf(crop).kgPerL);
  }
  return garden.places.map((p) => ({
    ...p,
    takenLitres: Math.min(p.litres, p.takenLitres + (taken.get(p.id) ?? 0)),
  }));
}
