import { describe, expect, it } from "vitest";
import type { ForecastDay } from "#core/weather/daily";
import { simulatedDesk } from "#standins/weather-desk";
import { readForecast, writeForecastJson } from "./forecast";
import { sayError } from "./located";

const issued = simulatedDesk(5, "2026-01-01", { meanC: 9, swingC: 7, daySpanC: 9 }).forecast("2026-10-06", 10);
const errorsOf = (text: string): string => {
  const read = readForecast(text);
  return read.ok ? "" : read.errors.map(sayError).join("\n");
};
const daysOf = (text: string): ForecastDay[] => {
  const read = readForecast(text);
  if (!read.ok) throw new Error(read.errors.map(sayError).join("\n"));
  return read.value.days;
};
const json = (day: object, rest: object = {}) =>
  JSON.stringify({
    format: "akmedon-forecast",
    version: 1,
    days: [{ day: "2026-10-07", tempMinC: 1, tempMaxC: 9, ...day }],
    ...rest,
  });

describe("a forecast from a file", () => {
  it("JSON with an ensemble comes back as it was written, its source and day of issue with it", () => {
    const read = readForecast(writeForecastJson(issued));
    expect(read.ok && read.value).toEqual({ source: issued.source, issuedOn: "2026-10-06", days: issued.days });
    expect(issued.days[3]!.members).toHaveLength(20);
  });
  it("may leave out all but the day and its two temperatures", () => {
    const [day] = daysOf(json({ members: [{ tempMinC: 0, tempMaxC: 8 }] }));
    expect(day).toMatchObject({ rainMm: 0, gustMs: null, cloudPct: null, members: [{ rainMm: 0, gustMs: null }] });
  });
  it("CSV with a column member is an ensemble: the mean is what is most likely, the members stand beside it", () => {
    const [first, second] = daysOf(
      "date,member,tmin_f,tmax_f,rain_in\n2026-10-08,a,41,50,0\n2026-10-07,a,30.2,50,0.4\n2026-10-07,b,33.8,50,0\n2026-10-07,c,35.6,50,0.2\n",
    );
    expect(first).toMatchObject({ day: "2026-10-07", tempMinC: 0.67, tempMaxC: 10, rainMm: 5.08, cloudPct: null });
    expect(first!.members).toEqual([
      { tempMinC: -1, tempMaxC: 10, rainMm: 10.16, gustMs: null },
      { tempMinC: 1, tempMaxC: 10, rainMm: 0, gustMs: null },
      { tempMinC: 2, tempMaxC: 10, rainMm: 5.08, gustMs: null },
    ]);
    expect(second!.members).toHaveLength(1);
  });
  it("CSV without members is a single forecast", () => {
    const [day] = daysOf("date,tmin,tmax\n2026-10-07,-1.5,9");
    expect(day).toMatchObject({ tempMinC: -1.5, tempMaxC: 9 });
    expect(day).not.toHaveProperty("members");
  });
  it("semicolons and decimal commas are understood below nought too", () => {
    const [day] = daysOf("date;member;tmin;tmax\n2026-10-07;1;-1,5;9,5\n2026-10-07;2;-2,5;9,5");
    expect(day).toMatchObject({ tempMinC: -2, tempMaxC: 9.5 });
  });
});

describe("forecasts that are wrong, each refused with its place", () => {
  it.each([
    ["not JSON after all", "{ nearly", /not sound JSON/],
    ["of another format", '{"format":"else","version":1,"days":[]}', /format/],
    ["without days", JSON.stringify({ format: "akmedon-forecast", version: 1, days: [] }), /column days/],
    ["a low above its high", json({ tempMinC: 12 }), /days\[0\]\.tempMaxC: the maximum is below the minimum/],
    ["a temperature in words", json({ tempMinC: "cold" }), /days\[0\]\.tempMinC/],
    ["a day that does not exist", json({ day: "2026-02-30" }), /days\[0\]\.day/],
    [
      "a member out of all bounds",
      json({ members: [{ tempMinC: 0, tempMaxC: 8, gustMs: 300 }] }),
      /days\[0\]\.members\[0\]\.gustMs/,
    ],
    ["a member upside down", json({ members: [{ tempMinC: 9, tempMaxC: 8 }] }), /days\[0\]\.members\[0\]\.tempMaxC/],
    ["a member that is none", json({ members: [7] }), /days\[0\]\.members\[0\]/],
    [
      "more members than are taken",
      json({ members: Array(61).fill({ tempMinC: 0, tempMaxC: 8 }) }),
      /days\[0\]\.members/,
    ],
    ["a day that is none", '{"format":"akmedon-forecast","version":1,"days":[null]}', /days\[0\]/],
    [
      "the same day twice",
      JSON.stringify({ format: "akmedon-forecast", version: 1, days: [issued.days[0], issued.days[0]] }),
      /stands twice/,
    ],
    ["an empty source", json({}, { source: "" }), /column source/],
    ["an issue on no day", json({}, { issuedOn: "soon" }), /column issuedOn/],
    ["a row without its member", "date,member,tmin,tmax\n2026-10-07,,1,9", /row 2, column member/],
    [
      "a wrong number of one member, by its row in the file",
      "date,member,tmin,tmax\n2026-10-07,a,1,9\n2026-10-07,b,x,9",
      /row 3, column tmin: “x”/,
    ],
    [
      "a member that says a day twice, differently",
      "date,member,tmin,tmax\n2026-10-07,a,1,9\n2026-10-07,b,1,9\n2026-10-07,a,2,9",
      /row 4, column date/,
    ],
    ["an ensemble without its temperatures", "date,member,rain\n2026-10-07,a,1\n2026-10-07,b,1", /row 1, column tmin/],
    ["no ensemble at all", "date,member,tmin,tmax", /0 days|no days|empty|heading/],
    [
      "a hundred members",
      `date,member,tmin,tmax\n${Array.from({ length: 100 }, (_, i) => `2026-10-07,m${i},1,9`).join("\n")}`,
      /at most 60/,
    ],
  ] as [string, string, RegExp][])("%s", (_, text, words) => {
    expect(errorsOf(text)).toMatch(words);
  });
});
