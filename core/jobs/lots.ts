import { addDays, type Day, daysBetween } from "../calendar/day";
import { curingOf } from "../keeping/curing";
import type { Stocked } from "../keeping/stock";
import { JOBS_AHEAD, type Job } from "./due";
import type { JobMark } from "./mark";

/** What cures or dries is turned so often, and what is stored is looked through so often, days (common practice; own estimates). */
const TURN_EVERY = 3;
const SORT_EVERY = 21;
/** What keeps for less is eaten before anybody sorts it. */
const STORED_DAYS = 60;
/** Minutes for a lot. */
const TURN_MIN = 4;
const SORT_MIN = 5;

/** Turning what cures and looking through what is stored, from the day each lot came in. */
export function lotJobs(stock: readonly Stocked[], marks: readonly JobMark[], today: Day): Job[] {
  return stock.flatMap((s): Job[] => {
    const { lot, curing } = s;
    if (lot.preserved) return [];
    const cures = curing !== null && !curing.ready;
    if (!cures && (s.facts.days[1] < STORED_DAYS || curingOf(s.crop) === null) && s.facts.days[1] < 2 * STORED_DAYS)
      return [];
    const jobId = cures ? "turn" : "sort";
    const own = marks.filter((m) => m.jobId === jobId && m.of === lot.id);
    if (own.some((m) => m.what === "never")) return [];
    const looked = lot.events.filter((e) => e.kind === "check").map((e) => e.at.slice(0, 10));
    const last = [lot.pickedAt.slice(0, 10), ...own.map((m) => m.day), ...looked].sort().at(-1)!;
    const every = cures ? TURN_EVERY : SORT_EVERY;
    const from = addDays(last, every);
    if (from > addDays(today, JOBS_AHEAD)) return [];
    const waited = daysBetween(from, today);
    return [
      {
        jobId,
        of: lot.id,
        ...{ plantingId: lot.plantingId, bedId: null, lotId: lot.id },
        what: cures ? "Turn them and take out what is soft" : "Look through them and take out what is soft",
        why: cures ? "air on every side; one soft one wets the rest" : "one bad one spoils its neighbours",
        caution: "",
        state: waited > Math.ceil(every / 2) ? "late" : waited >= 0 ? "due" : "soon",
        from,
        by: null,
        minutes: cures ? TURN_MIN : SORT_MIN,
        saves: 2,
        ...{ leaves: "any", soil: "any", repeats: true, source: "CP" },
      },
    ];
  });
}
