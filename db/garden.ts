import { count, desc, gte, inArray, isNotNull, sql } from "drizzle-orm";
import { addDays } from "#core/calendar/day";
import type { Window } from "#core/calendar/windows";
import { localTimeOf } from "#core/calendar/zone";
import { type Garden, newGarden } from "#core/garden/garden";
import type { Place } from "#core/household/place";
import { pickOfLot } from "#core/keeping/lot";
import type { Snapshot } from "#core/snapshot";
import type { Forecast } from "#core/weather/daily";
import type { Picked } from "#core/weighing/by-planting";
import type { Container, PickRecord } from "#core/weighing/pick";
import { cachedRead, rows, split } from "./cached";
import { change, type TableName } from "./change";
import { listOwnCrops } from "./handbook";
import type { Db } from "./open";
import * as t from "./schema/index";
import { impossibleDate } from "./set-aside";

/** The garden's own settings; null before the first visit. */
export const findGarden = cachedRead("garden", (db): Garden | null => db.select().from(t.garden).get() ?? null);

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

/** The latest forecast issued on or before a day. */
export const forecastInForce = cachedRead("forecasts", (db): (Forecast & { id: string }) | null => {
  return db.select().from(t.forecasts).orderBy(desc(t.forecasts.issuedOn), desc(t.forecasts.id)).limit(1).get() ?? null;
});

/** Forecasts from which a source's errors are learned: the latest of each day issued, half a year of them. */
const MOST_KEPT = 180;
const keptForecasts = cachedRead("forecasts", (db): Forecast[] => {
  const rows = db
    .select()
    .from(t.forecasts)
    .orderBy(desc(t.forecasts.issuedOn), desc(t.forecasts.id))
    .limit(MOST_KEPT)
    .all();
  return rows.reverse();
});

/** Rows of a table in order, those apart that carry a date that cannot be (listSetAside). */
const dated = <N extends TableName>(name: N) => split(name, (row) => impossibleDate(row) === null);

const beds = rows("beds");
const plantings = dated("plantings");
const tastes = rows("tastes");
const dishes = rows("dishes");
const seedLots = rows("seedLots");
const checks = dated("checks");
const picks = dated("picks");
const trips = dated("trips");
const datedWindows = dated("datedWindows");
const treatments = dated("treatments");
const pickWishes = dated("pickWishes");
const placeReadings = dated("placeReadings");
const lotEvents = dated("lotEvents");
const lessons = dated("lessons");
const bedLosses = dated("bedLosses");
const ticks = dated("ticks");
const ownJobs = dated("ownJobs");
const jobMarks = dated("jobMarks");
const planned = dated("planned");
const weighings = dated("weighings");
const stationRecord = dated("weatherDays");
const bedReadings = dated("bedReadings");
const covers = dated("covers");

/** Everything that judging and planning read, in one go; rows with a date that cannot be are left out (listSetAside). */
export function snapshotOf(db: Db): Snapshot {
  const all = rowsOf(db);
  const { unfit } = plantings(db);
  if (unfit.length === 0) return all;
  // with a planting that is set aside goes all that was noted of it
  const gone = new Set(unfit.map((p) => p.id));
  const kept = <T extends { plantingId: string | null }>(rows: readonly T[]): T[] =>
    rows.filter((r) => r.plantingId === null || !gone.has(r.plantingId));
  return {
    ...all,
    checks: kept(all.checks),
    picks: kept(all.picks),
    pickWishes: kept(all.pickWishes),
    treatments: kept(all.treatments),
    bedLosses: kept(all.bedLosses),
    lessons: kept(all.lessons),
  };
}

/** More picks than these are read after the first page has been drawn, or when somebody asks for them. */
const READ_AT_ONCE = 10_000;
/** So far back everything is at hand: whatever is still eaten, and with what this season is compared day by day, days. */
const AT_HAND_DAYS = 760;

const howMany = (db: Db): number => db.select({ picks: count() }).from(t.picks).get()!.picks;

/** Reads a portion of a log that still lies unread; true when there is nothing left to be read. */
export const readLogOn = (db: Db): boolean => picks.readOn(db);

/** The picks of the log between two times, and those with one of some ids, without reading the rest of it. */
export const picksAlike = (db: Db, from: string, to: string, ids: readonly string[]): PickRecord[] =>
  picks.where(
    db,
    sql`${t.picks.at} between ${from} and ${to}`,
    sql`${t.picks.id} in (select value from json_each(${JSON.stringify(ids)}))`,
  );

/** The picks of a garden. Of a long log those at hand are read first, and the rest when somebody asks for all of it. */
function picked(db: Db): Picked {
  const known = picks.isRead(db) || howMany(db) <= READ_AT_ONCE ? picks(db).fit : null;
  if (known) return { picks: known };
  const since = addDays(nowAt(gardenOf(db)).slice(0, 10), -AT_HAND_DAYS);
  const open = plantings(db).fit.filter((p) => p.endedOn === null || p.endedOn >= since);
  const ids = open.map((p) => p.id);
  const told = lotEvents(db).fit.flatMap((e) => [e.lotId, e.toLot ?? e.lotId].map(pickOfLot));
  const atHand = picks.where(
    db,
    ...[gte(t.picks.at, since), inArray(t.picks.plantingId, ids), isNotNull(t.picks.againG), inArray(t.picks.id, told)],
  );
  let all: PickRecord[] | null = null;
  return {
    get picks() {
      all ??= picks(db).fit;
      return all;
    },
    get atHand() {
      return all || picks.isRead(db) ? undefined : { picks: atHand, since, of: new Set(ids) };
    },
  };
}

/** The picks are asked for through what `picked` gives, so it is not copied: that would ask for all of them. */
const rowsOf = (db: Db): Snapshot =>
  Object.assign(picked(db), {
    garden: gardenOf(db),
    beds: beds(db),
    plantings: plantings(db).fit,
    checks: checks(db).fit,
    windows: listWindows(db),
    trips: trips(db).fit,
    datedWindows: datedWindows(db).fit,
    containers: listContainers(db),
    tastes: tastes(db),
    places: listPlaces(db),
    treatments: treatments(db).fit,
    pickWishes: pickWishes(db).fit,
    placeReadings: placeReadings(db).fit,
    lotEvents: lotEvents(db).fit,
    lessons: lessons(db).fit,
    bedLosses: bedLosses(db).fit,
    ticks: ticks(db).fit,
    ownJobs: ownJobs(db).fit,
    jobMarks: jobMarks(db).fit,
    dishes: dishes(db),
    seedLots: seedLots(db),
    planned: planned(db).fit,
    weighings: weighings(db).fit,
    weather: stationRecord(db).fit,
    forecast: forecastInForce(db),
    ownCrops: listOwnCrops(db),
    forecasts: keptForecasts(db),
    bedReadings: bedReadings(db).fit,
    covers: covers(db).fit,
  });

/** A row that is left out because of a date that cannot be, with the page on which it can be mended. */
export type SetAside = { what: string; date: string; to: string };

/**
 * Plantings, looks, picks and trips that are set aside; every page but theirs goes on without them. Those of a long log
 * are named once it is read.
 */
export function listSetAside(db: Db): SetAside[] {
  const aside = <T extends { id: string }>(rows: readonly T[], what: string, to: (row: T) => string): SetAside[] =>
    rows.map((row) => ({ what, date: impossibleDate(row) ?? "", to: to(row) }));
  return [
    ...aside(plantings(db).unfit, "planting", (p) => `/plot/plantings/${p.id}`),
    ...aside(checks(db).unfit, "look", (c) => `/looks/${c.id}`),
    ...aside(picks.isRead(db) ? picks(db).unfit : [], "pick", (p) => `/picks/${p.id}`),
    ...aside(trips(db).unfit, "trip", () => "/settings#trips"),
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
