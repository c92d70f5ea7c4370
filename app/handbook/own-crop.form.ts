import { type Crop, cropSchema, STORE_KINDS } from "#core/handbook/crop";
import type { UnitSystem } from "#core/units/mass";
import { formSchema, numberOf, type Typed } from "../ui/form-schema";
import { cueFigure, degrees, type Figure, readBack } from "./own-crop-figures";

const START_KEYS = ["sown", "transplanted", "planted", "yearly"] as const;

/**
 * The form of an own crop, over the crop it began from and under that one's id.
 * @param units in which the form shows and reads its figures
 */
export const ownCropForm = (base: Crop, units: UnitSystem) =>
  formSchema(cropSchema, (typed) => readOver(base, typed, units));

function readOver(base: Crop, typed: Typed, units: UnitSystem) {
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
  const row = {
    ...base,
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
  return { row, errors };
}

/** How it keeps: the gardener's own where a figure was changed, so that no table speaks over it. */
function readKeeping(base: Crop, days: [number, number] | null, tempC: [number, number] | null): Crop["after"] {
  const next = { days: days ?? base.after.days, tempC: tempC ?? base.after.tempC };
  const same = sameMarks(next, { days: base.after.days, tempC: base.after.tempC });
  return same ? base.after : { ...base.after, ...next, source: "own" };
}

const sameMarks = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b);
