import { addDays, type Day } from "../calendar/day";
import { type DatedWindow, isAway, type Trip, type Window } from "../calendar/windows";
import type { Bed } from "../garden/bed";
import type { Garden } from "../garden/garden";
import type { Planting } from "../garden/planting";
import type { Treatment } from "../garden/treatment";
import { groupBy } from "../group-by";
import type { Crop } from "../handbook/crop";
import type { Place } from "../household/place";
import type { Taste } from "../household/taste";
import type { Dish } from "../keeping/dishes";
import type { LotEvent } from "../keeping/lot";
import type { PlaceReading } from "../keeping/place-air";
import type { Check } from "../planting/check";
import { clockStart, ownShift } from "../planting/season-clock";
import type { BedReading, CoverNight } from "../weather/bed-offset";
import { type Climate, climateOf } from "../weather/climate";
import type { Forecast, WeatherDay } from "../weather/daily";
import { type Hazard, hazardsOf } from "../weather/hazards";
import { type Picked, picksOf } from "../weighing/by-planting";
import type { Weighing } from "../weighing/learned";
import type { Container } from "../weighing/pick";
import { bookOf } from "../weighing/taught-book";
import { type DayAhead, type GardenWeather, gardenWeather, WEATHER_SOURCES } from "./garden-weather";
import { Memory } from "./memory";
import { type PlantingInput, type PlantingOutlook, plantingOutlook } from "./planting-outlook";
import { heldToday, nextChanceOn, wantedBy } from "./question/constraints";
import type { PickWish } from "./question/wish";

export type { PlantingOutlook } from "./planting-outlook";

/** What judging and planning read of a garden; with what is kept beside it: `core/snapshot.ts`. */
export type GrowingGarden = Picked & {
  garden: Garden;
  beds: Bed[];
  plantings: Planting[];
  checks: Check[];
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

export type DayOutlook = DayAhead & { errorC: number; hazards: Hazard[]; away: boolean };
export type Outlook = Pick<GardenWeather, "offsets" | "bedNights" | "hazardDays" | "skill" | "spreadRatio"> & {
  now: string;
  today: Day;
  days: DayOutlook[];
  plantings: PlantingOutlook[];
  climate: Climate;
};

/** Days ahead that the lanes and the planner look. */
export const HORIZON_DAYS = 14;
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
  const growing = snapshot.plantings.filter((p) => p.endedOn === null && p.startedOn <= today);
  const book = bookOf(snapshot);
  const begins = (p: Planting) => {
    const crop = book.of(p.cropId);
    const days = crop.days.yearly ? picksOf(snapshot, p.id).map((x) => x.at.slice(0, 10)) : [];
    const own = ownShift(crop, days, today, garden.latitudeDeg, climate);
    return clockStart(p, crop, today, garden.latitudeDeg, climate, own);
  };
  const first = growing.reduce((least, p) => (begins(p) < least ? begins(p) : least), today);
  const seen = memory.once(
    "weather",
    [today, first, climate, ...WEATHER_SOURCES.map((source) => snapshot[source])],
    () => gardenWeather(snapshot, today, first, { days: HORIZON_DAYS, last: JUDGED_DAYS }, climate),
  );
  const weatherIn = new Map([...seen.inBed].map(([bedId, weather]) => [bedId, memory.steady(`bed ${bedId}`, weather)]));
  const checksOf = groupBy(snapshot.checks, (c) => c.plantingId);
  const lately = seen.weather.filter((w) => w.day < today && w.day >= addDays(today, -21));
  const absences = snapshot.trips.filter((t) => t.standInMinutes === 0);
  const nextChance = nextChanceOn(snapshot, now, HORIZON_DAYS);
  const plantings = growing.flatMap((planting): PlantingOutlook[] => {
    const here = weatherIn.get(planting.bedId);
    if (!here) return [];
    const crop = book.of(planting.cropId);
    const input: PlantingInput = {
      today,
      planting,
      crop,
      checks: checksOf.get(planting.id) ?? [],
      picks: picksOf(snapshot, planting.id),
      season: begins(planting),
      ...here,
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
  const days = seen.ahead.map((d, k) => ({
    ...d,
    errorC: d.night.errorC,
    hazards: d.from === "usual" ? [] : hazardsOf(d.weather, d.night, k, d.members),
    away: isAway(d.weather.day, snapshot.trips),
  }));
  const { offsets, bedNights, hazardDays, skill, spreadRatio } = seen;
  return { now, today, days, plantings, climate, offsets, bedNights, hazardDays, skill, spreadRatio };
}
