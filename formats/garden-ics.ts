import ical, { ICalAlarmType, ICalCalendarMethod } from "ical-generator";
import { addDays, type Day } from "#core/calendar/day";
import { instantOf } from "#core/calendar/zone";

/** One entry of the garden's calendar: at an hour, or over whole days. Its id stays the same when it moves. */
export type GardenEvent = {
  id: string;
  summary: string;
  description: string;
  at: { local: string; minutes: number } | { from: Day; to: Day };
  /** minutes before it at which a calendar may call; null: it does not */
  alarm: number | null;
};

/**
 * The garden's calendar as iCalendar (RFC 5545). Hours are written in UTC from the garden's zone; whole days as dates,
 * the end being the day after the last. Line breaks in names become spaces.
 * @param stampMs when it is made, ms since 1970
 */
export function writeGardenIcs(
  gardenName: string,
  timeZone: string,
  events: readonly GardenEvent[],
  stampMs: number,
): string {
  const line = (text: string) => text.replace(/\s+/g, " ").trim();
  const calendar = ical({
    name: line(gardenName),
    prodId: { company: "Akmedon", product: "garden", language: "EN" },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  for (const e of events) {
    const common = {
      id: `${e.id}@akmedon`,
      stamp: new Date(stampMs),
      summary: line(e.summary),
      description: e.description,
    };
    const event =
      "local" in e.at
        ? calendar.createEvent({
            ...common,
            start: new Date(instantOf(e.at.local, timeZone)),
            end: new Date(instantOf(e.at.local, timeZone) + Math.max(5, Math.round(e.at.minutes)) * 60_000),
          })
        : calendar.createEvent({
            ...common,
            allDay: true,
            // whole days are dates: noon in UTC is that day everywhere they are written from
            timezone: "UTC",
            start: new Date(`${e.at.from}T12:00Z`),
            end: new Date(`${addDays(e.at.to, 1)}T12:00Z`),
          });
    if (e.alarm !== null) event.createAlarm({ type: ICalAlarmType.display, triggerBefore: e.alarm * 60 });
  }
  return `${calendar.toString()}\r\n`;
}
