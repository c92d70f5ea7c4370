import { type Day, daysBetween, sayNear, weekdayName } from "../calendar/day";
import type { Trip } from "../calendar/windows";
import type { UnitSystem } from "../units/mass";
import { sayRain, saySpeed, sayTemp } from "../units/say";
import type { Hazard, HazardKind } from "../weather/hazards";

/** A hazard is told of from this chance on. */
const LIKELY = 0.3;
/** Trips that begin within so many days are told of. */
const TRIP_DAYS = 7;
/** The most that one sentence holds. */
const MOST_PARTS = 3;

/** Hazards in the order of what they cost a garden. */
const ORDER: readonly HazardKind[] = ["gale", "frost", "heat", "downpour", "thunder"];

/**
 * The coming days in a sentence: the first of each hazard, dearest first, and days away; else how much is in a hurry.
 * @param hazards of the coming days, today's first
 * @param urgent plantings that lose something by waiting
 * @example headline([], [], 0, "2026-10-06", "metric") // "Quiet weather, and nothing is in a hurry."
 */
export function headline(
  hazards: readonly Hazard[],
  trips: readonly Trip[],
  urgent: number,
  today: Day,
  units: UnitSystem,
): string {
  const parts = ORDER.flatMap((kind) => {
    const of = hazards.filter((h) => h.kind === kind && h.chance >= LIKELY && (kind !== "frost" || h.day > today));
    return of.length > 0 ? [sayHazard(of, today, units)] : [];
  }).slice(0, MOST_PARTS - 1);
  const trip = trips.find((t) => t.fromDay > today && daysBetween(today, t.fromDay) <= TRIP_DAYS);
  if (trip)
    parts.push(`you are away from ${weekdayName(trip.fromDay)} for ${daysBetween(trip.fromDay, trip.toDay) + 1} days`);
  if (parts.length === 0)
    return urgent > 0
      ? `Quiet weather; ${urgent} ${urgent === 1 ? "planting wants" : "plantings want"} picking.`
      : "Quiet weather, and nothing is in a hurry.";
  const sentence =
    parts.length > 2 ? `${parts[0]}, then ${parts.slice(1, -1).join(", ")}; ${parts.at(-1)}` : parts.join("; ");
  return `${sentence[0]!.toUpperCase()}${sentence.slice(1)}.`;
}

/** The days of one hazard in words, its first and its worst. */
function sayHazard(of: readonly Hazard[], today: Day, units: UnitSystem): string {
  const first = of[0]!;
  const near = sayNear(first.day, today);
  const worst = Math.max(...of.map((h) => h.level));
  switch (first.kind) {
    case "gale":
      return `a gale is due ${near}, gusts near ${saySpeed(first.level, units)}`;
    case "frost":
      return `frost in the night to ${weekdayName(first.day)}`;
    case "heat":
      return of.length > 1
        ? `heat from ${near} for ${of.length} days, up to ${sayTemp(worst, units)}`
        : `heat ${near}, up to ${sayTemp(worst, units)}`;
    case "downpour":
      return `heavy rain ${near}, about ${sayRain(first.level, units)}`;
    default:
      return `thunder is likely ${near}`;
  }
}
