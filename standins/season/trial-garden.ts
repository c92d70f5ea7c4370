import { addDays, type Day, dayRange, daysBetween, weekday } from "#core/calendar/day";
import type { Trip, Window } from "#core/calendar/windows";
import type { Bed } from "#core/garden/bed";
import { type Garden, newGarden } from "#core/garden/garden";
import type { Planting } from "#core/garden/planting";
import { cropOf } from "#core/handbook/index";
import type { WeatherDay } from "#core/weather/daily";
import { type Chance, chance } from "../random";
import { simulatedDesk, type WeatherDesk } from "../weather-desk";
import type { Fortune } from "./stand";
import { type CropTruth, TRUTHS, truthOf } from "./truth";

/** A place for the trial: its weather, its light, and by how many days its springs run ahead of 52° N. */
export type TrialClimate = {
  id: string;
  latitudeDeg: number;
  ahead: number;
  desk(seed: number): WeatherDesk;
  /** crops that people there grow under a roof */
  roofs: readonly string[];
  /** the first day its station tells of */
  since: Day;
  /** years of which the desk can tell; null: any */
  years: readonly number[] | null;
};

const simulated = (
  id: string,
  latitudeDeg: number,
  ahead: number,
  [meanC, swingC, daySpanC]: [number, number, number],
  roofs: readonly string[] = [],
): TrialClimate => ({
  id,
  latitudeDeg,
  ahead,
  roofs,
  since: "2022-01-01",
  desk: (seed: number) => simulatedDesk(seed, "2022-01-01", { meanC, swingC, daySpanC }),
  years: null,
});

/** Cool and maritime, continental, warm and dry. */
export const CLIMATES: readonly TrialClimate[] = [
  simulated(
    "cool and maritime",
    52,
    0,
    [10.4, 6.8, 9],
    ["tomato", "tomato-cherry", "pepper-sweet", "cucumber", "melon-netted"],
  ),
  simulated("continental", 46, 4, [10.2, 12, 11.5]),
  simulated("warm and dry", 38, 24, [16.2, 8.6, 13]),
];

/** The real years of an open record: what the station saw, with forecasts that err as the simulated desk's do. */
export const recordedClimate = (id: string, latitudeDeg: number, ahead: number, record: WeatherDay[]): TrialClimate => {
  const years = [...new Set(record.map((w) => Number(w.day.slice(0, 4))))];
  return {
    id,
    latitudeDeg,
    ahead,
    roofs: [],
    since: record[0]!.day,
    years: years.slice(1),
    desk: (seed) => simulatedDesk(seed, record[0]!.day, { meanC: 11, swingC: 7, daySpanC: 9 }, [], record),
  };
};

/** Everything of one season that does not hang on who decides. */
export type TrialSeason = {
  climate: TrialClimate;
  seed: number;
  year: number;
  garden: Garden;
  beds: Bed[];
  plantings: { planting: Planting; bed: Bed; truth: CropTruth; seed: number; fortune: Fortune }[];
  windows: Window[];
  trips: Trip[];
  /** evenings on which nobody can go after all, known to nobody before */
  missed: ReadonlySet<Day>;
  desk: WeatherDesk;
  first: Day;
  last: Day;
};

/** People at table; what an hour is worth and what rounds and lines cost are the garden's own settings. */
export const EATERS = 3;
const PLANTINGS = 20;
const EVENING = { startsAt: "17:30", minutes: 60 };
const SATURDAY = { startsAt: "09:00", minutes: 150 };
const MISSED_SHARE = 0.12;
/** Years that crowns, canes and trees have stood: some are young still. */
const YEARS_OLD = [0, 1, 2, 3, 4, 6, 8] as const;
/** What is sown where it stands and may fail altogether. */
const MAY_FAIL = ["carrot", "beetroot", "french-bean-bush"] as const;

const bedOf = (luck: Chance, k: number): Bed => ({
  id: `bed-${k}`,
  name: `Bed ${k + 1}`,
  shape: "rectangle",
  xM: 2 * (k % 5),
  yM: 4 * Math.floor(k / 5),
  widthM: 1.2,
  lengthM: 3,
  cover: "none",
  sunHours: luck.next() < 0.25 ? 5 : 8,
  nightOffsetC: luck.pick([-1.5, -0.5, 0, 0, 0.8]),
  note: "",
  site: "",
  walkOrder: k,
});

/**
 * Lays out a season: twenty plantings of the trial's crops in beds of their own, what stands for years of any age;
 * two second sowings, some so late that they hardly ripen, and one sowing that never comes up, of which nobody knows;
 * evening windows and a Saturday morning; a trip; evenings that fall through.
 * @param only grows this crop alone, to look at one situation
 */
export function layOut(climate: TrialClimate, seed: number, only: string | null = null): TrialSeason {
  const luck = chance(seed * 7919 + climate.id.length);
  const year = climate.years ? climate.years[seed % climate.years.length]! : 2025;
  const crops = only ? [truthOf(only)] : shuffled(TRUTHS, luck).slice(0, PLANTINGS);
  const rows = only ? crops : [...crops, ...["lettuce-head", "radish", luck.pick(MAY_FAIL)].map(truthOf)];
  const plantings = rows.map((truth, k) => {
    const open = bedOf(luck, k);
    const bed: Bed = climate.roofs.includes(truth.cropId) ? { ...open, cover: "polytunnel" } : open;
    const failed = !only && k === crops.length + 2;
    const second = !only && k >= crops.length && !failed;
    const autumn = truth.start >= "09-01";
    const perennial = truth.seasonDays !== null;
    const yearsOld = perennial ? luck.pick(YEARS_OLD) : 0;
    const usual = `${autumn ? year - 1 : year}-${truth.start}`;
    const late = second ? 45 + Math.round(20 * luck.next()) : Math.round(luck.between(-6, 9));
    const startedOn = perennial ? usual : addDays(usual, late - (autumn ? 0 : climate.ahead));
    const planting: Planting = {
      id: `${truth.cropId}-${k}`,
      bedId: bed.id,
      cropId: truth.cropId,
      kind: "",
      ripeColour: "",
      disease: "",
      startedHow: truth.how,
      // crowns, canes and trees have stood for years; the truth counts this year's growth from its own start
      startedOn: perennial ? `${year - yearsOld}-03-01` : startedOn,
      plants: Math.round(luck.between(...(truth.plants as [number, number]))),
      rowM: null,
      areaM2: null,
      packetMinDays: truth.packet ? Math.round(truth.packet[0] * 1) : null,
      packetMaxDays: truth.packet ? Math.round(truth.packet[1] * 1) : null,
      schoolId: truth.schoolId || cropOf(truth.cropId).schools[0]!.id,
      note: "",
      endedOn: null,
    };
    return { planting, bed, truth, seed: seed * 1009 + k * 31, fortune: { failed, yearsOld } };
  });
  const tripAt = addDays(`${year}-07-01`, Math.floor(luck.between(0, 75)) - Math.floor(climate.ahead / 2));
  const first = `${year}-04-01`;
  const last = `${year}-11-20`;
  const days = dayRange(first, daysBetween(first, last) + 1);
  return {
    climate,
    seed,
    year,
    garden: { ...newGarden("Europe/London"), latitudeDeg: climate.latitudeDeg, eaters: EATERS, pickers: 1 },
    beds: plantings.map((p) => p.bed),
    plantings,
    windows: [0, 1, 2, 3, 4, 5, 6].map((d) => ({ id: `w${d}`, weekday: d, ...(d === 6 ? SATURDAY : EVENING) })),
    trips: [{ id: "trip", name: "Away", fromDay: tripAt, toDay: addDays(tripAt, 8), standIn: "", standInMinutes: 0 }],
    missed: new Set(days.filter((d) => weekday(d) !== 6 && luck.next() < MISSED_SHARE)),
    desk: climate.desk(seed),
    first,
    last,
  };
}

function shuffled<T>(items: readonly T[], luck: Chance): T[] {
  const left = [...items];
  for (let i = left.length - 1; i > 0; i--) {
    const j = Math.floor(luck.next() * (i + 1));
    [left[i], left[j]] = [left[j]!, left[i]!];
  }
  return left;
}

/** The day from which this year's growth of a planting is counted in truth. */
export const growsFrom = (season: TrialSeason, p: TrialSeason["plantings"][number]): Day =>
  p.truth.seasonDays === null
    ? p.planting.startedOn
    : addDays(`${season.year}-${p.truth.start}`, -season.climate.ahead);
