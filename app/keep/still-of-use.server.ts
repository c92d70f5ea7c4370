import { addDays } from "#core/calendar/day";
import { TOLD_DAYS, toldOf } from "#core/keeping/room";
import { longestLife } from "#core/keeping/stock";
import type { Snapshot } from "#core/snapshot";
import { firstFrom } from "#core/weighing/by-planting";
import { isCrop, type Way } from "#core/weighing/pick";
import type { LoggedPick } from "#core/weighing/pick-log";
import { bookOf } from "#core/weighing/taught-book";
import { loggedInHouse } from "../picks/picks.server";

/** A note that sets something aside for the next planting. */
export const FOR_PLANTING = /planting|for seed/i;
/** No lot as it was picked keeps for longer. */
const OLDEST_DAYS = 730;

/**
 * Picks of which something may still be in the house, or is told of: those that something befell, that can still be good,
 * that were given away this year or set aside for planting. The rest of twenty seasons need not be followed.
 */
export function stillOfUse(snapshot: Snapshot, today: string): LoggedPick[] {
  const book = bookOf(snapshot);
  const told = toldOf(snapshot.lotEvents, addDays(today, -TOLD_DAYS));
  const oldest = addDays(today, -OLDEST_DAYS);
  const year = today.slice(0, 4);
  const since = new Map<string, string>();
  const goodSince = (e: LoggedPick): string => {
    if (!isCrop(e.pick)) return oldest;
    const known = since.get(e.cropId) ?? addDays(today, -Math.min(OLDEST_DAYS, longestLife(book.of(e.cropId))));
    since.set(e.cropId, known);
    return known;
  };
  const of = ({ pick }: LoggedPick, way: Way) => pick.way === way || pick.sorted.some((x) => x.way === way);
  const forPlanting = (e: LoggedPick) =>
    of(e, "seed") ||
    e.pick.grade === "seed" ||
    FOR_PLANTING.test(e.pick.note) ||
    e.pick.sorted.some((x) => x.grade === "seed" || FOR_PLANTING.test(x.note));
  const all = loggedInHouse(snapshot, oldest);
  return all
    .slice(firstFrom(all, addDays(today, -2 * TOLD_DAYS)))
    .filter(
      (e) =>
        told.has(e.pick.id) ||
        (e.at >= oldest && (e.at >= goodSince(e) || forPlanting(e) || (e.at.startsWith(year) && of(e, "give")))),
    );
}
