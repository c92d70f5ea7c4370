import { asc, desc } from "drizzle-orm";
import type { Trip, Window } from "#core/calendar/windows";
import { localTimeOf } from "#core/calendar/zone";
import { type Garden, newGarden, type Person } from "#core/garden/garden";
import type { Place } from "#core/household/place";
import type { Snapshot } from "#core/planning/outlook";
import type { Forecast } from "#core/weather/daily";
import type { Container } from "#core/weighing/pick";
import { change, kept, keptRows } from "./change";
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

export const listPeople = (db: Db): Person[] =>
  db.select().from(t.people).orderBy(asc(t.people.role), asc(t.people.id)).all();
export const listContainers = (db: Db): Container[] =>
  db.select().from(t.containers).orderBy(asc(t.containers.id)).all();
export const listWindows = (db: Db): Window[] =>
  db.select().from(t.windows).orderBy(asc(t.windows.weekday), asc(t.windows.startsAt), asc(t.windows.id)).all();
export const listPlaces = (db: Db): Place[] =>
  db.select().from(t.places).orderBy(asc(t.places.kind), asc(t.places.id)).all();
export const listTrips = (db: Db): Trip[] =>
  db.select().from(t.trips).orderBy(asc(t.trips.fromDay), asc(t.trips.id)).all();

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

/** The station's record, days in order. */
const stationRecord = kept("weatherDays", (db) =>
  sound(db.select().from(t.weatherDays).orderBy(asc(t.weatherDays.day)).all()),
);

/** Every pick, in the order of time. */
const keptPicks = keptRows(
  "picks",
  (db) => sound(db.select().from(t.picks).orderBy(asc(t.picks.at), asc(t.picks.id)).all()),
  (a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
);

/** What was said of jobs, in the order of time. */
const keptMarks = keptRows(
  "jobMarks",
  (db) => sound(db.select().from(t.jobMarks).orderBy(asc(t.jobMarks.day), asc(t.jobMarks.id)).all()),
  (a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
);

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
  beds: db.select().from(t.beds).orderBy(asc(t.beds.walkOrder), asc(t.beds.id)).all(),
  plantings: db.select().from(t.plantings).orderBy(asc(t.plantings.startedOn), asc(t.plantings.id)).all(),
  checks: sound(db.select().from(t.checks).orderBy(asc(t.checks.at), asc(t.checks.id)).all()),
  picks: keptPicks(db),
  windows: listWindows(db),
  trips: sound(listTrips(db)),
  datedWindows: sound(db.select().from(t.datedWindows).orderBy(asc(t.datedWindows.day), asc(t.datedWindows.id)).all()),
  containers: listContainers(db),
  tastes: db.select().from(t.tastes).orderBy(asc(t.tastes.id)).all(),
  places: listPlaces(db),
  treatments: sound(db.select().from(t.treatments).orderBy(asc(t.treatments.day), asc(t.treatments.id)).all()),
  pickWishes: sound(db.select().from(t.pickWishes).orderBy(asc(t.pickWishes.day), asc(t.pickWishes.id)).all()),
  placeReadings: sound(
    db.select().from(t.placeReadings).orderBy(asc(t.placeReadings.at), asc(t.placeReadings.id)).all(),
  ),
  lotEvents: sound(db.select().from(t.lotEvents).orderBy(asc(t.lotEvents.at), asc(t.lotEvents.id)).all()),
  lessons: sound(db.select().from(t.lessons).orderBy(asc(t.lessons.at), asc(t.lessons.id)).all()),
  bedLosses: sound(db.select().from(t.bedLosses).orderBy(asc(t.bedLosses.day), asc(t.bedLosses.id)).all()),
  ticks: sound(db.select().from(t.ticks).orderBy(asc(t.ticks.id)).all()),
  ownJobs: sound(db.select().from(t.ownJobs).orderBy(asc(t.ownJobs.startOn), asc(t.ownJobs.id)).all()),
  jobMarks: keptMarks(db),
  dishes: db.select().from(t.dishes).orderBy(asc(t.dishes.name), asc(t.dishes.id)).all(),
  seedLots: db
    .select()
    .from(t.seedLots)
    .orderBy(asc(t.seedLots.cropId), asc(t.seedLots.kind), asc(t.seedLots.id))
    .all(),
  planned: sound(db.select().from(t.planned).orderBy(asc(t.planned.startOn), asc(t.planned.id)).all()),
  weighings: sound(db.select().from(t.weighings).orderBy(asc(t.weighings.day), asc(t.weighings.id)).all()),
  weather: stationRecord(db),
  forecast: forecastInForce(db),
  ownCrops: listOwnCrops(db),
  forecasts: keptForecasts(db),
  bedReadings: sound(db.select().from(t.bedReadings).orderBy(asc(t.bedReadings.day), asc(t.bedReadings.id)).all()),
  covers: sound(db.select().from(t.covers).orderBy(asc(t.covers.day), asc(t.covers.id)).all()),
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
