import { isDay } from "#core/calendar/day";
import { M_PER_S_PER_KMH, M_PER_S_PER_KNOT, M_PER_S_PER_MPH, MM_PER_INCH } from "#core/units/constants";
import { celsiusFromFahrenheit } from "#core/units/convert";
import { type WeatherDay, weatherDaySchema } from "#core/weather/daily";
import { readTable, writeTable } from "./csv";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

type Field = Exclude<keyof WeatherDay, "day">;
const same = (x: number) => x;

/** Headings understood, lower case, with the field and the conversion to metric each stands for. */
type Use = { field: Field; toMetric: (x: number) => number };
const COLUMNS: ReadonlyMap<string, Use> = new Map(
  Object.entries<Use>({
    tmin: { field: "tempMinC", toMetric: same },
    tmin_c: { field: "tempMinC", toMetric: same },
    tmin_f: { field: "tempMinC", toMetric: celsiusFromFahrenheit },
    tmax: { field: "tempMaxC", toMetric: same },
    tmax_c: { field: "tempMaxC", toMetric: same },
    tmax_f: { field: "tempMaxC", toMetric: celsiusFromFahrenheit },
    rain: { field: "rainMm", toMetric: same },
    rain_mm: { field: "rainMm", toMetric: same },
    rain_in: { field: "rainMm", toMetric: (x) => x * MM_PER_INCH },
    wind: { field: "windMs", toMetric: same },
    wind_ms: { field: "windMs", toMetric: same },
    wind_kmh: { field: "windMs", toMetric: (x) => x * M_PER_S_PER_KMH },
    wind_mph: { field: "windMs", toMetric: (x) => x * M_PER_S_PER_MPH },
    wind_kt: { field: "windMs", toMetric: (x) => x * M_PER_S_PER_KNOT },
    gust: { field: "gustMs", toMetric: same },
    gust_ms: { field: "gustMs", toMetric: same },
    gust_kmh: { field: "gustMs", toMetric: (x) => x * M_PER_S_PER_KMH },
    gust_mph: { field: "gustMs", toMetric: (x) => x * M_PER_S_PER_MPH },
    humidity: { field: "humidityPct", toMetric: same },
    humidity_pct: { field: "humidityPct", toMetric: same },
    cloud: { field: "cloudPct", toMetric: same },
    cloud_pct: { field: "cloudPct", toMetric: same },
  }),
);
const LIMITS: Record<Field, string> = {
  tempMinC: "between −60 and 50 °C",
  tempMaxC: "between −50 and 60 °C",
  rainMm: "from 0 to 500 mm",
  windMs: "from 0 to 60 m/s",
  gustMs: "from 0 to 90 m/s",
  humidityPct: "from 1 to 100 percent",
  cloudPct: "from 0 to 100 percent",
};

/** Rows read of one file: forty-five years of hours, so that such a file is told by its headings and not by its length. */
const MOST_ROWS = 400_000;

/**
 * Reads a station's daily record or a forecast from CSV. Columns: date (2026-10-06), tmin and tmax in °C (or tmin_f,
 * tmax_f), and as known rain (mm, or rain_in), wind and gust (m/s, or _kmh, _mph, _kt), humidity and cloud (percent).
 * Nothing is returned unless every row is right; days that stand twice with the same values count once.
 */
export function readWeatherCsv(text: string): ReadResult<WeatherDay[]> {
  const table = readTable(text, MOST_ROWS);
  if (!table.ok) return table;
  const names = table.value.headings.map((h) => h.toLowerCase().trim());
  const dateAt = names.indexOf("date");
  const errors: LocatedError[] = [];
  const notes: string[] = [];
  if (dateAt === -1) errors.push({ row: 1, column: "date", message: "there is no column “date”" });
  const columns = names.flatMap((name, at) => {
    const use = COLUMNS.get(name);
    return use ? [{ ...use, name, at }] : [];
  });
  for (const field of ["tempMinC", "tempMaxC"] as const)
    if (!columns.some((c) => c.field === field)) {
      const name = field === "tempMinC" ? "tmin" : "tmax";
      errors.push({ row: 1, column: name, message: `there is no column “${name}” (°C) or “${name}_f” (°F)` });
    }
  for (const field of Object.keys(LIMITS) as Field[]) {
    const twice = columns.filter((c) => c.field === field);
    if (twice.length > 1)
      errors.push({
        row: 1,
        column: twice[1]!.name,
        message: `says the same as “${twice[0]!.name}”; keep one of them`,
      });
  }
  const unknown = names.filter((n) => n !== "" && n !== "date" && !COLUMNS.has(n));
  if (unknown.length > 0) notes.push(`not used: ${unknown.join(", ")}`);
  if (errors.length > 0) return { ok: false, errors };

  const byDay = new Map<string, { line: number; weather: WeatherDay }>();
  for (const { line, cells } of table.value.rows) {
    if (errors.length >= MOST_ERRORS) break;
    const day = (cells[dateAt] ?? "").trim();
    if (!isDay(day)) {
      errors.push({ row: line, column: "date", message: `“${day}” is not a day; write it as 2026-10-06` });
      continue;
    }
    const values: Record<Field, number | null> = {
      tempMinC: null,
      tempMaxC: null,
      rainMm: 0,
      windMs: null,
      gustMs: null,
      humidityPct: null,
      cloudPct: null,
    };
    let sound = true;
    for (const column of columns) {
      const written = (cells[column.at] ?? "").trim();
      if (written === "") {
        if (column.field === "tempMinC" || column.field === "tempMaxC") {
          errors.push({ row: line, column: column.name, message: "the temperature is missing" });
          sound = false;
        }
        continue;
      }
      const number = Number(/^-?\d+,\d+$/.test(written) ? written.replace(",", ".") : written);
      if (Number.isNaN(number)) {
        errors.push({ row: line, column: column.name, message: `“${written}” is not a number` });
        sound = false;
      } else values[column.field] = Math.round(column.toMetric(number) * 100) / 100;
    }
    if (!sound) continue;
    const checked = weatherDaySchema.safeParse({ day, ...values });
    if (!checked.success) {
      for (const issue of checked.error.issues) {
        const field = String(issue.path[0] ?? "") as Field;
        const column = columns.find((c) => c.field === field)?.name ?? "tmax";
        const outside =
          issue.code === "custom" ? issue.message : `${values[field]} cannot be: ${LIMITS[field] ?? "out of range"}`;
        errors.push({ row: line, column, message: outside });
      }
      continue;
    }
    const before = byDay.get(day);
    if (before && JSON.stringify(before.weather) !== JSON.stringify(checked.data))
      errors.push({
        row: line,
        column: "date",
        message: `${day} already stands in row ${before.line} with other values`,
      });
    else if (!before) byDay.set(day, { line, weather: checked.data });
  }
  if (errors.length === 0 && byDay.size === 0)
    errors.push({ row: null, column: null, message: "the file has a heading but no days" });
  if (errors.length > 0) return { ok: false, errors };
  const days = [...byDay.values()].map((d) => d.weather).sort((a, b) => (a.day < b.day ? -1 : 1));
  return { ok: true, value: days, notes };
}

/** Writes days as CSV that readWeatherCsv reads back to the same days. */
export const writeWeatherCsv = (days: readonly WeatherDay[]): string =>
  writeTable(
    ["date", "tmin_c", "tmax_c", "rain_mm", "wind_ms", "gust_ms", "humidity_pct", "cloud_pct"],
    days.map((d) => [d.day, d.tempMinC, d.tempMaxC, d.rainMm, d.windMs, d.gustMs, d.humidityPct, d.cloudPct]),
  );
