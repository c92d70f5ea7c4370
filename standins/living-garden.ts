import { addDays, type Day, daysBetween } from "#core/calendar/day";
import type { Planting } from "#core/garden/planting";
import type { Crop, Cue } from "#core/handbook/crop";
import type { Reading } from "#core/planting/check";
import { baseOf } from "#core/planting/clock";
import { landmarkAt } from "#core/planting/stage-grid";
import type { WeatherDay } from "#core/weather/daily";
import type { Chance } from "./random";

/**
 * A plant that grows: the stand-in for a real planting in the demo. Its growth runs on other equations than the
 * readiness filter: a beta-shaped response to the mean temperature, a hidden pace of its own, slower in short days.
 */
export type LivingPlanting = { stageOn(day: Day): number };

/** Response to a mean temperature, 0 to 1: none at the base, best near 24 °C for tender crops and 19 °C for hardy ones. */
function response(meanC: number, baseC: number): number {
  const best = baseC >= 7 ? 24 : 19;
  const end = best + 14;
  if (meanC <= baseC || meanC >= end) return 0;
  const x = (meanC - baseC) / (best - baseC);
  const y = (end - meanC) / (end - best);
  return x * y ** ((end - best) / (best - baseC));
}

/**
 * Grows a planting through the weather.
 * @param pace hidden speed of this planting, about 1
 */
export function grow(planting: Planting, crop: Crop, weather: readonly WeatherDay[], pace: number): LivingPlanting {
  const range =
    planting.packetMinDays !== null && planting.packetMaxDays !== null
      ? [planting.packetMinDays, planting.packetMaxDays]
      : (crop.days[planting.startedHow] ?? [70, 100]);
  const days = (range[0]! + range[1]!) / 2;
  const usual = baseOf(crop) < 3 && crop.id === "garlic" ? 0.38 : 0.72;
  const stages: number[] = [];
  let stage = 0;
  const first = weather.findIndex((w) => w.day === planting.startedOn);
  for (const w of weather.slice(Math.max(0, first))) {
    const mean = (w.tempMinC + w.tempMaxC) / 2;
    const growth = response(mean, baseOf(crop)) * pace;
    stage += stage < 1 ? growth / (usual * days) : growth / (crop.prime.warmDays * 1.1);
    stages.push(Math.min(2, stage));
  }
  return {
    stageOn: (day) => stages[Math.min(stages.length - 1, Math.max(0, daysBetween(planting.startedOn, day)))] ?? 0,
  };
}

/** What a cue of a living planting shows to an honest, imperfect eye. */
export function look(cue: Cue, stage: number, plants: number, luck: Chance): Reading | null {
  switch (cue.kind) {
    case "measure":
    case "weight":
      return {
        cueId: cue.id,
        value: Math.max(1, Math.round(landmarkAt(cue.marks, stage) * Math.exp(0.08 * luck.normal()))),
      };
    case "percent":
      return {
        cueId: cue.id,
        value: Math.min(100, Math.max(0, Math.round((landmarkAt(cue.marks, stage) + 6 * luck.normal()) / 5) * 5)),
      };
    case "choice": {
      const seen = stage + 0.06 * luck.normal();
      const nearest = cue.options.reduce((a, b) => (Math.abs(b.at - seen) < Math.abs(a.at - seen) ? b : a));
      return { cueId: cue.id, value: nearest.id };
    }
    case "count":
      return {
        cueId: cue.id,
        value: Math.max(0, Math.round(landmarkAt(cue.marks, stage) * plants * Math.exp(0.2 * luck.normal()))),
      };
    case "since":
      return { cueId: cue.id, value: Math.max(0, Math.round(landmarkAt(cue.marks, stage) + luck.normal())) };
    case "event":
      return null;
  }
}

/** The first day on which a living planting reaches a stage, or null within the days given. */
export function firstDayAt(living: LivingPlanting, from: Day, to: Day, stage: number): Day | null {
  for (let day = from; day <= to; day = addDays(day, 1)) if (living.stageOn(day) >= stage) return day;
  return null;
}
