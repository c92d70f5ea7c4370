import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { PLACE_AIRS, PLACE_KINDS, PLACE_LIGHTS, ROOM_IN } from "#core/household/place";
import { COINS } from "#core/units/reference-objects";

export const garden = sqliteTable("garden", {
  id: text().primaryKey().$type<"garden">(),
  name: text().notNull(),
  place: text().notNull(),
  latitudeDeg: real().notNull(),
  longitudeDeg: real().notNull(),
  elevationM: real().notNull(),
  timeZone: text().notNull(),
  units: text({ enum: ["metric", "us"] }).notNull(),
  coins: text({ enum: COINS }).notNull().default("none"),
  plotWidthM: real().notNull(),
  plotLengthM: real().notNull(),
  pinnedNow: text(),
  hourWorth: real().notNull(),
  roundMinutes: real().notNull(),
  lineMinutes: real().notNull(),
  pickers: integer().notNull().default(1),
  eaters: integer().notNull().default(2),
  orderByHand: integer({ mode: "boolean" }).notNull().default(false),
  undoYears: integer().notNull().default(3),
});

export const people = sqliteTable("people", {
  id: text().primaryKey(),
  name: text().notNull(),
  role: text({ enum: ["gardener", "neighbour"] }).notNull(),
});

export const containers = sqliteTable("containers", {
  id: text().primaryKey(),
  name: text().notNull(),
  tareG: real().notNull(),
  litres: real(),
  atHand: integer(),
});

export const windows = sqliteTable("windows", {
  id: text().primaryKey(),
  weekday: integer().notNull(),
  startsAt: text().notNull(),
  minutes: integer().notNull(),
});

/** Days on which the week's windows do not hold; without an hour: no time at all. */
export const datedWindows = sqliteTable(
  "dated_windows",
  {
    id: text().primaryKey(),
    day: text().notNull(),
    startsAt: text(),
    minutes: integer().notNull(),
  },
  (t) => [index("dated_windows_day").on(t.day)],
);

export const tastes = sqliteTable("tastes", {
  id: text().primaryKey(),
  liking: real().notNull(),
  weeklyG: real().notNull(),
  sparedG: real().notNull(),
});

export const places = sqliteTable("places", {
  id: text().primaryKey(),
  name: text().notNull(),
  kind: text({ enum: PLACE_KINDS }).notNull(),
  litres: real().notNull(),
  takenLitres: real().notNull(),
  tempMinC: real(),
  tempMaxC: real(),
  humidityMin: real(),
  humidityMax: real(),
  light: text({ enum: PLACE_LIGHTS }),
  air: text({ enum: PLACE_AIRS }),
  roomIn: text({ enum: ROOM_IN }).notNull().default("litres"),
  trayLitres: real(),
  addedAt: text().notNull().default(""),
});

/** What thermometers in the places showed. */
export const placeReadings = sqliteTable(
  "place_readings",
  {
    id: text().primaryKey(),
    placeId: text()
      .notNull()
      .references(() => places.id),
    at: text().notNull(),
    tempC: real().notNull(),
    humidityPct: real(),
  },
  (t) => [index("place_readings_place").on(t.placeId, t.at)],
);

export const trips = sqliteTable("trips", {
  id: text().primaryKey(),
  name: text().notNull(),
  fromDay: text().notNull(),
  toDay: text().notNull(),
  standIn: text().notNull(),
  standInMinutes: integer().notNull().default(0),
});

/** Every change with the rows before and after it: the audit trail, and what undo reads. */
export const journal = sqliteTable(
  "journal",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    id: text().notNull().unique(),
    at: text().notNull(),
    label: text().notNull(),
    entries: text({ mode: "json" }).notNull().$type<JournalEntry[]>(),
    /** names of the tables it touched; null: written before they were noted */
    tables: text({ mode: "json" }).$type<string[]>(),
    undoneBy: text(),
    /** what stood before and after has been let go with the years; that it was done stays */
    thinned: integer({ mode: "boolean" }).notNull().default(false),
  },
  (t) => [index("journal_at").on(t.at)],
);
export type JournalEntry = {
  table: string;
  key: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
};
