import ical, { ICalCalendarMethod } from "ical-generator";
import { addDays, type Day } from "#core/calendar/day";

export type PickDay = { day: Day; summary: string; lines: string[] };

/**
 * Days on which something was picked as an iCalendar file (RFC 5545): one event a day, all day, its end exclusive.
 * @param stampMs when the file is made, ms since 1970
 */
export function writePicksIcs(gardenName: string, days: readonly PickDay[], stampMs: number): string {
  const calendar = ical({
    name: `${gardenName}: picked`,
    prodId: { company: "Akmedon", product: "picks", language: "EN" },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { day, summary, lines } of days)
    calendar.createEvent({
      id: `picked-${day}@akmedon`,
      stamp: new Date(stampMs),
      start: `${day}T00:00:00Z`,
      end: `${addDays(day, 1)}T00:00:00Z`,
      timezone: "UTC",
      allDay: true,
      summary,
      description: lines.join("\n"),
    });
  return `${calendar.toString()}\r\n`;
}
