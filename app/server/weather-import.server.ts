import { addDays, sayDate } from "#core/calendar/day";
import type { WeatherDay } from "#core/weather/daily";
import { change } from "#db/change";
import { saveWeather } from "#db/garden";
import { type ReadForecast, readForecast } from "#formats/forecast";
import { type LocatedError, MOST_ERRORS, type ReadResult, sayError } from "#formats/located";
import {
  COLUMN_FIELDS,
  type ColumnUse,
  gapsIn,
  type Preview,
  previewColumns,
  readByColumns,
} from "#formats/weather-columns";
import { readWeatherCsv } from "#formats/weather-csv";
import { type Desk, db } from "./desk.server";
import type { FormFaults } from "./forms.server";

/** What came of an import: brought in, refused, or shown first so that its columns can be set. */
export type Imported =
  | { kind: "done"; journalId: string | null; notes: string[] }
  | { kind: "refused"; faults: FormFaults }
  | { kind: "preview"; preview: Preview; text: string; faults: FormFaults };

/** Ids of forecasts sort by when they came, after those of the demo: of several issued on one day the last is in force. */
export const newForecastId = (): string => `taken-${String(Date.now()).padStart(15, "0")}`;

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
 * Brings in a station's record or a forecast from a file's text: by its own headings where they are the documented
 * ones, else by columns that are shown first and may be mended. All of it or none.
 */
export function importWeather(d: Desk, typed: Record<string, string>, text: string): Imported {
  const refused = (message: string): Imported => ({
    kind: "refused",
    faults: { errors: { file: message }, typed },
  });
  if (typed.intent === "columns") {
    const seen = previewColumns(text);
    if (!seen.ok) return refused(listed(seen.errors));
    const columns = usesOf(
      typed,
      seen.value.columns.map((c) => c.heading),
    );
    const read = readByColumns(text, columns);
    if (read.ok) return typed.what === "forecast" ? keepForecast(d, typed, plain(read)) : keep(d, typed, read);
    return {
      kind: "preview",
      text,
      preview: { ...seen.value, columns },
      faults: { errors: { file: listed(read.errors) }, typed },
    };
  }
  if (typed.what === "forecast" && typed.intent !== "preview") {
    const forecast = readForecast(text);
    if (forecast.ok) return keepForecast(d, typed, forecast);
    // headings that are not the documented ones can still be set right column by column
    if (!forecast.errors.every((e) => e.row === 1)) return refused(listed(forecast.errors));
  }
  const read = typed.intent === "preview" ? null : readWeatherCsv(text);
  if (read?.ok) return keep(d, typed, read);
  const headingsOnly = read === null || read.errors.every((e) => e.row === 1 && !/stands twice/.test(e.message));
  const seen = headingsOnly ? previewColumns(text) : null;
  if (seen?.ok && (typed.intent === "preview" || seen.value.columns.filter((c) => c.field !== null).length >= 2))
    return { kind: "preview", preview: seen.value, text, faults: { errors: {}, typed } };
  return refused(listed(read && !read.ok ? read.errors : seen && !seen.ok ? seen.errors : []));
}

const plain = (
  read: Extract<ReadResult<WeatherDay[]>, { ok: true }>,
): Extract<ReadResult<ReadForecast>, { ok: true }> => ({
  ...read,
  value: { source: null, issuedOn: null, days: read.value },
});

function keepForecast(
  d: Desk,
  typed: Record<string, string>,
  read: Extract<ReadResult<ReadForecast>, { ok: true }>,
): Imported {
  const refused = (message: string): Imported => ({ kind: "refused", faults: { errors: { file: message }, typed } });
  const { days } = read.value;
  const first = days[0]!.day;
  const last = days.at(-1)!.day;
  if (last < d.today) return refused(`These days end on ${last}: that is a record, not a forecast.`);
  if (days.length > 60) return refused("A forecast may have at most 60 days.");
  const source = (typed.source ?? "").trim() || read.value.source || "Imported forecast";
  const issuedOn = read.value.issuedOn ?? (first < d.today ? first : d.today);
  if (issuedOn > d.today) return refused(`It says it was issued on ${issuedOn}, which has not been yet.`);
  const members = Math.max(0, ...days.map((x) => x.members?.length ?? 0));
  const journalId = change(
    db(),
    `Forecast brought in: ${days.length} days${members > 0 ? `, ${members} members` : ""}`,
    d.now,
    (c) => c.put("forecasts", { id: newForecastId(), source, issuedOn, days }),
  );
  return { kind: "done", journalId, notes: read.notes };
}

function keep(d: Desk, typed: Record<string, string>, read: Extract<ReadResult<WeatherDay[]>, { ok: true }>): Imported {
  const refused = (message: string): Imported => ({ kind: "refused", faults: { errors: { file: message }, typed } });
  const first = read.value[0]!.day;
  const last = read.value.at(-1)!.day;
  if (last >= d.today)
    return refused(
      `These days go on to ${last}: a record ends yesterday, ${addDays(d.today, -1)}, at the latest. Was it a forecast?`,
    );
  const gaps = gapsIn(read.value);
  const label = `Record brought in: ${read.value.length} days, ${sayDate(first)} to ${sayDate(last)}${gaps > 0 ? `, ${gaps} missing between` : ""}`;
  const { journalId } = saveWeather(db(), read.value, d.now, label);
  return { kind: "done", journalId, notes: read.notes };
}
