import { addDays, type Day } from "../calendar/day";
import type { Crop, Cue } from "../handbook/crop";
import { CONTRADICTION, type Conflict, conflictAmong, overlapOf, productOf, tempered } from "./agreement";
import { type Call, callOf } from "./call";
import type { Reading, ReadingValue } from "./check";
import { type CueContext, likelihoodOf } from "./cue-kinds";
import { MISLED_WEIGHT, type Misled } from "./misled";
import { type DayStep, observe, predictDay } from "./stage-filter";
import { CELLS, chancesOf, meanStage, type Stage, type StageChances } from "./stage-grid";
import { isPick, type Verdict, verdictOf } from "./verdict";

/** One thing that moved the verdict, by how much it shifted the log-odds of being ready; why it counted for less. */
export type Evidence = { cue: Cue; value: ReadingValue; day: Day; shift: number; discounted: string | null };
export type DayChances = StageChances & { day: Day; meanStage: number };

/**
 * How far the clock may be wholly wrong (a cold spring in this corner, thirst, the wrong packet): this share of the
 * belief is spread evenly before a day's readings, so that eyes and fingers can overrule the calendar; less of it
 * once somebody has looked lately (own estimate).
 */
const CLOCK_DOUBT = 0.2;
const LOOK_DOUBT = 0.08;
/** The same after readings that contradict each other or the last look. */
const CONFLICT_DOUBT = 0.16;
/** Weight that contradictory readings keep (own estimate). */
const CONFLICT_WEIGHT = 0.5;
/** A look at most so many days old is one that today's should not contradict. */
export const RECENT_DAYS = 4;

/** What one day's readings did: each reading's effect, and whether they contradict each other or the last look. */
export type Taken = { evidence: Evidence[]; conflict: Conflict | null };

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
): Taken {
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
  spreadEvenly(stage, recentLook ? LOOK_DOUBT : CLOCK_DOUBT);
  const evidence = taken.map((t): Evidence => {
    const before = readyLogOdds(stage);
    observe(stage, tempered(t.likelihood, conflict ? CONFLICT_WEIGHT : 1));
    return { cue: t.cue, value: t.value, day, shift: readyLogOdds(stage) - before, discounted: t.discounted };
  });
  if (conflict) spreadEvenly(stage, CONFLICT_DOUBT);
  return { evidence, conflict };
}

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
  lookAgain: Day;
};

/** What is known beside the stage when a verdict is drawn. */
export type Beside = {
  override: Cue | null;
  misled: readonly Misled[];
  overCount: number;
  /** the day by which it must be looked at again whatever the verdict: pests and disease want a repeat; null for none */
  lookBy: Day | null;
};

/**
 * What follows from a stage: chances today and each coming day if nothing is picked, the verdict, the day to look
 * again. The same code runs on the server and, while readings are given, in the page.
 */
export function conclude(
  stage: Stage,
  steps: readonly DayStep[],
  today: Day,
  crop: Pick<Crop, "habit" | "cues" | "interval" | "thins" | "nature">,
  beside: Beside,
): Conclusion {
  const chances = chancesOf(stage);
  const days: DayChances[] = [{ day: today, ...chances, meanStage: meanStage(stage) }];
  let future = stage.slice();
  let spare: Stage = new Float64Array(CELLS);
  steps.forEach((step, k) => {
    predictDay(future, step, spare);
    [future, spare] = [spare, future];
    days.push({ day: addDays(today, k + 1), ...chancesOf(future), meanStage: meanStage(future) });
  });
  const { override } = beside;
  const decided = override?.kind === "event" ? override.verdict : null;
  const verdict = decided ?? verdictOf(chances, crop);
  return {
    chances,
    verdict,
    call: callOf(verdict, chances, crop, override, beside.overCount),
    days,
    lookAgain: earlier(lookAgainOn(days, verdict, crop, beside.misled), beside.lookBy),
  };
}

/** Days after which seen pests, eggs or disease are looked at again (common practice: every other day until clean). */
export const REPEAT_DAYS = 2;
const earlier = (day: Day, by: Day | null): Day => (by !== null && by < day ? by : day);

/** Chance of another verdict from which it is worth going to look. */
const WORTH_A_LOOK = 0.3;

/**
 * The day to look again: when the chance that the verdict has changed passes about a third, at the latest a week after
 * the days judged, and after the crop's own interval once it is ready. While the weather makes the cues lie, the day
 * on which they can be believed.
 */
function lookAgainOn(
  days: readonly DayChances[],
  verdict: Verdict,
  crop: Pick<Crop, "interval">,
  misled: readonly Misled[],
): Day {
  const today = days[0]!;
  if (isPick(verdict)) {
    const overdue = days.slice(1).find((d) => d.past - today.past >= WORTH_A_LOOK);
    const latest = addDays(today.day, Math.max(1, Math.round(crop.interval.coolDays)));
    return overdue && overdue.day < latest ? overdue.day : latest;
  }
  const believe = misled.reduce((latest, m) => (m.believeFrom > latest ? m.believeFrom : latest), "");
  if (believe > today.day && verdict !== "not-yet") return believe;
  if (verdict === "test-one") return addDays(today.day, 2);
  if (verdict === "leave-for-seed") return addDays(today.day, 14);
  const goal =
    verdict === "nearly" ? (d: DayChances) => d.ready + d.past : (d: DayChances) => d.nearly + d.ready + d.past;
  const threshold = verdict === "nearly" ? 0.5 : WORTH_A_LOOK;
  const change = days.slice(1).find((d) => goal(d) >= threshold);
  return change?.day ?? addDays(days[days.length - 1]!.day, 7);
}
