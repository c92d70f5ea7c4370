import { z } from "zod";
import { daySchema, localTimeSchema } from "#core/calendar/schemas";
import { datedWindowSchema, tripSchema, windowSchema } from "#core/calendar/windows";
import { bedSchema } from "#core/garden/bed";
import { gardenSchema, personSchema } from "#core/garden/garden";
import { plantingSchema } from "#core/garden/planting";
import { tickSchema } from "#core/garden/tick";
import { treatmentSchema } from "#core/garden/treatment";
import { cropSchema } from "#core/handbook/crop";
import { placeSchema } from "#core/household/place";
import { tasteSchema } from "#core/household/taste";
import { jobMarkSchema, ownJobSchema } from "#core/jobs/mark";
import { dishSchema } from "#core/keeping/dishes";
import { lotEventSchema } from "#core/keeping/lot";
import { placeReadingSchema } from "#core/keeping/place-air";
import { pickWishSchema } from "#core/planning/question/wish";
import { planNoteSchema, roundLineSchema, roundSchema } from "#core/planning/rounds/round";
import { checkSchema, readingSchema } from "#core/planting/check";
import { bedLossSchema } from "#core/season/bed-loss";
import { lessonSchema } from "#core/season/lessons";
import { plannedSchema } from "#core/season/next-plot-row";
import { seedLotSchema } from "#core/season/seed-lots";
import { bedReadingSchema, coverSchema } from "#core/weather/bed-offset";
import { forecastDaySchema, weatherDaySchema } from "#core/weather/daily";
import { weighingSchema } from "#core/weighing/learned";
import { containerSchema, pickSchema, viewSchema } from "#core/weighing/pick";

const forecastSchema = z.object({
  id: z.string(),
  source: z.string(),
  issuedOn: daySchema,
  days: z.array(forecastDaySchema).max(60),
});

const practiceSchema = z.object({
  id: z.string().min(1).max(40),
  at: localTimeSchema,
  cropId: z.string(),
  readings: z.array(readingSchema).max(40),
  said: z.string().max(40),
  truth: z.string().max(40),
  right: z.boolean(),
});

/** A table as every floor above knows it. */
type Entry<Row extends z.ZodType> = {
  /** what a row may hold */
  row: Row;
  /** what one row is called, in the audit trail */
  one: string;
  /** what several are called, where some were left out */
  many: string;
  /** fields by which rows are sorted, the key last */
  order: readonly string[];
  /** fields that name a row of another table, without which this one does not stand */
  of: Readonly<Record<string, string>>;
  /** whether gardens of before could keep rows whose parent is gone: those are left out of their archives */
  loose: boolean;
  /** most rows that an archive may bring; null: there is one, no list */
  most: number | null;
  /** its name in an archive, where that differs */
  archived?: string;
  /** whether archives made before there was this table read as having none */
  later: boolean;
};

const table = <Row extends z.ZodType>(
  row: Row,
  [one, many]: readonly [one: string, many: string],
  most: number | null,
  more: Partial<Pick<Entry<Row>, "order" | "of" | "loose" | "archived" | "later">> = {},
): Entry<Row> => ({ row, one, many, most, order: ["id"], of: {}, loose: false, later: true, ...more });

/** In every archive since the first. */
const FIRST = { later: false } as const;
const OF_PLANTING = { of: { plantingId: "plantings" } } as const;
const OF_BED = { of: { bedId: "beds" } } as const;

/**
 * Everything a garden holds, table by table, parents before children. A new table is an entry here, its columns in
 * `db/schema` and a migration; the journal, the archive, the trail and what is removed with its parent follow from it.
 */
export const TABLES = {
  garden: table(gardenSchema, ["the garden", "gardens"], null, FIRST),
  people: table(personSchema, ["person", "people"], 100, { ...FIRST, order: ["role", "id"] }),
  containers: table(containerSchema, ["container", "containers"], 500, FIRST),
  windows: table(windowSchema, ["window", "windows"], 200, { ...FIRST, order: ["weekday", "startsAt", "id"] }),
  datedWindows: table(datedWindowSchema, ["dated window", "dated windows"], 5000, { order: ["day", "id"] }),
  tastes: table(tasteSchema, ["liking", "likings"], 2000),
  // what nobody has laid anywhere lies in the first of its kind: a new one must not draw it to itself
  places: table(placeSchema, ["place", "places"], 200, { order: ["kind", "addedAt", "id"] }),
  trips: table(tripSchema, ["trip", "trips"], 1000, { ...FIRST, order: ["fromDay", "id"] }),
  beds: table(bedSchema, ["bed", "beds"], 1000, { ...FIRST, order: ["walkOrder", "id"] }),
  plantings: table(plantingSchema, ["planting", "plantings"], 20_000, {
    ...FIRST,
    ...OF_BED,
    order: ["startedOn", "id"],
  }),
  checks: table(checkSchema, ["look", "looks"], 200_000, { ...FIRST, ...OF_PLANTING, order: ["at", "id"] }),
  rounds: table(roundSchema, ["round", "rounds"], 20_000, { ...FIRST, order: ["day", "id"] }),
  roundLines: table(roundLineSchema, ["line of a round", "lines of rounds"], 200_000, {
    ...FIRST,
    of: { roundId: "rounds", plantingId: "plantings" },
    order: ["roundId", "id"],
  }),
  picks: table(pickSchema, ["pick", "picks"], 200_000, { ...FIRST, ...OF_PLANTING, order: ["at", "id"] }),
  treatments: table(treatmentSchema, ["treatment", "treatments"], 50_000, { ...OF_PLANTING, order: ["day", "id"] }),
  pickWishes: table(pickWishSchema, ["wish", "dates that bind picking"], 20_000, {
    ...OF_PLANTING,
    order: ["day", "id"],
  }),
  placeReadings: table(placeReadingSchema, ["reading of a place", "readings of places"], 200_000, {
    of: { placeId: "places" },
    loose: true,
    order: ["at", "id"],
  }),
  lotEvents: table(lotEventSchema, ["what befell a lot", "entries of lots"], 200_000, { order: ["at", "id"] }),
  lessons: table(lessonSchema, ["lesson", "lessons"], 20_000, { order: ["at", "id"] }),
  bedLosses: table(bedLossSchema, ["loss in the bed", "losses in the bed"], 50_000, {
    ...OF_PLANTING,
    order: ["day", "id"],
  }),
  ticks: table(tickSchema, ["step ticked off", "steps ticked off"], 50_000),
  ownJobs: table(ownJobSchema, ["job", "jobs"], 20_000, { order: ["startOn", "id"] }),
  jobMarks: table(jobMarkSchema, ["job done or left out", "jobs done or left out"], 200_000, { order: ["day", "id"] }),
  dishes: table(dishSchema, ["dish", "dishes"], 2000, { order: ["name", "id"] }),
  seedLots: table(seedLotSchema, ["seed", "seeds"], 20_000, { order: ["cropId", "kind", "id"] }),
  planned: table(plannedSchema, ["planned planting", "planned plantings"], 20_000, {
    ...OF_BED,
    loose: true,
    order: ["startOn", "id"],
  }),
  weighings: table(weighingSchema, ["own weighing", "own weighings"], 20_000, { order: ["day", "id"] }),
  views: table(viewSchema, ["kept view", "kept views"], 200),
  weatherDays: table(weatherDaySchema, ["weather of", "days of weather"], 40_000, {
    ...FIRST,
    order: ["day"],
    archived: "weather",
  }),
  forecasts: table(forecastSchema, ["forecast", "forecasts"], 20_000, { ...FIRST, order: ["issuedOn", "id"] }),
  bedReadings: table(bedReadingSchema, ["thermometer reading", "readings of beds"], 200_000, {
    ...OF_BED,
    order: ["day", "id"],
  }),
  covers: table(coverSchema, ["cover", "covers"], 50_000, { ...OF_BED, order: ["day", "id"] }),
  plans: table(planNoteSchema, ["plan", "plans"], 1, FIRST),
  ownCrops: table(cropSchema, ["own crop", "own crops"], 2000),
  practice: table(practiceSchema, ["practice", "answers of practice"], 100_000, { order: ["at", "id"] }),
} as const;

export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
/** A row of a table as its schema reads it. */
export type Row<N extends TableName> = z.infer<(typeof TABLES)[N]["row"]>;

type Archived<N extends TableName> = N extends "weatherDays" ? "weather" : N;
/** The whole garden: its settings, and the rows of every table under the name they have in an archive. */
export type GardenRows = { garden: Row<"garden"> } & {
  [N in Exclude<TableName, "garden"> as Archived<N>]: Row<N>[];
};

/** The name of a table's rows in an archive. */
export const archivedAs = <N extends TableName>(name: N): Archived<N> => (TABLES[name].archived ?? name) as Archived<N>;

/** Tables whose rows do not stand without one of this table, with the field that names it, children first. */
export const hangingOn = (parent: TableName): { name: TableName; field: string }[] =>
  [...TABLE_NAMES]
    .reverse()
    .flatMap((name) =>
      Object.entries(TABLES[name].of).flatMap(([field, of]) => (of === parent ? [{ name, field }] : [])),
    );
