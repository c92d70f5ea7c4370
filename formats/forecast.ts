import { z } from "zod";
import { isDay } from "#core/calendar/day";
import { groupBy } from "#core/group-by";
import {
  type ForecastDay,
  forecastDaySchema,
  forecastSchema,
  type Member,
  MOST_MEMBERS,
  type WeatherDay,
} from "#core/weather/daily";
import { meanOf } from "#core/weather/ensemble";
import { readTable, writeTable } from "./csv";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";
import { readWeatherCsv } from "./weather-csv";

/** A forecast as read: who issued it and when, where the file says so. */
export type ReadForecast = { source: string | null; issuedOn: string | null; days: ForecastDay[] };

export const FORECAST_FORMAT = "akmedon-forecast";

const UNKNOWN = { rainMm: 0, windMs: null, gustMs: null, humidityPct: null, cloudPct: null };
/** What a day or a member may leave out: no rain, all else unknown. */
const filled = (raw: unknown): unknown => {
  if (raw === null || typeof raw !== "object") return raw;
  const day = { ...UNKNOWN, ...raw } as { members?: unknown };
  return Array.isArray(day.members)
    ? { ...day, members: day.members.map((m) => (m && typeof m === "object" ? { rainMm: 0, gustMs: null, ...m } : m)) }
    : day;
};

const documentSchema = z.object({
  format: z.literal(FORECAST_FORMAT),
  version: z.literal(1),
  source: forecastSchema.shape.source.optional(),
  issuedOn: forecastSchema.shape.issuedOn.optional(),
  days: z.array(z.preprocess(filled, forecastDaySchema)).min(1).max(60),
});

/**
 * Reads a forecast from JSON (docs/weather-files.md), or from CSV in the columns of readWeatherCsv; a column “member”
 * makes the CSV an ensemble with one row for each member and day. Nothing is returned unless all of it is right.
 */
export function readForecast(text: string): ReadResult<ReadForecast> {
  if (/^\uFEFF?\s*\{/.test(text)) return readJson(text);
  const heading = text.slice(0, text.search(/\r|\n|$/)).toLowerCase();
  if (/(^|[,;\t"\uFEFF])member(["',;\t]|$)/.test(heading)) return readEnsembleCsv(text);
  const read = readWeatherCsv(text);
  return read.ok ? { ...read, value: { source: null, issuedOn: null, days: inOrder(read.value) } } : read;
}

function readJson(text: string): ReadResult<ReadForecast> {
  const fail = (message: string, column: string | null = null): ReadResult<ReadForecast> => ({
    ok: false,
    errors: [{ row: null, column, message }],
  });
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch (error) {
    return fail(`this is not sound JSON: ${error instanceof Error ? error.message : "unreadable"}`);
  }
  const checked = documentSchema.safeParse(raw);
  if (!checked.success)
    return {
      ok: false,
      errors: checked.error.issues.slice(0, MOST_ERRORS).map((issue) => ({
        row: null,
        column: placeIn(issue.path),
        message: issue.message,
      })),
    };
  const { source, issuedOn, days } = checked.data;
  const twice = days.find((d, i) => days.findIndex((x) => x.day === d.day) !== i);
  if (twice) return fail(`${twice.day} stands twice`, "days");
  return { ok: true, notes: [], value: { source: source ?? null, issuedOn: issuedOn ?? null, days: inOrder(days) } };
}

/** "days[3].members[7].tempMinC" */
const placeIn = (path: readonly PropertyKey[]): string | null =>
  path.length === 0
    ? null
    : path.reduce<string>(
        (so, key) => (typeof key === "number" ? `${so}[${key}]` : so === "" ? String(key) : `${so}.${String(key)}`),
        "",
      );

const inOrder = <T extends { day: string }>(days: readonly T[]): T[] =>
  [...days].sort((a, b) => (a.day < b.day ? -1 : 1));

/** One row for each member and day; rows are read with the same rules as a station's record, member by member. */
function readEnsembleCsv(text: string): ReadResult<ReadForecast> {
  const table = readTable(text, 20_000);
  if (!table.ok) return table;
  const { headings, rows } = table.value;
  const memberAt = headings.findIndex((h) => h.toLowerCase() === "member");
  const dateAt = headings.findIndex((h) => h.toLowerCase() === "date");
  const byMember = groupBy(rows, (row) => (row.cells[memberAt] ?? "").trim());
  const errors = (byMember.get("") ?? []).map(
    ({ line }): LocatedError => ({ row: line, column: "member", message: "says no member" }),
  );
  byMember.delete("");
  if (rows.length === 0) errors.push({ row: null, column: null, message: "the file has a heading but no days" });
  if (byMember.size > MOST_MEMBERS)
    errors.push({
      row: null,
      column: "member",
      message: `${byMember.size} members; at most ${MOST_MEMBERS} are taken`,
    });
  if (errors.length > 0) return { ok: false, errors: errors.slice(0, MOST_ERRORS) };
  const days = new Map<string, WeatherDay[]>();
  const notes = new Set<string>();
  const kept = headings.map((_, i) => i).filter((i) => i !== memberAt);
  for (const [name, own] of byMember) {
    const read = readWeatherCsv(
      writeTable(
        kept.map((i) => headings[i]!),
        own.map((r) => kept.map((i) => numberOrText(r.cells[i] ?? ""))),
      ),
    );
    if (!read.ok) {
      // rows of one member are counted by themselves: say where they stand in the file
      for (const e of read.errors) {
        const row = e.row === null || e.row === 1 ? e.row : (own[e.row - 2]?.line ?? null);
        if (e.row !== 1 || errors.every((x) => x.row !== 1 || x.column !== e.column)) errors.push({ ...e, row });
      }
      continue;
    }
    for (const note of read.notes) notes.add(note);
    for (const day of read.value) days.set(day.day, [...(days.get(day.day) ?? []), day]);
    const dates = own.map((r) => (r.cells[dateAt] ?? "").trim()).filter(isDay);
    if (new Set(dates).size < dates.length) notes.add(`member ${name} says some days twice, alike`);
  }
  if (errors.length > 0) return { ok: false, errors: errors.slice(0, MOST_ERRORS) };
  return {
    ok: true,
    notes: [...notes],
    value: { source: null, issuedOn: null, days: inOrder([...days.values()].map(dayOf)) },
  };
}

/** Numbers are handed on as numbers, so that a minus sign is not taken for a formula. */
const numberOrText = (cell: string): string | number => {
  const text = cell.trim();
  const plain = /^-?\d+,\d+$/.test(text) ? text.replace(",", ".") : text;
  return plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : text;
};

const round2 = (x: number) => Math.round(x * 100) / 100;

/** A day of an ensemble: its mean as what is most likely, its members beside it. */
function dayOf(all: readonly WeatherDay[]): ForecastDay {
  const mean = (of: (d: WeatherDay) => number | null): number | null => {
    const known = all.map(of).filter((x): x is number => x !== null);
    return known.length > 0 ? round2(meanOf(known)) : null;
  };
  return forecastDaySchema.parse({
    day: all[0]!.day,
    tempMinC: mean((d) => d.tempMinC),
    tempMaxC: mean((d) => d.tempMaxC),
    rainMm: mean((d) => d.rainMm),
    windMs: mean((d) => d.windMs),
    gustMs: mean((d) => d.gustMs),
    humidityPct: mean((d) => d.humidityPct),
    cloudPct: mean((d) => d.cloudPct),
    members: all.map(({ tempMinC, tempMaxC, rainMm, gustMs }): Member => ({ tempMinC, tempMaxC, rainMm, gustMs })),
  });
}

/** Writes a forecast as the JSON that readForecast reads back to the same. */
export const writeForecastJson = (forecast: {
  source: string;
  issuedOn: string;
  days: readonly ForecastDay[];
}): string =>
  `${JSON.stringify({ format: FORECAST_FORMAT, version: 1, source: forecast.source, issuedOn: forecast.issuedOn, days: forecast.days }, null, 1)}\n`;
