import { type Day, daysBetween, sayDay } from "../../calendar/day";
import type { PlannedRound } from "./rounds";

/** How one planting's next pick differs between two plans. */
export type PlanChange = { plantingId: string; from: string | null; to: string | null };

const slotOf = (r: PlannedRound): string => `${r.day}T${r.startsAt}`;

/** Plantings whose next pick has another hour, is new, or is not planned any more; what stays is not listed. */
export function changesOf(before: readonly PlannedRound[], after: readonly PlannedRound[]): PlanChange[] {
  const nextOf = (rounds: readonly PlannedRound[]) => {
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

const MOST_SAID = 4;

/** The changes in a few words: "late white Thu 8 Oct instead of Wed 7 Oct; oak leaf new, Fri 9 Oct; …". */
export function sayChanges(changes: readonly PlanChange[], nameOf: (plantingId: string) => string, today: Day): string {
  const hour = (slot: string) => {
    const day = slot.slice(0, 10);
    const ahead = daysBetween(today, day);
    return ahead === 0 ? `today ${slot.slice(11)}` : ahead === 1 ? `tomorrow ${slot.slice(11)}` : sayDay(day);
  };
  const said = changes.slice(0, MOST_SAID).map(({ plantingId, from, to }) => {
    const name = nameOf(plantingId);
    if (to === null) return `${name} not planned any more`;
    return from === null ? `${name} new, ${hour(to)}` : `${name} ${hour(to)} instead of ${hour(from)}`;
  });
  const more = changes.length - said.length;
  return [...said, ...(more > 0 ? [`${more} more`] : [])].join("; ");
}
