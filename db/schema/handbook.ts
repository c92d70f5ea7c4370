import { integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { Crop } from "#core/handbook/crop";
import type { Reading } from "#core/planting/check";

/** The gardener's own crops and changed copies; the printed handbook is data, not rows. */
export const ownCrops = sqliteTable("own_crops", {
  id: text().primaryKey(),
  crop: text({ mode: "json" }).notNull().$type<Crop>(),
});

/** Answers given in practice, for the score of each cue. */
export const practice = sqliteTable("practice", {
  id: text().primaryKey(),
  at: text().notNull(),
  cropId: text().notNull(),
  readings: text({ mode: "json" }).notNull().$type<Reading[]>(),
  said: text().notNull(),
  truth: text().notNull(),
  right: integer({ mode: "boolean" }).notNull(),
});
