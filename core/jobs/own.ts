import { addDays, type Day, daysBetween } from "../calendar/day";
import type { DayOutlook } from "../planning/outlook";
import { JOBS_AHEAD, type Job } from "./due";
import type { JobMark, OwnJob } from "./mark";

/** A job of the gardener's own that nobody got round to for so long is late. */
const WAITS = 2;

/**
 * When a job of the gardener's own is due next, after what was said of it; null: never again. Done, it comes again after
 * its days from the day it was done; left out once, from the day it was due.
 */
export function nextOf(job: OwnJob, marks: readonly JobMark[]): Day | null {
  const said = marks
    .filter((m) => m.jobId === job.id)
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.at < b.at ? -1 : 1));
  if (said.some((m) => m.what === "never")) return null;
  let due: Day = job.startOn;
  for (const [k, m] of said.entries()) {
    if (job.everyDays === null && !job.onFrost) return null;
    if (job.times !== null && k + 1 >= job.times) return null;
    const from = m.what === "done" || m.day > due ? m.day : due;
    due = addDays(from, job.everyDays ?? 1);
  }
  return job.untilOn !== null && due > job.untilOn ? null : due;
}

/** The gardener's own jobs that are due, late or coming. */
export function ownJobs(
  jobs: readonly OwnJob[],
  marks: readonly JobMark[],
  days: readonly DayOutlook[],
  today: Day,
  bedOf: (plantingId: string) => string | null,
): Job[] {
  return jobs.flatMap((job): Job[] => {
    const due = nextOf(job, marks);
    const from = due !== null && job.onFrost ? frostEvening(due, days, today) : due;
    if (from === null || from > addDays(today, JOBS_AHEAD)) return [];
    const waited = daysBetween(from, today);
    return [
      {
        jobId: job.id,
        of: "",
        plantingId: job.plantingId,
        bedId: job.bedId ?? (job.plantingId ? bedOf(job.plantingId) : null),
        lotId: job.lotId,
        what: job.words,
        why: job.note,
        caution: "",
        state: waited > WAITS ? "late" : waited >= 0 ? "due" : "soon",
        from,
        by: null,
        minutes: job.minutes,
        saves: 2,
        leaves: job.dryLeaves ? "dry" : "any",
        soil: "any",
        repeats: job.everyDays !== null || job.onFrost,
        source: "own",
      },
    ];
  });
}

/** The first evening, from a day on, before a night for which frost is forecast. */
function frostEvening(from: Day, days: readonly DayOutlook[], today: Day): Day | null {
  const night = days.find((d) => d.from === "forecast" && d.night.minC <= 0 && addDays(d.weather.day, -1) >= from);
  if (!night) return null;
  const evening = addDays(night.weather.day, -1);
  return evening < today ? today : evening;
}
