import { addDays, sayDate } from "#core/calendar/day";
import type { WeatherDay } from "#core/weather/daily";
import { change } from "#db/change";
import { saveWeather } from "#db/garden";
import type { ReadForecast } from "#formats/forecast";
import type { ReadResult } from "#formats/located";
import { gapsIn, type Preview } from "#formats/weather-columns";
import type { BackupTask, BroughtBack } from "./backup-task";
import { inBackupThread } from "./backups.server";
import type { FormFaults } from "./forms.server";
import { db, type GardenNow } from "./garden-now.server";
import { readWeatherInThread } from "./reading.server";

/** What came of an import: brought in, refused, or shown first so that its columns can be set. */
export type Imported =
  | { kind: "done"; journalId: string | null; notes: string[] }
  | { kind: "refused"; faults: FormFaults }
  | { kind: "preview"; preview: Preview; text: string; faults: FormFaults };

/** Ids of forecasts sort by when they came, after those of the demo: of several issued on one day the last is in force. */
export const newForecastId = (): string => `taken-${String(Date.now()).padStart(15, "0")}`;

/**
 * Brings in a station's record or a forecast from a file's text; a file whose columns are not known is shown first. All
 * of it or none.
 */
export async function importWeather(d: GardenNow, typed: Record<string, string>, text: string): Promise<Imported> {
  const file = await readWeatherInThread(typed, text);
  switch (file.as) {
    case "record":
      return keep(d, typed, file.read);
    case "forecast":
      return keepForecast(d, typed, file.read);
    case "refused":
      return { kind: "refused", faults: { errors: { file: file.message }, typed } };
    case "columns":
      return {
        kind: "preview",
        text,
        preview: file.preview,
        faults: { errors: file.fault === null ? {} : { file: file.fault }, typed },
      };
  }
}

function keepForecast(
  d: GardenNow,
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

/** From so many days on they are written in a thread of their own: nobody waits meanwhile. */
const MANY = 500;

async function keep(
  d: GardenNow,
  typed: Record<string, string>,
  read: Extract<ReadResult<WeatherDay[]>, { ok: true }>,
): Promise<Imported> {
  const refused = (message: string): Imported => ({ kind: "refused", faults: { errors: { file: message }, typed } });
  const first = read.value[0]!.day;
  const last = read.value.at(-1)!.day;
  if (last >= d.today)
    return refused(
      `These days go on to ${last}: a record ends yesterday, ${addDays(d.today, -1)}, at the latest. Was it a forecast?`,
    );
  const gaps = gapsIn(read.value);
  const label = `Record brought in: ${read.value.length} days, ${sayDate(first)} to ${sayDate(last)}${gaps > 0 ? `, ${gaps} missing between` : ""}`;
  const days = read.value;
  if (days.length > MANY) {
    const task = (dataDir: string): BackupTask => ({ what: "weather", dataDir, days, at: d.now, label });
    const put = (await inBackupThread(task)) as BroughtBack;
    return put.ok ? { kind: "done", journalId: put.journalId, notes: read.notes } : refused(put.message);
  }
  const { journalId } = saveWeather(db(), days, d.now, label);
  return { kind: "done", journalId, notes: read.notes };
}
