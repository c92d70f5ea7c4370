import { addDays, type Day, dayRange, daysBetween, weekday } from "#core/calendar/day";
import { isAway } from "#core/calendar/windows";
import { cropOf } from "#core/handbook/index";
import type { Forecast, WeatherDay } from "#core/weather/daily";
import { chance } from "../random";
import { type Eyes, eyesOf, looksRipe } from "./eyes";
import { type Arrival, worthAtHome } from "./home";
import {
  begin,
  isOver,
  isRipe,
  isThere,
  type LossCause,
  live,
  massOf,
  type Piece,
  qualityOf,
  type Stand,
  stageOf,
} from "./stand";
import { EATERS, growsFrom, type TrialSeason } from "./trial-garden";

/**
 * How somebody takes a planting: what looks ripe to him, all that is worth anything, an amount, biggest first, or, with
 * more than eyes, just what is ripe.
 */
export type Take = { how: "ripe" | "all" | "true" } | { how: "amount"; grams: number };

/** A pick as it was made, as far as the gardener can know it. */
export type Taken = { plantingId: string; day: Day; pieces: number; massG: number; left: number; all: boolean };

/** What stands open to whoever decides: the hour, the weather as it is known, his own eyes, and his hands. */
export type Outing = {
  day: Day;
  season: TrialSeason;
  /** minutes of the window that are left */
  minutes: number;
  forecast: Forecast;
  stands: readonly Stand[];
  eyes: Eyes;
  /** pieces of a planting that look ripe from the path */
  glance(stand: Stand): number;
  /** goes to a planting and takes from it; null when the time is out. A round's own minutes are charged once */
  go(stand: Stand, take: Take): Taken | null;
  /** seconds spent looking, charged and counted */
  looked(seconds: number): void;
};

/** Somebody who decides, evening by evening. */
export type Decider = {
  name: string;
  /** before any window: what is noted each day, also when nobody goes out */
  note?(day: Day, season: TrialSeason, stands: readonly Stand[], eyes: Eyes): void;
  act(outing: Outing): void;
};

export type SeasonScore = {
  worth: number;
  minutes: number;
  rounds: number;
  net: number;
  kg: { unripe: number; prime: number; over: number; lost: Record<LossCause, number> };
  looks: number;
  lookMinutes: number;
  /** days on which something was asked of the gardener */
  daysOut: number;
  /** worth by crop, before minutes */
  byCrop: Record<string, number>;
};

/** What somebody did with one planting on one day, kept so that a situation can be told. */
export type Deed = {
  day: Day;
  cropId: string;
  plantingId: string;
  take: Take["how"];
  pieces: number;
  massG: number;
  unripeG: number;
  overG: number;
};

export type SeasonRun = { score: SeasonScore; deeds: Deed[]; stands: Stand[] };

/** Of a crop that is lifted at once, the share that must look ripe before anybody lifts it. */
const LIFT_SHARE = 0.55;

/** Lives through one season with somebody deciding. The same season and decider give the same run. */
export function runSeason(season: TrialSeason, decider: Decider): SeasonRun {
  const { garden, desk } = season;
  const eyes = eyesOf(season.seed * 13 + 3);
  const stands = season.plantings.map((p) =>
    begin(p.truth, { ...p.planting, startedOn: growsFrom(season, p) }, p.bed, chance(p.seed), p.fortune),
  );
  const start = season.plantings.reduce((d, p) => (growsFrom(season, p) < d ? growsFrom(season, p) : d), season.first);
  for (const w of desk.record(start, addDays(season.first, -1)))
    for (const s of stands) live(s, w, season.climate.latitudeDeg);

  const arrivals: Arrival[] = [];
  const deeds: Deed[] = [];
  const kg = { unripe: 0, prime: 0, over: 0 };
  let minutes = 0;
  let rounds = 0;
  let lookSeconds = 0;
  let looks = 0;
  let daysOut = 0;

  const weather = new Map<Day, WeatherDay>(desk.record(season.first, season.last).map((w) => [w.day, w]));
  for (const day of dayRange(season.first, daysBetween(season.first, season.last) + 1)) {
    for (const s of stands) live(s, weather.get(day)!, season.climate.latitudeDeg);
    const window = season.windows.find((w) => w.weekday === weekday(day));
    decider.note?.(day, season, stands, eyes);
    if (!window || isAway(day, season.trips) || season.missed.has(day)) continue;
    let opened = false;
    let spent = 0;
    const forecast = desk.forecast(day, 12);
    const charge = (m: number): void => {
      spent += m;
      minutes += m;
    };
    const outing: Outing = {
      day,
      season,
      get minutes() {
        return window.minutes - spent;
      },
      forecast,
      stands,
      eyes,
      glance: (stand) => stand.pieces.filter((p) => looksRipe(stand, p, eyes)).length,
      looked(seconds) {
        lookSeconds += seconds;
        looks += 1;
        charge(seconds / 60);
      },
      go(stand, take) {
        const open = opened ? 0 : garden.roundMinutes;
        if (spent + open + 1 > window.minutes) return null;
        if (!opened) {
          opened = true;
          rounds += 1;
          charge(garden.roundMinutes);
        }
        const chosen = choose(stand, take, eyes);
        const crop = cropOf(stand.truth.cropId);
        const fits = fitInto(chosen, stand, window.minutes - spent - garden.lineMinutes, crop.minutesPerKg);
        // what is ripe but takes longer than is left waits for another evening
        if (chosen.length > 0 && fits.length === 0) return null;
        const massG = fits.reduce((sum, p) => sum + massOf(stand, p), 0);
        // a bed at which nothing is taken costs a glance
        charge(fits.length > 0 ? garden.lineMinutes + (massG / 1000) * crop.minutesPerKg : 0.5);
        const [unripeG, overG] = [0, 0].map((_, i) =>
          fits.reduce((sum, p) => sum + ((i === 0 ? !isRipe(stand, p) : isOver(stand, p)) ? massOf(stand, p) : 0), 0),
        ) as [number, number];
        for (const p of fits)
          arrivals.push({
            cropId: stand.truth.cropId,
            day,
            massG: massOf(stand, p),
            quality: qualityOf(stand, p),
            keepsDays: stand.truth.keeps * (isOver(stand, p) ? 0.5 : 1),
          });
        const gone = new Set<Piece>(fits);
        stand.pieces = stand.pieces.filter((p) => !gone.has(p));
        kg.unripe += unripeG / 1000;
        kg.over += overG / 1000;
        kg.prime += (massG - unripeG - overG) / 1000;
        const left = stand.pieces.filter((p) => isThere(stand, p) && stageOf(stand, p) > 0.3).length;
        const ends = stand.truth.taken === "lift" || (stand.truth.killShare >= 1 && stand.truth.seasonDays === null);
        const finished =
          (take.how === "all" && ends) ||
          (stand.truth.comes.how !== "stream" && stand.pieces.length === 0 && fits.length > 0);
        if (finished && fits.length === chosen.length) stand.over = true;
        if (fits.length > 0)
          deeds.push({
            ...{ day, cropId: stand.truth.cropId, plantingId: stand.planting.id, take: take.how },
            ...{ pieces: fits.length, massG, unripeG, overG },
          });
        return { plantingId: stand.planting.id, day, pieces: fits.length, massG, left, all: stand.over };
      },
    };
    const before = minutes;
    decider.act(outing);
    if (minutes > before) daysOut += 1;
  }
  const lost = { frost: 0, gale: 0, rain: 0, animals: 0, age: 0 };
  for (const s of stands) for (const c of Object.keys(lost) as LossCause[]) lost[c] += s.lostG[c] / 1000;
  const worth = worthAtHome(arrivals, EATERS);
  const byCrop: Record<string, number> = {};
  for (const s of stands) byCrop[s.truth.cropId] = 0;
  for (const id of Object.keys(byCrop)) {
    const own = arrivals.filter((a) => a.cropId === id);
    byCrop[id] = own.length > 0 ? worthAtHome(own, EATERS) : 0;
  }
  return {
    deeds,
    stands,
    score: {
      worth,
      minutes,
      rounds,
      net: worth - (minutes / 60) * garden.hourWorth,
      kg: { ...kg, lost },
      looks,
      lookMinutes: lookSeconds / 60,
      daysOut,
      byCrop,
    },
  };
}

/** The pieces somebody would take: by his own eye, all that are worth carrying, or an amount, biggest first. */
function choose(stand: Stand, take: Take, eyes: Eyes): Piece[] {
  const there = stand.pieces.filter((p) => isThere(stand, p));
  if (take.how === "all") return there.filter((p) => stageOf(stand, p) > 0.45);
  if (take.how === "true") return there.filter((p) => isRipe(stand, p));
  if (take.how === "amount") {
    const ripest = [...there].sort((a, b) => stageOf(stand, b) - stageOf(stand, a));
    let sum = 0;
    return ripest.filter((p) => {
      if (sum >= take.grams) return false;
      sum += massOf(stand, p);
      return true;
    });
  }
  const ripe = there.filter((p) => looksRipe(stand, p, eyes));
  if (stand.truth.taken === "lift")
    return ripe.length >= LIFT_SHARE * there.length ? there.filter((p) => stageOf(stand, p) > 0.45) : [];
  return ripe.filter(() => eyes.luck.next() > eyes.overlooks);
}

/** As many of the chosen as the minutes allow, the ripest first. */
function fitInto(chosen: Piece[], stand: Stand, minutes: number, minutesPerKg: number): Piece[] {
  let left = minutes;
  return [...chosen]
    .sort((a, b) => stageOf(stand, b) - stageOf(stand, a))
    .filter((p) => {
      const cost = (massOf(stand, p) / 1000) * minutesPerKg;
      if (left < cost) return false;
      left -= cost;
      return true;
    });
}
