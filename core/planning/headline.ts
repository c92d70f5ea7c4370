import { type Day, daysBetween } from "../calendar/day";
import type { Trip } from "../calendar/windows";
import type { Hazard, HazardKind } from "../weather/hazards";

/** A hazard is told of from this chance on. */
const LIKELY = 0.3;
/** Trips that begin within so many days are told of. */
const TRIP_DAYS = 7;
/** The most that one sentence holds. */
const MOST_PARTS = 3;

/** Hazards in the order of what they cost a garden. */
const ORDER: readonly HazardKind[] = ["gale", "frost", "heat", "downpour", "thunder"];

/** One hazard of the coming days: its first day and strength, on how many days it comes, and its worst. */
export type HazardNews = { kind: HazardKind; day: Day; days: number; level: number; worst: number };
/** What the coming days bring: hazards, dearest first, and days away. */
export type News = { hazards: HazardNews[]; trip: { fromDay: Day; days: number } | null };

/**
 * What of the coming days is told in a sentence: the first of each likely hazard, dearest first, and days away.
 * @param hazards of the coming days, today's first
 */
export function newsOf(hazards: readonly Hazard[], trips: readonly Trip[], today: Day): News {
  const told = ORDER.flatMap((kind): HazardNews[] => {
    const of = hazards.filter((h) => h.kind === kind && h.chance >= LIKELY && (kind !== "frost" || h.day > today));
    const first = of[0];
    return first
      ? [{ kind, day: first.day, days: of.length, level: first.level, worst: Math.max(...of.map((h) => h.level)) }]
      : [];
  });
  const trip = trips.find((t) => t.fromDay > today && daysBetween(today, t.fromDay) <= TRIP_DAYS);
  return {
    hazards: told.slice(0, MOST_PARTS - 1),
    trip: trip ? { fromDay: trip.fromDay, days: daysBetween(trip.fromDay, trip.toDay) + 1 } : null,
  };
}
