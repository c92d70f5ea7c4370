import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
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
});

export const windows = sqliteTable("windows", {
  id: text().primaryKey(),
  weekday: integer().notNull(),
  startsAt: text().notNull(),
  minutes: integer().notNull(),
});

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
    undoneBy: text(),
  },
  (t) => [index("journal_at").on(t.at)],
);
export type JournalEntry = {
  table: string;
  key: string;
  before: Record<string, unknown> | null;
  after: Record<string, unknown> | null;
};
