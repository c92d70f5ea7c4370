import { addDays, type Day, daysBetween } from "../calendar/day";
import { curingOf } from "../keeping/curing";
import type { Stocked } from "../keeping/stock";
import { JOBS_AHEAD, type Job } from "./due";
import type { JobMark } from "./mark";
import data from "./other-jobs.json";

/**
 * What cures or dries is turned, and what is stored is looked through: how often, days, and minutes for a lot (common
 * practice; own estimates).
 */
const LOT_JOBS = data;
/** What keeps for less is eaten before anybody sorts it. */
const STORED_DAYS = 60;

/**
 * Turning what cures and looking through what is stored: what came of one planting and lies in one place together, from
 * the day each lot came in.
 */
export function lotJobs(stock: readonly Stocked[], marks: readonly JobMark[], today: Day): Job[] {
  const together = new Map<string, { jobId: "turn" | "sort"; lots: Stocked[] }>();
  for (const s of stock) {
    const jobId = jobOf(s);
    if (!jobId) continue;
    const of = `${s.lot.plantingId} ${s.place?.id ?? ""}`;
    const known = together.get(`${jobId} ${of}`);
    if (known) known.lots.push(s);
    else together.set(`${jobId} ${of}`, { jobId, lots: [s] });
  }
  return [...together.values()].flatMap(({ jobId, lots }): Job[] => {
    const { lot, place } = lots[0]!;
    const of = `${lot.plantingId} ${place?.id ?? ""}`;
    const own = marks.filter((m) => m.jobId === jobId && m.of === of);
    if (own.some((m) => m.what === "never")) return [];
    const done = own.map((m) => m.day);
    const { what, why, every, minutes } = LOT_JOBS[jobId];
    const from = lots.map((s) => addDays([...done, ...lookedAt(s)].sort().at(-1)!, every)).sort()[0]!;
    if (from > addDays(today, JOBS_AHEAD)) return [];
    const waited = daysBetween(from, today);
    return [
      {
        ...{ jobId, of, plantingId: lot.plantingId, bedId: null, lotId: lot.id },
        ...{ what, why, caution: "" },
        state: waited < 0 ? "soon" : done.length > 0 && waited > Math.ceil(every / 2) ? "late" : "due",
        ...{ from, by: null, minutes: minutes * lots.length, saves: 2 },
        ...{ leaves: "any", soil: "any", repeats: true, source: "CP" },
      },
    ];
  });
}

/** What is to be done to a lot: turned while it cures, looked through where it keeps for months; else nothing. */
function jobOf({ lot, crop, curing, facts }: Stocked): "turn" | "sort" | null {
  if (lot.preserved) return null;
  if (curing !== null && !curing.ready) return "turn";
  const stored = facts.days[1] >= (curingOf(crop) === null ? 2 * STORED_DAYS : STORED_DAYS);
  return stored ? "sort" : null;
}

/** Days on which a lot was in hands: picked, looked at. */
const lookedAt = ({ lot }: Stocked): Day[] => [
  lot.pickedAt.slice(0, 10),
  ...lot.events.filter((e) => e.kind === "check").map((e) => e.at.slice(0, 10)),
];
