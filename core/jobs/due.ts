import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Source } from "../handbook/sources";
import type { DayOutlook, PlantingOutlook } from "../planning/outlook";
import { daysAtTemp } from "../planting/clock";
import { bedMinC } from "../weather/bed-night";
import { meanTempC } from "../weather/daily";
import type { JobMark } from "./mark";
import { type JobRule, rulesOf } from "./rule";
import { dayOf, type Life } from "./when";

export const JOB_STATES = ["late", "due", "soon"] as const;
/** late: due since longer than it should wait; due: now; soon: within the coming days. */
export type JobState = (typeof JOB_STATES)[number];

/** A job that is due or will be: what, where, since when, until when. */
export type Job = {
  /** the rule or own job, and what it is done to */
  jobId: string;
  of: string;
  plantingId: string | null;
  bedId: string | null;
  lotId: string | null;
  what: string;
  why: string;
  caution: string;
  state: JobState;
  /** due from this day */
  from: Day;
  /** void after this day; null: it stays until it is done */
  by: Day | null;
  minutes: number;
  saves: 1 | 2 | 3;
  leaves: "any" | "dry";
  soil: "any" | "moist" | "workable";
  /** comes again after it is done */
  repeats: boolean;
  source: Source;
};

/** Days ahead for which jobs are told. */
export const JOBS_AHEAD = 14;
/** A job done once waits so many days before it is called late; a repeated one half its usual gap. */
const WAITS = 7;
/** Nights ahead for which a forecast's minimum calls for a cover. */
const NIGHTS_AHEAD = 1;
/** Marks older than this are of another season. */
const SEASON_DAYS = 300;

export type PlantingJobs = { life: Life; days: readonly DayOutlook[]; marks: readonly JobMark[] };

/** The jobs of one planting that are due, late or coming, by the handbook's rules. */
export function plantingJobs({ life, days, marks }: PlantingJobs): Job[] {
  const { p, today } = life;
  return rulesOf(p.crop).flatMap((rule) => {
    if (rule.how.length > 0 && !rule.how.includes(p.planting.startedHow)) return [];
    if (daysBetween(p.planting.startedOn, today) < rule.fromYear * YEAR) return [];
    const own = marks.filter((m) => m.jobId === rule.id && m.of === p.planting.id);
    if (own.some((m) => m.what === "never")) return [];
    const span = rule.weather ? weatherSpan(rule, life, days, own) : lifeSpan(rule, life, days, own);
    if (!span) return [];
    const state = stateOf(span, rule, today);
    if (!state) return [];
    return [
      {
        jobId: rule.id,
        of: p.planting.id,
        plantingId: p.planting.id,
        bedId: p.bed.id,
        lotId: null,
        ...{ what: rule.what, why: rule.why, caution: rule.caution, state, from: span.from, by: span.by },
        minutes: minutesOf(rule, p.planting, p.bed),
        saves: rule.saves,
        leaves: rule.leaves,
        soil: rule.soil,
        repeats: rule.again !== null || rule.weather !== null,
        source: rule.source,
      },
    ];
  });
}
const YEAR = 300;

/** `known`: somebody has done it before, so that a day left out is a day too late. */
type Span = { from: Day; by: Day | null; known: boolean };

/** From when to when a job of a planting's life is due, after what was said of it; null: not, or not any more. */
function lifeSpan(rule: JobRule, life: Life, days: readonly DayOutlook[], marks: readonly JobMark[]): Span | null {
  const { p, today } = life;
  const begins = rule.begins.flatMap((m) => dayOf(m, life) ?? []).sort();
  const first = begins[0];
  if (!first) return null;
  const season = p.crop.days.yearly ? addDays(first, -SEASON_DAYS / 2) : p.planting.startedOn;
  const looks = rule.byLook ? life.checks.map((c) => c.at.slice(0, 10)) : [];
  const said = [...marks.map((m) => m.day), ...looks].filter((day) => day >= season && day <= today).sort();
  const ends = rule.ends.flatMap((m) => dayOf(m, life) ?? []).filter((d) => d >= first);
  const by = [...ends, ...(rule.stays === null ? [] : [addDays(first, rule.stays)])].sort()[0] ?? null;
  const last = said.at(-1);
  if (!last) return { from: first, by, known: false };
  if (rule.again === null || (rule.times !== null && said.length >= rule.times)) return null;
  // done again after its gap from the day it was done, not from the day it was due
  const gap = gapOf(rule.again, days);
  const from = addDays(last, gap);
  return { from: from < first ? first : from, by: rule.times === null ? by : null, known: true };
}

/** Days until a repeated job comes again, by the warmth of the coming days. */
function gapOf(again: readonly [number, number], days: readonly DayOutlook[]): number {
  const week = days.slice(0, 7);
  const mean = week.reduce((s, d) => s + meanTempC(d.weather), 0) / Math.max(1, week.length);
  return Math.max(1, Math.round(daysAtTemp(again[0], again[1], week.length > 0 ? mean : 15)));
}

/** The night, afternoon or gale of a forecast that calls for it; null when none does, or it was said to be done. */
function weatherSpan(rule: JobRule, life: Life, days: readonly DayOutlook[], marks: readonly JobMark[]): Span | null {
  const { p, today } = life;
  const w = rule.weather!;
  const age = daysBetween(p.planting.startedOn, today);
  if (w.young !== undefined && age > w.young) return null;
  if (w.season && p.judgement.barred) return null;
  if (w.bloom !== undefined && !inBloom(p, today, w.bloom)) return null;
  const sure = days.filter((d) => d.from === "forecast");
  const hot = w.dayFrom === undefined ? null : firstRun(sure, w.days ?? 1, (d) => d.weather.tempMaxC >= w.dayFrom!);
  const cold =
    w.nightUpTo === undefined
      ? null
      : sure.slice(0, NIGHTS_AHEAD + 1).find((d) => {
          const min = nightC(d, p);
          return min <= w.nightUpTo! && min > (w.nightFrom ?? -90);
        });
  const gale = w.gustFrom === undefined ? null : sure.slice(0, 3).find((d) => (d.weather.gustMs ?? 0) >= w.gustFrom!);
  const day = (hot ?? cold ?? gale)?.weather.day;
  if (!day) return null;
  // a night's low is that of its early morning: the cover is laid the evening before
  const from = cold ? addDays(day, -1) : day;
  const due = from < today ? today : from;
  if (marks.some((m) => daysBetween(m.day, due) < (cold ? 1 : 7))) return null;
  return { from: due, by: day, known: false };
}

const nightC = (d: DayOutlook, p: PlantingOutlook): number =>
  d.night.minC + bedMinC(d.weather, p.bed) - d.weather.tempMinC;

/** Whether it stands in bloom: for so many days from the day its yearly clock begins. */
function inBloom(p: PlantingOutlook, today: Day, days: number): boolean {
  const since = p.judgement.daysSinceStart;
  return p.crop.days.yearly !== null && since <= days && p.judgement.lookAgain >= today;
}

function firstRun(days: readonly DayOutlook[], run: number, holds: (d: DayOutlook) => boolean): DayOutlook | null {
  for (let k = 0; k + run <= days.length; k++) if (days.slice(k, k + run).every(holds)) return days[k]!;
  return null;
}

function stateOf({ from, by, known }: Span, rule: JobRule, today: Day): JobState | null {
  if (by !== null && by < today) return null;
  if (from > addDays(today, JOBS_AHEAD)) return null;
  if (from > today) return "soon";
  const waits = rule.again ? Math.max(1, Math.ceil(rule.again[0] / 2)) : WAITS;
  // what nobody has begun with is due, not missed day after day
  if (rule.again && !known) return "due";
  return (by === null || rule.again) && daysBetween(from, today) > waits ? "late" : "due";
}

const USUAL_PLANTS = 6;
const USUAL_METRES = 3;

/** Minutes of an unhurried adult. */
function minutesOf({ minutes: { per, n } }: JobRule, planting: Planting, bed: Bed): number {
  const of = {
    visit: 1,
    plant: planting.plants ?? USUAL_PLANTS,
    metre: planting.rowM ?? bed.lengthM ?? USUAL_METRES,
    square: planting.areaM2 ?? Math.min(bed.lengthM * bed.widthM, 10),
  }[per];
  return Math.max(1, Math.round(n * of));
}
