import { addDays, daysBetween } from "#core/calendar/day";
import type { Bed } from "#core/garden/bed";
import type { Planting } from "#core/garden/planting";
import type { Crop } from "#core/handbook/crop";
import { schoolOf } from "#core/handbook/index";
import type { Reading } from "#core/planting/check";
import { daysRange } from "#core/planting/clock";
import { likelihoodOf } from "#core/planting/cue-kinds/index";
import { judge } from "#core/planting/judge";
import { clockStart } from "#core/planting/season-clock";
import { CELLS, chancesOf } from "#core/planting/stage-grid";
import { climateOf } from "#core/weather/climate";
import { grow, look } from "./living-garden";
import { chance } from "./random";
import { simulatedDesk } from "./weather-desk";

/** One simulated planting on one day: what was said of it, and whether it had reached its target. */
export type TrialCase = {
  cropId: string;
  /** chance of having reached the target, by the filter with its looks */
  filter: number;
  /** by the filter without any look */
  warmth: number;
  /** by the packet's dates alone */
  packet: number;
  /** by the last look alone, nothing known before */
  lastLook: number;
  truth: 0 | 1;
};

const SITE = { meanC: 10.4, swingC: 6.8, daySpanC: 9 };
const LATITUDE = 52;
const BED: Bed = {
  id: "bed",
  name: "bed",
  shape: "rectangle",
  xM: 0,
  yM: 0,
  widthM: 1.2,
  lengthM: 3,
  cover: "none",
  sunHours: 8,
  nightOffsetC: 0,
  note: "",
  site: "",
  walkOrder: 0,
};

/**
 * Puts the filter to plants that grow by other equations than its own, at a pace it does not know, around the time
 * when they ripen, with two looks a week apart (of two decisive cues each, read by an honest, imperfect eye).
 */
export function trial(crops: readonly Crop[], count: number, seed: number): TrialCase[] {
  const desk = simulatedDesk(99, "2022-01-01", SITE);
  const climate = climateOf(desk.record("2022-01-01", "2025-12-31"), LATITUDE);
  return Array.from({ length: count }, (_, i) => {
    const luck = chance(seed + i);
    const crop = crops[i % crops.length]!;
    const school = schoolOf(crop, "");
    const startedHow = crop.days.sown ? "sown" : crop.days.transplanted ? "transplanted" : "planted";
    const planting: Planting = {
      id: "p",
      bedId: "bed",
      cropId: crop.id,
      kind: "",
      ripeColour: "",
      disease: "",
      startedHow,
      startedOn: `${crop.usualStart >= "09-01" ? 2025 : 2026}-${crop.usualStart}`,
      plants: 8,
      rowM: null,
      areaM2: null,
      packetMinDays: null,
      packetMaxDays: null,
      schoolId: "",
      note: "",
      endedOn: null,
    };
    const { minDays, maxDays } = daysRange(planting, crop);
    const age = Math.round((luck.between(0.6, 1.35) * school.daysFactor * (minDays + maxDays)) / 2);
    const today = addDays(planting.startedOn, age);
    const weather = desk.record(planting.startedOn, addDays(today, 2));
    const living = grow(planting, crop, weather, Math.exp(0.13 * luck.normal()));
    const cues = crop.cues
      .filter((c) => c.kind !== "event" && c.kind !== "count" && c.kind !== "since")
      .sort((a, b) => Number(b.role === "decisive") - Number(a.role === "decisive"))
      .slice(0, 2);
    const seen = (ago: number): Reading[] =>
      cues.flatMap((cue) => {
        const view = school.cues[cue.id];
        const shown =
          "marks" in cue && view?.landmarks
            ? { ...cue, marks: view.landmarks }
            : cue.kind === "choice" && view?.optionAt
              ? { ...cue, options: cue.options.map((o) => ({ ...o, at: view.optionAt?.[o.id] ?? o.at })) }
              : cue;
        const reading = look(shown, living.stageOn(addDays(today, -ago)), 8, luck);
        return reading ? [reading] : [];
      });
    const checks = [6, 0].map((ago) => ({
      id: `c${ago}`,
      plantingId: "p",
      at: `${addDays(today, -ago)}T17:00`,
      by: "",
      note: "",
      readings: seen(ago),
      photos: [],
      marked: [],
    }));
    const input = {
      today,
      planting,
      bed: BED,
      crop,
      school,
      picks: [],
      weather,
      climate,
      latitudeDeg: LATITUDE,
      horizonDays: 0,
      weighReadings: false,
    };
    const ripe = (j: { chances: { ready: number; past: number } }) => j.chances.ready + j.chances.past;
    const alone = new Float64Array(CELLS).fill(1);
    for (const r of checks[1]!.readings) {
      const l = likelihoodOf(crop.cues.find((c) => c.id === r.cueId)!, r.value, { school, plants: 8 });
      for (let k = 0; k < CELLS; k++) alone[k]! *= l[k]!;
    }
    const total = alone.reduce((a, b) => a + b, 0);
    const last = chancesOf(alone.map((x) => x / total) as Float64Array<ArrayBuffer>);
    const begun = daysBetween(clockStart(planting, crop, today, LATITUDE, climate), today) / school.daysFactor;
    return {
      cropId: crop.id,
      filter: ripe(judge({ ...input, checks })),
      warmth: ripe(judge({ ...input, checks: [] })),
      packet: Math.min(1, Math.max(0, (begun - minDays) / Math.max(1, maxDays - minDays))),
      lastLook: last.ready + last.past,
      truth: living.stageOn(today) >= 1 ? 1 : 0,
    };
  });
}

/** Mean squared distance between chance and outcome (G. W. Brier, Monthly Weather Review 78, 1950). */
export const brier = <C extends { truth: number }>(cases: readonly C[], of: (c: C) => number): number =>
  cases.reduce((s, c) => s + (of(c) - c.truth) ** 2, 0) / cases.length;

/** Cases in equal steps of the chance said: how many, what was said on average, what came true. */
export function reliability(
  cases: readonly { filter: number; truth: number }[],
  bins = 5,
): { said: number; came: number; count: number }[] {
  return Array.from({ length: bins }, (_, b) => {
    const group = cases.filter((c) => Math.min(bins - 1, Math.floor(c.filter * bins)) === b);
    const mean = (of: (c: { filter: number; truth: number }) => number) =>
      group.reduce((s, c) => s + of(c), 0) / Math.max(1, group.length);
    return { said: mean((c) => c.filter), came: mean((c) => c.truth), count: group.length };
  });
}
