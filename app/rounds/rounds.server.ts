import { addDays } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { PlanProblem, Wishes } from "#core/planning/question/problem";
import { takenWhole } from "#core/planning/question/wish";
import { changesOf, missedRounds } from "#core/planning/rounds/changes";
import { totalsOf } from "#core/planning/rounds/explain";
import type { PlanNote } from "#core/planning/rounds/round";
import { type PlannedRound, roundsOf, scheduleOf } from "#core/planning/rounds/rounds";
import { outcomeOf, type Schedule } from "#core/planning/solver/optimise";
import { arcsOf } from "#core/planning/solver/paths";
import { sayChanges, sayUnmet, withReasons } from "#core/planning/words";
import { picksSince } from "#core/weighing/by-planting";
import { newId, revision } from "#db/change";
import { forecastInForce } from "#db/garden";
import { findPlanNote, listRounds, type RoundWithLines, replacePlan } from "#db/work";
import { db, type GardenNow, gardenNow, problem } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { planInThread } from "./planner.server";

export const slotIdOf = (r: { day: string; startsAt: string }): string => `${r.day}T${r.startsAt}`;

type Ahead = { rounds: RoundWithLines[]; problem: PlanProblem };
/**
 * The planned rounds that are still to come, and the planner's question with their hours among its slots.
 */
export const roundsAhead = (d: GardenNow): Ahead =>
  remembered(d, "rounds ahead", () => {
    const rounds = listRounds(db()).filter((r) => slotIdOf(r) >= d.now.slice(0, 10));
    const open = rounds.map(slotIdOf).filter((id) => id >= d.now.slice(0, 16));
    return { rounds, problem: problem(d, { take: [], leave: [], open }) };
  });

/** Times that a plan is made again because the garden changed while it was being made. */
const MOST_TRIES = 4;

/** Rounds and pins as they stand, to tell whether somebody has changed them. */
const roundsMark = (): string => JSON.stringify(listRounds(db()));

/**
 * Plans the fortnight anew, keeping pinned rounds where they are, and saves it. A plan made while the garden changed is
 * thrown away and made again, so that a pin or a dropped round of that moment is never written over.
 * @returns the journal's id
 * @throws Error when the rounds are changed again and again meanwhile; nothing is written then
 */
export async function planAnew(): Promise<string | null> {
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const [read, rounds] = [revision(db()), roundsMark()];
    const save = await planned();
    const last = tries === MOST_TRIES - 1;
    if (revision(db()) === read || (last && roundsMark() === rounds)) return save();
  }
  throw new Error("The rounds were changed again and again while they were being planned. Plan once more.");
}

/** A new plan for the garden as it stands, and how it is saved. */
async function planned(): Promise<() => string | null> {
  const d = gardenNow();
  const pinned = listRounds(db()).filter((r) => r.pinned && slotIdOf(r) >= d.now.slice(0, 16));
  const wishes: Wishes = {
    take: pinned.flatMap((r) => r.lines.map((l) => ({ plantingId: l.plantingId, slotId: slotIdOf(r) }))),
    leave: [],
    open: pinned.map(slotIdOf),
  };
  // what was planned before is kept where little speaks against it: a plan should not change for nothing
  const before = roundsAhead(d).rounds;
  const kept = before.flatMap((r) =>
    r.lines.map((l) => ({ plantingId: l.plantingId, slotId: slotIdOf(r), take: l.take })),
  );
  const asked = problem(d, wishes, kept);
  const made = await planInThread(asked);
  const schedule = takenWhole(asked, made.schedule, d.snapshot.pickWishes);
  const known = new Map(pinned.map(({ lines: _, ...round }) => [slotIdOf(round), round]));
  const { units } = d.snapshot.garden;
  const rounds = withReasons(roundsOf(asked, schedule, newId, known), units);
  const note: PlanNote = {
    id: "current",
    at: d.now,
    value: made.value,
    bound: made.bound,
    ...totals(asked, schedule),
    forecastId: forecastInForce(db())?.id ?? "",
  };
  const names = new Map(d.outlook.plantings.map((p) => [p.planting.id, plantingName(p.planting, p.crop)]));
  const changes = changesOf(before, rounds);
  const said =
    before.length === 0
      ? ""
      : changes.length === 0
        ? ", as they were"
        : `: ${sayChanges(changes, (id) => names.get(id) ?? "one that is over", d.today)}`;
  const words = [
    `${rounds.length === 1 ? "One round planned" : `${rounds.length} rounds planned`}${said}`,
    ...made.unmet.map((u) => sayUnmet(u, units)),
  ].join(". But: ");
  return () => replacePlan(db(), rounds, note, d.now, words);
}

/** A pick is logged for a round before its day at most so early, days. */
const EARLY_DAYS = 30;

/** Rounds of the past week that were planned and brought nothing, newest last. */
export const missed = (d: GardenNow): RoundWithLines[] => {
  const since = addDays(d.today, -7);
  const rounds = listRounds(db()).filter((r) => r.day >= since);
  return missedRounds(rounds, picksSince(d.snapshot, addDays(since, -EARLY_DAYS)), d.now) as RoundWithLines[];
};

/** Saves rounds after a hand move: every line's figures and reasons are worked out again for the new hours. */
export function saveMoved(rounds: readonly PlannedRound[], label: string): string | null {
  const d = gardenNow();
  const wishes: Wishes = { take: [], leave: [], open: rounds.map(slotIdOf) };
  const asked = problem(d, wishes);
  const schedule = scheduleOf(asked, rounds);
  const kept = new Map(rounds.map(({ lines: _, ...round }) => [slotIdOf(round), round]));
  const relined = withReasons(roundsOf(asked, schedule, newId, kept), d.snapshot.garden.units);
  const before = findPlanNote(db());
  const arcs = asked.supplies.map((s) => arcsOf(asked, s));
  const { value } = outcomeOf(asked, arcs, schedule);
  const note: PlanNote | null = before
    ? { ...before, at: d.now, value, bound: Math.max(value, before.bound), ...totals(asked, schedule) }
    : null;
  return replacePlan(db(), relined, note, d.now, label);
}

function totals(asked: PlanProblem, schedule: Schedule): { keptG: number; lostG: number; minutes: number } {
  const { keptG, lostG: lost, minutes } = totalsOf(asked, schedule);
  return { keptG, lostG: lost, minutes };
}
