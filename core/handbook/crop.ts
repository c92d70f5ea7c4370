import { z } from "zod";
import { cueSchema, schoolLandmarks } from "./cue";
import { GLYPHS } from "./glyphs";
import { source } from "./sources";

export { type Cue, type CueKind, cueSchema, type Landmarks, type NumericCue, RELIABILITIES } from "./cue";
export { SOURCES, type Source } from "./sources";

const range = z.tuple([z.number(), z.number()]).refine(([low, high]) => low <= high, "the range runs backwards");
const id = z.string().regex(/^[a-z][a-z-]{1,58}$/, "small letters and hyphens");
const monthDay = z.string().regex(/^(0[1-9]|1[0-2])-([0-2]\d|3[01])$/, "month and day, as 05-20");

/** How a crop is taken: in one lift, piece by piece as they come, as the kitchen asks, or each plant's one head by itself. */
export const TAKEN_WAYS = ["all-at-once", "as-they-come", "as-needed", "one-by-one"] as const;
export type TakenWay = (typeof TAKEN_WAYS)[number];
/** How evenly the pieces of one planting become ready. */
export const EVENNESS = ["very-even", "even", "uneven", "weeks"] as const;
export type Evenness = (typeof EVENNESS)[number];

export const schoolSchema = z.object({
  id,
  name: z.string().min(1),
  gives: z.string(),
  costs: z.string(),
  /** cue landmarks or options that this school sees otherwise */
  cues: z
    .record(
      z.string(),
      z.object({ landmarks: schoolLandmarks.optional(), optionAt: z.record(z.string(), z.number()).optional() }),
    )
    .default({}),
  /** how it is taken by this school, where it differs from the crop's usual way */
  way: z.enum(TAKEN_WAYS).optional(),
  /** its date decides: once it has come, it is taken whatever its size */
  byDate: z.boolean().default(false),
  /** its day of readiness relative to the packet's days */
  daysFactor: z.number().positive().default(1),
  source,
});
export type School = z.infer<typeof schoolSchema>;

export const HABITS = [
  "once-over",
  "repeat",
  "leaf-by-leaf",
  "cut-again",
  "lift-as-needed",
  "main-then-side",
  "perennial",
] as const;
export type Habit = (typeof HABITS)[number];
export const STARTS = ["sown", "transplanted", "planted"] as const;
export type Start = (typeof STARTS)[number];

/** Days when warm (daily mean from 20 °C) and when cool (10 to 15 °C); written [warm, cool, source] or in full. */
const byWarmth = z.preprocess(
  (v) => (Array.isArray(v) ? { warmDays: v[0], coolDays: v[1], source: v[2] } : v),
  z.object({ warmDays: z.number().positive(), coolDays: z.number().positive(), source }),
);

export const HARVEST_WAYS = ["pull", "fork", "cut", "snap", "twist", "pick", "shake"] as const;

/** Kinds of places in which a pick is kept. */
export const STORE_KINDS = ["fridge", "counter", "airy", "cellar", "freezer", "sill"] as const;

/** Containers by their code in the data files: what the crop is laid in while it is picked. */
const BOXES = [
  "flat tray, one layer, padded",
  "shallow basket, in shade",
  "bucket, damp cloth over",
  "slatted crate",
  "jar of water",
  "paper sack",
  "dark bucket",
] as const;
const box = z.preprocess((v) => (typeof v === "number" ? BOXES[v - 1] : v), z.string().min(1));

/** A whole crop of the handbook; the one schema for the data files and for gardeners' own crops. */
export const cropSchema = z.object({
  id,
  name: z.string().trim().min(1, "give the crop a name").max(60),
  synonyms: z.array(z.string()).default([]),
  latin: z.string().default(""),
  family: z.string().min(1),
  glyph: z.enum(GLYPHS),
  parts: z
    .array(z.enum(["bulb", "root", "tuber", "fruit", "pod", "leaf", "head", "stem", "flower", "seed", "spear"]))
    .min(1),
  habit: z.enum(HABITS),
  /** ripens: must reach maturity; sizes: any size above a minimum is edible */
  nature: z.enum(["ripens", "sizes"]),
  /** goes on ripening off the plant */
  climacteric: z.boolean().default(false),
  /**
   * how unripe it may be cut and still ripens well indoors: at any stage once full grown, from half coloured on, or
   * never; null: by whether it is climacteric
   */
  indoors: z.enum(["any", "half", "no"]).nullable().default(null),
  /** ripens off the plant by its colour, through stages from green to ripe (tomatoes) */
  colours: z.boolean().default(false),
  /** packet-like days to maturity by way of starting; `yearly`: from the usual date of each year; null where nobody says */
  days: z.object({
    sown: range.nullable().default(null),
    transplanted: range.nullable().default(null),
    planted: range.nullable().default(null),
    yearly: range.nullable().default(null),
    source,
  }),
  /**
   * Month and day of the start for which the packet's days are meant, at a mild northern site; for crops that stand
   * for years the day of bloom or first growth, from which each year's clock runs.
   */
  usualStart: monthDay,
  /** how its pieces come and are taken; null for a gardener's crop that says nothing: reckoned by its habit */
  pieces: z
    .object({
      evenness: z.enum(EVENNESS),
      way: z.enum(TAKEN_WAYS),
      /** pieces a plant brings in a season */
      perPlant: range,
      /** days from open flower or set to ready, warm (22 to 25 °C) and cool (16 to 18 °C); null where it bears no fruit */
      fromFlower: range.nullable().default(null),
      source,
    })
    .nullable()
    .default(null),
  /**
   * mean temperature, °C, of the place for which the days are meant, for what stands for years of its season; null: the
   * days are counted at the site itself
   */
  daysAt: z.object({ meanC: z.number(), source }).nullable().default(null),
  /** base and ceiling of growth, °C; a base nobody states is null and the clock doubts itself the more */
  warmth: z.object({ baseC: z.number().nullable(), capC: z.number().default(30), source }),
  /** day length: growth held at a stage until days are longer, or bolting sped up beyond */
  light: z
    .object({
      holdBelowH: z.number().nullable(),
      holdAt: z.number().default(0.5),
      boltAboveH: z.number().nullable(),
      source,
    })
    .nullable()
    .default(null),
  interval: byWarmth,
  /** days it is let rest between two picks, whatever the weather; null: by its habit */
  restDays: z.number().min(0).max(60).nullable().default(null),
  prime: byWarmth,
  late: z.string(),
  weather: z.object({
    /** air temperature at which the standing crop is lost, and the share of it */
    killC: z.number(),
    lossShare: z.number().min(0).max(1),
    killNote: z.string(),
    chillC: z.number().nullable(),
    heatC: z.number().nullable(),
    /** what heat beyond it does, in words */
    heatNote: z.string().default(""),
    /** share of the standing crop that a gale brings down or spoils */
    galeLossShare: z.number().min(0).max(1),
    foliage: z.enum(["dry", "better-dry", "fruit-dry", "dry-day", "any"]),
    notes: z.array(z.string()),
    notesSource: source.default("EXT"),
    source,
  }),
  /** weather that makes a cue lie: the reading counts for little and the look is put off */
  misled: z
    .array(
      z.object({
        by: z.enum(["rain", "heat", "gale"]),
        cues: z.array(z.string()).min(1),
        /** mm of rain, mean °C of the afternoons, or m/s of gust from which it does */
        from: z.number(),
        days: z.number().int().min(1),
        why: z.string(),
        source,
      }),
    )
    .default([]),
  /** tasks that come some days before picking */
  prepare: z.array(z.object({ daysBefore: z.number().int().min(0), words: z.string(), source })).default([]),
  technique: z.object({
    how: z.string(),
    tool: z.string(),
    methods: z.array(z.string()).min(1),
    leave: z.string(),
    source,
    /** where it is taken otherwise: by a school, out of hard or loose ground, when it is large or small */
    when: z
      .array(
        z.object({
          school: id.optional(),
          soil: z.enum(["hard", "loose"]).optional(),
          size: z.enum(["large", "small"]).optional(),
          how: z.string().min(1),
          leave: z.string().min(1).optional(),
          tool: z.string().min(1).optional(),
          container: box.optional(),
          source,
        }),
      )
      .default([]),
  }),
  /** what whoever picks it wears: thorns, hairs and sap scratch and burn (common practice) */
  wear: z.array(z.enum(["gloves", "sleeves"])).default([]),
  /** what else the plant gives beside its crop, and how it is taken without harm; never counted as its yield */
  byProducts: z
    .array(
      z.object({
        part: z.enum(["tops", "greens", "flowers", "seed-heads", "side-shoots", "scapes"]),
        what: z.string().min(1),
        how: z.string().min(1),
        source,
      }),
    )
    .default([]),
  container: box,
  /** how it is taken from the plant or out of the ground; the first is the usual way */
  harvest: z.array(z.enum(HARVEST_WAYS)).default([]),
  /** the part that is eaten touches the soil, so that raw manure is waited for longest; cautious where nobody has said */
  touchesSoil: z.boolean().default(true),
  /** ripe fruit that rain after dry days splits */
  splits: z.boolean().default(false),
  /** bruises under others: late in a round, in one layer on top */
  bruises: z.boolean().default(false),
  atOnce: z.string(),
  after: z.object({
    how: z.string(),
    tempC: range,
    humidityPct: range,
    days: range,
    fridge: z.enum(["yes", "few-days", "ripe-only", "no"]),
    source,
  }),
  /** where the gardener wants it kept, before what its facts ask for; null: by its facts */
  store: z.enum(STORE_KINDS).nullable().default(null),
  /** the gardener's own first and last day of picking in a year, month and day; null: by what ripens */
  season: z.object({ from: monthDay.nullable(), to: monthDay.nullable() }).nullable().default(null),
  ethylene: z.enum(["producer", "sensitive", "both", "little"]).default("little"),
  yield: z.object({
    perPlantKg: range.nullable().default(null),
    perMetreKg: range.nullable().default(null),
    pieceG: z.number().positive(),
    source,
  }),
  /** worth of a kilo to a kitchen when potatoes are 1; what an early or a strip pick is worth of it, and a past one */
  worth: z.preprocess(
    (v) => (Array.isArray(v) ? { perKg: v[0], earlyShare: v[1], stripShare: v[2], pastShare: v[3], source: "est" } : v),
    z.object({
      perKg: z.number().positive(),
      earlyShare: z.number().min(0).max(1),
      stripShare: z.number().min(0).max(1),
      pastShare: z.number().min(0).max(1),
      source,
    }),
  ),
  minutesPerKg: z.number().positive(),
  topsShare: z.number().min(0).max(0.9).default(0),
  /** kilos in a litre by the gardener's own weighing; null: by the published bushel, or an estimate */
  ownKgPerL: z.number().positive().max(3).nullable().default(null),
  /** taking the biggest lets the others fill out */
  thins: z.boolean().default(false),
  rotationYears: z.number().min(0),
  cues: z.array(cueSchema).min(1),
  schools: z.array(schoolSchema).min(1),
  /**
   * the handbook's crop whose shared tables (storage, curing, blanching, bushels, seed) are this one's too: itself for
   * a crop of the handbook, the one it was copied from for a gardener's; "" where there is none
   */
  like: z.string().default(""),
  /** where somebody can get hurt by it, by the ids of `cautions.json`; null: nobody has said, so all that may be is said */
  hazards: z.array(z.string()).nullable().default(null),
  /** further words for whoever picks or eats it */
  cautions: z.array(z.string()).default([]),
});
export type Crop = z.infer<typeof cropSchema>;

/** A data file: one botanical family with what its crops share. */
export const familySchema = z.object({
  family: z.string(),
  common: z.string(),
  rotationYears: z.number(),
  rotation: z.string(),
  crops: z.array(z.record(z.string(), z.unknown())),
});
