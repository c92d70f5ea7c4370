import { addDays, type Day, daysBetween, sayDay, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { groupBy } from "#core/group-by";
import { SOURCES } from "#core/handbook/sources";
import type { Job } from "#core/jobs/due";
import { jobsOf } from "#core/jobs/jobs";
import { type JobMark, jobMarkSchema, type OwnJob } from "#core/jobs/mark";
import { nextOf } from "#core/jobs/own";
import { JOB_RULES, rulesOf } from "#core/jobs/rule";
import { change, newId } from "#db/change";
import { houseOf } from "../keep/keep.server";
import { done, missing, ownId, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { gatesOf } from "./gates.server";
import { ownJobForm } from "./own-job.form";

/** Every job that is due, late or coming, the one that saves most a minute first. */
export const jobsNow = (d: GardenNow): Job[] =>
  remembered(d, "jobs", () => jobsOf(d.snapshot, d.outlook, houseOf(d).stock));

/** A job as a line shows it. */
export type JobLine = {
  key: string;
  jobId: string;
  of: string;
  name: string;
  bed: string;
  what: string;
  why: string;
  caution: string;
  state: Job["state"];
  when: string;
  minutes: number;
  gate: string;
  repeats: boolean;
  own: boolean;
  to: string | null;
  source: string;
};

function sayWhen(job: Job, today: Day): string {
  const left = job.by === null ? null : daysBetween(today, job.by);
  if (job.state === "soon") return `from ${sayNear(job.from, today)}`;
  if (left !== null && left <= 0) return job.leaves === "dry" ? "today" : "today, the last day";
  if (left !== null && left <= 21) return `${left} ${left === 1 ? "day" : "days"} left`;
  return job.state === "late" ? `since ${sayNear(job.from, today)}` : "now";
}

export function jobLine(d: GardenNow, job: Job): JobLine {
  const { snapshot, today } = d;
  const gates = gatesOf(d);
  const planting = job.plantingId ? snapshot.plantings.find((p) => p.id === job.plantingId) : undefined;
  const bed = snapshot.beds.find((b) => b.id === (planting?.bedId ?? job.bedId));
  const lot = job.lotId ? houseOf(d).lots.get(job.lotId) : undefined;
  const now = job.state !== "soon";
  const gate = [
    now && job.leaves === "dry" ? gates.leaves : "",
    now && job.soil === "workable" ? gates.workable : "",
    now && job.soil === "moist" ? gates.moist : "",
  ].filter(Boolean);
  return {
    key: `${job.jobId} ${job.of}`,
    jobId: job.jobId,
    of: job.of,
    name: planting ? plantingName(planting, handbook().find(planting.cropId)) : (lot?.kind ?? ""),
    bed: lot
      ? (snapshot.places.find((p) => p.id === lot.stays.at(-1)?.placeId)?.name ?? "in the house")
      : (bed?.name ?? ""),
    ...{ what: job.what, why: job.why, caution: job.caution, state: job.state, minutes: Math.round(job.minutes) },
    when: sayWhen(job, today),
    gate: gate[0] ?? "",
    repeats: job.repeats,
    own: job.source === "own",
    to: lot ? `/keep/lots/${lot.id}` : planting ? `/plot/plantings/${planting.id}` : null,
    source: SOURCES[job.source],
  };
}

/** Jobs of one planting that are due or coming. */
export const jobsOfPlanting = (d: GardenNow, plantingId: string): JobLine[] =>
  jobsNow(d)
    .filter((j) => j.plantingId === plantingId && j.lotId === null)
    .map((j) => jobLine(d, j));

/** Jobs that are due at some beds on a day: for a round that goes by them. */
export const jobsAtBeds = (d: GardenNow, bedIds: ReadonlySet<string>, day: Day): JobLine[] =>
  jobsNow(d)
    .filter((j) => j.bedId !== null && bedIds.has(j.bedId) && j.from <= day && (j.by === null || j.by >= day))
    .map((j) => jobLine(d, j));

/** What was said of jobs of late, so that it can be taken back. */
function markLine(d: GardenNow, m: JobMark) {
  const own = d.snapshot.ownJobs.find((j) => j.id === m.jobId);
  const planting = d.snapshot.plantings.find((p) => p.id === (own?.plantingId ?? m.of.split(" ")[0]));
  const crop = planting ? handbook().find(planting.cropId) : null;
  const rule =
    JOB_RULES.find((r) => r.id === m.jobId) ?? (crop ? rulesOf(crop).find((r) => r.id === m.jobId) : undefined);
  const words =
    own?.words ?? rule?.what ?? (m.jobId === "turn" ? "Turned" : m.jobId === "sort" ? "Looked through" : m.jobId);
  const name = planting ? plantingName(planting, crop) : "";
  return { id: m.id, what: m.what, day: sayNear(m.day, d.today), name, words };
}

/** Marks shown under what was done of late. */
const LATELY_DAYS = 14;
const MOST_LATELY = 30;

/** Everything the page of the jobs shows. */
export function jobsView(d: GardenNow) {
  const { snapshot, outlook, today } = d;
  const lines = jobsNow(d).map((j) => ({ day: j.from, line: jobLine(d, j) }));
  const week = addDays(today, 7);
  const of = (holds: (x: (typeof lines)[number]) => boolean) => lines.filter(holds).map((x) => x.line);
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  return {
    today,
    now: inGroups(of((x) => x.line.state !== "soon")),
    due: lines.filter((x) => x.line.state !== "soon").length,
    week: inGroups(of((x) => x.line.state === "soon" && x.day <= week)),
    later: inGroups(of((x) => x.line.state === "soon" && x.day > week)),
    minutes: lines.reduce((s, x) => s + (x.line.state === "soon" ? 0 : x.line.minutes), 0),
    lately: snapshot.jobMarks
      .filter((m) => m.day >= addDays(today, -LATELY_DAYS) && m.day <= today)
      .reverse()
      .slice(0, MOST_LATELY)
      .map((m) => markLine(d, m)),
    own: snapshot.ownJobs.map((job) => ({ job, next: sayNext(job, snapshot.jobMarks, today) })),
    plantings: outlook.plantings
      .map((p) => ({
        id: p.planting.id,
        name: `${plantingName(p.planting, p.crop)}, ${bedName.get(p.planting.bedId) ?? ""}`,
      }))
      .sort((a, b) => a.name.localeCompare(b.name, "en")),
    beds: snapshot.beds.map((b) => ({ id: b.id, name: b.name })),
  };
}

function sayNext(job: OwnJob, marks: readonly JobMark[], today: Day): string {
  const next = nextOf(job, marks);
  if (next === null) return "done for good";
  const when = job.onFrost ? "each evening before a frost" : next <= today ? "due" : `next ${sayDay(next)}`;
  const said = marks.filter((m) => m.jobId === job.id).length;
  const every = job.everyDays ? `every ${job.everyDays === 1 ? "day" : `${job.everyDays} days`}` : "";
  const rest = job.times
    ? `${job.times - said} of ${job.times} to go`
    : job.untilOn
      ? `until ${sayDay(job.untilOn)}`
      : "";
  return [when, every, rest].filter(Boolean).join(", ");
}

/**
 * Marks a job done, left out, not wanted, or takes such a mark back.
 * @param at local time of it; absent: now
 */
export function markJob(d: GardenNow, typed: Record<string, string>, at = d.now): { ok: boolean } {
  const undo = typed.what === "undo";
  if (undo) {
    const mark = d.snapshot.jobMarks.find((m) => m.id === typed.id);
    if (!mark) return { ok: false };
    change(db(), "Job not done after all", d.now, (c) => c.remove("jobMarks", mark.id));
    return { ok: true };
  }
  const id = ownId(typed) ?? newId();
  // what waited for the signal and was sent twice is kept once
  if (d.snapshot.jobMarks.some((m) => m.id === id)) return { ok: true };
  const job = jobsNow(d).find((j) => j.jobId === typed.jobId && j.of === (typed.of ?? ""));
  if (!job) return { ok: false };
  const on = at.slice(0, 10);
  // a job left out before its day counts from that day
  const day = typed.what === "skipped" && job.from > on ? job.from : on;
  const mark = jobMarkSchema.safeParse({ id, jobId: job.jobId, of: job.of, day, at, what: typed.what });
  if (!mark.success) return { ok: false };
  const words = { done: "done", skipped: "left out this time", never: "not wanted here" }[mark.data.what];
  change(db(), `${job.what}: ${words}`.slice(0, 120), d.now, (c) => c.put("jobMarks", mark.data));
  return { ok: true };
}

/** Adds a job of the gardener's own, changes one, or takes one out. */
export function changeOwnJob(d: GardenNow, typed: Record<string, string>) {
  const known = typed.id ? d.snapshot.ownJobs.find((j) => j.id === typed.id) : undefined;
  if (typed.id && !known) throw missing("job of that name");
  if (typed.intent === "remove") {
    if (!known) throw missing("job of that name");
    return done(
      "/jobs",
      change(db(), `Job taken out: ${known.words}`, d.now, (c) => c.remove("ownJobs", known.id)),
    );
  }
  const read = readForm(ownJobForm(d.today), typed);
  if (!read.ok) return refuse(read.faults);
  const job = { ...read.row, id: known?.id ?? newId(), lotId: known?.lotId ?? read.row.lotId };
  const label = known ? `Job changed: ${job.words}` : `Job noted: ${job.words}`;
  const back = typed.back?.startsWith("/") && !typed.back.startsWith("//") ? typed.back : "/jobs";
  return done(
    back,
    change(db(), label.slice(0, 120), d.now, (c) => c.put("ownJobs", job)),
  );
}

/** Lines of one and the same job drawn together under its words, in the order in which the first of each stands. */
export const inGroups = (lines: readonly JobLine[]): JobLine[][] => [
  ...groupBy(lines, (line) => `${line.jobId} ${line.what}`).values(),
];
