import { sayDate, sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { figuresOf } from "#core/season/planting-figures";
import { sayMass } from "#core/units/mass";
import { everyWeek, groupPicks, picksIn, totalsOf } from "#core/weighing/pick-log";
import type { ReportPart, SeasonReport } from "#formats/season-report";
import { loggedPicks } from "../picks/picks.server";
import type { GardenNow } from "../server/garden-now.server";
import { seasonView } from "./season.server";
import { grownOf, pickYears, yearAsked } from "./season-data.server";
import { rhythmView } from "./season-rhythm.server";
import { weeksView } from "./season-weeks.server";

const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** A season in one piece: what it gave, how it ran, what became of it, what was learned. */
export function reportOf(d: GardenNow, asked: string | null): { years: string[]; year: string; report: SeasonReport } {
  const { snapshot } = d;
  const { units } = snapshot.garden;
  const years = pickYears(d);
  const year = yearAsked(asked, years);
  const seen = seasonView(d, year, "kind");
  const entries = picksIn(loggedPicks(snapshot), year);
  const totals = totalsOf(entries);
  const per = units === "us" ? 453.59237 : 1000;
  const report: SeasonReport = {
    title: `${snapshot.garden.name}: the season ${year}`,
    lead: [
      `${plural(totals.picks, "pick", "picks")}, ${sayMass(totals.weighedG, units)} weighed`,
      totals.estimatedG > 0 ? `and ${sayMass(totals.estimatedG, units)} estimated` : "",
      snapshot.garden.place ? `at ${snapshot.garden.place}` : "",
      `as of ${sayDate(d.today)}.`,
    ]
      .filter(Boolean)
      .join(", ")
      .replace(/, as of/, "; as of"),
    weeks: everyWeek(groupPicks(entries, "week")).map((w) => ({
      name: sayDay(w.week).slice(4),
      weighed: w.weighedG / per,
      estimated: w.estimatedG / per,
    })),
    unit: units === "us" ? "lb" : "kg",
    parts: [
      yieldsPart(seen),
      datesPart(d, year),
      becamePart(seen),
      weeksPart(d, year),
      rhythmPart(d, year),
      lessonsPart(d, year),
    ].filter((p) => p.lines.length > 0 || (p.table?.rows.length ?? 0) > 0),
  };
  return { years, year, report };
}

function yieldsPart(seen: ReturnType<typeof seasonView>): ReportPart {
  return {
    title: "Harvest",
    lines: [],
    table: {
      head: ["Kind", "Weighed", "Estimated", "Picks", "A pick", "Yield"],
      rows: seen.rows.map((r) => [r.name, r.weighed, r.estimated, String(r.picks), r.perPick, r.yield]),
      numbers: [1, 2, 3, 4],
    },
  };
}

function datesPart(d: GardenNow, year: string): ReportPart {
  const rows = grownOf(d).flatMap((g) => {
    const entries = picksIn(g.entries, year);
    if (entries.length === 0) return [];
    const f = figuresOf(g.planting, g.bed, g.crop, entries);
    return [
      [
        plantingName(g.planting, g.crop),
        g.bed.name,
        sayDate(g.planting.startedOn),
        f.first ? sayDay(f.first) : "",
        f.last ? sayDay(f.last) : "",
        f.daysToFirst === null ? "" : String(f.daysToFirst),
        f.range ? `${f.range[0]} to ${f.range[1]}` : "",
        f.interval ? `${f.interval.median}` : "",
      ],
    ];
  });
  return {
    title: "When",
    lines: [],
    table: {
      head: ["Kind", "Bed", "Started", "First pick", "Last pick", "Days to first", "By the packet", "Every, days"],
      rows,
      numbers: [5, 7],
    },
  };
}

function becamePart(seen: ReturnType<typeof seasonView>): ReportPart {
  return {
    title: "What became of it",
    lines: seen.ways.told.map((w) => `${w.name}: ${w.amount}`),
    table: {
      head: ["Lost, and why", "Where", "How much"],
      rows: seen.ways.causes.map((c) => [c.cause, c.where, c.amount]),
      numbers: [2],
    },
  };
}

const told = (words: string, list: readonly string[]): string[] =>
  list.length === 0 ? [] : [`${words} ${list.join(", ")}`];

function weeksPart(d: GardenNow, year: string): ReportPart {
  const weeks = weeksView(d, new URLSearchParams({ year }));
  return {
    title: "Gluts and gaps",
    lines: weeks.crops.flatMap((c) => [
      ...told(
        `${c.name}: too much for`,
        c.gluts.map((g) => `${plural(g.weeks, "week", "weeks")} from ${g.from} (${g.over} more than is used)`),
      ),
      ...told(
        `${c.name}: nothing for`,
        c.gaps.map((g) => `${plural(g.weeks, "week", "weeks")} from ${g.from}`),
      ),
      ...(c.worth ? [`${c.name}: ${c.worth} at ${c.weekly} a week`] : []),
    ]),
    table: {
      head: ["Plants", "Had", "Enough", "Why"],
      rows: weeks.enough.map((e) => [
        e.name,
        String(e.had),
        e.enough === e.plenty ? String(e.enough) : `${e.enough} to ${e.plenty}`,
        e.why,
      ]),
      numbers: [1, 2],
    },
  };
}

/** Plantings whose rhythm is told in a report. */
const RHYTHMS = 4;

function rhythmPart(d: GardenNow, year: string): ReportPart {
  const list = rhythmView(d, new URLSearchParams()).list.filter((c) => c.key.endsWith(` ${year}`));
  const best = [...list].sort((a, b) => b.n - a.n).slice(0, RHYTHMS);
  return {
    title: "Rhythm",
    lines: best.flatMap(({ key, name }) => {
      const r = rhythmView(d, new URLSearchParams({ of: key }));
      if (!r.gain || r.lines.length === 0) return [];
      const dear = r.late[0];
      return [
        `${name}: every ${r.best === 1 ? "day" : `${r.best} days`} would have brought ${r.gain.prime} ${r.gain.more ? "more" : "less"} in its prime${dear ? `; the dearest late round was that of ${dear.day}, after ${dear.gap} days` : ""}`,
      ];
    }),
    table: null,
  };
}

function lessonsPart(d: GardenNow, year: string): ReportPart {
  const lessons = d.snapshot.lessons.filter((l) => l.state === "kept" && l.at.startsWith(year));
  return {
    title: "Lessons",
    lines: lessons.map((l) => [l.words, l.next].filter(Boolean).join(" ")),
    table: null,
  };
}
