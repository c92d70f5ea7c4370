import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { TREATMENTS } from "#core/garden/treatment";
import { STARTS } from "#core/handbook/crop";
import { JOB_MARKS } from "#core/jobs/mark";
import { PRESERVED } from "#core/keeping/blanching";
import { LOT_EVENTS, TESTED } from "#core/keeping/lot";
import { PICK_WISHES } from "#core/planning/question/wish";
import type { Reading } from "#core/planting/check";
import type { Marked } from "#core/planting/marked";
import { BED_LOSS_CAUSES } from "#core/season/bed-loss";
import { SEED_UNITS } from "#core/season/seed-lots";
import { WEIGHED } from "#core/weighing/learned";
import {
  AGAINS,
  CONDITIONS,
  EXTENTS,
  GRADES,
  PARTS,
  PURPOSES,
  type SortedPart,
  type TareItem,
  WAYS,
} from "#core/weighing/pick";
import { beds, plantings } from "./plot";

export const checks = sqliteTable(
  "checks",
  {
    id: text().primaryKey(),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    at: text().notNull(),
    by: text().notNull(),
    note: text().notNull(),
    readings: text({ mode: "json" }).notNull().$type<Reading[]>(),
    photos: text({ mode: "json" }).notNull().default([]).$type<string[]>(),
    marked: text({ mode: "json" }).notNull().default([]).$type<Marked[]>(),
  },
  (t) => [index("checks_planting").on(t.plantingId, t.at)],
);

export const rounds = sqliteTable(
  "rounds",
  {
    id: text().primaryKey(),
    day: text().notNull(),
    startsAt: text().notNull(),
    status: text({ enum: ["planned", "done", "dropped"] }).notNull(),
    pinned: integer({ mode: "boolean" }).notNull(),
    note: text().notNull(),
  },
  (t) => [index("rounds_day").on(t.day)],
);

export const roundLines = sqliteTable(
  "round_lines",
  {
    id: text().primaryKey(),
    roundId: text()
      .notNull()
      .references(() => rounds.id),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    take: text({ enum: ["ready", "strip"] }).notNull(),
    expectedG: real().notNull(),
    lostG: real().notNull(),
    minutes: real().notNull(),
    why: text().notNull(),
  },
  (t) => [index("round_lines_round").on(t.roundId), index("round_lines_planting").on(t.plantingId)],
);

export const picks = sqliteTable(
  "picks",
  {
    id: text().primaryKey(),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    roundId: text(),
    at: text().notNull(),
    by: text().notNull(),
    method: text().notNull(),
    extent: text({ enum: EXTENTS }).notNull(),
    count: integer(),
    grossG: real(),
    entered: text().notNull(),
    tare: text({ mode: "json" }).notNull().$type<TareItem[]>(),
    topsOn: integer({ mode: "boolean" }).notNull(),
    grade: text({ enum: GRADES }).notNull(),
    estimated: integer({ mode: "boolean" }).notNull(),
    note: text().notNull(),
    part: text({ enum: PARTS }).notNull().default("crop"),
    purpose: text({ enum: PURPOSES }).notNull().default("harvest"),
    condition: text({ enum: CONDITIONS }).notNull().default(""),
    minutes: real(),
    left: text().notNull().default(""),
    way: text({ enum: WAYS }).notNull().default(""),
    sorted: text({ mode: "json" }).notNull().default([]).$type<SortedPart[]>(),
    againG: real(),
    againHow: text({ enum: AGAINS }).notNull().default(""),
    rowDone: real(),
    photos: text({ mode: "json" }).notNull().default([]).$type<string[]>(),
  },
  (t) => [index("picks_planting").on(t.plantingId, t.at), index("picks_at").on(t.at)],
);

export const treatments = sqliteTable(
  "treatments",
  {
    id: text().primaryKey(),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    day: text().notNull(),
    kind: text({ enum: TREATMENTS }).notNull(),
    product: text().notNull(),
    waitDays: integer().notNull(),
    note: text().notNull(),
  },
  (t) => [index("treatments_planting").on(t.plantingId, t.day)],
);

export const pickWishes = sqliteTable(
  "pick_wishes",
  {
    id: text().primaryKey(),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    kind: text({ enum: PICK_WISHES }).notNull(),
    day: text().notNull(),
  },
  (t) => [index("pick_wishes_planting").on(t.plantingId)],
);

export const plans = sqliteTable("plans", {
  id: text().primaryKey().$type<"current">(),
  at: text().notNull(),
  value: real().notNull(),
  bound: real().notNull(),
  keptG: real().notNull(),
  lostG: real().notNull(),
  minutes: real().notNull(),
  forecastId: text().notNull(),
});

/** The gardener's own weighings of a known volume or number of a crop. */
export const weighings = sqliteTable("weighings", {
  id: text().primaryKey(),
  cropId: text().notNull(),
  day: text().notNull(),
  what: text({ enum: WEIGHED }).notNull(),
  amount: real().notNull(),
  massG: real().notNull(),
});

/** Ways of looking at the pick log that were kept under a name. */
export const views = sqliteTable("views", {
  id: text().primaryKey(),
  name: text().notNull(),
  query: text().notNull(),
});

/** What befell lots after they were picked; a lot itself is made of its pick. */
export const lotEvents = sqliteTable(
  "lot_events",
  {
    id: text().primaryKey(),
    lotId: text().notNull(),
    at: text().notNull(),
    kind: text({ enum: LOT_EVENTS }).notNull(),
    massG: real(),
    placeId: text(),
    toLot: text(),
    who: text().notNull(),
    cause: text().notNull(),
    ready: text({ enum: TESTED }),
    how: text({ enum: PRESERVED }),
    outG: real(),
    until: text(),
    note: text().notNull(),
  },
  (t) => [index("lot_events_lot").on(t.lotId, t.at)],
);

/** What was learned, and when it comes up again. */
export const lessons = sqliteTable("lessons", {
  id: text().primaryKey(),
  at: text().notNull(),
  words: text().notNull(),
  next: text().notNull(),
  cropId: text(),
  plantingId: text(),
  bedId: text(),
  remindOn: text(),
  state: text({ enum: ["kept", "thrown"] }).notNull(),
});

/** What of a planting was lost before it was picked, as guessed. */
export const bedLosses = sqliteTable(
  "bed_losses",
  {
    id: text().primaryKey(),
    plantingId: text()
      .notNull()
      .references(() => plantings.id),
    day: text().notNull(),
    cause: text({ enum: BED_LOSS_CAUSES }).notNull(),
    massG: real().notNull(),
    note: text().notNull(),
  },
  (t) => [index("bed_losses_planting").on(t.plantingId, t.day)],
);

/** Steps of lists that were ticked off. */
export const ticks = sqliteTable("ticks", { id: text().primaryKey(), at: text().notNull() });

/** The gardener's own jobs, once or again and again. */
export const ownJobs = sqliteTable("own_jobs", {
  id: text().primaryKey(),
  words: text().notNull(),
  plantingId: text(),
  bedId: text(),
  lotId: text(),
  startOn: text().notNull(),
  everyDays: integer(),
  times: integer(),
  untilOn: text(),
  onFrost: integer({ mode: "boolean" }).notNull(),
  dryLeaves: integer({ mode: "boolean" }).notNull(),
  minutes: real().notNull(),
  note: text().notNull(),
});

/** What was said of a job on a day: done, left out, not wanted. */
export const jobMarks = sqliteTable(
  "job_marks",
  {
    id: text().primaryKey(),
    jobId: text().notNull(),
    of: text().notNull(),
    day: text().notNull(),
    at: text().notNull(),
    what: text({ enum: JOB_MARKS }).notNull(),
  },
  (t) => [index("job_marks_job").on(t.jobId, t.of, t.day)],
);

/** The household's own dishes, and what they are made of. */
export const dishes = sqliteTable("dishes", {
  id: text().primaryKey(),
  name: text().notNull(),
  cropIds: text({ mode: "json" }).$type<string[]>().notNull(),
  note: text().notNull(),
});

/** Packets and jars of seed. */
export const seedLots = sqliteTable("seed_lots", {
  id: text().primaryKey(),
  cropId: text().notNull(),
  kind: text().notNull(),
  source: text().notNull(),
  year: integer().notNull(),
  left: real().notNull(),
  unit: text({ enum: SEED_UNITS }).notNull(),
  price: real(),
  packed: real(),
  testedOn: text(),
  tested: integer(),
  sprouted: integer(),
  note: text().notNull(),
});

/** Next year's plot, planting by planting, until each is made. */
export const planned = sqliteTable(
  "planned",
  {
    id: text().primaryKey(),
    year: integer().notNull(),
    bedId: text()
      .notNull()
      .references(() => beds.id),
    cropId: text().notNull(),
    kind: text().notNull(),
    startedHow: text({ enum: STARTS }).notNull(),
    startOn: text().notNull(),
    trayOn: text(),
    plants: integer(),
    rowM: real(),
    areaM2: real(),
    after: text(),
    made: text(),
    note: text().notNull(),
  },
  (t) => [index("planned_year").on(t.year)],
);
