import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type ColumnUse, gapsIn, previewColumns, readByColumns } from "./weather-columns";

const preview = (text: string) => {
  const read = previewColumns(text);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  return read.value;
};
const uses = (text: string): ColumnUse[] => preview(text).columns;
const errorsOf = (text: string, columns = uses(text)) => {
  const read = readByColumns(text, columns);
  return read.ok ? [] : read.errors.map((e) => `${e.row ?? "-"} ${e.column ?? "-"}: ${e.message}`);
};

describe("guessing what a column holds", () => {
  it.each([
    ["date,tmin,tmax\n2026-01-01,1,9", ["date year-month-day", "tmin C", "tmax C"]],
    ["Day;Low (°F);High (°F);Precip (in)\n1/31/2026;30;51;0.2", ["date month/day/year", "tmin F", "tmax F", "rain in"]],
    [
      "Datum,TempMin,TempMax,WindSpeed_kmh\n31.01.2026,-2,6,44",
      ["date day/month/year", "tmin C", "tmax C", "wind km/h"],
    ],
    [
      "timestamp,temp,dew point,rh,gust mph\n2026-01-01 00:00,4,2,81,12",
      ["date year-month-day", "temp C", "- ", "humidity %", "gust mph"],
    ],
    ["date,temp_max,temp_min,soil temp\n2026-07-01,88,61,70", ["date year-month-day", "tmax F", "tmin F", "- "]],
  ])("%s", (text, expected) => {
    expect(uses(text).map((c) => `${c.field ?? "-"} ${c.unit}`)).toEqual(expected);
  });
  it("tells hourly from daily", () => {
    const hours = Array.from(
      { length: 48 },
      (_, i) => `2026-03-0${1 + Math.floor(i / 24)} ${String(i % 24).padStart(2, "0")}:00,${i % 24}`,
    );
    expect(preview(`time stamp,temp\n${hours.join("\n")}`.replace("time stamp", "timestamp")).hourly).toBe(true);
    expect(preview("date,tmin,tmax\n2026-03-01,1,9\n2026-03-02,2,9").hourly).toBe(false);
  });
});

describe("reading by columns", () => {
  it("US units become metric, wrong guesses are mended by hand", () => {
    const text = "date,low,high,rain\n2026-03-01,41,59,0.5";
    const mended = uses(text).map((c) =>
      c.field === "tmin" || c.field === "tmax" ? { ...c, unit: "F" } : c.field === "rain" ? { ...c, unit: "in" } : c,
    );
    const read = readByColumns(text, mended);
    expect(read.ok && read.value[0]).toMatchObject({ day: "2026-03-01", tempMinC: 5, tempMaxC: 15, rainMm: 12.7 });
  });
  it("hours are drawn together to days; a day with few hours is left out and named", () => {
    const rows = Array.from(
      { length: 30 },
      (_, i) => `2026-03-0${1 + Math.floor(i / 24)} ${i % 24}:00;${(i % 24) - 5};0,1;${i}`,
    );
    const text = `timestamp;temp;rain;gust\n${rows.join("\n")}`;
    const read = readByColumns(text, uses(text));
    expect(read.ok && read.value).toEqual([
      expect.objectContaining({ day: "2026-03-01", tempMinC: -5, tempMaxC: 18, rainMm: 2.4, gustMs: 23 }),
    ]);
    expect(read.ok && read.notes.join()).toContain("2026-03-02");
  });
  it("the same file read twice gives the same days, and gaps are counted", () => {
    const text = "date,tmin,tmax\n2026-03-01,1,9\n2026-03-04,1,9\n2026-03-04,1,9";
    const first = readByColumns(text, uses(text));
    expect(first).toEqual(readByColumns(text, uses(text)));
    expect(first.ok && first.value).toHaveLength(2);
    expect(first.ok && gapsIn(first.value)).toBe(2);
    expect(gapsIn([])).toBe(0);
  });
  it.each([
    [
      "a column called Time that holds whole dates is the date, one a day",
      "Time,Outdoor low,Outdoor high\n2026-03-01,1,9\n2026-03-02,2,8",
      ["date", "tmin", "tmax"],
      false,
    ],
    [
      "hours beside the date are hours",
      "Date,Time,Air temp\n2026-03-01,01:00,4\n2026-03-01,02:00,4",
      ["date", "time", "temp"],
      true,
    ],
    [
      "what is indoors or in the soil stays out",
      "Date,Indoor low,Soil temp,Lowest,Highest\n2026-03-01,18,6,1,9",
      ["date", null, null, "tmin", "tmax"],
      false,
    ],
    [
      "windspeed's highest is not the day's",
      "Date,Min temp,Max temp,High wind gust\n2026-03-01,1,9,14",
      ["date", "tmin", "tmax", "gust"],
      false,
    ],
  ] as [string, string, (string | null)[], boolean][])("guesses: %s", (_, text, fields, hourly) => {
    const seen = previewColumns(text);
    expect(seen.ok && seen.value.columns.map((c) => c.field)).toEqual(fields);
    expect(seen.ok && seen.value.hourly).toBe(hourly);
  });
  it("any daily record comes through its own columns unchanged", () => {
    const day = fc.record({
      min: fc.integer({ min: -30, max: 20 }),
      span: fc.integer({ min: 0, max: 20 }),
      rain: fc.integer({ min: 0, max: 80 }),
    });
    fc.assert(
      fc.property(fc.array(day, { minLength: 1, maxLength: 28 }), (days) => {
        const text = `date,tmin_c,tmax_c,rain_mm\n${days.map((d, i) => `2026-05-${String(i + 1).padStart(2, "0")},${d.min},${d.min + d.span},${d.rain}`).join("\n")}`;
        const read = readByColumns(text, uses(text));
        expect(read.ok && read.value.map((d) => [d.tempMinC, d.tempMaxC, d.rainMm])).toEqual(
          days.map((d) => [d.min, d.min + d.span, d.rain]),
        );
      }),
    );
  });
});

const head = "date,tmin,tmax,rain";
const ok: ColumnUse[] = uses(`${head}\n2026-03-01,1,9,0`);

describe("files that are wrong, each refused by row and reason, nothing of them read", () => {
  it.each([
    ["an empty file", "", ok, /empty/],
    ["a heading without days", head, ok, /no days/],
    ["a sheet that is no text", `${head}\n\u0000`, ok, /not a text file/],
    ["a row with too few fields", `${head}\n2026-03-01,1,9`, ok, /^2 .*3 fields where the heading has 4/],
    ["a row with too many", `${head}\n2026-03-01,1,9,0,5`, ok, /^2 .*5 fields/],
    ["a quotation mark never closed", `${head}\n"2026-03-01,1,9,0`, ok, /never closed/],
    ["a day that does not exist", `${head}\n2026-02-30,1,9,0`, ok, /^2 date: “2026-02-30” is not a day/],
    ["days the other way round", `${head}\n31/12/2026,1,9,0`, ok, /^2 date: .*year-month-day/],
    ["words for numbers", `${head}\n2026-03-01,cold,9,0`, ok, /^2 tmin: “cold” is not a number/],
    ["a number in exponent words", `${head}\n2026-03-01,1,9,3mm`, ok, /^2 rain: “3mm” is not a number/],
    ["a lowest above the highest", `${head}\n2026-03-01,12,9,0`, ok, /maximum is below the minimum/],
    ["a temperature nobody has felt", `${head}\n2026-03-01,-99,9,0`, ok, /between −60 and 50/],
    ["rain below nothing", `${head}\n2026-03-01,1,9,-2`, ok, /from 0 to 500/],
    ["a missing temperature", `${head}\n2026-03-01,,9,0`, ok, /temperature is missing/],
    ["the same day with other values", `${head}\n2026-03-01,1,9,0\n2026-03-01,2,9,0`, ok, /already stands/],
    ["a heading that stands twice", "date,tmin,tmin,tmax\n2026-03-01,1,1,9", ok, /stands twice/],
    [
      "no date among the columns",
      `${head}\n2026-03-01,1,9,0`,
      ok.filter((c) => c.field !== "date"),
      /which column holds the date/,
    ],
    [
      "no temperatures among them",
      `${head}\n2026-03-01,1,9,0`,
      ok.filter((c) => c.field === "date"),
      /lowest and highest/,
    ],
    [
      "two columns for one thing",
      `${head}\n2026-03-01,1,9,0`,
      [...ok, { heading: "rain", field: "tmin" as const, unit: "C" }],
      /two columns/,
    ],
    [
      "hours of which no day has enough",
      "timestamp,temp\n2026-03-01 01:00,4",
      uses("timestamp,temp\n2026-03-01 01:00,4"),
      /no day has 18 hours/,
    ],
    [
      "humidity above a hundred",
      "date,tmin,tmax,humidity\n2026-03-01,1,9,140",
      uses("date,tmin,tmax,humidity\n2026-03-01,1,9,14"),
      /from 1 to 100/,
    ],
  ] as [string, string, ColumnUse[], RegExp][])("%s", (_, text, columns, words) => {
    const errors = errorsOf(text, columns);
    expect(errors.length).toBeGreaterThan(0);
    expect(errors.join("\n")).toMatch(words);
  });
});
