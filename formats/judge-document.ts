import { z } from "zod";
import { addDays } from "#core/calendar/day";
import { daySchema } from "#core/calendar/schemas";
import { type Bed, COVERS } from "#core/garden/bed";
import { plantingSchema } from "#core/garden/planting";
import { cautionsAt } from "#core/handbook/cautions";
import { STARTS } from "#core/handbook/crop";
import { findCrop, schoolOf } from "#core/handbook/index";
import { inRipeColour } from "#core/handbook/ripe-colour";
import { techniqueFor } from "#core/handbook/technique";
import { CALLS } from "#core/planting/call";
import { readingSchema } from "#core/planting/check";
import { baseOf } from "#core/planting/clock";
import type { HazardDay } from "#core/planting/crop-hazards";
import { readingFault } from "#core/planting/cue-kinds/index";
import { judge } from "#core/planting/judge";
import { needsOf } from "#core/planting/needs";
import { clockStart, ownShift } from "#core/planting/season-clock";
import { VERDICTS } from "#core/planting/verdict";
import { sayCall, sayReading, sayReasons } from "#core/planting/words";
import { nightInBed } from "#core/weather/bed-night";
import { climateOf, weatherFor } from "#core/weather/climate";
import { forecastErrorC, weatherDaySchema } from "#core/weather/daily";
import { soilState } from "#core/weather/soil";
import { EXTENTS } from "#core/weighing/pick";
import { type LocatedError, MOST_ERRORS, type ReadResult } from "./located";

/** One planting to be judged: crop, school, start, bed, readings, picks, and what weather is known. */
export const judgeDocumentSchema = z.object({
  today: daySchema.describe("the day of the judgement, 2026-10-06"),
  units: z.enum(["metric", "us"]).default("metric"),
  latitudeDeg: z.number().min(-66).max(66).default(52),
  crop: z.string().describe("a crop id of the handbook, see `akmedon handbook`"),
  school: z.string().default("").describe("a school id of the crop; its first when left out"),
  ripeColour: z.string().max(20).default("").describe("the kind’s own ripe colour, where it is not the usual one"),
  startedHow: z.enum(STARTS),
  startedOn: daySchema,
  plants: z.number().int().min(1).max(100_000).nullable().default(null),
  packetDays: z
    .tuple([z.number().int().min(5).max(1500), z.number().int().min(5).max(1500)])
    .nullable()
    .default(null),
  bed: z
    .object({
      cover: z.enum(COVERS).default("none"),
      sunHours: z.number().min(0).max(16).default(8),
      nightOffsetC: z.number().min(-8).max(8).default(0),
    })
    .default({ cover: "none", sunHours: 8, nightOffsetC: 0 }),
  checks: z
    .array(z.object({ day: daySchema, readings: z.array(readingSchema).max(40) }))
    .max(500)
    .default([]),
  picks: z
    .array(z.object({ day: daySchema, extent: z.enum(EXTENTS) }))
    .max(500)
    .default([]),
  record: z
    .array(weatherDaySchema)
    .max(40_000)
    .default([])
    .describe("the station's record; days it lacks are taken from the usual year"),
  forecast: z.array(weatherDaySchema).max(60).default([]),
  constraints: z
    .object({
      bedWantedBy: daySchema.nullable().default(null).describe("the day by which the bed is wanted for something else"),
      away: z
        .array(z.object({ fromDay: daySchema, toDay: daySchema }))
        .max(50)
        .default([]),
      nextChance: daySchema.nullable().default(null).describe("the next day after today on which anybody can come"),
    })
    .default({ bedWantedBy: null, away: [], nextChance: null })
    .describe("what presses from outside: a bed that is wanted, days away, no free hour"),
});
export type JudgeDocument = z.infer<typeof judgeDocumentSchema>;

const share = z.number().min(0).max(1);
export const judgedSchema = z.object({
  verdict: z.enum(VERDICTS),
  call: z.object({ id: z.enum(CALLS), words: z.string() }).nullable(),
  chances: z.object({ unready: share, nearly: share, ready: share, past: share }),
  reasons: z.array(z.string()),
  lookAgain: daySchema,
  /** cues that the weather makes lie today, and from when they can be believed */
  misled: z.array(z.object({ cues: z.array(z.string()), why: z.string(), believeFrom: daySchema })),
  /** whether today’s readings contradict each other or the last look */
  conflict: z.boolean(),
  usedUp: z.number().int(),
  bestReading: z.object({ cue: z.string(), ask: z.string(), bits: z.number(), seconds: z.number() }).nullable(),
  readings: z.array(z.object({ cue: z.string(), day: daySchema, words: z.string(), logOddsShift: z.number() })),
  days: z.array(z.object({ day: daySchema, unready: share, nearly: share, ready: share, past: share })),
  warmth: z.object({ soFarDd: z.number(), targetDd: z.number(), baseC: z.number() }),
  technique: z.string(),
  leave: z.string(),
  cautions: z.array(z.string()),
});
export type Judged = z.infer<typeof judgedSchema>;

/** Parses JSON and checks it against a schema; every fault with its place. */
export function readDocument<T>(text: string, schema: z.ZodType<T>): ReadResult<T> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    return {
      ok: false,
      errors: [{ row: null, column: null, message: `not JSON: ${e instanceof Error ? e.message : "unreadable"}` }],
    };
  }
  const checked = schema.safeParse(json);
  if (checked.success) return { ok: true, value: checked.data, notes: [] };
  return {
    ok: false,
    errors: checked.error.issues
      .slice(0, MOST_ERRORS)
      .map((i) => ({ row: null, column: i.path.join(".") || "document", message: i.message })),
  };
}

/** Days ahead that are judged; the document tells of the first fourteen. */
const LOOKED_AHEAD = 22;
const TOLD_DAYS = 14;

const PLAIN_BED = {
  id: "bed",
  name: "bed",
  shape: "rectangle",
  xM: 0,
  yM: 0,
  widthM: 1,
  lengthM: 1,
  note: "",
  site: "",
  walkOrder: 0,
} as const;

/** The forecast's days from today on, their nights with the usual error of a forecast. */
const forecastNights = (doc: JudgeDocument, bed: Bed): HazardDay[] =>
  doc.forecast
    .filter((w) => w.day >= doc.today)
    .map((weather, k) => ({
      weather,
      night: nightInBed({ minC: weather.tempMinC, errorC: forecastErrorC(k), members: [] }, weather, bed),
      members: [],
    }));

/** The ground on the day of a document, where it brings enough weather to tell. */
const soilOf = (doc: JudgeDocument) => {
  const days = doc.record.filter((w) => w.day < doc.today).slice(-30);
  return days.length >= 10 ? soilState(days).state : null;
};

/** Judges a document. @returns the judgement, or what in the document does not fit the handbook */
export function judgeDocument(doc: JudgeDocument): ReadResult<Judged> {
  const known = findCrop(doc.crop);
  const crop = known && inRipeColour(known, doc.ripeColour);
  const fault = (column: string, message: string): LocatedError => ({ row: null, column, message });
  if (!crop) return { ok: false, errors: [fault("crop", `the handbook has no crop “${doc.crop}”`)] };
  const errors: LocatedError[] = [];
  if (doc.school !== "" && !crop.schools.some((s) => s.id === doc.school))
    errors.push(fault("school", `one of: ${crop.schools.map((s) => s.id).join(", ")}`));
  if (doc.startedOn > doc.today) errors.push(fault("startedOn", "lies after today"));
  doc.checks.forEach((c, i) => {
    c.readings.forEach((r, k) => {
      const cue = crop.cues.find((x) => x.id === r.cueId);
      const wrong = cue
        ? readingFault(cue, r.value)
        : `${crop.name} has no cue “${r.cueId}”; it has ${crop.cues.map((x) => x.id).join(", ")}`;
      if (wrong) errors.push(fault(`checks.${i}.readings.${k}`, wrong));
    });
  });
  const planting = plantingSchema.safeParse({
    id: "planting",
    bedId: "bed",
    cropId: crop.id,
    kind: "",
    ripeColour: doc.ripeColour,
    disease: "",
    startedHow: doc.startedHow,
    startedOn: doc.startedOn,
    plants: doc.plants,
    rowM: null,
    areaM2: null,
    packetMinDays: doc.packetDays?.[0] ?? null,
    packetMaxDays: doc.packetDays?.[1] ?? null,
    schoolId: doc.school,
    note: "",
    endedOn: null,
  });
  if (!planting.success)
    errors.push(
      ...planting.error.issues.map((i) => fault(i.path.join(".").replace("packetMaxDays", "packetDays"), i.message)),
    );
  if (errors.length > 0 || !planting.success) return { ok: false, errors };
  const school = schoolOf(crop, doc.school);
  const climate = climateOf(doc.record, doc.latitudeDeg);
  const byDay = (days: typeof doc.record) => new Map(days.map((d) => [d.day, d]));
  const own = ownShift(
    crop,
    doc.picks.map((p) => p.day),
    doc.today,
    doc.latitudeDeg,
    climate,
  );
  const begins = clockStart(planting.data, crop, doc.today, doc.latitudeDeg, climate, own);
  const weather = weatherFor(
    begins < doc.today ? begins : doc.today,
    addDays(doc.today, 22),
    byDay(doc.record.filter((d) => d.day < doc.today)),
    byDay(doc.forecast),
    climate,
  ).map((d) => d.weather);
  const bed = { ...PLAIN_BED, ...doc.bed };
  const lately = weather.filter((w) => w.day < doc.today && w.day >= addDays(doc.today, -21));
  const j = judge({
    today: doc.today,
    planting: planting.data,
    bed,
    crop,
    school,
    checks: doc.checks.map((c, i) => ({
      id: String(i),
      plantingId: "planting",
      at: `${c.day}T12:00`,
      by: "",
      note: "",
      readings: c.readings,
      photos: [],
      marked: [],
    })),
    picks: doc.picks,
    weather,
    climate,
    latitudeDeg: doc.latitudeDeg,
    horizonDays: LOOKED_AHEAD,
    pressing: (chances) =>
      needsOf(crop, bed, forecastNights(doc, bed), chances, lately, {
        bedWantedBy: doc.constraints.bedWantedBy,
        trips: doc.constraints.away,
        nextChance: doc.constraints.nextChance,
      }),
  });
  const best = j.worth[0];
  const taken = techniqueFor(crop, { schoolId: school.id, soil: soilOf(doc), meanStage: j.meanStage });
  return {
    ok: true,
    notes: [],
    value: {
      verdict: j.verdict,
      call: j.call && { id: j.call.id, words: sayCall(j.call, doc.today) },
      chances: j.chances,
      reasons: sayReasons(j, crop, school, doc.today, doc.units),
      lookAgain: j.lookAgain,
      misled: j.misled.map((m) => ({ cues: [...m.cueIds], why: m.why, believeFrom: m.believeFrom })),
      conflict: j.conflict !== null,
      usedUp: j.usedUp,
      bestReading:
        best && best.bits > 0
          ? { cue: best.cue.id, ask: best.cue.ask, bits: best.bits, seconds: best.cue.seconds }
          : null,
      readings: j.evidence.map((e) => ({
        cue: e.cue.id,
        day: e.day,
        words: sayReading(e.cue, e.value, doc.units),
        logOddsShift: e.shift,
      })),
      days: j.days
        .slice(0, TOLD_DAYS + 1)
        .map(({ day, unready, nearly, ready, past }) => ({ day, unready, nearly, ready, past })),
      warmth: { soFarDd: j.warmthSoFarDd, targetDd: j.clock.targetDd, baseC: baseOf(crop) },
      technique: taken.how,
      leave: taken.leave,
      cautions: cautionsAt(crop, "picking").map((c) => c.say),
    },
  };
}
