import { addDays, type Day } from "#core/calendar/day";
import { standInOn } from "#core/calendar/windows";
import { plantingName } from "#core/garden/name";
import { isPick } from "#core/planting/verdict";
import { begunOn, readyWindow } from "#core/planting/window";
import { VERDICT_WORDS } from "#core/planting/words";
import { sayMass } from "#core/units/mass";
import { proseIn } from "#core/units/prose";
import { closeFeed, type Feed, findFeed, setFeed } from "#db/feed";
import { listRounds } from "#db/work";
import { FEED_PARTS, type FeedPart } from "#formats/feed-parts";
import type { GardenEvent } from "#formats/garden-ics";
import { jobLine, jobsNow } from "../jobs/jobs.server";
import { houseOf } from "../keep/keep.server";
import { numberOf } from "../server/forms.server";
import { dataDir, db, type GardenNow } from "../server/garden-now.server";

/** Everything that a feed holds, by its parts. */
export function feedEvents(d: GardenNow, feed: Pick<Feed, "parts" | "alarm">): GardenEvent[] {
  const of: Record<FeedPart, () => GardenEvent[]> = {
    rounds: () => roundEvents(d, feed.alarm),
    jobs: () => jobEvents(d),
    windows: () => windowEvents(d),
    looks: () => lookEvents(d),
    cures: () => cureEvents(d),
    trips: () => tripEvents(d),
  };
  return FEED_PARTS.filter((p) => feed.parts.includes(p)).flatMap((p) => of[p]());
}

export function roundEvents(d: GardenNow, alarm: number | null): GardenEvent[] {
  const { snapshot, outlook } = d;
  const { garden } = snapshot;
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  return listRounds(db()).map(({ lines, ...round }) => {
    const by = standInOn(round.day, snapshot.trips);
    const words = lines.map((l) => {
      const p = byId.get(l.plantingId);
      return `${p ? plantingName(p.planting, p.crop) : "?"}, ${p?.bed.name ?? "?"}: ${l.take === "strip" ? "everything" : "what is ready"}, about ${sayMass(l.expectedG, garden.units)}. ${proseIn(l.why, garden.units)}`;
    });
    return {
      id: `round-${round.id}`,
      summary: `Picking round${by ? `, ${by} goes` : ""}: ${lines.length} ${lines.length === 1 ? "planting" : "plantings"}`,
      description: [...words, round.note].filter(Boolean).join("\n"),
      at: {
        local: `${round.day}T${round.startsAt}`,
        minutes: lines.reduce((s, l) => s + l.minutes, garden.roundMinutes),
      },
      alarm,
    };
  });
}

const whole = (id: string, day: Day, summary: string, description = "", to: Day = day): GardenEvent => ({
  id,
  summary,
  description,
  at: { from: day, to },
  alarm: null,
});

const jobEvents = (d: GardenNow): GardenEvent[] =>
  jobsNow(d).map((job) => {
    const line = jobLine(d, job);
    const day = job.from < d.today ? d.today : job.from;
    const words = [line.bed, line.why, line.gate, line.caution].filter(Boolean).join("\n");
    return whole(`job-${job.jobId}-${job.of}`, day, [line.name, line.what].filter(Boolean).join(": "), words);
  });

const windowEvents = (d: GardenNow): GardenEvent[] =>
  d.outlook.plantings.flatMap((p) => {
    const window = readyWindow(p.planting, p.crop, begunOn(p, d.today));
    if (window.to < d.today || p.judgement.barred) return [];
    const name = plantingName(p.planting, p.crop);
    const by = window.by === "packet" ? "by its packet" : "by the handbook’s days";
    return [
      whole(`window-${p.planting.id}`, window.from, `${name}: expected ready`, `${p.bed.name}, ${by}`, window.to),
    ];
  });

const lookEvents = (d: GardenNow): GardenEvent[] =>
  d.outlook.plantings.flatMap((p) => {
    const { verdict, lookAgain } = p.judgement;
    if (isPick(verdict) || lookAgain > addDays(d.today, 60)) return [];
    const day = lookAgain < d.today ? d.today : lookAgain;
    return [
      whole(
        `look-${p.planting.id}`,
        day,
        `Look at ${plantingName(p.planting, p.crop)}`,
        `${p.bed.name}. ${VERDICT_WORDS[verdict]}`,
      ),
    ];
  });

const cureEvents = (d: GardenNow): GardenEvent[] =>
  houseOf(d).stock.flatMap((s) => {
    if (!s.curing?.left || s.curing.ready) return [];
    const [from, to] = s.curing.left;
    const on = (days: number) => addDays(d.today, Math.max(0, Math.ceil(days)));
    return [
      whole(`cure-${s.lot.id}`, on(from), `${s.lot.kind}: curing should end`, "Test before you store it.", on(to)),
    ];
  });

const tripEvents = (d: GardenNow): GardenEvent[] =>
  d.snapshot.trips
    .filter((t) => t.toDay >= d.today)
    .map((t) =>
      whole(
        `trip-${t.id}`,
        t.fromDay,
        t.name || "Away",
        t.standIn ? `${t.standIn} stands in.` : "Nobody stands in.",
        t.toDay,
      ),
    );

/** What the settings show of the calendar, and its address; null while it is closed. */
export function feedView(origin: string) {
  const feed = findFeed(dataDir());
  return {
    address: feed ? `${origin}/feed/${feed.key}.ics` : null,
    parts: feed?.parts ?? (["rounds", "jobs", "trips"] satisfies FeedPart[]),
    alarm: feed ? feed.alarm : 60,
  };
}

/** Opens the calendar, changes it, gives it a new address, or closes it. */
export function changeFeed(form: FormData): void {
  if (form.get("intent") === "feed-close") {
    closeFeed(dataDir());
    return;
  }
  const parts = FEED_PARTS.filter((p) => form.getAll("part").includes(p));
  const minutes = numberOf(String(form.get("alarm") ?? ""));
  const alarm = minutes === null || Number.isNaN(minutes) ? null : Math.min(2880, Math.max(0, Math.round(minutes)));
  setFeed(dataDir(), parts, alarm, form.get("intent") === "feed-renew");
}
