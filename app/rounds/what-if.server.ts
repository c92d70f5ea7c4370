import { plantingName } from "#core/garden/name";
import { outlookOf } from "#core/planning/outlook";
import type { PlanProblem } from "#core/planning/question/problem";
import { problemOf } from "#core/planning/question/question";
import { totalsOf } from "#core/planning/rounds/explain";
import { type LinedRound, roundsOf, scheduleOf } from "#core/planning/rounds/rounds";
import { type Supposal, supposed } from "#core/planning/rounds/what-if";
import type { Schedule } from "#core/planning/solver/optimise";
import { newId } from "#db/change";
import type { GardenNow } from "../server/garden-now.server";
import { planInThread } from "./planner.server";
import { roundsAhead, slotIdOf } from "./rounds.server";

/** A line of a round as the comparison shows it. */
type ShownLine = { kind: string; bed: string; take: "ready" | "strip"; expectedG: number };
type ShownRound = { slotId: string; day: string; startsAt: string; by: string; lines: ShownLine[] };

/**
 * The rounds as planned, the same rounds if what is supposed comes, and the rounds that would be planned for it: each
 * with what it keeps, loses and takes.
 */
export async function whatIf(d: GardenNow, supposal: Supposal) {
  const { rounds, problem } = roundsAhead(d);
  const snapshot = supposed(d.snapshot, d.today, supposal);
  const open = rounds.map(slotIdOf).filter((id) => id >= d.now.slice(0, 16));
  const outlook = outlookOf(snapshot, d.now);
  // a round stands where it was planned even if nobody would be there any more: then it brings nothing
  const asked = problemOf(snapshot, outlook, { take: [], leave: [], open });
  const possible = rounds.filter((r) => asked.slots.some((s) => s.id === slotIdOf(r) && (!s.away || s.by)));
  const free = problemOf(snapshot, outlook, { take: [], leave: [], open: [] });
  const made = await planInThread(free);
  const names = new Map(
    d.outlook.plantings.map((p) => [p.planting.id, { kind: plantingName(p.planting, p.crop), bed: p.bed.name }]),
  );
  const shown = (list: readonly LinedRound[], from: PlanProblem): ShownRound[] =>
    list.map((r) => ({
      slotId: slotIdOf(r),
      day: r.day,
      startsAt: r.startsAt,
      by: from.slots.find((s) => s.id === slotIdOf(r))?.by ?? "",
      lines: r.lines.map((l) => ({
        ...(names.get(l.plantingId) ?? { kind: "gone", bed: "" }),
        take: l.take,
        expectedG: l.expectedG,
      })),
    }));
  const sums = (q: PlanProblem, schedule: Schedule) => {
    const { keptG, lostG, minutes } = totalsOf(q, schedule);
    return { keptG, lostG, minutes };
  };
  const anew = roundsOf(free, made.schedule, newId);
  return {
    before: { totals: sums(problem, scheduleOf(problem, rounds)), rounds: shown(rounds, problem) },
    same: {
      totals: sums(asked, scheduleOf(asked, possible)),
      fallen: rounds.filter((r) => !possible.includes(r)).map(slotIdOf),
    },
    // of the rounds as they are shown: a line of a few grams is none
    anew: { totals: sums(free, scheduleOf(free, anew)), rounds: shown(anew, free), gap: made.gap },
  };
}
export type WhatIf = Awaited<ReturnType<typeof whatIf>>;
