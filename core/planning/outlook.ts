import { addDays, type Day, daysBetween } from "../calendar/day";
import { type DatedWindow, isAway, type Trip, type Window } from "../calendar/windows";
import type { Bed } from "../garden/bed";
import type { Garden } from "../garden/garden";
import type { Planting } from "../garden/planting";
import type { Treatment } from "../garden/treatment";
import type { Crop } from "../handbook/crop";
import type { Place } from "../household/place";
import type { Taste } from "../household/taste";
import type { Dish } from "../keeping/dishes";
import type { LotEvent } from "../keeping/lot";
import type { PlaceReading } from "../keeping/place-air";
import type { Check } from "../planting/check";
import type { HazardDay } from "../planting/crop-hazards";
import { clockStart, ownShift } from "../planting/season-clock";
import { COVER_WARMTH, coverNight, nightInBed } from "../weather/bed-night";
import { type BedReading, type CoverNight, type LearnedOffset, learnOffset } from "../weather/bed-offset";
import { type Climate, climateOf, weatherFor } from "../weather/climate";
import type { Forecast, Member, WeatherDay } from "../weather/daily";
import { correctedMembers, type Night } from "../weather/ensemble";
import { type LeadSkill, skillOf, spreadRatio } from "../weather/forecast-skill";
import { galeChance, type Hazard, hazardsOf, LEAST_MEMBERS } from "../weather/hazards";
import { recordBefore } from "../weather/of-record";
import { picksOf } from "../weighing/by-planting";
import type { Weighing } from "../weighing/learned";
import type { Container, PickRecord } from "../weighing/pick";
import { bookOf } from "../weighing/taught-book";
import { Memory } from "./memory";
import { type PlantingInput, type PlantingOutlook, plantingOutlook } from "./planting-outlook";
import { heldToday, nextChanceOn, wantedBy } from "./question/constraints";
import type { PickWish } from "./question/wish";

export type { PlantingOutlook } from "./planting-outlook";

/** What judging and planning read of a garden; with what is kept beside it: `core/snapshot.ts`. */
export type GrowingGarden = {
  garden: Garden;
  beds: Bed[];
  plantings: Planting[];
  checks: Check[];
  picks: PickRecord[];
  windows: Window[];
  trips: Trip[];
  /** the station's record */
  weather: WeatherDay[];
  /** the forecast in force; null when none was given */
  forecast: Forecast | null;
  /** the gardener's own crops, beside the handbook's */
  ownCrops: Crop[];
  /** forecasts kept, oldest first, from which a source's errors are learned */
  forecasts: Forecast[];
  /** minima read in the beds, from which their night offsets are learned */
  bedReadings: BedReading[];
  /** beds covered for a night */
  covers: CoverNight[];
  /** days on which the week's windows do not hold */
  datedWindows: DatedWindow[];
  containers: Container[];
  tastes: Taste[];
  places: Place[];
  treatments: Treatment[];
  pickWishes: PickWish[];
  weighings: Weighing[];
  placeReadings: PlaceReading[];
  lotEvents: LotEvent[];
  dishes: Dish[];
};

export type DayOutlook = {
  weather: WeatherDay;
  from: "record" | "forecast" | "usual";
  errorC: number;
  /** the station's night minimum as far as it is known: with members where the source gives an ensemble */
  night: Night;
  members: readonly Member[];
  hazards: Hazard[];
  away: boolean;
};
export type Outlook = {
  now: string;
  today: Day;
  days: DayOutlook[];
  plantings: PlantingOutlook[];
  climate: Climate;
  /** night offsets of the beds as learned, by bed id */
  offsets: ReadonlyMap<string, LearnedOffset>;
  /** the coming nights in each bed as far as they are known, its cover and its thermometer reckoned in, by bed id */
  bedNights: ReadonlyMap<string, readonly Night[]>;
  /** the coming days that are more than the usual year, as one bed has them */
  hazardDays(bed: Bed): HazardDay[];
  /** how the forecast's source has turned out, by days ahead */
  skill: LeadSkill[];
  /** how far the source's ensemble has been too sure of itself (above 1), or too wide (below) */
  spreadRatio: number;
};

/** Days ahead that the lanes and the planner look. */
export const HORIZON_DAYS = 14;
/** Standard error of the usual year as a forecast, K. */
const USUAL_ERROR_C = 3.6;

/** Judged a little further, so that "look again" can name a day beyond the lanes. */
const JUDGED_DAYS = 28;

/**
 * The state of a whole garden at a moment: every growing planting judged, the days ahead with their hazards, and
 * what each planting can supply. Pure: the moment is passed in.
 * @param now local time "2026-10-06T15:30"
 * @param track whether to keep the chances of every day since each planting began
 * @param memory of outlooks before this one: a planting is judged again only when something of its own has changed
 */
export function outlookOf(
  snapshot: GrowingGarden,
  now: string,
  weighReadings = false,
  track = false,
  memory = new Memory(),
): Outlook {
  const today = now.slice(0, 10);
  const { garden } = snapshot;
  const climate = memory.steady("climate", climateOf(snapshot.weather, garden.latitudeDeg));
  const record = recordBefore(snapshot.weather, today);
  const issuedOn = snapshot.forecast?.issuedOn ?? today;
  const skill = skillOf(snapshot.forecasts, record, snapshot.forecast?.source ?? "");
  const skillAt = (day: Day) => skill[Math.min(skill.length - 1, Math.max(0, daysBetween(issuedOn, day)))]!;
  const ratio = spreadRatio(snapshot.forecasts, record, snapshot.forecast?.source ?? "", skill);
  // what a source has been wrong by on average is put right before anything is reckoned from it
  const nights = new Map<Day, Night>();
  const membersOn = new Map<Day, Member[]>();
  const forecast = new Map(
    (snapshot.forecast?.days ?? []).map(({ members = [], ...w }) => {
      const { biasC, spreadC } = skillAt(w.day);
      const night =
        members.length >= LEAST_MEMBERS
          ? correctedMembers(
              members.map((m) => m.tempMinC),
              biasC,
              ratio,
              spreadC,
            )
          : { minC: w.tempMinC + biasC, errorC: spreadC, members: [] };
      const minC = Math.min(w.tempMaxC, night.minC);
      nights.set(w.day, { ...night, minC });
      membersOn.set(w.day, members);
      return [w.day, { ...w, tempMinC: minC }];
    }),
  );
  const growing = snapshot.plantings.filter((p) => p.endedOn === null && p.startedOn <= today);
  const book = bookOf(snapshot);
  const begins = (p: Planting) => {
    const crop = book.of(p.cropId);
    const days = crop.days.yearly ? picksOf(snapshot.picks, p.id).map((x) => x.at.slice(0, 10)) : [];
    const own = ownShift(crop, days, today, garden.latitudeDeg, climate);
    return clockStart(p, crop, today, garden.latitudeDeg, climate, own);
  };
  const first = growing.reduce((least, p) => (begins(p) < least ? begins(p) : least), today);
  const all = weatherFor(first, addDays(today, JUDGED_DAYS), record, forecast, climate);
  const weather = memory.steady(
    "weather",
    all.map((d) => d.weather),
  );
  const ahead = all.slice(daysBetween(first, today), daysBetween(first, today) + HORIZON_DAYS + 1);
  const nightOf = (d: (typeof ahead)[number]): Night =>
    (d.from === "forecast" ? nights.get(d.weather.day) : undefined) ?? {
      minC: d.weather.tempMinC,
      errorC: d.from === "usual" ? USUAL_ERROR_C : skillAt(d.weather.day).spreadC,
      members: [],
    };
  const membersFor = (d: (typeof ahead)[number]): readonly Member[] =>
    d.from === "forecast" ? (membersOn.get(d.weather.day) ?? []) : [];
  // a usual year has no gales to plan for
  const known = ahead.map(nightOf);
  const gales = ahead.map((d, k) => (d.from === "usual" ? 0 : galeChance(d.weather.gustMs, k, membersFor(d))));
  const readingsOf = groupBy(snapshot.bedReadings, (r) => r.bedId);
  const offsets = new Map(
    snapshot.beds.map((b) => [
      b.id,
      learnOffset(readingsOf.get(b.id) ?? [], record, b.nightOffsetC, COVER_WARMTH[b.cover].nightC),
    ]),
  );
  const bedById = new Map(snapshot.beds.map((b) => [b.id, { ...b, nightOffsetC: offsets.get(b.id)!.offsetC }]));
  const covered = new Set(snapshot.covers.map((c) => `${c.bedId} ${c.day}`));
  const underCover = (bed: Bed, days: readonly WeatherDay[]): readonly WeatherDay[] =>
    covered.size === 0 ? days : days.map((w) => (covered.has(`${bed.id} ${w.day}`) ? coverNight(w) : w));
  const checksOf = groupBy(snapshot.checks, (c) => c.plantingId);
  // every night in every bed, once: verdicts, plans and the weather page's tables all read it
  const bedNights = new Map(
    [...bedById.values()].map((bed) => {
      const learned = offsets.get(bed.id)!;
      const days = underCover(
        bed,
        ahead.map((d) => d.weather),
      );
      const sdC = learned.nights > 0 ? learned.sdC : 0;
      return [bed.id, days.map((w, k) => nightInBed(known[k]!, w, bed, sdC))] as const;
    }),
  );
  const hazardDays = (bed: Bed): HazardDay[] =>
    underCover(
      bed,
      ahead.filter((d) => d.from !== "usual").map((d) => d.weather),
    ).map((weather, k) => ({ weather, night: bedNights.get(bed.id)![k]!, members: membersFor(ahead[k]!) }));
  const inBed = new Map(
    [...bedById.values()].map((bed) => [
      bed.id,
      memory.steady(`bed ${bed.id}`, {
        weather: underCover(bed, weather),
        ahead: underCover(
          bed,
          ahead.map((d) => d.weather),
        ),
        nights: bedNights.get(bed.id)!.map((night, k) => ({ ...night, galeChance: gales[k]! })),
        hazardDays: hazardDays(bed),
      }),
    ]),
  );
  const lately = weather.filter((w) => w.day < today && w.day >= addDays(today, -21));
  const absences = snapshot.trips.filter((t) => t.standInMinutes === 0);
  const nextChance = nextChanceOn(snapshot, now, HORIZON_DAYS);
  const plantings = growing.flatMap((planting): PlantingOutlook[] => {
    const bed = bedById.get(planting.bedId);
    if (!bed) return [];
    const crop = book.of(planting.cropId);
    const input: PlantingInput = {
      today,
      planting,
      bed,
      crop,
      checks: checksOf.get(planting.id) ?? [],
      picks: picksOf(snapshot.picks, planting.id),
      season: begins(planting),
      ...inBed.get(bed.id)!,
      lately,
      climate,
      latitudeDeg: garden.latitudeDeg,
      horizonDays: JUDGED_DAYS,
      weighReadings,
      track,
      held: heldToday(snapshot, planting.id, today),
      bedWantedBy: wantedBy(snapshot.pickWishes, planting.id, today),
      absences,
      nextChance,
    };
    return [memory.once(`planting ${planting.id}`, Object.values(input), () => plantingOutlook(input))];
  });
  memory.keepOnly(
    new Set([
      "weather",
      "climate",
      ...snapshot.beds.map((b) => `bed ${b.id}`),
      ...growing.map((p) => `planting ${p.id}`),
    ]),
  );
  const days = ahead.map((d, k) => ({
    weather: d.weather,
    from: d.from,
    errorC: known[k]!.errorC,
    night: known[k]!,
    members: membersFor(d),
    hazards: d.from === "usual" ? [] : hazardsOf(d.weather, known[k]!, k, membersFor(d)),
    away: isAway(d.weather.day, snapshot.trips),
  }));
  return { now, today, days, plantings, climate, offsets, bedNights, hazardDays, skill, spreadRatio: ratio };
}

function groupBy<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(keyOf(item));
    if (group) group.push(item);
    else groups.set(keyOf(item), [item]);
  }
  return groups;
}
