import { isDay } from "#core/calendar/day";
import { groupBy } from "#core/group-by";
import { M_PER_S_PER_KMH, M_PER_S_PER_KNOT, M_PER_S_PER_MPH, MM_PER_INCH } from "#core/units/constants";
import { celsiusFromFahrenheit } from "#core/units/convert";
import type { WeatherDay } from "#core/weather/daily";
import { readTable, writeTable } from "./csv";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";
import { readWeatherCsv } from "./weather-csv";

/** Rows taken: forty-five years of hours. */
const MOST_ROWS = 400_000;

/** What a column of a station's file may hold. */
export const COLUMN_FIELDS = [
  "date",
  "time",
  "tmin",
  "tmax",
  "temp",
  "rain",
  "wind",
  "gust",
  "humidity",
  "cloud",
] as const;
export type ColumnField = (typeof COLUMN_FIELDS)[number];

const UNITS_OF = {
  temperature: { C: (x: number) => x, F: celsiusFromFahrenheit },
  rain: { mm: (x: number) => x, in: (x: number) => x * MM_PER_INCH },
  speed: {
    "m/s": (x: number) => x,
    "km/h": (x: number) => x * M_PER_S_PER_KMH,
    mph: (x: number) => x * M_PER_S_PER_MPH,
    kt: (x: number) => x * M_PER_S_PER_KNOT,
  },
  share: { "%": (x: number) => x },
  dates: { "year-month-day": null, "day/month/year": null, "month/day/year": null },
} as const;

const kindOf = (field: ColumnField): keyof typeof UNITS_OF =>
  field === "date" || field === "time"
    ? "dates"
    : field === "tmin" || field === "tmax" || field === "temp"
      ? "temperature"
      : field === "rain"
        ? "rain"
        : field === "wind" || field === "gust"
          ? "speed"
          : "share";

export type ColumnUse = { heading: string; field: ColumnField | null; unit: string };
export type Preview = { columns: ColumnUse[]; samples: string[][]; rows: number; hourly: boolean };

const NAMES: [ColumnField, RegExp][] = [
  ["date", /^(date|day|datum|dt|timestamp|date.?time|valid|local.?time)/],
  ["time", /^(time|hour|hh|stunde)/],
  ["tmin", /(^|[ _.(])(t|temp\w*)[ _.]?(min|low)|min\w*[ _.]?(t|temp)|\blow(est)?\b/],
  ["tmax", /(^|[ _.(])(t|temp\w*)[ _.]?(max|high)|max\w*[ _.]?(t|temp)|\bhigh(est)?\b/],
  ["gust", /gust|peak.?wind|max.?wind|wind.?max/],
  ["wind", /wind|speed/],
  ["rain", /rain|precip|prcp/],
  ["humidity", /hum|^rh/],
  ["cloud", /cloud|sky/],
  ["temp", /temp|^t$|^ta$|air/],
];

/** Words that keep a column out: it is measured, but it is not the weather that is asked for. */
const NOT_THE_AIR = /dew|soil|pressure|baro|chill|index|indoor|inside|avg.?sea/;
const holdsDate = (value: string): boolean =>
  /^(\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[-/.]\d{1,2}[-/.]\d{4})/.test(value);

/**
 * Guesses what each column of a station's file holds and in which unit, from its heading and its values; every guess
 * is there to be changed. Words such as dew or soil keep a column out.
 */
export function previewColumns(text: string): ReadResult<Preview> {
  const table = readTable(text, MOST_ROWS);
  if (!table.ok) return table;
  const { headings, rows } = table.value;
  const used = new Set<ColumnField>();
  const valuesOf = (at: number) => rows.slice(0, 400).map((r) => (r.cells[at] ?? "").trim());
  // a column called “time” that holds whole dates is the date, whatever it is called
  const dated = headings.findIndex((_, at) => valuesOf(at).slice(0, 20).some(holdsDate));
  if (dated >= 0) used.add("date");
  const columns = headings.map((heading, at): ColumnUse => {
    const name = heading.toLowerCase();
    const values = valuesOf(at);
    const field =
      at === dated
        ? "date"
        : NOT_THE_AIR.test(name)
          ? null
          : (NAMES.find(([f, pattern]) => !used.has(f) && pattern.test(name))?.[0] ?? null);
    if (field) used.add(field);
    return { heading, field, unit: field ? guessUnit(field, name, values) : "" };
  });
  const dateAt = columns.findIndex((c) => c.field === "date");
  const days = new Set(rows.slice(0, 60).map((r) => (r.cells[dateAt] ?? "").trim().slice(0, 10)));
  const hourly =
    columns.some((c) => c.field === "time") ||
    (dateAt >= 0 && (rows[0]?.cells[dateAt] ?? "").trim().length > 10 && days.size < Math.min(60, rows.length) / 3);
  return {
    ok: true,
    notes: [],
    value: { columns, samples: rows.slice(0, 4).map((r) => r.cells), rows: rows.length, hourly },
  };
}

function guessUnit(field: ColumnField, name: string, values: readonly string[]): string {
  const numbers = values.map(numberIn).filter((n): n is number => n !== null);
  const most = Math.max(...numbers, Number.NEGATIVE_INFINITY);
  switch (kindOf(field)) {
    case "dates": {
      const parts = values.map((v) => /^(\d{1,2})[/.](\d{1,2})[/.]\d{4}/.exec(v)).filter((m) => m !== null);
      if (parts.length === 0) return "year-month-day";
      if (parts.some((m) => Number(m[1]) > 12)) return "day/month/year";
      if (parts.some((m) => Number(m[2]) > 12)) return "month/day/year";
      return values.some((v) => v.includes(".")) ? "day/month/year" : "month/day/year";
    }
    case "temperature":
      if (/[_ (°]f\b|fahrenheit/.test(name)) return "F";
      return /[_ (°]c\b|celsius/.test(name) || most <= 46 ? "C" : "F";
    case "rain":
      return /inch|[_ (]in\b/.test(name) ? "in" : "mm";
    case "speed":
      if (/km|kph/.test(name)) return "km/h";
      if (/mph|mi/.test(name)) return "mph";
      if (/kt|knot/.test(name)) return "kt";
      if (/m.?s\b|ms\b/.test(name)) return "m/s";
      return most > 40 ? "km/h" : "m/s";
    default:
      return "%";
  }
}

function numberIn(written: string): number | null {
  const text = written.trim();
  if (text === "" || /^(na|n\/a|null|nan|-+|m|t)$/i.test(text)) return null;
  const n = Number(/^-?\d+,\d+$/.test(text) ? text.replace(",", ".") : text);
  return Number.isNaN(n) ? Number.NaN : n;
}

/** A day as a date is written; null when it is none. */
function dayIn(written: string, unit: string): string | null {
  const text = written.trim();
  if (unit === "year-month-day") {
    const m = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/.exec(text);
    const day = m ? `${m[1]}-${m[2]!.padStart(2, "0")}-${m[3]!.padStart(2, "0")}` : "";
    return isDay(day) ? day : null;
  }
  const m = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})/.exec(text);
  if (!m) return null;
  const [d, month] = unit === "day/month/year" ? [m[1]!, m[2]!] : [m[2]!, m[1]!];
  const day = `${m[3]}-${month.padStart(2, "0")}-${d.padStart(2, "0")}`;
  return isDay(day) ? day : null;
}

/** Hours of a day that must be there for its extremes to count. */
const LEAST_HOURS = 18;

/**
 * Reads a station's file by the columns as the gardener has set them: one row a day, or one an hour, which is drawn
 * together to days (lowest, highest, sum of rain, strongest gust, means of the rest). Days with fewer than 18 hours are
 * left out and named. All of it or none, each fault with its row and column.
 */
export function readByColumns(text: string, uses: readonly ColumnUse[]): ReadResult<WeatherDay[]> {
  const table = readTable(text, MOST_ROWS);
  if (!table.ok) return table;
  const { headings, rows } = table.value;
  const at = (field: ColumnField) => {
    const use = uses.find((u) => u.field === field);
    return use ? headings.indexOf(use.heading) : -1;
  };
  const errors: LocatedError[] = [];
  for (const field of COLUMN_FIELDS)
    if (uses.filter((u) => u.field === field).length > 1)
      errors.push({ row: 1, column: field, message: "two columns are said to hold this; keep one" });
  if (at("date") < 0) errors.push({ row: 1, column: "date", message: "say which column holds the date" });
  const hourly = at("temp") >= 0 && (at("tmin") < 0 || at("tmax") < 0);
  if (!hourly && (at("tmin") < 0 || at("tmax") < 0))
    errors.push({
      row: 1,
      column: "tmin",
      message: "say which columns hold the lowest and highest temperature, or the temperature of each hour",
    });
  if (errors.length > 0) return { ok: false, errors };

  const used = uses.filter((u): u is ColumnUse & { field: ColumnField } => u.field !== null && u.field !== "time");
  type Row = { line: number; day: string; values: Partial<Record<ColumnField, number | null>> };
  const read: Row[] = [];
  for (const { line, cells } of rows) {
    if (errors.length >= MOST_ERRORS) break;
    const row: Row = { line, day: "", values: {} };
    for (const use of used) {
      const written = cells[headings.indexOf(use.heading)] ?? "";
      if (use.field === "date") {
        const day = dayIn(written, use.unit);
        if (day) row.day = day;
        else errors.push({ row: line, column: use.heading, message: `“${written}” is not a day written ${use.unit}` });
        continue;
      }
      const number = numberIn(written);
      const convert = (UNITS_OF[kindOf(use.field)] as Record<string, ((x: number) => number) | null>)[use.unit];
      if (number === null) row.values[use.field] = null;
      else if (Number.isNaN(number) || !convert)
        errors.push({ row: line, column: use.heading, message: `“${written}” is not a number` });
      else row.values[use.field] = Math.round(convert(number) * 100) / 100;
    }
    if (row.day) read.push(row);
  }
  if (errors.length > 0) return { ok: false, errors };

  const headingsOut = ["date", "tmin_c", "tmax_c", "rain_mm", "wind_ms", "gust_ms", "humidity_pct", "cloud_pct"];
  if (!hourly) {
    const daily = read.map(({ day, values: v }) => [
      day,
      v.tmin ?? null,
      v.tmax ?? null,
      v.rain ?? null,
      v.wind ?? null,
      v.gust ?? null,
      v.humidity ?? null,
      v.cloud ?? null,
    ]);
    return readWeatherCsv(writeTable(headingsOut, daily));
  }
  const byDay = groupBy(read, (r) => r.day);
  const short: string[] = [];
  const daily: (string | number | null)[][] = [];
  for (const [day, hours] of byDay) {
    const of = (field: ColumnField) =>
      hours.flatMap((h) => (typeof h.values[field] === "number" ? [h.values[field]] : []));
    const temps = of("temp");
    if (temps.length < LEAST_HOURS) {
      short.push(day);
      continue;
    }
    const mean = (xs: number[]) =>
      xs.length > 0 ? Math.round((100 * xs.reduce((s, x) => s + x, 0)) / xs.length) / 100 : null;
    const rain = of("rain");
    const gust = of("gust");
    daily.push([
      day,
      Math.min(...temps),
      Math.max(...temps),
      rain.length > 0 ? Math.round(10 * rain.reduce((s, x) => s + x, 0)) / 10 : null,
      mean(of("wind")),
      gust.length > 0 ? Math.max(...gust) : null,
      mean(of("humidity")),
      mean(of("cloud")),
    ]);
  }
  if (daily.length === 0)
    return { ok: false, errors: [{ row: null, column: null, message: `no day has ${LEAST_HOURS} hours or more` }] };
  const done = readWeatherCsv(writeTable(headingsOut, daily));
  return done.ok && short.length > 0
    ? {
        ...done,
        notes: [
          ...done.notes,
          `left out for want of hours: ${short.slice(0, 8).join(", ")}${short.length > 8 ? " …" : ""}`,
        ],
      }
    : done;
}

/** Days missing between the first and the last of a record. */
export function gapsIn(days: readonly WeatherDay[]): number {
  const first = days[0];
  const last = days.at(-1);
  if (!first || !last) return 0;
  const span = Math.round((Date.parse(`${last.day}T00:00Z`) - Date.parse(`${first.day}T00:00Z`)) / 86_400_000) + 1;
  return span - days.length;
}
