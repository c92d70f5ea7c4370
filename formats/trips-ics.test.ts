import { describe, expect, it } from "vitest";
import { readTripsIcs } from "./trips-ics";

const ZONE = "Europe/London";
const calendar = (...events: string[]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//test//EN", ...events, "END:VCALENDAR", ""].join("\r\n");
const event = (...lines: string[]) =>
  ["BEGIN:VEVENT", "UID:x", "DTSTAMP:20260101T000000Z", ...lines, "END:VEVENT"].join("\r\n");
const read = (text: string, from = "2026-01-01", to = "2027-12-31") => readTripsIcs(text, ZONE, from, to);
const daysOf = (text: string, from?: string, to?: string) => {
  const r = read(text, from, to);
  if (!r.ok) throw new Error(JSON.stringify(r.errors));
  return r.value.map((t) => `${t.fromDay}/${t.toDay}`);
};

describe("trips from a calendar (RFC 5545)", () => {
  it("C16.1 the RFC's own example: 28 June to 9 July exclusive is away until the 8th", () => {
    const text = calendar(event("SUMMARY:Festival", "DTSTART;VALUE=DATE:20070628", "DTEND;VALUE=DATE:20070709"));
    expect(daysOf(text, "2007-01-01", "2007-12-31")).toEqual(["2007-06-28/2007-07-08"]);
  });
  it("C16.1 a day without an end lasts that day; three days until the 12th exclusive", () => {
    expect(daysOf(calendar(event("DTSTART;VALUE=DATE:20261009")))).toEqual(["2026-10-09/2026-10-09"]);
    expect(daysOf(calendar(event("DTSTART;VALUE=DATE:20261009", "DTEND;VALUE=DATE:20261012")))).toEqual([
      "2026-10-09/2026-10-11",
    ]);
    expect(daysOf(calendar(event("DTSTART;VALUE=DATE:20261009", "DURATION:P1W")))).toEqual(["2026-10-09/2026-10-15"]);
  });
  it("C16.1 repeats as the RFC says: every ten days, five times, from 2 September 1997", () => {
    const text = calendar(event("DTSTART;VALUE=DATE:19970902", "RRULE:FREQ=DAILY;INTERVAL=10;COUNT=5"));
    expect(daysOf(text, "1997-01-01", "1997-12-31").map((d) => d.slice(0, 10))).toEqual([
      "1997-09-02",
      "1997-09-12",
      "1997-09-22",
      "1997-10-02",
      "1997-10-12",
    ]);
  });
  it("C16.1 the 15th and 30th of each month, and one that is left out", () => {
    const text = calendar(
      event("DTSTART;VALUE=DATE:20070115", "RRULE:FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5", "EXDATE;VALUE=DATE:20070215"),
    );
    expect(daysOf(text, "2007-01-01", "2007-12-31").map((d) => d.slice(0, 10))).toEqual([
      "2007-01-15",
      "2007-01-30",
      "2007-03-15",
      "2007-03-30",
    ]);
  });
  it("hours are the garden's: a flight that lands after midnight there is a day more", () => {
    const zone = [
      "BEGIN:VTIMEZONE",
      "TZID:America/New_York",
      "BEGIN:DAYLIGHT",
      "TZOFFSETFROM:-0500",
      "TZOFFSETTO:-0400",
      "DTSTART:20070311T020000",
      "RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU",
      "END:DAYLIGHT",
      "BEGIN:STANDARD",
      "TZOFFSETFROM:-0400",
      "TZOFFSETTO:-0500",
      "DTSTART:20071104T020000",
      "RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU",
      "END:STANDARD",
      "END:VTIMEZONE",
    ].join("\r\n");
    const text = calendar(
      zone,
      event("DTSTART;TZID=America/New_York:20260710T080000", "DTEND;TZID=America/New_York:20260713T200000"),
    );
    // 20:00 in New York is 01:00 of the next day in London
    expect(daysOf(text)).toEqual(["2026-07-10/2026-07-14"]);
    expect(daysOf(calendar(event("DTSTART:20260710T080000Z", "DTEND:20260712T230000Z")))).toEqual([
      "2026-07-10/2026-07-12",
    ]);
  });
  it("passes over what is short, called off or out of the time asked for, and says how many", () => {
    const text = calendar(
      event("SUMMARY:Dentist", "DTSTART:20261009T090000", "DTEND:20261009T100000"),
      event("SUMMARY:Off", "STATUS:CANCELLED", "DTSTART;VALUE=DATE:20261009"),
      event("SUMMARY:Long ago", "DTSTART;VALUE=DATE:20200101"),
      event("SUMMARY:Coast\\, with Ada", "DTSTART;VALUE=DATE:20261020", "DTEND;VALUE=DATE:20261025"),
    );
    const r = read(text);
    expect(r.ok && r.value).toMatchObject([{ name: "Coast, with Ada", fromDay: "2026-10-20", toDay: "2026-10-24" }]);
    expect(r.ok && r.notes).toEqual(["1 shorter than a day passed over"]);
  });
  it("a repeat without an end ends with the time asked for", () => {
    const text = calendar(event("DTSTART;VALUE=DATE:20260101", "DTEND;VALUE=DATE:20260103", "RRULE:FREQ=WEEKLY"));
    expect(daysOf(text, "2026-10-01", "2026-10-31").length).toBe(5);
  });
  it.each([
    ["a letter", "Dear Ada, we are away in June.", /not an iCalendar file/],
    ["half a file", "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:x", /cannot be read|no DTSTART/],
    ["an event without a beginning", calendar(event("SUMMARY:Lost")), /event 1, “Lost”.*has no DTSTART/],
    [
      "one that ends before it begins",
      calendar(event("SUMMARY:Back", "DTSTART;VALUE=DATE:20261012", "DTEND;VALUE=DATE:20261009")),
      /event 1, “Back”.*ends before it begins/,
    ],
  ] as [string, string, RegExp][])("refuses %s", (_, text, words) => {
    const r = read(text);
    expect(r.ok).toBe(false);
    expect(r.ok ? "" : r.errors.map((e) => `${e.column} ${e.message}`).join("\n")).toMatch(words);
  });

  it("weekly absences since ten years ago still give this year's", () => {
    const weekly = event("DTSTART;VALUE=DATE:20160101", "DTEND;VALUE=DATE:20160103", "RRULE:FREQ=WEEKLY");
    const trips = daysOf(calendar(weekly), "2026-11-01", "2026-11-30");
    expect(trips).toEqual(
      [
        "2026-10-30/2026-10-31",
        "2026-11-06/2026-11-07",
        "2026-11-13/2026-11-14",
        "2026-11-20/2026-11-21",
        "2026-11-27/2026-11-28",
      ].filter((t) => t.slice(11) >= "2026-11-01"),
    );
  });
  it("several calendars in one file are all read", () => {
    const one = (day: number) =>
      calendar(event(`DTSTART;VALUE=DATE:2026060${day}`, `DTEND;VALUE=DATE:2026060${day + 2}`));
    expect(daysOf(one(1) + one(5))).toEqual(["2026-06-01/2026-06-02", "2026-06-05/2026-06-06"]);
  });
  it("a start that is no day is said, with its event, and nothing is taken", () => {
    for (const start of ["DTSTART:abc", "DTSTART;VALUE=DATE:20260231", "DTSTART;VALUE=DATE:00260301"]) {
      const r = read(calendar(event("SUMMARY:Odd", start, "DURATION:P2D")));
      expect(r.ok ? start : r.errors[0]).toMatchObject({ column: "event 1, “Odd”" });
    }
  });
  it("a rule of every second is given up, not followed for ever", () => {
    const r = read(calendar(event("DTSTART:20200101T000000Z", "DTEND:20200102T000000Z", "RRULE:FREQ=SECONDLY")));
    expect(r.ok ? "" : r.errors[0]!.message).toMatch(/repeats too often/);
  });
});
