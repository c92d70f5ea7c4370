import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { COVERS } from "#core/garden/bed";
import { STARTS } from "#core/handbook/crop";

export const beds = sqliteTable("beds", {
  id: text().primaryKey(),
  name: text().notNull(),
  shape: text({ enum: ["rectangle", "circle"] }).notNull(),
  xM: real().notNull(),
  yM: real().notNull(),
  widthM: real().notNull(),
  lengthM: real().notNull(),
  cover: text({ enum: COVERS }).notNull(),
  sunHours: real().notNull(),
  nightOffsetC: real().notNull(),
  note: text().notNull(),
  site: text().notNull().default(""),
  walkOrder: integer().notNull(),
});

export const plantings = sqliteTable(
  "plantings",
  {
    id: text().primaryKey(),
    bedId: text()
      .notNull()
      .references(() => beds.id),
    cropId: text().notNull(),
    kind: text().notNull(),
    ripeColour: text().notNull().default(""),
    disease: text().notNull().default(""),
    startedHow: text({ enum: STARTS }).notNull(),
    startedOn: text().notNull(),
    plants: integer(),
    rowM: real(),
    areaM2: real(),
    packetMinDays: integer(),
    packetMaxDays: integer(),
    schoolId: text().notNull(),
    note: text().notNull(),
    endedOn: text(),
  },
  (t) => [index("plantings_bed").on(t.bedId)],
);
