import type { WeatherDay } from "#core/weather/daily";
import { type ReadForecast, readForecast } from "#formats/forecast";
import { type LocatedError, MOST_ERRORS, type ReadResult, sayError } from "#formats/located";
import { COLUMN_FIELDS, type ColumnUse, type Preview, previewColumns, readByColumns } from "#formats/weather-columns";
import { readWeatherCsv } from "#formats/weather-csv";

type Read<T> = Extract<ReadResult<T>, { ok: true }>;
/** A weather file as it was read: days of a record, a forecast, columns to be set first, or why not. */
export type WeatherFile =
  | { as: "record"; read: Read<WeatherDay[]> }
  | { as: "forecast"; read: Read<ReadForecast> }
  | { as: "columns"; preview: Preview; fault: string | null }
  | { as: "refused"; message: string };

const listed = (errors: readonly LocatedError[]): string =>
  `${errors.slice(0, 12).map(sayError).join("\n")}${errors.length >= MOST_ERRORS ? "\n… and more" : ""}\nNothing was imported.`;

/** The columns as the form of the preview set them. */
function usesOf(typed: Record<string, string>, headings: readonly string[]): ColumnUse[] {
  return headings.map((heading, i) => ({
    heading,
    field: COLUMN_FIELDS.find((f) => f === typed[`use-${i}`]) ?? null,
    unit: typed[`unit-${i}`] ?? "",
  }));
}

/**
 * Reads a station's record or a forecast from a file's text: by its own headings where they are the documented ones,
 * else by columns that are shown first and may be mended.
 */
export function readWeatherFile(typed: Record<string, string>, text: string): WeatherFile {
  const refused = (errors: readonly LocatedError[]): WeatherFile => ({ as: "refused", message: listed(errors) });
  if (typed.intent === "columns") {
    const seen = previewColumns(text);
    if (!seen.ok) return refused(seen.errors);
    const columns = usesOf(
      typed,
      seen.value.columns.map((c) => c.heading),
    );
    const read = readByColumns(text, columns);
    if (!read.ok) return { as: "columns", preview: { ...seen.value, columns }, fault: listed(read.errors) };
    return typed.what === "forecast" ? { as: "forecast", read: plain(read) } : { as: "record", read };
  }
  if (typed.what === "forecast" && typed.intent !== "preview") {
    const forecast = readForecast(text);
    if (forecast.ok) return { as: "forecast", read: forecast };
    // headings that are not the documented ones can still be set right column by column
    if (!forecast.errors.every((e) => e.row === 1)) return refused(forecast.errors);
  }
  const read = typed.intent === "preview" ? null : readWeatherCsv(text);
  if (read?.ok) return { as: "record", read };
  const headingsOnly = read === null || read.errors.every((e) => e.row === 1 && !/stands twice/.test(e.message));
  const seen = headingsOnly ? previewColumns(text) : null;
  if (seen?.ok && (typed.intent === "preview" || seen.value.columns.filter((c) => c.field !== null).length >= 2))
    return { as: "columns", preview: seen.value, fault: null };
  return refused(read && !read.ok ? read.errors : seen && !seen.ok ? seen.errors : []);
}

/** Days read by columns, as a forecast that names neither its source nor its day. */
const plain = (read: Read<WeatherDay[]>): Read<ReadForecast> => ({
  ...read,
  value: { source: null, issuedOn: null, days: read.value },
});
