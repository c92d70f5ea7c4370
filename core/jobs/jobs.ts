import type { Day } from "../calendar/day";
import { growingYear } from "../calendar/hemisphere";
import { groupBy } from "../group-by";
import type { Stocked } from "../keeping/stock";
import type { GrowingGarden, Outlook } from "../planning/outlook";
import { firstFrosts, frostDay, lastFrosts } from "../weather/frost-dates";
import { picksOf } from "../weighing/by-planting";
import { isCrop } from "../weighing/pick";
import { type Job, plantingJobs } from "./due";
import { lotJobs } from "./lots";
import type { JobMark, OwnJob } from "./mark";
import { ownJobs } from "./own";
import type { Life } from "./when";

/** Every job of a garden that is due, late or coming: the handbook's, the house's, the gardener's own. */
export function jobsOf(
  snapshot: GrowingGarden & { ownJobs: OwnJob[]; jobMarks: JobMark[] },
  outlook: Outlook,
  stock: readonly Stocked[],
): Job[] {
  const { today } = outlook;
  const { latitudeDeg } = snapshot.garden;
  const marks = snapshot.jobMarks;
  const year = Number(today.slice(0, 4));
  const middle = (dates: ReturnType<typeof firstFrosts>): Day | null => frostDay(dates, 0.5, year, latitudeDeg);
  const frosts = {
    last: lastFrostDay(snapshot, year),
    first: middle(firstFrosts(snapshot.weather, latitudeDeg)),
  };
  const inTime = [...snapshot.checks].sort((a, b) => (a.at < b.at ? -1 : 1));
  const looks = groupBy(inTime, (c) => c.plantingId);
  const jobs = outlook.plantings.flatMap((p) => {
    const season = p.crop.days.yearly
      ? (day: Day) => growingYear(day, latitudeDeg) === growingYear(today, latitudeDeg)
      : (day: Day) => day >= p.planting.startedOn;
    const life: Life = {
      ...{ p, today, latitudeDeg, frosts },
      checks: (looks.get(p.planting.id) ?? []).filter((c) => season(c.at.slice(0, 10))),
      picks: picksOf(snapshot, p.planting.id)
        .filter((x) => isCrop(x) && x.purpose === "harvest")
        .map((x) => x.at.slice(0, 10))
        .filter((day) => season(day) && day <= today)
        .sort(),
    };
    return plantingJobs({ life, days: outlook.days, marks });
  });
  const bedOf = new Map(snapshot.plantings.map((p) => [p.id, p.bedId]));
  const own = ownJobs(snapshot.ownJobs, marks, outlook.days, today, (id) => bedOf.get(id) ?? null);
  return inOrder([...jobs, ...lotJobs(stock, marks, today), ...own]);
}

/** The usual last frost of a year by the record; null where there are fewer than two springs of it. */
function lastFrostDay(snapshot: GrowingGarden, year: number): Day | null {
  const { latitudeDeg } = snapshot.garden;
  const dates = lastFrosts(snapshot.weather, latitudeDeg);
  if (dates.length < 2) return null;
  const days = dates.map((d) => d.day.slice(5)).sort();
  return `${year}-${days[Math.floor((days.length - 1) / 2)]}`;
}

const STATE_RANK = { late: 1, due: 0, soon: 2 } as const;

/**
 * What a minute saves most first: what ends soon before what can wait, dear before cheap, quick before long (own
 * estimate); what is only coming by its day.
 */
export function inOrder(jobs: readonly Job[]): Job[] {
  const worth = (j: Job) => (j.saves ** 2 * (j.by ? 1.5 : 1)) / (3 + j.minutes);
  return [...jobs].sort(
    (a, b) =>
      Number(a.state === "soon") - Number(b.state === "soon") ||
      (a.state === "soon" ? (a.from < b.from ? -1 : a.from > b.from ? 1 : 0) : 0) ||
      worth(b) - worth(a) ||
      STATE_RANK[a.state] - STATE_RANK[b.state] ||
      (`${a.jobId} ${a.of}` < `${b.jobId} ${b.of}` ? -1 : 1),
  );
}
