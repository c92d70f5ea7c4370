import type { LinedRound, PlannedRound } from "./rounds";

/** How one planting's next pick differs between two plans. */
export type PlanChange = { plantingId: string; from: string | null; to: string | null };

const slotOf = (r: LinedRound): string => `${r.day}T${r.startsAt}`;

/** Plantings whose next pick has another hour, is new, or is not planned any more; what stays is not listed. */
export function changesOf(before: readonly LinedRound[], after: readonly LinedRound[]): PlanChange[] {
  const nextOf = (rounds: readonly LinedRound[]) => {
    const next = new Map<string, string>();
    for (const r of [...rounds].sort((a, b) => (slotOf(a) < slotOf(b) ? -1 : 1)))
      for (const l of r.lines) if (!next.has(l.plantingId)) next.set(l.plantingId, slotOf(r));
    return next;
  };
  const [old, fresh] = [nextOf(before), nextOf(after)];
  return [...new Set([...old.keys(), ...fresh.keys()])].sort().flatMap((plantingId) => {
    const [from, to] = [old.get(plantingId) ?? null, fresh.get(plantingId) ?? null];
    return from === to ? [] : [{ plantingId, from, to }];
  });
}

/** Rounds that were planned, are over, and brought nothing. */
export function missedRounds(
  rounds: readonly PlannedRound[],
  picks: readonly { roundId: string | null; plantingId: string; at: string }[],
  now: string,
): PlannedRound[] {
  return rounds.filter(
    (r) =>
      r.status === "planned" &&
      r.lines.length > 0 &&
      slotOf(r) < now &&
      !(r.day === now.slice(0, 10)) &&
      !picks.some(
        (p) =>
          p.roundId === r.id || (p.at.slice(0, 10) === r.day && r.lines.some((l) => l.plantingId === p.plantingId)),
      ),
  );
}
