import { type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Treatment } from "../garden/treatment";
import type { Crop } from "../handbook/crop";
import { bedDay, coverNight } from "../weather/bed-night";
import type { CoverNight } from "../weather/bed-offset";
import type { WeatherDay } from "../weather/daily";

export const EVENT_KINDS = ["start", "look", "round", "pick", "treatment", "weather", "loss", "end"] as const;
export type TimelineEvent = {
  day: Day;
  kind: (typeof EVENT_KINDS)[number];
  words: string;
  /** the id of what it tells of, where there is a page of it */
  id: string | null;
};

/** Weather that bore on a planting, on so many days in a row from a day on; its value is of the first. */
export type WeatherEvent = {
  day: Day;
  days: number;
  what: "killed" | "chilled" | "hot" | "gusts" | "rain";
  /** °C in the bed, m/s or mm */
  value: number;
  covered: boolean;
};

/** What a planting's own rows tell: its start, its end, what was done to it. */
export type OwnEvent =
  | { day: Day; kind: "start"; how: Planting["startedHow"] }
  | { day: Day; kind: "end" }
  | { day: Day; kind: "treatment"; treatment: Treatment };

/** Gust from which the standing crop is at risk (Beaufort 8, gale: 17.2 m/s). */
const GALE_MS = 17.2;
/** Rain of a day that splits fruit and wets the soil through, mm (common practice). */
const CLOUDBURST_MM = 20;

/** Weather of a planting's days that bears on it: cold that harms the crop, heat beyond its ease, gales, downpours. */
export function weatherEvents(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  weather: readonly WeatherDay[],
  covers: readonly CoverNight[],
  today: Day,
): WeatherEvent[] {
  const until = planting.endedOn ?? today;
  const coveredOn = new Set(covers.filter((c) => c.bedId === bed.id).map((c) => c.day));
  const span = weather.filter((w) => w.day >= planting.startedOn && w.day <= until);
  return span.flatMap((w): WeatherEvent[] => {
    const covered = coveredOn.has(w.day);
    const felt = bedDay(covered ? coverNight(w) : w, bed);
    const event = (what: WeatherEvent["what"], value: number): WeatherEvent[] => [
      { day: w.day, days: 1, what, value, covered: covered && (what === "killed" || what === "chilled") },
    ];
    const { killC, chillC, heatC } = crop.weather;
    const open = bed.cover === "none";
    return [
      ...(felt.tempMinC <= killC
        ? event("killed", felt.tempMinC)
        : chillC !== null && felt.tempMinC <= Math.min(2, chillC)
          ? event("chilled", felt.tempMinC)
          : []),
      ...(heatC !== null && felt.tempMaxC >= heatC + 3 ? event("hot", felt.tempMaxC) : []),
      ...(open && (w.gustMs ?? 0) >= GALE_MS ? event("gusts", w.gustMs!) : []),
      ...(open && w.rainMm >= CLOUDBURST_MM ? event("rain", w.rainMm) : []),
    ];
  });
}

/** Runs of the same weather on days in a row, told once. */
export function drawnTogether(events: readonly WeatherEvent[]): WeatherEvent[] {
  const out: WeatherEvent[] = [];
  for (const e of events) {
    const last = out.findLast((o) => o.what === e.what && o.covered === e.covered);
    if (last && daysBetween(last.day, e.day) === last.days) last.days += 1;
    else out.push({ ...e });
  }
  return out;
}

/** Everything that befell a planting, latest first; within a day in the order of the work. */
export function timelineOf(events: readonly TimelineEvent[]): TimelineEvent[] {
  const order = (e: TimelineEvent) => EVENT_KINDS.indexOf(e.kind);
  return [...events].sort((a, b) => (a.day === b.day ? order(a) - order(b) : a.day < b.day ? 1 : -1));
}

/** Start, end and treatments of a planting. */
export const ownEvents = (planting: Planting, treatments: readonly Treatment[]): OwnEvent[] => [
  { day: planting.startedOn, kind: "start", how: planting.startedHow },
  ...(planting.endedOn !== null ? [{ day: planting.endedOn, kind: "end" as const }] : []),
  ...treatments.flatMap((t): OwnEvent[] =>
    t.plantingId === planting.id ? [{ day: t.day, kind: "treatment", treatment: t }] : [],
  ),
];
