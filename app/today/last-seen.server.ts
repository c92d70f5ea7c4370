import { picksOf } from "#core/weighing/by-planting";
import type { GardenNow } from "../server/garden-now.server";

/** The day on which each planting was last looked at; a pick is a look too, and what nobody has seen yet has no day. */
export function lastSeen({ outlook, snapshot, today }: GardenNow): Map<string, string> {
  const seen = new Map<string, string>();
  const picks = outlook.plantings.flatMap((p) => picksOf(snapshot, p.planting.id));
  for (const x of [...snapshot.checks, ...picks]) {
    const day = x.at.slice(0, 10);
    if (day <= today && day > (seen.get(x.plantingId) ?? "")) seen.set(x.plantingId, day);
  }
  return seen;
}
