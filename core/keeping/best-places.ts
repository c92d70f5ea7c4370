import type { Place } from "../household/place";
import { bulkOf } from "../weighing/bulk";
import { layBest, type ToLay } from "./assign";
import { saidAir } from "./place-air";
import { type Air, ageingOf, daysUntil } from "./shelf-life";
import type { Stocked } from "./stock";

/** A lot that would lie better elsewhere. */
export type BetterPlace = {
  lotId: string;
  to: Place;
  /** share of the lot that goes there, 0 to 1 */
  share: number;
  /** days until a tenth of it is lost, where it lies and there */
  fromDays: number;
  toDays: number;
};

/** Longer than this nobody plans ahead, days. */
const LOOK_AHEAD = 180;
/** Moving is worth the walk from this gain, days and as a share. */
const LEAST_GAIN_DAYS = 4;
const LEAST_GAIN_SHARE = 1.15;

/**
 * The best place for every lot that keeps, all at once and within the room there is: worth times the days until a tenth
 * of it is lost, in all as great as can be. What does not belong in a refrigerator is never laid there.
 * @param airOf the air of a place now
 */
export function betterPlaces(
  stock: readonly Stocked[],
  places: readonly Place[],
  airOf: (place: Place) => Air = saidAir,
): BetterPlace[] {
  const rooms = places.filter((p) => p.kind !== "freezer" && p.kind !== "sill");
  const lots = stock.filter((s) => !s.lot.preserved && s.lot.leftG >= 200 && (s.curing === null || s.curing.ready));
  const days = lots.map((s) =>
    rooms.map((place) => {
      if (place.kind === "fridge" && (s.facts.fridge === "no" || (s.facts.fridge === "ripe-only" && s.ripe))) return 0;
      const { rate } = ageingOf(s.facts, airOf(place), s.lot.grade, false);
      return Math.min(LOOK_AHEAD, daysUntil(s.facts, s.livedDays, rate, 0.9));
    }),
  );
  const toLay = lots.map((s, i): ToLay => {
    const { kgPerL } = bulkOf(s.crop);
    return {
      id: s.lot.id,
      litres: s.lot.leftG / 1000 / kgPerL,
      worth: days[i]!.map((d) => d * kgPerL * s.crop.worth.perKg),
    };
  });
  const { laid } = layBest(
    toLay,
    rooms.map((p) => Math.max(0, p.litres - p.takenLitres)),
  );
  return laid
    .flatMap(({ lot, place, litres }): BetterPlace[] => {
      const s = lots[lot]!;
      const to = rooms[place]!;
      const now = rooms.findIndex((p) => p.id === s.place?.id);
      const fromDays = now < 0 ? Math.min(LOOK_AHEAD, s.tenthInDays) : days[lot]![now]!;
      const toDays = days[lot]![place]!;
      const worthIt = toDays - fromDays >= LEAST_GAIN_DAYS && toDays >= LEAST_GAIN_SHARE * fromDays;
      return to.id === s.place?.id || !worthIt
        ? []
        : [{ lotId: s.lot.id, to, share: litres / toLay[lot]!.litres, fromDays, toDays }];
    })
    .sort((a, b) => b.toDays - b.fromDays - (a.toDays - a.fromDays) || (a.lotId < b.lotId ? -1 : 1));
}
