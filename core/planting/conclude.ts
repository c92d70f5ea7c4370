import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Crop, Cue, TakenWay } from "../handbook/crop";
import { CONTRADICTION, type Conflict, conflictAmong, overlapOf, productOf, tempered } from "./agreement";
import { type Call, callOf, callOfNeed } from "./call";
import type { Reading, ReadingValue } from "./check";
import { type CueContext, likelihoodOf, meaningOf } from "./cue-kinds";
import type { Held } from "./held";
import { lookAgainOn } from "./look-again";
import { countMarks, type Marked, observeMarks } from "./marked";
import { MISLED_WEIGHT, type Misled } from "./misled";
import { type Need, underNeeds } from "./needs";
import { type DayStep, observe, predictDay } from "./stage-filter";
import {
  CELLS,
  chancesOf,
  type DayChances,
  meanStage,
  READY_FROM,
  STEP,
  type Stage,
  type StageChances,
} from "./stage-grid";
import { isPick, type Meaning, type Seen, takeOf, type Verdict, verdictOf } from "./verdict";

/** One thing that moved the verdict, by how much it shifted the log-odds of being ready; why it counted for less. */
export type Evidence = {
  cue: Cue;
  value: ReadingValue;
  day: Day;
  shift: number;
  discounted: string | null;
  /** what the reading means by itself, nothing else known */
  means: Meaning;
};
export type { DayChances } from "./stage-grid";

/**
 * How far the clock may be wholly wrong (a cold spring in this corner, thirst, the wrong packet): this share of the
 * belief is spread evenly before a day's readings, so that eyes and fingers can overrule the calendar; less of it
 * once somebody has looked lately (own estimate).
 */
const CLOCK_DOUBT = 0.4;
const LOOK_DOUBT = 0.08;
/** The same after readings that contradict each other, and before readings that overturn the last look. */
const CONFLICT_DOUBT = 0.16;
const OVERTURNED_DOUBT = 0.4;
const OVERTURNED_WEIGHT = 0.6;
/** Weight that contradictory readings keep (own estimate). */
const CONFLICT_WEIGHT = 0.5;
/** A look at most so many days old is one that today's should not contradict. */
export const RECENT_DAYS = 4;

/** What one day's readings did: each reading's effect, and whether they contradict each other or the last look. */
export type EvidenceTaken = { evidence: Evidence[]; conflict: Conflict | null };

/**
 * Takes one day's readings into a stage, in place. Of several readings of one cue on one day the last counts.
 * Readings that the weather makes lie count for little. Readings that contradict each other, or a look of the last
 * days, count for half and leave the doubt wide, so that a slip does not flip the verdict.
 * @param recentLook whether there was a look within the last days
 */
export function readNow(
  stage: Stage,
  readings: readonly Reading[],
  crop: Pick<Crop, "cues">,
  context: CueContext,
  day: Day,
  misled: readonly Misled[] = [],
  recentLook = false,
): EvidenceTaken {
  const last = readings.length > 1 ? [...new Map(readings.map((r) => [r.cueId, r])).values()] : readings;
  const taken = last.flatMap((reading) => {
    const cue = crop.cues.find((c) => c.id === reading.cueId);
    if (!cue || cue.kind === "event") return [];
    const lie = misled.find((m) => m.cueIds.includes(cue.id));
    const likelihood = tempered(likelihoodOf(cue, reading.value, context), lie ? MISLED_WEIGHT : 1);
    return [{ cue, value: reading.value, likelihood, discounted: lie?.why ?? null }];
  });
  if (taken.length === 0) return { evidence: [], conflict: null };
  let conflict = conflictAmong(taken);
  if (!conflict && recentLook) {
    const overlap = overlapOf(stage, productOf(taken.map((t) => t.likelihood)));
    if (overlap < CONTRADICTION) conflict = { between: null, overlap };
  }
  // eyes that see something else than was believed after the last look are believed: it is today's look
  const amongThem = conflict?.between != null;
  spreadEvenly(stage, conflict && !amongThem ? OVERTURNED_DOUBT : recentLook ? LOOK_DOUBT : CLOCK_DOUBT);
  const evidence = taken.map((t): Evidence => {
    const before = readyLogOdds(stage);
    observe(stage, tempered(t.likelihood, amongThem ? CONFLICT_WEIGHT : conflict ? OVERTURNED_WEIGHT : 1));
    return {
      cue: t.cue,
      value: t.value,
      day,
      shift: readyLogOdds(stage) - before,
      discounted: t.discounted,
      means: meaningOf(t.cue, t.value, context),
    };
  });
  if (amongThem) spreadEvenly(stage, CONFLICT_DOUBT);
  else if (!conflict) decide(stage, evidence);
  return { evidence, conflict };
}

/** Chance of going away with nothing where something was ready (own estimate). */
const NOTHING_TAKEN = 0.05;

/** The belief is spread by this share before a look at every piece: it tells more than a look at one (own estimate). */
const ALL_OVER_DOUBT = 0.2;

/** Takes pieces marked one by one into a stage, in place: the clock is doubted first, as by any look. */
export function seeMarks(stage: Stage, marked: readonly Marked[]): void {
  if (marked.length === 0) return;
  spreadEvenly(stage, ALL_OVER_DOUBT);
  observeMarks(stage, marked);
}

/** Takes into a stage, in place, that somebody was there and found nothing to take. */
export function seeNothing(stage: Stage): void {
  spreadEvenly(stage, ALL_OVER_DOUBT);
  const nothing = new Float64Array(CELLS).fill(1);
  nothing.fill(NOTHING_TAKEN, READY_CELL);
  observe(stage, nothing);
}

/** How much the other side of the school's mark keeps once every decisive sign is on this one (own estimate). */
const OTHER_SIDE = 0.3;

/**
 * Decisive signs that all say the same decide: what is ready by the school's own marks is ready, what falls short of
 * them is not, whatever the clock had thought. Signs that the weather makes lie decide nothing.
 */
function decide(stage: Stage, evidence: readonly Evidence[]): void {
  const decisive = evidence.filter((e) => e.cue.role === "decisive" && e.discounted === null);
  const yes = decisive.every((e) => e.means === "right" || e.means === "past");
  const no = decisive.every((e) => e.means === "short" || e.means === "nearly");
  // they say both, or there are none, of which all is true
  if (yes === no) return;
  let total = 0;
  for (let i = 0; i < CELLS; i++) {
    if (i < READY_CELL === yes) stage[i]! *= OTHER_SIDE;
    total += stage[i]!;
  }
  for (let i = 0; i < CELLS; i++) stage[i]! /= total;
}
const READY_CELL = Math.round(READY_FROM / STEP);

function spreadEvenly(stage: Stage, share: number): void {
  for (let i = 0; i < CELLS; i++) stage[i] = (1 - share) * stage[i]! + share / CELLS;
}

/** Log-odds that the crop has reached its target. */
function readyLogOdds(stage: Stage): number {
  const { ready, past } = chancesOf(stage);
  const p = Math.min(1 - 1e-6, Math.max(1e-6, ready + past));
  return Math.log(p / (1 - p));
}

export type Conclusion = {
  chances: StageChances;
  verdict: Verdict;
  call: Call | null;
  days: DayChances[];
  /** the same if it is certain that there is something there: what masses are reckoned by */
  belief: DayChances[];
  lookAgain: Day;
};

/** What is known beside the stage when a verdict is drawn. */
export type Beside = {
  way: TakenWay;
  override: Cue | null;
  misled: readonly Misled[];
  overCount: number;
  /** readings that can still be relied on, the latest look's first */
  evidence: readonly Evidence[];
  /** today's readings against each other or against the last look; null when they agree */
  conflict: Conflict | null;
  /** day of the last look or pick, today's too; null: nobody has been there */
  lastLook: Day | null;
  /** the day by which it must be looked at again whatever the verdict: pests and disease want a repeat; null for none */
  lookBy: Day | null;
  /** why nothing may be taken from it at all; null: it may */
  barred: Held | null;
  /** pieces marked one by one at a look of today or yesterday */
  marked: readonly Marked[];
  /** what presses on it from outside, most urgent first */
  needs: readonly Need[];
  /** a school that goes by the date, and its date has come: it is taken whatever its size */
  dateDue: boolean;
  /** days until a handful has come since it was picked; before that it is not worth the way */
  enoughIn: number;
};

/** A decisive sign is relied on for so many days; something seen to be past use, for so many. */
const SEEN_DAYS = 1;
const PAST_SEEN_DAYS = 5;

/** What was seen, as a verdict relies on it. Readings that the weather makes lie decide nothing. */
export function seenOf(evidence: readonly Evidence[], today: Day, conflict: Conflict | null = null): Seen {
  const fresh = evidence.filter((e) => daysBetween(e.day, today) <= SEEN_DAYS && e.discounted === null);
  // of several looks the last one counts for each cue
  const latest = new Map<string, Evidence>();
  for (const e of fresh) if (!latest.has(e.cue.id) || latest.get(e.cue.id)!.day <= e.day) latest.set(e.cue.id, e);
  const all = [...latest.values()];
  const readyCounted = all.some((e) => e.cue.kind === "count" && e.cue.of === "ready" && Number(e.value) > 0);
  return {
    decisive: all.filter((e) => e.cue.role === "decisive" && !isOverCount(e.cue)).map((e) => e.means),
    past:
      !readyCounted &&
      evidence.some((e) => e.means === "past" && daysBetween(e.day, today) <= PAST_SEEN_DAYS && !overturned(e, latest)),
    tested: all.some((e) => e.cue.usesUp),
    overturns: conflict !== null && conflict.between === null,
  };
}

/** What was seen, with pieces marked one by one: a ready one is a decisive yes, only nearly ready ones a no. */
function withMarks(seen: Seen, marked: readonly Marked[]): Seen {
  const { nearly, ready, past } = countMarks(marked);
  if (nearly + ready + past === 0) return seen;
  const means: Meaning = ready > 0 ? "right" : past > 0 ? "past" : "nearly";
  return { ...seen, decisive: [means], past: ready > 0 ? false : past > 0 || seen.past };
}

const isOverCount = (cue: Cue): boolean => cue.kind === "count" && cue.of === "over";
/** Whether a later look at the same cue says something else. */
const overturned = (e: Evidence, latest: ReadonlyMap<string, Evidence>): boolean => {
  const now = latest.get(e.cue.id);
  return now !== undefined && now.day > e.day && now.means !== "past";
};

/** Chances of today and each coming day if nothing is picked. */
export function comingDays(stage: Stage, steps: readonly DayStep[], today: Day): DayChances[] {
  const days: DayChances[] = [{ day: today, ...chancesOf(stage), meanStage: meanStage(stage) }];
  let future = stage.slice();
  let spare: Stage = new Float64Array(CELLS);
  steps.forEach((step, k) => {
    predictDay(future, step, spare);
    [future, spare] = [spare, future];
    days.push({ day: addDays(today, k + 1), ...chancesOf(future), meanStage: meanStage(future) });
  });
  return days;
}

/**
 * Whatever is believed of its stage, so often there is nothing to take after all: it never came up, was eaten, or eyes
 * were wrong (own estimate, from the season trial's table of chances).
 */
const NOTHING_THERE = 0.03;
const orNothing = ({ unready, nearly, ready, past }: StageChances): StageChances => ({
  unready: unready + NOTHING_THERE * (nearly + ready + past),
  nearly: nearly * (1 - NOTHING_THERE),
  ready: ready * (1 - NOTHING_THERE),
  past: past * (1 - NOTHING_THERE),
});

/**
 * What follows from a stage: chances today and each coming day if nothing is picked, the verdict, the day to look
 * again. The same code runs on the server and, while readings are given, in the page.
 */
export function conclude(
  stage: Stage,
  steps: readonly DayStep[],
  today: Day,
  crop: Pick<Crop, "habit" | "cues" | "interval" | "thins" | "nature" | "prime" | "parts" | "climacteric">,
  beside: Beside,
): Conclusion {
  const belief = comingDays(stage, steps, today);
  const days = belief.map((d) => ({ ...d, ...orNothing(d) }));
  const { day: _day, meanStage: _mean, ...chances } = days[0]!;
  const { override } = beside;
  const decided = override?.kind === "event" ? override.verdict : null;
  const barred = beside.barred && decided !== "leave-for-seed" ? ("not-yet" as const) : null;
  const seen = withMarks(seenOf(beside.evidence, today, beside.conflict), beside.marked);
  const byLook = verdictOf(chances, beside.way, crop, seen, beside.enoughIn === 0);
  const byDate = beside.dateDue && !isPick(byLook) ? takeOf(beside.way) : byLook;
  const plain = barred ?? decided ?? byDate;
  const pressed = barred ? null : underNeeds(plain, days[0]!, beside.way, crop, beside.needs);
  const verdict = pressed?.verdict ?? plain;
  const again = earlier(
    lookAgainOn(days, verdict, crop, beside.misled, beside.lastLook, beside.enoughIn),
    beside.lookBy,
  );
  return {
    chances,
    verdict,
    call: barred
      ? null
      : (callOfNeed(pressed?.need ?? null) ?? callOf(verdict, chances, crop, override, beside.overCount)),
    days,
    belief,
    // whatever presses is looked at again before it comes
    lookAgain: beside.needs.reduce(
      (first, n) =>
        n.by > today && chances.nearly + chances.ready + chances.past >= NEAR_PRESSED ? earlier(first, n.by) : first,
      again,
    ),
  };
}

/** Chance of being near it from which what presses brings the next look forward. */
const NEAR_PRESSED = 0.2;

/** Days after which seen pests, eggs or disease are looked at again (common practice: every other day until clean). */
export const REPEAT_DAYS = 2;
const earlier = (day: Day, by: Day | null): Day => (by !== null && by < day ? by : day);
