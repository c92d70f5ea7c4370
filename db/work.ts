import { asc, eq, inArray } from "drizzle-orm";
import { minuteAfter } from "#core/calendar/clock";
import type { OwnJob } from "#core/jobs/mark";
import type { PickWish } from "#core/planning/question/wish";
import type { PlanNote, Round, RoundLine } from "#core/planning/rounds/round";
import type { Check } from "#core/planting/check";
import type { PickRecord, View } from "#core/weighing/pick";
import { type Change, change } from "./change";
import type { Db } from "./open";
import * as t from "./schema/index";

export type RoundWithLines = Round & { lines: RoundLine[] };

/**
 * Saves a check of a planting. A second look in the same minute is written down a minute later, so that the last one
 * saved is the last one everywhere: also in a garden whose clock stands still, and after an undo.
 * @param again the gardener's own day to look again, as a job
 * @returns the journal's id
 */
export function saveCheck(db: Db, check: Check, label: string, again: OwnJob | null = null): string | null {
  const others = db.select().from(t.checks).where(eq(t.checks.plantingId, check.plantingId)).all();
  const takenMinutes = new Set(others.filter((o) => o.id !== check.id).map((o) => o.at));
  let { at } = check;
  while (takenMinutes.has(at)) at = minuteAfter(at);
  return change(db, label, check.at, (c) => {
    c.put("checks", { ...check, at });
    if (again) c.put("ownJobs", again);
  });
}
export const removeCheck = (db: Db, id: string, label: string, at: string): string | null =>
  change(db, label, at, (c) => c.remove("checks", id));
export const findCheck = (db: Db, id: string): Check | null =>
  db.select().from(t.checks).where(eq(t.checks.id, id)).get() ?? null;

/** The planned rounds (and done or dropped ones when asked for) with their lines, in order of time. */
export function listRounds(db: Db, status: Round["status"][] = ["planned"]): RoundWithLines[] {
  const rounds = db
    .select()
    .from(t.rounds)
    .where(inArray(t.rounds.status, status))
    .orderBy(asc(t.rounds.day), asc(t.rounds.startsAt))
    .all();
  if (rounds.length === 0) return [];
  const lines = db
    .select()
    .from(t.roundLines)
    .where(
      inArray(
        t.roundLines.roundId,
        rounds.map((r) => r.id),
      ),
    )
    .all();
  return rounds.map((r) => ({ ...r, lines: lines.filter((l) => l.roundId === r.id) }));
}

export const findRound = (db: Db, id: string): RoundWithLines | null => {
  const round = db.select().from(t.rounds).where(eq(t.rounds.id, id)).get();
  return round ? { ...round, lines: db.select().from(t.roundLines).where(eq(t.roundLines.roundId, id)).all() } : null;
};

/** Puts a new plan in place of all rounds still planned. One undo brings the old plan back. */
export function replacePlan(
  db: Db,
  rounds: readonly RoundWithLines[],
  note: PlanNote | null,
  at: string,
  label: string,
): string | null {
  const old = listRounds(db);
  return change(db, label, at, (c) => {
    for (const round of old) {
      for (const line of round.lines) c.remove("roundLines", line.id);
      if (!rounds.some((r) => r.id === round.id)) c.remove("rounds", round.id);
    }
    if (note) c.put("plans", note);
    for (const { lines, ...round } of rounds) {
      c.put("rounds", round);
      for (const line of lines) c.put("roundLines", line);
    }
  });
}

/** What was promised when the rounds were planned; null when they never were. */
export const findPlanNote = (db: Db): PlanNote | null => db.select().from(t.plans).get() ?? null;

/** Saves a round itself: moved, pinned, done or dropped. */
export const saveRound = (db: Db, round: Round, label: string, at: string): string | null =>
  change(db, label, at, (c) => c.put("rounds", round));

/** Kept ways of looking at the log, by name. */
export const listViews = (db: Db): View[] => db.select().from(t.views).orderBy(asc(t.views.name)).all();

export const findPick = (db: Db, id: string): PickRecord | null =>
  db.select().from(t.picks).where(eq(t.picks.id, id)).get() ?? null;

/**
 * Saves a pick, with the wish to take the rest on a day. One that says the crop is finished closes its planting on that
 * day, unless the planting stands for years: then only its season is over. One that said so and no longer does, or was
 * moved to another planting, opens what it had closed.
 * @param standsForYears whether the planting that is picked outlives its season
 */
export function savePick(
  db: Db,
  pick: PickRecord,
  label: string,
  at: string,
  rest: PickWish | null = null,
  standsForYears = false,
): string | null {
  return change(db, label, at, (c) => {
    const before = findPick(db, pick.id);
    c.put("picks", pick);
    if (rest) c.put("pickWishes", rest);
    if (before && !(pick.extent === "final" && pick.plantingId === before.plantingId && pick.at === before.at))
      reopen(db, c, before);
    if (pick.extent !== "final" || standsForYears) return;
    const planting = findPlantingRow(db, pick.plantingId);
    if (planting && planting.endedOn === null) c.put("plantings", { ...planting, endedOn: pick.at.slice(0, 10) });
  });
}

/** Takes a pick out of the log; a planting that it had closed is open again. */
export const removePick = (db: Db, id: string, label: string, at: string): string | null =>
  removePicks(db, [id], label, at);

/** Takes several out in one change; what they had closed is open again. */
export const removePicks = (db: Db, ids: readonly string[], label: string, at: string): string | null =>
  change(db, label, at, (c) => {
    for (const id of ids) {
      const pick = findPick(db, id);
      c.remove("picks", id);
      if (pick) reopen(db, c, pick);
    }
  });

const findPlantingRow = (db: Db, id: string) => db.select().from(t.plantings).where(eq(t.plantings.id, id)).get();

/** Opens the planting that a pick had closed, unless another pick says as well that it is finished. */
function reopen(db: Db, c: Change, pick: PickRecord): void {
  if (pick.extent !== "final") return;
  const planting = findPlantingRow(db, pick.plantingId);
  if (planting?.endedOn !== pick.at.slice(0, 10)) return;
  const others = db.select().from(t.picks).where(eq(t.picks.plantingId, planting.id)).all();
  if (others.some((p) => p.id !== pick.id && p.extent === "final")) return;
  c.put("plantings", { ...planting, endedOn: null });
}
