import { type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Treatment } from "../garden/treatment";
import type { Crop } from "../handbook/crop";
import type { UnitSystem } from "../units/mass";
import { sayRain, saySpeed, sayTemp } from "../units/say";
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
  units: UnitSystem,
): TimelineEvent[] {
  const until = planting.endedOn ?? today;
  const covered = new Set(covers.filter((c) => c.bedId === bed.id).map((c) => c.day));
  const span = weather.filter((w) => w.day >= planting.startedOn && w.day <= until);
  return span.flatMap((w): TimelineEvent[] => {
    const felt = bedDay(covered.has(w.day) ? coverNight(w) : w, bed);
    const say = (words: string): TimelineEvent => ({ day: w.day, kind: "weather", words, id: null });
    const night = `${sayTemp(felt.tempMinC, units)} in the bed at night${covered.has(w.day) ? ", covered" : ""}`;
    return [
      ...(felt.tempMinC <= crop.weather.killC
        ? [say(`${night}: cold enough to lose it`)]
        : crop.weather.chillC !== null && felt.tempMinC <= Math.min(2, crop.weather.chillC)
          ? [say(`${night}: it was chilled`)]
          : []),
      ...(crop.weather.heatC !== null && felt.tempMaxC >= crop.weather.heatC + 3
        ? [say(`${sayTemp(felt.tempMaxC, units)} in the bed: hotter than it likes`)]
        : []),
      ...((w.gustMs ?? 0) >= GALE_MS && bed.cover === "none" ? [say(`gusts of ${saySpeed(w.gustMs!, units)}`)] : []),
      ...(w.rainMm >= CLOUDBURST_MM && bed.cover === "none" ? [say(`${sayRain(w.rainMm, units)} of rain`)] : []),
    ];
  });
}

/** Runs of the same weather on days in a row, told once: "for 4 days". */
export function drawnTogether(events: readonly TimelineEvent[]): TimelineEvent[] {
  const out: (TimelineEvent & { days: number })[] = [];
  const what = (words: string) => words.replace(/[-−\d.,]+/g, "#");
  for (const e of events) {
    const last = [...out].reverse().find((o) => what(o.words) === what(e.words));
    if (last && daysBetween(last.day, e.day) === last.days) last.days += 1;
    else out.push({ ...e, days: 1 });
  }
  return out.map(({ days, ...e }) => (days === 1 ? e : { ...e, words: `${e.words}, and so for ${days} days` }));
}

/** Everything that befell a planting, latest first; within a day in the order of the work. */
export function timelineOf(events: readonly TimelineEvent[]): TimelineEvent[] {
  const order = (e: TimelineEvent) => EVENT_KINDS.indexOf(e.kind);
  return [...events].sort((a, b) => (a.day === b.day ? order(a) - order(b) : a.day < b.day ? 1 : -1));
}

/** Start, end and treatments of a planting as events. */
export function ownEvents(planting: Planting, treatments: readonly Treatment[], say: (t: Treatment) => string) {
  const started = { sown: "Sown", transplanted: "Set out", planted: "Planted" }[planting.startedHow];
  const events: TimelineEvent[] = [{ day: planting.startedOn, kind: "start", words: started, id: planting.id }];
  if (planting.endedOn !== null) events.push({ day: planting.endedOn, kind: "end", words: "Cleared", id: planting.id });
  for (const t of treatments)
    if (t.plantingId === planting.id) events.push({ day: t.day, kind: "treatment", words: say(t), id: null });
  return events;
}
