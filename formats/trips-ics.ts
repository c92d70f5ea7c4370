import ICAL from "ical.js";
import { addDays, type Day } from "#core/calendar/day";
import { localTimeOf } from "#core/calendar/zone";
import type { LocatedError, ReadResult } from "./located";

/** A time away as a calendar has it: whole days, both included. */
export type ReadTrip = { name: string; fromDay: Day; toDay: Day; uid: string };

/** Events shorter than this are no trips: a day out leaves the evening, hours. */
const LEAST_HOURS = 20;
/** Occurrences taken of one repeating event, so that one without an end ends. */
const MOST_OCCURRENCES = 200;
const MOST_BYTES = 4_000_000;

/**
 * Reads times away from an iCalendar file (RFC 5545): events of a day or longer that touch the days asked for. The end
 * of an all-day event is exclusive; repeating events count once for each time; hours are those of the garden's zone.
 * @param from first and last day that matter
 * @returns trips in order, each named by its summary; notes say what was passed over
 */
export function readTripsIcs(text: string, timeZone: string, from: Day, to: Day): ReadResult<ReadTrip[]> {
  const fail = (message: string): ReadResult<ReadTrip[]> => ({
    ok: false,
    errors: [{ row: null, column: null, message }],
  });
  if (text.length > MOST_BYTES) return fail("the calendar is larger than 4 MB; export a shorter time");
  if (!/BEGIN:VCALENDAR/i.test(text)) return fail("this is not an iCalendar file: it has no BEGIN:VCALENDAR");
  let calendar: ICAL.Component;
  try {
    const parsed = ICAL.parse(text) as unknown[];
    calendar = new ICAL.Component((Array.isArray(parsed[0]) ? parsed[0] : parsed) as never);
  } catch (error) {
    return fail(`the calendar cannot be read: ${error instanceof Error ? error.message : "unknown fault"}`);
  }
  for (const zone of calendar.getAllSubcomponents("vtimezone")) ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  const errors: LocatedError[] = [];
  const trips: ReadTrip[] = [];
  let short = 0;
  for (const [k, component] of calendar.getAllSubcomponents("vevent").entries()) {
    const event = new ICAL.Event(component);
    const name = (event.summary ?? "").trim() || "Away";
    const where = `event ${k + 1}, “${name}”`;
    if (!component.getFirstPropertyValue("dtstart")) {
      errors.push({ row: null, column: where, message: "has no DTSTART" });
      continue;
    }
    if (component.getFirstPropertyValue("status") === "CANCELLED" || component.hasProperty("recurrence-id")) continue;
    try {
      const lasted = event.duration.toSeconds();
      if (lasted < 0) {
        errors.push({ row: null, column: where, message: "ends before it begins" });
        continue;
      }
      if (lasted < LEAST_HOURS * 3600) {
        short += 1;
        continue;
      }
      for (const start of startsOf(event, to)) {
        const end = start.clone();
        end.addDuration(event.duration);
        const trip = { name: name.slice(0, 80), uid: event.uid ?? "", ...daysOf(start, end, timeZone) };
        if (trip.toDay >= from && trip.fromDay <= to) trips.push(trip);
      }
    } catch (error) {
      errors.push({ row: null, column: where, message: error instanceof Error ? error.message : "cannot be read" });
    }
  }
  if (errors.length > 0) return { ok: false, errors };
  trips.sort((a, b) => (a.fromDay < b.fromDay ? -1 : a.fromDay > b.fromDay ? 1 : a.name < b.name ? -1 : 1));
  return { ok: true, value: trips, notes: short > 0 ? [`${short} shorter than a day passed over`] : [] };
}

function startsOf(event: ICAL.Event, to: Day): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const all = event.iterator();
  for (let next = all.next(); next && starts.length < MOST_OCCURRENCES; next = all.next()) {
    if (next.toString().slice(0, 10) > to) break;
    starts.push(next.clone());
  }
  return starts;
}

/** First and last day away: all-day ends are exclusive, and so is an end at midnight. */
function daysOf(start: ICAL.Time, end: ICAL.Time, timeZone: string): { fromDay: Day; toDay: Day } {
  if (start.isDate) {
    const fromDay = start.toString().slice(0, 10);
    const last = addDays(end.toString().slice(0, 10), -1);
    return { fromDay, toDay: last < fromDay ? fromDay : last };
  }
  const local = (t: ICAL.Time) =>
    t.zone === ICAL.Timezone.localTimezone || t.zone.tzid === "floating"
      ? t.toString().slice(0, 16)
      : localTimeOf(t.toUnixTime() * 1000, timeZone);
  const [from, until] = [local(start), local(end)];
  return {
    fromDay: from.slice(0, 10),
    toDay: until.slice(11) === "00:00" ? addDays(until.slice(0, 10), -1) : until.slice(0, 10),
  };
}
