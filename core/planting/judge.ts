import { type Day, daysBetween } from "../calendar/day";
import { groupBy } from "../group-by";
import type { Crop, School } from "../handbook/crop";
import { NOTHING_READY } from "../handbook/signs";
import type { Conflict } from "./agreement";
import { bestReadings } from "./best-reading";
import type { Check, Reading } from "./check";
import { type Counted, clockOf, dayStep, grownBy, type Regime, referenceStep, referenceWarmth, warmth } from "./clock";
import {
  comingDays,
  conclude,
  type DayChances,
  type Evidence,
  RECENT_DAYS,
  readNow,
  seeMarks,
  seeNothing,
} from "./conclude";
import type { CueContext } from "./cue-kinds";
import { daysToReach, guessPlants, handfulOf } from "./handful";
import { type Marked, standingMarks } from "./marked";
import { misledOn } from "./misled";
import { perennialYear } from "./perennial";
import { clockStart, ownShift } from "./season-clock";
import { barredBy, lastLooked, lastOverCount, type PickMark, repeatBy, standingOverride, usedUpBy } from "./signs-seen";

export type { PickMark } from "./signs-seen";

import { borneAfterPick, inFlush } from "./flush";
import { type DayStep, predictDay, restart } from "./stage-filter";
import { CELLS, chancesOf, freshStage, meanStage, pickedStage, type Stage } from "./stage-grid";
import { evennessOf, growsAgain, piecesOf, RIPENS_OVER, wayOf } from "./way";
import { expectedYieldG } from "./yield";

export type { DayChances, Evidence } from "./conclude";

import type { JudgeInput, Judgement } from "./judgement";

export type { JudgeInput, Judgement } from "./judgement";

/** A day before the season has begun. */
const STILL: DayStep = { before: 0, after: 0, spreadBefore: 0, spreadAfter: 0 };
/** Share of what was ready that a pick takes, as far as the next pick is concerned. */
const TAKEN_SHARE: Record<PickMark["extent"], number> = { some: 0.4, "all-ready": 0.96, final: 1 };
/** A flush is surely over after so many times its usual length, and so many primes for its last pieces; then so much of the belief goes each day to nothing being left. */
const LASTS_SPREADS = 1.8;
const LASTS_PRIMES = 4;
const SPENT_A_DAY = 0.25;
/**
 * Judges one planting: runs the stage filter from its start over each day's warmth, readings and picks to today,
 * then over the coming days. Recomputed from the readings each time, so that a corrected reading changes
 * everything after it. Throws RangeError when the weather does not reach from the start to today.
 */
export function judge(input: JudgeInput): Judgement {
  const { today, planting, bed, crop, school } = input;
  const clock = clockOf(planting, crop, school, input.climate, input.latitudeDeg);
  const way = wayOf(crop, school);
  const regrows = growsAgain(crop, way);
  const cueById = new Map(crop.cues.map((c) => [c.id, c]));
  const own = ownShift(
    crop,
    input.picks.map((p) => p.day),
    today,
    input.latitudeDeg,
    input.climate,
  );
  const startedOn = clockStart(planting, crop, today, input.latitudeDeg, input.climate, own);
  const usedUp = usedUpBy(input.checks, cueById, startedOn);
  const plants = planting.plants ?? guessPlants(planting, crop);
  const context: CueContext = { school, plants: Math.max(1, plants - (lifted(crop) ? usedUp : 0)) };
  const readingsOn = groupBy(input.checks, (c) => c.at.slice(0, 10));
  const picksOn = groupBy(input.picks, (p) => p.day);
  const readingsMarked = groupBy(
    input.checks.filter((c) => c.marked.length > 0),
    (c) => c.at.slice(0, 10),
  );
  const first = input.weather.findIndex((w) => w.day === startedOn);
  if (startedOn <= today && first === -1)
    throw new RangeError(`no weather for ${startedOn}, when this planting’s clock began`);

  const handful = handfulOf(input, plants);
  const step = referenceStep(crop, clock);
  const afterPick = regrows ? freshStage() : pickedStage((step * handful.days) / handful.pieces, 1);
  let stage = freshStage();
  let spare: Stage = new Float64Array(CELLS);
  let regime: Regime = "first";
  let warmthSoFarDd = 0;
  let evidence: Evidence[] = [];
  const looked: Evidence[] = [];
  let prior = freshStage();
  let conflict: Conflict | null = null;
  let counted: Counted | null = null;
  let lastLook: Day | null = null;
  let recentLook = false;
  const track: DayChances[] = [];
  const spread = RIPENS_OVER[evennessOf(crop)];
  const flush =
    (crop.pieces?.fromFlower || crop.days.yearly !== null || !crop.pieces) &&
    (evennessOf(crop) !== "weeks" || crop.days.yearly !== null) &&
    (way === "as-they-come" || way === "one-by-one");
  const lasts = LASTS_SPREADS * spread + LASTS_PRIMES * crop.prime.warmDays;
  let borneDays = 0;
  let pickedG = 0;
  const expectedG = expectedYieldG({ ...planting, plants }, bed, crop, today);
  const spent = () => flush && borneDays > lasts;
  let sincePick = Number.POSITIVE_INFINITY;
  let index = Math.max(0, first);
  for (; index < input.weather.length; index++) {
    const day = input.weather[index]!;
    if (day.day > today) break;
    if (day.day > startedOn) {
      const yesterday = input.weather[index - 1] ?? day;
      const step = dayStep(yesterday, bed, crop, clock, regime, input.latitudeDeg, counted);
      predictDay(stage, spent() ? STILL : step, spare);
      [stage, spare] = [spare, stage];
      const gained = warmth(yesterday, crop);
      warmthSoFarDd += grownBy(yesterday, bed, crop, input.latitudeDeg);
      sincePick += gained / referenceWarmth(crop);
      const { ready, past } = chancesOf(stage);
      borneDays += (regime === "bears" ? 1 : ready + past) * (gained / referenceWarmth(crop));
      // a flush that is over leaves nothing to take, whether anybody came for it or not
      if (spent()) restart(stage, SPENT_A_DAY, freshStage());
    }
    if (day.day === today) prior = stage.slice();
    const readings = (readingsOn.get(day.day) ?? []).flatMap((check): Reading[] => check.readings);
    if (day.day >= startedOn && (readingsOn.get(day.day) ?? []).some(foundNothing)) {
      seeNothing(stage);
      lastLook = day.day;
      if (regime === "bears") sincePick = 0;
    }
    const marks = (readingsMarked.get(day.day) ?? []).at(-1);
    if (marks && day.day >= startedOn) {
      seeMarks(stage, marks.marked);
      lastLook = day.day;
    }
    if (day.day === today) recentLook = lastLook !== null && daysBetween(lastLook, today) <= RECENT_DAYS;
    if (readings.length > 0 && day.day >= startedOn) {
      const recent = lastLook !== null && daysBetween(lastLook, day.day) <= RECENT_DAYS;
      const lies = misledOn(crop, input.weather, day.day);
      const taken = readNow(stage, readings, crop, context, day.day, lies, recent);
      evidence.push(...taken.evidence);
      looked.push(...taken.evidence);
      if (taken.evidence.length > 0) lastLook = day.day;
      if (day.day === today) conflict = taken.conflict;
      if (way !== "as-needed") counted = countedFrom(taken.evidence, school) ?? counted;
    }
    for (const pick of picksOn.get(day.day) ?? []) {
      // what is lifted at once, or dug as needed, stands as it stood; a test or a thinning takes nothing that was ready
      if (day.day < startedOn || pick.aside || way === "as-needed" || (way === "all-at-once" && !regrows)) continue;
      restart(stage, TAKEN_SHARE[pick.extent], afterPick);
      pickedG += pick.massG ?? 0;
      if (pick.extent !== "some") {
        sincePick = 0;
        if (inFlush(crop, way) && pick.massG !== undefined)
          borneDays = borneAfterPick(crop, piecesOf(planting, crop), borneDays, pickedG / expectedG);
      }
      regime = regrows ? "regrows" : "bears";
      if (pick.extent !== "some") {
        evidence = [];
        lastLook = null;
      }
      if (day.day === today) prior = stage.slice();
    }
    if (input.track) track.push({ day: day.day, ...chancesOf(stage), meanStage: meanStage(stage) });
  }

  const steps: DayStep[] = [];
  for (let k = 0; k < input.horizonDays; k++) {
    const day = input.weather[index - 1 + k];
    if (!day) break;
    steps.push(
      startedOn > day.day || spent() ? STILL : dayStep(day, bed, crop, clock, regime, input.latitudeDeg, counted),
    );
  }
  const override = standingOverride(input, cueById);
  const barred = barredBy(input, override, startedOn, perennialYear(planting, crop, today, input.latitudeDeg));
  const misled = misledOn(crop, input.weather, today);
  const overCount = lastOverCount(input, cueById);
  const enoughIn = Math.min(
    daysToReach(handful.days - sincePick, input.weather.slice(index - 1), crop),
    // a handful is not waited for longer than it keeps, or than it is usually left
    Math.round(Math.min(crop.interval.coolDays, crop.prime.coolDays)),
  );
  const { minDays, maxDays } = clock.range;
  const dateDue = school.byDate && daysBetween(startedOn, today) >= ((minDays + maxDays) / 2) * school.daysFactor;
  const held = barred ?? input.held ?? null;
  const needs = held ? [] : (input.pressing?.(comingDays(stage, steps, today)) ?? []);
  const concluded = conclude(stage, steps, today, crop, {
    way,
    override,
    misled,
    overCount,
    evidence,
    conflict,
    lastLook: lastLooked(input, startedOn),
    lookBy: repeatBy(input),
    marked: freshMarks(input),
    dateDue,
    barred: held,
    enoughIn,
    needs,
  });
  return {
    ...concluded,
    // a season not begun yet is looked at again when it begins
    lookAgain: startedOn > today ? startedOn : concluded.lookAgain,
    misled,
    conflict,
    recentLook,
    overCount,
    usedUp,
    way,
    borneDays,
    flushOver: Boolean(flush) && borneDays > LASTS_SPREADS * spread,
    barred,
    held,
    dateDue,
    enoughIn,
    needs,
    marked: standingMarks(input.checks, lastFullPick(input)),
    track,
    meanStage: meanStage(stage),
    override: override ? { cue: override, advice: override.kind === "event" ? override.advice : "" } : null,
    looked,
    evidence: evidence.sort((a, b) => Math.abs(b.shift) - Math.abs(a.shift)),
    clock,
    warmthSoFarDd,
    daysSinceStart: Math.max(0, daysBetween(startedOn, today)),
    regime,
    prior,
    stage,
    steps,
    context,
    worth: input.weighReadings === false ? [] : bestReadings(stage, crop, context),
  };
}

/** The day of the last pick that took all that was ready; null before any. */
const lastFullPick = ({ picks }: Pick<JudgeInput, "picks">): Day | null =>
  picks.reduce<Day | null>((l, p) => (p.extent !== "some" && (l === null || p.day > l) ? p.day : l), null);

/** Marks that can be relied on today: those of today's or yesterday's look, if nothing was picked since. */
function freshMarks(input: JudgeInput): Marked[] {
  const fresh = input.checks.filter((c) => daysBetween(c.at.slice(0, 10), input.today) <= 1);
  return standingMarks(fresh, lastFullPick(input));
}

/** Whether somebody looked it all over and there was nothing to take. */
const foundNothing = (check: Check): boolean =>
  check.readings.some((r) => r.cueId === NOTHING_READY && r.value === true);

/** Whether a test of this crop takes a whole plant out of the ground. */
const lifted = (crop: Crop): boolean => crop.parts.some((p) => p === "bulb" || p === "root" || p === "tuber");

/** The dated event among readings that counts the days best, if one was read. */
function countedFrom(evidence: readonly Evidence[], school: School): Counted | null {
  const dated = evidence.find((e) => e.cue.kind === "since" && e.cue.reliability !== "low");
  return dated?.cue.kind === "since" ? { marks: school.cues[dated.cue.id]?.landmarks ?? dated.cue.marks } : null;
}
