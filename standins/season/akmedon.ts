import { addDays, type Day, dayNumber, daysBetween } from "#core/calendar/day";
import type { Planting } from "#core/garden/planting";
import { cropOf, schoolOf } from "#core/handbook/index";
import { NOTHING_READY } from "#core/handbook/signs";
import { type Outlook, outlookOf } from "#core/planning/outlook";
import { problemOf } from "#core/planning/question/question";
import { inPassing } from "#core/planning/rounds/in-passing";
import { type DrawnRound, LEAST_LINE_G, roundsOf } from "#core/planning/rounds/rounds";
import { plan } from "#core/planning/solver/optimise";
import type { Check, Reading } from "#core/planting/check";
import type { Verdict } from "#core/planting/verdict";
import type { Snapshot } from "#core/snapshot";
import type { WeatherDay } from "#core/weather/daily";
import { blankPick, type PickRecord } from "#core/weighing/pick";
import { type Eyes, readCue } from "./eyes";
import type { Decider, Take, Taken } from "./season";
import { isRipe, isThere, type Stand } from "./stand";
import type { TrialSeason } from "./trial-garden";

/** How somebody lives with the application. */
export type Manner = {
  name: string;
  /** whether anybody looks when it asks for a look */
  looks: boolean;
  /** whether the plan is obeyed to the letter: its lifts lifted and its grams taken, whatever the eye says */
  letter: boolean;
};

export const WHOLE: Manner = { name: "Akmedon: look, plan, pick", looks: true, letter: false };
export const UNSEEN: Manner = { name: "Akmedon, nobody ever looking", looks: false, letter: false };
export const LETTER: Manner = { name: "Akmedon to the letter", looks: true, letter: true };

/** What was said of one planting on one day, and what was true: for the reckoning of chances. */
export type Said = {
  cropId: string;
  plantingId: string;
  day: Day;
  /** chance said that there is something to take: ready or past */
  chance: number;
  verdict: Verdict;
  /** whether there was: half of what is lifted at once, or a first piece of what is taken piece by piece */
  truth: 0 | 1;
  /** the packet's answer: 0 before its first day, 1 from its last */
  packet: number;
  /** the last look carried on: what it showed, for as long as nobody looks again; null before any */
  lastLook: number | null;
  daysSinceLook: number | null;
  /** pieces that were ripe, and that were there at all */
  ripe: number;
  there: number;
};

/** Every so many days what is said of each planting is noted. */
const SAID_EVERY = 3;
/** Seconds of walking to a bed for a look besides the readings' own. */
const WALK_S = 12;
/** Seconds of a glance in passing. */
const GLANCE_S = 5;
/** Readings given at one look, and the most plantings looked at in one evening. */
const READINGS = 2;
const MOST_LOOKS = 8;
/** A row that has shown nothing after so many days is given up by whoever stands before it. */
const GIVEN_UP_DAYS = 28;

/** The application from the outside: it is told what a gardener could tell it, and asked what a gardener would ask. */
export function akmedon(manner: Manner, said: Said[] | null = null): () => Decider {
  return () => {
    const checks: Check[] = [];
    const picks: PickRecord[] = [];
    const ended = new Map<string, Day>();
    const lastLook = new Map<string, { day: Day; ready: number }>();
    let record: WeatherDay[] = [];
    let now: { day: Day; snapshot: Snapshot; outlook: Outlook } | null = null;

    const ask = (day: Day, season: TrialSeason): { snapshot: Snapshot; outlook: Outlook } => {
      if (now?.day === day) return now;
      const seen = season.desk.record(recordFrom(season), addDays(day, -1));
      record = seen;
      const snapshot = snapshotOf(season, day, record, [...checks], [...picks], ended);
      now = { day, snapshot, outlook: outlookOf(snapshot, askedAt(day), manner.looks) };
      return now;
    };

    return {
      name: manner.name,
      note(day, season, stands) {
        if (!said || dayNumber(day) % SAID_EVERY !== 0) return;
        const { outlook } = ask(day, season);
        for (const p of outlook.plantings) {
          const stand = stands.find((s) => s.planting.id === p.planting.id)!;
          if (stand.over || ended.has(stand.planting.id)) continue;
          if (!stand.failed && !stand.pieces.some((x) => isThere(stand, x))) continue;
          const look = lastLook.get(p.planting.id) ?? null;
          const { ready, past } = p.judgement.chances;
          said.push({
            cropId: p.crop.id,
            plantingId: p.planting.id,
            day,
            chance: ready + past,
            verdict: p.judgement.verdict,
            truth: truthNow(stand),
            packet: packetSays(stand, day),
            lastLook: look?.ready ?? null,
            daysSinceLook: look ? daysBetween(look.day, day) : null,
            ripe: stand.pieces.filter((x) => isThere(stand, x) && isRipe(stand, x)).length,
            there: stand.pieces.filter((x) => isThere(stand, x)).length,
          });
        }
      },
      act(outing) {
        const { day, season, stands } = outing;
        const standOf = (id: string): Stand => stands.find((s) => s.planting.id === id)!;
        let { snapshot, outlook } = ask(day, season);
        if (manner.looks) {
          const due = outlook.plantings
            .filter((p) => p.judgement.lookAgain <= day || p.judgement.verdict === "test-one")
            .filter((p) => !standOf(p.planting.id).over)
            .slice(0, MOST_LOOKS);
          for (const p of due) {
            if (givenUp(standOf(p.planting.id), day, outing)) {
              ended.set(p.planting.id, day);
              continue;
            }
            const readings = look(standOf(p.planting.id), p, outing.eyes);
            outing.looked(WALK_S + readings.reduce((s, r) => s + secondsOf(p.crop.id, r.cueId), 0));
            checks.push(checkOf(p.planting.id, day, readings, checks.length));
            const seen = outlookReady(readings, p);
            lastLook.set(p.planting.id, { day, ready: seen });
          }
          if (due.length > 0) {
            now = null;
            ({ snapshot, outlook } = ask(day, season));
          }
        }
        const round = roundToday(snapshot, outlook, day);
        for (const line of round?.lines ?? []) {
          const stand = standOf(line.plantingId);
          if (stand.over) continue;
          const take: Take =
            line.take === "strip"
              ? { how: "all" }
              : manner.letter
                ? stand.truth.taken === "lift"
                  ? { how: "all" }
                  : { how: "amount", grams: line.expectedG }
                : { how: "ripe" };
          const taken = outing.go(stand, take);
          if (taken === null) break;
          if (stand.failed || isBare(stand)) {
            ended.set(line.plantingId, day);
            continue;
          }
          if (taken.pieces > 0 || taken.all) picks.push(pickOf(taken, picks.length));
          else
            checks.push(
              checkOf(
                line.plantingId,
                day,
                foundNothing(stand, byId(outlook, line.plantingId), outing.eyes),
                checks.length,
              ),
            );
          if (taken.all) ended.set(line.plantingId, day);
        }
        if (round && manner.looks && !manner.letter) {
          const planned = new Set(round.lines.map((l) => l.plantingId));
          const stopKg = (season.garden.lineMinutes / 60) * season.garden.hourWorth;
          for (const glance of inPassing(outlook.plantings, day, planned, stopKg)) {
            const stand = standOf(glance.plantingId);
            if (stand.over || ended.has(glance.plantingId)) continue;
            outing.looked(GLANCE_S);
            const ripe = outing.glance(stand);
            if (ripe === 0 && stand.truth.taken === "each") {
              const nothing = [{ cueId: NOTHING_READY, value: true }];
              checks.push(checkOf(glance.plantingId, day, nothing, checks.length));
            }
            if (ripe < (glance.fromPieces ?? stand.pieces.length / 2)) continue;
            const taken = outing.go(stand, { how: "ripe" });
            if (taken === null) break;
            if (taken.pieces > 0) picks.push(pickOf(taken, picks.length));
            if (taken.all) ended.set(glance.plantingId, day);
          }
        }
        for (const s of stands) if (s.over && !s.alive && !ended.has(s.planting.id)) ended.set(s.planting.id, day);
        now = null;
      },
    };
  };
}

const pickOf = (taken: Taken, n: number): PickRecord =>
  blankPick({
    id: `pick-${n}`,
    plantingId: taken.plantingId,
    at: `${taken.day}T18:00`,
    count: taken.pieces,
    grossG: Math.round(taken.massG),
    extent: taken.all ? "final" : "all-ready",
  });

/** Whether all that ever was there is gone: picked, rotted or run up, and nothing more is to come. */
const isBare = (stand: Stand): boolean => stand.pieces.length === 0 && stand.truth.comes.how !== "stream";

/** Whether somebody who came to look sees that nothing will ever come up here. */
function givenUp(stand: Stand, day: Day, outing: { looked(seconds: number): void }): boolean {
  const young = daysBetween(stand.planting.startedOn, day) < GIVEN_UP_DAYS;
  if (!(stand.failed && !young) && !isBare(stand)) return false;
  outing.looked(WALK_S);
  return true;
}

/** It is asked at breakfast: before any hour of the day. */
const askedAt = (day: Day): string => `${day}T07:30`;

/** The station's record as a household has it: two years and what has come since. */
const recordFrom = (season: TrialSeason): Day => {
  const two = addDays(season.first, -830);
  return two > season.climate.since ? two : season.climate.since;
};

const byId = (outlook: Outlook, id: string) => outlook.plantings.find((p) => p.planting.id === id)!;

const checkOf = (plantingId: string, day: Day, readings: Reading[], n: number): Check => ({
  id: `check-${n}`,
  plantingId,
  at: `${day}T17:00`,
  by: "",
  note: "",
  readings,
  photos: [],
  marked: [],
});

/** The readings that the walk asks for first, as far as the plants show them. */
function look(stand: Stand, p: Outlook["plantings"][number], eyes: Eyes): Reading[] {
  const readings: Reading[] = [];
  const order = p.judgement.worth.length > 0 ? p.judgement.worth.map((w) => w.cue) : p.crop.cues;
  for (const cue of order) {
    if (readings.length >= READINGS) break;
    const reading = readCue(stand, cue.id, eyes);
    if (reading) readings.push(reading);
  }
  return readings;
}

/** Somebody who went to pick and found nothing says so, and what it looks like where it is lifted at once. */
const foundNothing = (stand: Stand, p: Outlook["plantings"][number], eyes: Eyes): Reading[] =>
  stand.truth.taken === "each" ? [{ cueId: NOTHING_READY, value: true }] : look(stand, p, eyes);

const secondsOf = (cropId: string, cueId: string): number =>
  cropOf(cropId).cues.find((c) => c.id === cueId)?.seconds ?? 5;

/** What a look alone says: 1 when its first reading is at or beyond the mark its school calls ready, else 0. */
function outlookReady(readings: readonly Reading[], p: Outlook["plantings"][number]): number {
  const [first] = readings;
  const cue = p.crop.cues.find((c) => c.id === first?.cueId);
  if (!first || !cue) return 0;
  const school = schoolOf(p.crop, p.planting.schoolId).cues[cue.id];
  if (cue.kind === "choice") {
    const option = cue.options.find((o) => o.id === first.value);
    return (school?.optionAt?.[String(first.value)] ?? option?.at ?? 0) >= 1 ? 1 : 0;
  }
  if (cue.kind === "event") return 0;
  if (cue.kind === "count") return Number(first.value) > 0 ? 1 : 0;
  return Number(first.value) >= (school?.landmarks ?? cue.marks).ready ? 1 : 0;
}

/** Whether there is something to take in truth. */
export function truthNow(stand: Stand): 0 | 1 {
  const there = stand.pieces.filter((p) => isThere(stand, p));
  const ripe = there.filter((p) => isRipe(stand, p));
  if (stand.truth.taken === "lift") return ripe.length >= 0.5 * there.length && there.length > 0 ? 1 : 0;
  return ripe.length > 0 ? 1 : 0;
}

function packetSays(stand: Stand, day: Day): number {
  const range = stand.truth.packet ?? cropOf(stand.truth.cropId).days.yearly ?? [60, 60];
  const age = daysBetween(stand.planting.startedOn, day);
  return Math.min(1, Math.max(0, (age - range[0]) / Math.max(1, range[1] - range[0])));
}

/** Today's round of the plan as it is made today; null when there is none. */
function roundToday(snapshot: Snapshot, outlook: Outlook, day: Day): DrawnRound | null {
  const problem = problemOf(snapshot, outlook, { take: [], leave: [], open: [] });
  // the plan as the application makes it, to its end
  const { schedule } = plan(problem);
  let n = 0;
  const rounds = roundsOf(problem, schedule, () => `id-${n++}`);
  return rounds.find((r) => r.day === day && r.lines.some((l) => l.expectedG >= LEAST_LINE_G)) ?? null;
}

/** The garden as the application knows it on a day: nothing of what the trial hides is in it. */
function snapshotOf(
  season: TrialSeason,
  day: Day,
  record: WeatherDay[],
  checks: Check[],
  picks: PickRecord[],
  ended: ReadonlyMap<string, Day>,
): Snapshot {
  const plantings: Planting[] = season.plantings.map(({ planting }) => ({
    ...planting,
    endedOn: ended.get(planting.id) ?? null,
  }));
  return {
    garden: { ...season.garden, pinnedNow: askedAt(day) },
    beds: season.beds,
    plantings,
    checks,
    picks,
    windows: season.windows,
    trips: season.trips,
    weather: record,
    forecast: season.desk.forecast(day, 12),
    ...{ ownCrops: [], forecasts: [], bedReadings: [], covers: [], datedWindows: [], containers: [], tastes: [] },
    ...{ places: [], treatments: [], pickWishes: [], weighings: [], placeReadings: [], lotEvents: [], lessons: [] },
    ...{ bedLosses: [], ticks: [], ownJobs: [], jobMarks: [], dishes: [], seedLots: [], planned: [] },
  };
}
