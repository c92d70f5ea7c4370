import { isDay } from "#core/calendar/day";
import type { PlaceReading } from "#core/keeping/place-air";
import { readTable } from "./csv";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

const HEADINGS = {
  at: ["time", "date", "datetime", "timestamp", "date time", "at"],
  temp: [
    "temp",
    "temperature",
    "temp_c",
    "temperature_c",
    "temperature °c",
    "temp c",
    "°c",
    "temp_f",
    "temperature_f",
    "°f",
    "temperature °f",
    "temp f",
  ],
  humidity: ["humidity", "rh", "humidity %", "relative humidity", "humidity_pct", "rh %"],
} as const;

/**
 * Readings of a thermometer from CSV: a column of moments, one of temperature (°C, or °F when its heading ends in F),
 * and, if there is one, humidity in per cent. Nothing is taken unless every row is right.
 */
export function readReadingsCsv(text: string, placeId: string, newId: () => string): ReadResult<PlaceReading[]> {
  const table = readTable(text);
  if (!table.ok) return table;
  const names = table.value.headings.map((h) => h.trim().toLowerCase());
  const find = (words: readonly string[]) => names.findIndex((n) => words.includes(n));
  const at = find(HEADINGS.at);
  const temp = find(HEADINGS.temp);
  const humidity = find(HEADINGS.humidity);
  const errors: LocatedError[] = [];
  if (at < 0) errors.push({ row: 1, column: null, message: "no column for the moment; head it “time”" });
  if (temp < 0) errors.push({ row: 1, column: null, message: "no column for the temperature; head it “temp”" });
  if (errors.length > 0) return { ok: false, errors };
  const fahrenheit = /f$/.test(names[temp]!);
  const readings: PlaceReading[] = [];
  const seen = new Set<string>();
  for (const { line, cells } of table.value.rows) {
    if (errors.length >= MOST_ERRORS) break;
    const wrong = (column: number, message: string) =>
      errors.push({ row: line, column: table.value.headings[column]!, message });
    const moment = (cells[at] ?? "").trim().replace(" ", "T").slice(0, 16);
    if (!isDay(moment.slice(0, 10)) || !/T([01]\d|2[0-3]):[0-5]\d$/.test(moment)) {
      wrong(at, `“${cells[at]}” is not a moment: write it as 2026-10-06 08:00`);
      continue;
    }
    if (seen.has(moment)) {
      wrong(at, "this moment stands twice");
      continue;
    }
    seen.add(moment);
    const raw = Number((cells[temp] ?? "").trim().replace(",", "."));
    const tempC = fahrenheit ? (raw - 32) / 1.8 : raw;
    if ((cells[temp] ?? "").trim() === "" || !Number.isFinite(raw)) {
      wrong(temp, `“${cells[temp]}” is not a temperature`);
      continue;
    }
    if (tempC < -40 || tempC > 60) {
      wrong(temp, `${cells[temp]} is colder or hotter than any store`);
      continue;
    }
    const wet = humidity < 0 ? "" : (cells[humidity] ?? "").trim().replace("%", "").replace(",", ".");
    const humidityPct = wet === "" ? null : Number(wet);
    if (humidityPct !== null && !(humidityPct >= 0 && humidityPct <= 100)) {
      wrong(humidity, `“${cells[humidity]}” is not a humidity from 0 to 100 %`);
      continue;
    }
    readings.push({ id: newId(), placeId, at: moment, tempC: Math.round(tempC * 100) / 100, humidityPct });
  }
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: readings, notes: [] };
}
