import { desc } from "drizzle-orm";
import type { Trip, Window } from "#core/calendar/windows";
import { localTimeOf } from "#core/calendar/zone";
import { type Garden, newGarden } from "#core/garden/garden";
import type { Place } from "#core/household/place";
import type { Snapshot } from "#core/planning/outlook";
import type { Forecast } from "#core/weather/daily";
import type { Container } from "#core/weighing/pick";
import { change, kept, rows, type TableName } from "./change";
import { listOwnCrops } from "./handbook";
import type { Db } from "./open";
import * as t from "./schema/index";
import { impossibleDate, sound } from "./set-aside";

/** The garden's own settings; null before the first visit. */
export const findGarden = (db: Db): Garden | null => db.select().from(t.garden).get() ?? null;

/** The garden's settings; a new garden in the machine's zone when nothing was saved yet. */
export const gardenOf = (db: Db): Garden =>
  findGarden(db) ?? newGarden(Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC");

/** Local time at the garden now: the pinned moment of a demo garden, else the real clock in its zone. */
export function nowAt(garden: Garden): string {
  return garden.pinnedNow ?? localTimeOf(Date.now(), garden.timeZone);
}

export const listPeople = rows("people");
export const listContainers: (db: Db) => Container[] = rows("containers");
export const listWindows: (db: Db) => Window[] = rows("windows");
export const listPlaces: (db: Db) => Place[] = rows("places");
export const listTrips: (db: Db) => Trip[] = rows("trips");

/** The latest forecast issued on or before a day. */
export const forecastInForce = kept("forecasts", (db): (Forecast & { id: string }) | null => {
  return db.select().from(t.forecasts).orderBy(desc(t.forecasts.issuedOn), desc(t.forecasts.id)).limit(1).get() ?? null;
});

/** Forecasts from which a source's errors are learned: the latest of each day issued, half a year of them. */
const MOST_KEPT = 180;
const keptForecasts = kept("forecasts", (db): Forecast[] => {
  const rows = db
    .select()
    .from(t.forecasts)
    .orderBy(desc(t.forecasts.issuedOn), desc(t.forecasts.id))
    .limit(MOST_KEPT)
    .all();
  return rows.reverse();
});

/** Rows of a table in order without those that carry a date that cannot be (listSetAside). */
const soundRows = <N extends TableName>(name: N) => rows(name, (row) => impossibleDate(row) === null);

const beds = rows("beds");
const plantings = rows("plantings");
const tastes = rows("tastes");
const dishes = rows("dishes");
const seedLots = rows("seedLots");
const checks = soundRows("checks");
const picks = soundRows("picks");
const trips = soundRows("trips");
const datedWindows = soundRows("datedWindows");
const treatments = soundRows("treatments");
const pickWishes = soundRows("pickWishes");
const placeReadings = soundRows("placeReadings");
const lotEvents = soundRows("lotEvents");
const lessons = soundRows("lessons");
const bedLosses = soundRows("bedLosses");
const ticks = soundRows("ticks");
const ownJobs = soundRows("ownJobs");
const jobMarks = soundRows("jobMarks");
const planned = soundRows("planned");
const weighings = soundRows("weighings");
const stationRecord = soundRows("weatherDays");
const bedReadings = soundRows("bedReadings");
const covers = soundRows("covers");

/** Everything that judging and planning read, in one go; rows with a date that cannot be are left out (listSetAside). */
export function snapshotOf(db: Db): Snapshot {
  const all = rowsOf(db);
  const plantings = sound(all.plantings);
  if (plantings === all.plantings) return all;
  // with a planting that is set aside goes all that was noted of it
  const gone = new Set(all.plantings.filter((p) => !plantings.includes(p)).map((p) => p.id));
  const kept = <T extends { plantingId: string | null }>(rows: T[]): T[] =>
    rows.filter((r) => r.plantingId === null || !gone.has(r.plantingId));
  return {
    ...all,
    plantings,
    checks: kept(all.checks),
    picks: kept(all.picks),
    pickWishes: kept(all.pickWishes),
    treatments: kept(all.treatments),
    bedLosses: kept(all.bedLosses),
    lessons: kept(all.lessons),
  };
}

const rowsOf = (db: Db): Snapshot => ({
  garden: gardenOf(db),
  beds: beds(db),
  plantings: plantings(db),
  checks: checks(db),
  picks: picks(db),
  windows: listWindows(db),
  trips: trips(db),
  datedWindows: datedWindows(db),
  containers: listContainers(db),
  tastes: tastes(db),
  places: listPlaces(db),
  treatments: treatments(db),
  pickWishes: pickWishes(db),
  placeReadings: placeReadings(db),
  lotEvents: lotEvents(db),
  lessons: lessons(db),
  bedLosses: bedLosses(db),
  ticks: ticks(db),
  ownJobs: ownJobs(db),
  jobMarks: jobMarks(db),
  dishes: dishes(db),
  seedLots: seedLots(db),
  planned: planned(db),
  weighings: weighings(db),
  weather: stationRecord(db),
  forecast: forecastInForce(db),
  ownCrops: listOwnCrops(db),
  forecasts: keptForecasts(db),
  bedReadings: bedReadings(db),
  covers: covers(db),
});

/** A row that is left out because of a date that cannot be, with the page on which it can be mended. */
export type SetAside = { what: string; date: string; to: string };

/** Plantings, looks, picks and trips that are set aside; every page but theirs goes on without them. */
export function listSetAside(db: Db): SetAside[] {
  const aside = <T extends { id: string }>(rows: T[], what: string, to: (row: T) => string): SetAside[] =>
    rows.flatMap((row) => {
      const date = impossibleDate(row);
      return date === null ? [] : [{ what, date, to: to(row) }];
    });
  return [
    ...aside(db.select().from(t.plantings).all(), "planting", (p) => `/plot/plantings/${p.id}`),
    ...aside(db.select().from(t.checks).all(), "look", (c) => `/looks/${c.id}`),
    ...aside(db.select().from(t.picks).all(), "pick", (p) => `/picks/${p.id}`),
    ...aside(listTrips(db), "trip", () => "/settings#trips"),
  ];
}

/** Saves the garden's settings. @returns the journal's id */
export const saveGarden = (db: Db, garden: Garden): string | null =>
  change(db, "Garden settings changed", nowAt(garden), (c) => c.put("garden", garden));

/** Adds or replaces days of the station's record and says how many were new or different. */
export function saveWeather(
  db: Db,
  days: readonly t.WeatherRow[],
  at: string,
  label: string,
): { journalId: string | null } {
  return {
    journalId: change(db, label, at, (c) => {
      for (const d of days) c.put("weatherDays", d);
    }),
  };
}
