import { index, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { ForecastDay } from "#core/weather/daily";
import { beds } from "./plot";

export const weatherDays = sqliteTable("weather_days", {
  day: text().primaryKey(),
  tempMinC: real().notNull(),
  tempMaxC: real().notNull(),
  rainMm: real().notNull(),
  windMs: real(),
  gustMs: real(),
  humidityPct: real(),
  cloudPct: real(),
});

/** Every forecast is kept as it was issued. */
export const forecasts = sqliteTable(
  "forecasts",
  {
    id: text().primaryKey(),
    source: text().notNull(),
    issuedOn: text().notNull(),
    days: text({ mode: "json" }).notNull().$type<ForecastDay[]>(),
  },
  (t) => [index("forecasts_issued").on(t.issuedOn)],
);

/** Minima read off a thermometer in a bed: the night before the day. */
export const bedReadings = sqliteTable(
  "bed_readings",
  {
    id: text().primaryKey(),
    bedId: text()
      .notNull()
      .references(() => beds.id),
    day: text().notNull(),
    minC: real().notNull(),
  },
  (t) => [index("bed_readings_bed").on(t.bedId, t.day)],
);

/** Covers laid over a bed for one night: the night before the day. */
export const covers = sqliteTable("covers", {
  id: text().primaryKey(),
  bedId: text()
    .notNull()
    .references(() => beds.id),
  day: text().notNull(),
});
