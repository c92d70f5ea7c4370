import ICAL from "ical.js";
import { addDays, type Day } from "#core/calendar/day";
import { isGardenDay } from "#core/calendar/schemas";
import { localTimeOf } from "#core/calendar/zone";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

/** A time away as a calendar has it: whole days, both included. */
export type ReadTrip = { name: string; fromDay: Day; toDay: Day; uid: string };

/** Events shorter than this are no trips: a day out leaves the evening, hours. */
const LEAST_HOURS = 20;
/** Times of one repeating event that are taken, and that are looked through to find them. */
const MOST_OCCURRENCES = 200;
const MOST_STEPS = 20_000;
/** Events looked at in one file. */
const MOST_EVENTS = 20_000;
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
  let calendars: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text) as unknown[];
    // a file may hold several calendars, one after the other
    calendars = (Array.isArray(parsed[0]) ? parsed : [parsed]).map((c) => new ICAL.Component(c as never));
  } catch (error) {
    return fail(`the calendar cannot be read: ${error instanceof Error ? error.message : "unknown fault"}`);
  }
  for (const zone of calendars.flatMap((c) => c.getAllSubcomponents("vtimezone")))
    ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  const events = calendars.flatMap((c) => c.getAllSubcomponents("vevent"));
  if (events.length > MOST_EVENTS) return fail(`more than ${MOST_EVENTS} events; export a shorter time`);
  const errors: LocatedError[] = [];
  const trips: ReadTrip[] = [];
  let short = 0;
  for (const [k, component] of events.entries()) {
    if (errors.length >= MOST_ERRORS) break;
    const event = new ICAL.Event(component);
    const name =
      String(event.summary ?? "")
        .replace(/\s+/g, " ")
        .trim() || "Away";
    const where = `event ${k + 1}, “${name.slice(0, 60)}”`;
    const fault = startFault(component);
    if (fault) {
      errors.push({ row: null, column: where, message: fault });
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
      for (const start of startsOf(event, from, to)) {
        const end = start.clone();
        end.addDuration(event.duration);
        const trip = { name: name.slice(0, 80), uid: event.uid ?? "", ...daysOf(start, end, timeZone) };
        if (!isGardenDay(trip.fromDay) || !isGardenDay(trip.toDay)) throw new Error("lasts into a year that cannot be");
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

/** What is wrong with the start of an event; null when it is a day a garden can speak of. */
function startFault(component: ICAL.Component): string | null {
  if (!component.hasProperty("dtstart")) return "has no DTSTART";
  const written =
    component
      .getFirstProperty("dtstart")
      ?.toICALString()
      .replace(/^[^:]*:/, "")
      .slice(0, 40) ?? "";
  try {
    const begins = component.getFirstPropertyValue("dtstart");
    if (begins instanceof ICAL.Time && isGardenDay(begins.toString().slice(0, 10)) && isWritten(written, begins))
      return null;
  } catch {
    // no date at all
  }
  return `its DTSTART “${written}” is not a day`;
}

/** Whether a day is the one that was written: the library would turn 31 February into 3 March. */
const isWritten = (written: string, read: ICAL.Time): boolean =>
  read.toString().slice(0, 10).replaceAll("-", "") === written.slice(0, 8) || !/^\d{8}/.test(written);

/** Times of an event that can touch the days asked for: those long past are stepped over, they use nothing up. */
function startsOf(event: ICAL.Event, from: Day, to: Day): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const earliest = addDays(from, -Math.ceil(event.duration.toSeconds() / 86_400) - 1);
  const all = event.iterator();
  let steps = 0;
  for (let next = all.next(); next && starts.length < MOST_OCCURRENCES; next = all.next()) {
    if (++steps > MOST_STEPS) throw new Error("repeats too often to be looked through");
    const day = next.toString().slice(0, 10);
    if (day > to) break;
    if (day >= earliest) starts.push(next.clone());
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
