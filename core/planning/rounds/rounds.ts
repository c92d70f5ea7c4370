import type { Supply } from "../../planting/supply";
import { joined } from "../question/long-jobs";
import type { PlanProblem } from "../question/problem";
import type { Schedule } from "../solver/optimise";
import { type LineForecast, type LineReason, linesOf, lostG, reasonOf } from "./explain";
import type { Round, RoundLine } from "./round";

export type PlannedRound = Round & { lines: RoundLine[] };

/** A round with its lines, whatever is said of them. */
export type LinedRound = Round & { lines: Omit<RoundLine, "why">[] };

/** A line as it is drawn up: why it stands there, and how many parts of a long job it holds; null: all of it. */
export type DrawnLine = Omit<RoundLine, "why"> & { reason: LineReason; parts: { here: number; of: number } | null };
/** A round as it is drawn up, its reasons not in words yet (`planning/words.ts`). */
export type DrawnRound = Round & { lines: DrawnLine[] };

/** Lines that would bring less than this are not worth a bead, g. */
export const LEAST_LINE_G = 25;

/**
 * A schedule as rounds with lines, each line with its expected mass, what is lost if left, and why.
 * @param newId gives a fresh id; chance is passed in
 * @param known rounds that keep their id, pin and note, by slot id
 */
export function roundsOf(
  problem: PlanProblem,
  schedule: Schedule,
  newId: () => string,
  known: ReadonlyMap<string, Round> = new Map(),
): DrawnRound[] {
  const open = [...new Set(schedule.flat().map((s) => s.slot))].sort((a, b) => a - b);
  for (const slotId of known.keys()) {
    const j = problem.slots.findIndex((s) => s.id === slotId);
    if (j >= 0 && !open.includes(j)) open.push(j);
  }
  open.sort((a, b) => a - b);
  const forecasts = schedule.flatMap((steps, p) =>
    linesOf(problem, problem.supplies[p]!, steps, open).map((line) => ({ line, p })),
  );
  return open.flatMap((j) => {
    const slot = problem.slots[j]!;
    const kept = known.get(slot.id);
    const round: Round = kept ?? {
      id: newId(),
      day: slot.day,
      startsAt: slot.startsAt,
      status: "planned",
      pinned: false,
      note: "",
    };
    const here = forecasts
      .filter(({ line }) => line.slot === j && line.expectedG >= LEAST_LINE_G)
      .map(({ line, p }) => roundLine(problem, line, p, round.id, newId()));
    // parts of a long job in one and the same hour are one line
    const lines = joined(here, (a, b) => ({
      ...a,
      expectedG: a.expectedG + b.expectedG,
      lostG: a.lostG + b.lostG,
      minutes: a.minutes + b.minutes - problem.lineMinutes,
    })).map((line) => {
      const of = problem.supplies.find((s) => s.plantingId === line.plantingId)?.part?.of ?? 1;
      const parts = here.filter((l) => l.plantingId === line.plantingId).length;
      return of > 1 && parts < of ? { ...line, parts: { here: parts, of } } : line;
    });
    return lines.length > 0 || kept ? [{ ...round, lines }] : [];
  });
}

const roundLine = (problem: PlanProblem, line: LineForecast, p: number, roundId: string, id: string): DrawnLine => ({
  id,
  roundId,
  plantingId: line.plantingId,
  take: line.take,
  expectedG: Math.round(line.expectedG),
  lostG: Math.round(lostG(line)),
  minutes: Math.round(line.minutes * 10) / 10,
  reason: reasonOf(problem, problem.supplies[p]!, line),
  parts: null,
});

/** Stored rounds as a schedule over the problem's slots; rounds at slots the problem does not have are left out. */
export function scheduleOf(problem: PlanProblem, rounds: readonly LinedRound[]): Schedule {
  const slotOf = new Map(problem.slots.map((s, j) => [s.id, j]));
  return problem.supplies.map((supply) => {
    const steps = rounds
      .flatMap((r) => {
        const slot = slotOf.get(`${r.day}T${r.startsAt}`);
        const line = r.lines.find((l) => l.plantingId === supply.plantingId);
        return slot !== undefined && line ? [{ slot, take: line.take }] : [];
      })
      .sort((a, b) => a.slot - b.slot);
    if (supply.part) return stepsOfPart(supply, rounds, slotOf);
    const once = supply.once ? steps.slice(0, 1) : steps;
    // a strip ends the crop: what was planned after it falls away
    const strip = once.findIndex((s) => s.take === "strip");
    return strip >= 0 ? once.slice(0, strip + 1) : once;
  });
}

/** When a part of a long job is done by stored rounds: each of its lines holds as many parts as its mass says. */
function stepsOfPart(
  { plantingId, part, standingG }: Supply,
  rounds: readonly LinedRound[],
  slotOf: ReadonlyMap<string, number>,
): Schedule[number] {
  const held = rounds
    .flatMap((r) => {
      const slot = slotOf.get(`${r.day}T${r.startsAt}`);
      const line = r.lines.find((l) => l.plantingId === plantingId);
      const parts = line ? Math.max(1, Math.round(line.expectedG / Math.max(1, standingG))) : 0;
      return slot === undefined ? [] : Array.from({ length: parts }, () => slot);
    })
    .sort((a, b) => a - b);
  const slot = held[part!.index];
  return slot === undefined ? [] : [{ slot, take: "ready" }];
}

/** One planting in danger or past waiting: what is lost by leaving it, in order of worth. */
export type Urgency = {
  plantingId: string;
  lostG: number;
  worth: number;
  cause: "frost" | "gale" | "age" | "disease";
  reason: LineReason;
};

/** Under this chance of being ready there is nothing ripe to lose. */
const HARDLY_READY = 0.25;

/** Least loss worth putting before anyone's eyes: a hundred grams of potatoes' worth. */
const LEAST_WORTH = 0.1;

/** Plantings in order of what would be lost by leaving them to the end of the plan, if taken at the next chance instead. */
export function urgenciesOf(problem: PlanProblem): Urgency[] {
  const next = problem.slots.findIndex((s) => s.allowed);
  const slot = next >= 0 ? next : 0;
  if (problem.slots.length === 0) return [];
  const all = problem.supplies.flatMap((supply) => {
    const line = linesOf(problem, supply, [{ slot, take: "ready" }], [slot])[0];
    if (!line) return [];
    const lost = lostG(line);
    const c = supply.days[0]?.chances;
    const inDanger = line.lostFrostG + line.lostGaleG + line.lostSickG > 0.15 * Math.max(1, line.expectedG);
    // what bears on and is green loses nothing ripe, whatever comes: a look says when it begins
    const green = !supply.once && c !== undefined && c.ready + c.past < HARDLY_READY;
    if (!c || green || (!inDanger && c.ready + c.past < 0.5)) return [];
    const cause =
      line.lostSickG > Math.max(line.lostFrostG, line.lostGaleG, line.lostOverG)
        ? "disease"
        : line.lostFrostG >= line.lostOverG && line.lostFrostG >= line.lostGaleG
          ? "frost"
          : line.lostGaleG > line.lostOverG
            ? "gale"
            : "age";
    return [
      {
        plantingId: supply.plantingId,
        lostG: lost,
        worth: lost * supply.worthPerG,
        cause,
        reason: reasonOf(problem, supply, line),
      } as const,
    ];
  });
  return joined<Urgency>(all, (a, b) => ({ ...a, lostG: a.lostG + b.lostG, worth: a.worth + b.worth }))
    .filter((u) => u.worth >= LEAST_WORTH)
    .sort((a, b) => b.worth - a.worth);
}
