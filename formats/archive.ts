import { z } from "zod";
import { daySchema, localTimeSchema } from "#core/calendar/schemas";
import { datedWindowSchema, tripSchema, windowSchema } from "#core/calendar/windows";
import { bedSchema } from "#core/garden/bed";
import { gardenSchema, personSchema } from "#core/garden/garden";
import { plantingSchema } from "#core/garden/planting";
import { tickSchema } from "#core/garden/tick";
import { treatmentSchema } from "#core/garden/treatment";
import { cropSchema } from "#core/handbook/crop";
import { handbookWith } from "#core/handbook/index";
import { placeSchema } from "#core/household/place";
import { tasteSchema } from "#core/household/taste";
import { jobMarkSchema, ownJobSchema } from "#core/jobs/mark";
import { dishSchema } from "#core/keeping/dishes";
import { lotEventSchema } from "#core/keeping/lot";
import { placeReadingSchema } from "#core/keeping/place-air";
import { pickWishSchema } from "#core/planning/question/wish";
import { planNoteSchema, roundLineSchema, roundSchema } from "#core/planning/rounds/round";
import { checkSchema, readingSchema } from "#core/planting/check";
import { readingFault } from "#core/planting/cue-kinds/index";
import { bedLossSchema } from "#core/season/bed-loss";
import { lessonSchema } from "#core/season/lessons";
import { plannedSchema } from "#core/season/next-plot-row";
import { seedLotSchema } from "#core/season/seed-lots";
import { bedReadingSchema, coverSchema } from "#core/weather/bed-offset";
import { forecastDaySchema, weatherDaySchema } from "#core/weather/daily";
import { weighingSchema } from "#core/weighing/learned";
import { containerSchema, pickSchema, viewSchema } from "#core/weighing/pick";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

/** The whole garden as one JSON document. Ids refer within the document; a row may be marked removed. */
export const archiveSchema = z.object({
  format: z.literal("akmedon-garden"),
  version: z.literal(1),
  garden: gardenSchema,
  people: z.array(personSchema).max(100),
  beds: z.array(bedSchema).max(1000),
  plantings: z.array(plantingSchema).max(20_000),
  containers: z.array(containerSchema).max(500),
  windows: z.array(windowSchema).max(200),
  trips: z.array(tripSchema).max(1000),
  checks: z.array(checkSchema).max(200_000),
  rounds: z.array(roundSchema).max(20_000),
  roundLines: z.array(roundLineSchema).max(200_000),
  picks: z.array(pickSchema).max(200_000),
  weather: z.array(weatherDaySchema).max(40_000),
  plans: z.array(planNoteSchema).max(1),
  forecasts: z
    .array(
      z.object({
        id: z.string(),
        source: z.string(),
        issuedOn: daySchema,
        days: z.array(forecastDaySchema).max(60),
      }),
    )
    .max(20_000),
  /** own crops and practice; archives without them read as having none */
  datedWindows: z.array(datedWindowSchema).max(5000).default([]),
  tastes: z.array(tasteSchema).max(2000).default([]),
  places: z.array(placeSchema).max(200).default([]),
  treatments: z.array(treatmentSchema).max(50_000).default([]),
  pickWishes: z.array(pickWishSchema).max(20_000).default([]),
  placeReadings: z.array(placeReadingSchema).max(200_000).default([]),
  lotEvents: z.array(lotEventSchema).max(200_000).default([]),
  lessons: z.array(lessonSchema).max(20_000).default([]),
  bedLosses: z.array(bedLossSchema).max(50_000).default([]),
  ticks: z.array(tickSchema).max(50_000).default([]),
  ownJobs: z.array(ownJobSchema).max(20_000).default([]),
  jobMarks: z.array(jobMarkSchema).max(200_000).default([]),
  dishes: z.array(dishSchema).max(2000).default([]),
  seedLots: z.array(seedLotSchema).max(20_000).default([]),
  planned: z.array(plannedSchema).max(20_000).default([]),
  weighings: z.array(weighingSchema).max(20_000).default([]),
  views: z.array(viewSchema).max(200).default([]),
  ownCrops: z.array(cropSchema).max(2000).default([]),
  bedReadings: z.array(bedReadingSchema).max(200_000).default([]),
  covers: z.array(coverSchema).max(50_000).default([]),
  practice: z
    .array(
      z.object({
        id: z.string().min(1).max(40),
        at: localTimeSchema,
        cropId: z.string(),
        readings: z.array(readingSchema).max(40),
        said: z.string().max(40),
        truth: z.string().max(40),
        right: z.boolean(),
      }),
    )
    .max(100_000)
    .default([]),
});
export type Archive = z.infer<typeof archiveSchema>;

/** Writes an archive, indented so that a person can read and compare it. */
export const writeArchive = (archive: Archive): string => `${JSON.stringify(archive, null, 1)}\n`;

/**
 * Reads an archive and checks that everything it refers to is there. Nothing is returned unless all of it is right.
 * @param rest whether to leave out what refers to something that is missing, and bring the rest; what was left out is
 * said in the notes
 */
export function readArchive(text: string, rest = false): ReadResult<Archive> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    return {
      ok: false,
      errors: [{ row: null, column: null, message: `not JSON: ${e instanceof Error ? e.message : "unreadable"}` }],
    };
  }
  const checked = archiveSchema.safeParse(json);
  if (!checked.success)
    return {
      ok: false,
      errors: checked.error.issues
        .slice(0, MOST_ERRORS)
        .map((i) => ({ row: null, column: i.path.join("."), message: i.message })),
    };
  const whole = rest ? withoutStrays(checked.data) : { archive: checked.data, left: [] };
  const errors = strayReferences(whole.archive);
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: whole.archive, notes: whole.left };
}

/** Rows of an archive that belong to a planting, with what they are called. */
const OF_PLANTING = {
  checks: "looks",
  picks: "picks",
  treatments: "treatments",
  pickWishes: "dates that bind picking",
  bedLosses: "losses in the bed",
  roundLines: "lines of rounds",
} as const;

/** An archive without the rows that refer to something it does not hold, and how many of each were left out. */
function withoutStrays(a: Archive): { archive: Archive; left: string[] } {
  const left: string[] = [];
  const keep = <T>(rows: readonly T[], what: string, holds: (row: T) => boolean): T[] => {
    const kept = rows.filter(holds);
    if (kept.length < rows.length) left.push(`${rows.length - kept.length} ${what} left out`);
    return kept;
  };
  const book = handbookWith(a.ownCrops);
  const beds = new Set(a.beds.map((b) => b.id));
  const plantings = keep(a.plantings, "plantings", (p) => beds.has(p.bedId) && book.find(p.cropId) !== null);
  const ids = new Set(plantings.map((p) => p.id));
  const cropOf = new Map(plantings.map((p) => [p.id, book.of(p.cropId)]));
  const rounds = new Set(a.rounds.map((r) => r.id));
  const archive: Archive = {
    ...a,
    plantings,
    bedReadings: keep(a.bedReadings, "readings of beds", (r) => beds.has(r.bedId)),
    covers: keep(a.covers, "covers", (r) => beds.has(r.bedId)),
  };
  for (const name of Object.keys(OF_PLANTING) as (keyof typeof OF_PLANTING)[]) {
    const rows: readonly { plantingId: string }[] = a[name];
    Object.assign(archive, { [name]: keep(rows, OF_PLANTING[name], (r) => ids.has(r.plantingId)) });
  }
  archive.roundLines = keep(archive.roundLines, "lines of rounds that are gone", (l) => rounds.has(l.roundId));
  const fits = (cropId: string, r: Archive["checks"][number]["readings"][number]) => {
    const cue = cropOf.get(cropId)?.cues.find((c) => c.id === r.cueId);
    return cue !== undefined && readingFault(cue, r.value) === null;
  };
  archive.checks = archive.checks.map((c) => ({ ...c, readings: c.readings.filter((r) => fits(c.plantingId, r)) }));
  return { archive, left };
}

function strayReferences(a: Archive): LocatedError[] {
  const errors: LocatedError[] = [];
  const stray = (where: string, message: string) => {
    if (errors.length < MOST_ERRORS) errors.push({ row: null, column: where, message });
  };
  const ids = (rows: readonly { id: string }[], name: string) => {
    const set = new Set<string>();
    rows.forEach((r, i) => {
      if (set.has(r.id)) stray(`${name}.${i}.id`, `the id “${r.id}” stands twice`);
      set.add(r.id);
    });
    return set;
  };
  const beds = ids(a.beds, "beds");
  const plantings = ids(a.plantings, "plantings");
  const rounds = ids(a.rounds, "rounds");
  for (const name of [
    "people",
    "containers",
    "windows",
    "trips",
    "checks",
    "roundLines",
    "picks",
    "datedWindows",
    "tastes",
    "places",
    "treatments",
    "pickWishes",
    "placeReadings",
    "lotEvents",
    "lessons",
    "bedLosses",
    "ticks",
    "ownJobs",
    "jobMarks",
    "dishes",
    "seedLots",
    "planned",
    "weighings",
    "views",
  ] as const)
    ids(a[name], name);
  const book = handbookWith(a.ownCrops);
  const cropOfPlanting = new Map(a.plantings.map((p) => [p.id, book.find(p.cropId)]));
  a.plantings.forEach((p, i) => {
    if (!beds.has(p.bedId)) stray(`plantings.${i}.bedId`, `there is no bed “${p.bedId}”`);
    if (!cropOfPlanting.get(p.id)) stray(`plantings.${i}.cropId`, `the handbook has no crop “${p.cropId}”`);
  });
  a.checks.forEach((c, i) => {
    if (!plantings.has(c.plantingId)) stray(`checks.${i}.plantingId`, `there is no planting “${c.plantingId}”`);
    const crop = cropOfPlanting.get(c.plantingId);
    c.readings.forEach((r, k) => {
      const cue = crop?.cues.find((x) => x.id === r.cueId);
      const fault = crop && !cue ? `${crop.name} has no cue “${r.cueId}”` : cue && readingFault(cue, r.value);
      if (fault) stray(`checks.${i}.readings.${k}`, fault);
    });
  });
  for (const name of ["bedReadings", "covers"] as const)
    a[name].forEach((r, i) => {
      if (!beds.has(r.bedId)) stray(`${name}.${i}.bedId`, `there is no bed “${r.bedId}”`);
    });
  a.roundLines.forEach((l, i) => {
    if (!rounds.has(l.roundId)) stray(`roundLines.${i}.roundId`, `there is no round “${l.roundId}”`);
    if (!plantings.has(l.plantingId)) stray(`roundLines.${i}.plantingId`, `there is no planting “${l.plantingId}”`);
  });
  for (const name of ["picks", "treatments", "pickWishes", "bedLosses"] as const)
    a[name].forEach((p, i) => {
      if (!plantings.has(p.plantingId)) stray(`${name}.${i}.plantingId`, `there is no planting “${p.plantingId}”`);
    });
  return errors;
}
