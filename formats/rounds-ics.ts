import ical, { ICalCalendarMethod } from "ical-generator";
import { instantOf } from "#core/calendar/zone";
import type { Round } from "#core/planning/round";

/** `by`: who goes while the household is away; empty: the household itself. */
export type RoundEvent = { round: Round; minutes: number; lines: string[]; by?: string };

/**
 * Planned rounds as an iCalendar file (RFC 5545). Times are written in UTC from the garden's zone, so that any
 * calendar shows them at the right hour.
 * @param stampMs when the file is made, ms since 1970
 */
export function writeRoundsIcs(
  gardenName: string,
  timeZone: string,
  events: readonly RoundEvent[],
  stampMs: number,
): string {
  const calendar = ical({
    name: `${gardenName}: picking rounds`,
    prodId: { company: "Akmedon", product: "rounds", language: "EN" },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { round, minutes, lines, by } of events) {
    const startMs = instantOf(`${round.day}T${round.startsAt}`, timeZone);
    calendar.createEvent({
      id: `round-${round.id}@akmedon`,
      stamp: new Date(stampMs),
      start: new Date(startMs),
      end: new Date(startMs + Math.max(5, Math.round(minutes)) * 60_000),
      summary: `Picking round${by ? `, ${by} goes` : ""}: ${lines.length} ${lines.length === 1 ? "planting" : "plantings"}`,
      description: [...lines, round.note].filter(Boolean).join("\n"),
    });
  }
  return `${calendar.toString()}\r\n`;
}
