import { type Crop, cropSchema, STORE_KINDS } from "#core/handbook/crop";
import type { UnitSystem } from "#core/units/mass";
import { type FormFaults, numberOf } from "../server/forms.server";
import { cueFigure, degrees, type Figure, readBack } from "./own-crop-figures";

const START_KEYS = ["sown", "transplanted", "planted", "yearly"] as const;

/** A plain crop to begin an own one from: everything the schema wants, all of it the gardener's to change. */
export const blankCrop = (): Crop =>
  cropSchema.parse({
    id: "own-crop",
    name: "My crop",
    family: "Own",
    glyph: "lettuce",
    parts: ["leaf"],
    habit: "repeat",
    nature: "sizes",
    days: { sown: [50, 80], source: "own" },
    usualStart: "04-15",
    warmth: { baseC: null, source: "own" },
    interval: [4, 8, "own"],
    prime: [5, 12, "own"],
    late: "",
    weather: {
      killC: -2,
      lossShare: 0.7,
      killNote: "",
      chillC: null,
      heatC: null,
      galeLossShare: 0.05,
      foliage: "any",
      notes: [],
      source: "own",
    },
    technique: { how: "", tool: "hands", methods: ["pick"], leave: "nothing", source: "own", when: [] },
    container: "bucket, damp cloth over",
    atOnce: "",
    after: { how: "", tempC: [0, 4], humidityPct: [90, 95], days: [7, 14], fridge: "yes", source: "own" },
    yield: { perPlantKg: [0.2, 0.5], pieceG: 50, source: "own" },
    worth: [2, 0.8, 0.5, 0.3],
    minutesPerKg: 5,
    rotationYears: 3,
    cues: [
      {
        kind: "measure",
        id: "size",
        label: "size",
        ask: "How big is it?",
        role: "decisive",
        reliability: "high",
        seconds: 4,
        quantity: "length",
        marks: [10, 60, 100, 150, 200],
        source: "own",
      },
    ],
    schools: [{ id: "own", name: "My way", gives: "what I like", costs: "nothing", source: "own" }],
  });

/** The crop without the signs and counts that the handbook adds by itself, as it is kept. */
export const bareCrop = (crop: Crop): Crop => ({
  ...crop,
  cues: crop.cues.filter((c) => !(c.kind === "event" && c.shared) && !(c.kind === "count" && c.guessed >= 4)),
});

/**
 * Reads the form of an own crop over the crop it began from.
 * @param id the id it is kept under
 * @param units in which the form shows and reads its figures
 */
export function readOwnCrop(
  typed: Record<string, string>,
  base: Crop,
  id: string,
  units: UnitSystem,
): { ok: true; crop: Crop } | { ok: false; faults: FormFaults } {
  const errors: Record<string, string> = {};
  const tempC = degrees(units);
  const number = (field: string, name: string, figure?: Figure, before?: number): number => {
    const n = numberOf(typed[field]);
    if (n === null || Number.isNaN(n)) errors[field] ??= `${name}: write a number`;
    return n === null ? Number.NaN : figure ? readBack(figure, n, before) : n;
  };
  const range = (field: string, name: string, figure?: Figure, before?: readonly number[]): [number, number] | null => {
    const end = (which: "Low" | "High", k: number): number | null => {
      const n = numberOf(typed[`${field}${which}`]);
      return n === null || !figure ? n : readBack(figure, n, before?.[k]);
    };
    const [low, high] = [end("Low", 0), end("High", 1)];
    if (low === null && high === null) return null;
    if (low === null || high === null || Number.isNaN(low) || Number.isNaN(high) || low > high) {
      errors[`${field}Low`] ??= `${name}: a smaller and a larger number, or neither`;
      return null;
    }
    return [low, high];
  };
  const days = Object.fromEntries(START_KEYS.map((k) => [k, range(`days-${k}`, "days")]));
  if (Object.values(days).every((d) => d === null) && !errors["days-sownLow"])
    errors["days-sownLow"] = "give the days of at least one way of starting";
  const cues = base.cues.map((cue) => {
    if ("marks" in cue) {
      const figure = cueFigure(cue.kind, units);
      const at = (k: keyof typeof cue.marks) =>
        number(`cue-${cue.id}-${k}`, `${cue.label}, ${k}`, figure, cue.marks[k]);
      const marks = {
        start: at("start"),
        early: at("early"),
        ready: at("ready"),
        upper: at("upper"),
        past: at("past"),
      };
      const values = Object.values(marks);
      if (values.every((v) => !Number.isNaN(v)) && values.some((v, i) => i > 0 && v < values[i - 1]!))
        errors[`cue-${cue.id}-start`] ??= `${cue.label}: the values must rise from young to past`;
      return { ...cue, ask: typed[`cue-${cue.id}-ask`] || cue.ask, marks, guessed: 0 };
    }
    return { ...cue, ask: typed[`cue-${cue.id}-ask`] || cue.ask };
  });
  const readBase = (): number | null => {
    const n = numberOf(typed.baseC);
    return n === null ? null : readBack(tempC, n, base.warmth.baseC);
  };
  const changed = {
    ...base,
    id,
    name: (typed.name ?? "").trim(),
    synonyms: (typed.synonyms ?? "")
      .split(",")
      .map((s) => s.trim())
      .filter(Boolean),
    family: (typed.family ?? "").trim() || base.family,
    habit: typed.habit,
    nature: typed.nature,
    days: { ...days, source: "own" },
    usualStart: (typed.usualStart ?? "").slice(-5),
    warmth: { ...base.warmth, baseC: readBase(), source: "own" },
    interval: {
      warmDays: number("intervalWarm", "interval"),
      coolDays: number("intervalCool", "interval"),
      source: "own",
    },
    prime: { warmDays: number("primeWarm", "prime days"), coolDays: number("primeCool", "prime days"), source: "own" },
    weather: { ...base.weather, killC: number("killC", "frost", tempC, base.weather.killC), foliage: typed.foliage },
    after: readKeeping(
      base,
      range("keeps", "keeping life"),
      range("keepC", "temperature of the store", tempC, base.after.tempC),
    ),
    store: STORE_KINDS.find((k) => k === typed.store) ?? null,
    season: typed.seasonFrom || typed.seasonTo ? { from: typed.seasonFrom || null, to: typed.seasonTo || null } : null,
    technique: {
      ...base.technique,
      how: typed.how ?? "",
      leave: typed.leave ?? "",
      // what a gardener writes is how it is done: the handbook's other ways no longer stand beside it
      when: typed.how === base.technique.how ? base.technique.when : [],
    },
    touchesSoil: typed.touchesSoil === "on",
    cautions: (typed.cautions ?? "")
      .split("\n")
      .map((s) => s.trim())
      .filter(Boolean),
    // schools see the base's cues; their own landmarks fall away where the cue was changed by hand
    schools: base.schools.map((s) => ({
      ...s,
      cues: Object.fromEntries(
        Object.entries(s.cues).filter(([cueId]) => {
          const before = base.cues.find((c) => c.id === cueId);
          const after = cues.find((c) => c.id === cueId);
          return !(before && after && "marks" in before && "marks" in after && !sameMarks(before.marks, after.marks));
        }),
      ),
    })),
    cues,
  };
  const checked = cropSchema.safeParse(changed);
  if (!checked.success)
    for (const issue of checked.error.issues) errors[String(issue.path[0] ?? "form")] ??= issue.message;
  return checked.success && Object.keys(errors).length === 0
    ? { ok: true, crop: checked.data }
    : { ok: false, faults: { errors, typed } };
}

/** How it keeps: the gardener's own where a figure was changed, so that no table speaks over it. */
function readKeeping(base: Crop, days: [number, number] | null, tempC: [number, number] | null): Crop["after"] {
  const next = { days: days ?? base.after.days, tempC: tempC ?? base.after.tempC };
  const same = sameMarks(next, { days: base.after.days, tempC: base.after.tempC });
  return same ? base.after : { ...base.after, ...next, source: "own" };
}

const sameMarks = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b);

/** An id for an own crop, from its name, not used yet. */
export function idFor(name: string, taken: (id: string) => boolean): string {
  const plain = `own-${name
    .toLowerCase()
    .normalize("NFD")
    .replace(/[^a-z]+/g, "-")
    .replace(/^-+|-+$/g, "")}`.slice(0, 40);
  const base = plain.length > 5 ? plain : "own-crop";
  for (const letter of ["", ..."bcdefghijklmnopqrstuvwxyz"]) {
    const id = letter ? `${base}-${letter}` : base;
    if (!taken(id)) return id;
  }
  throw new RangeError("too many crops of one name");
}
