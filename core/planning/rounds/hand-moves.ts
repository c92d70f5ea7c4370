import type { Bar, BarWhy } from "../question/problem";
import type { PlannedRound } from "./rounds";

/** An hour to move to. */
type Hour = { day: string; startsAt: string };

const at = (r: Hour): string => `${r.day}T${r.startsAt}`;

/** Lines joined to a round's own; a planting that it takes already is not taken twice. */
const join = <R extends PlannedRound>(round: R, lines: R["lines"]): R => ({
  ...round,
  pinned: true,
  lines: [
    ...round.lines,
    ...lines
      .filter((l) => !round.lines.some((o) => o.plantingId === l.plantingId))
      .map((l) => ({ ...l, roundId: round.id })),
  ],
});

/** A round put at another hour, and pinned there; where a round is already, the two become one. */
export function moveRound<R extends PlannedRound>(rounds: readonly R[], roundId: string, to: Hour): R[] {
  const round = rounds.find((r) => r.id === roundId);
  if (!round || at(round) === at(to)) return [...rounds];
  const there = rounds.find((r) => r.id !== roundId && at(r) === at(to));
  if (!there)
    return rounds.map((r) => (r.id === roundId ? { ...r, day: to.day, startsAt: to.startsAt, pinned: true } : r));
  return rounds.filter((r) => r.id !== roundId).map((r) => (r.id === there.id ? join(r, round.lines) : r));
}

/**
 * Some lines of a round put at another hour: into the round there, else into one of their own. A round left without
 * lines goes, unless it is pinned.
 * @param freshId id of the round that is made where there was none
 */
export function moveLines<R extends PlannedRound>(
  rounds: readonly R[],
  roundId: string,
  plantingIds: readonly string[],
  to: Hour,
  freshId: string,
): R[] {
  const round = rounds.find((r) => r.id === roundId);
  if (!round || at(round) === at(to)) return [...rounds];
  const lines = round.lines.filter((l) => plantingIds.includes(l.plantingId));
  if (lines.length === 0) return [...rounds];
  const there: R = rounds.find((r) => at(r) === at(to)) ?? {
    ...round,
    id: freshId,
    day: to.day,
    startsAt: to.startsAt,
    note: "",
    lines: [],
  };
  return [
    ...rounds
      .filter((r) => r.id !== there.id)
      .map((r) => (r.id === roundId ? { ...r, lines: r.lines.filter((l) => !lines.includes(l)) } : r))
      .filter((r) => r.id !== roundId || r.lines.length > 0 || r.pinned),
    join(there, lines),
  ];
}

/** Why rounds may not be so: a line inside the wait that a label sets, which no hand can lift; null when none is. */
export function unlawful(
  rounds: readonly PlannedRound[],
  bars: readonly Bar[],
): { plantingId: string; why: BarWhy } | null {
  const law = new Map(bars.filter((b) => b.law).map((b) => [`${b.plantingId} ${b.slotId}`, b.why]));
  for (const r of rounds)
    for (const { plantingId } of r.lines) {
      const why = law.get(`${plantingId} ${at(r)}`);
      if (why) return { plantingId, why };
    }
  return null;
}
