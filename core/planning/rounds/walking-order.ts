import type { Day } from "../../calendar/day";
import type { Check } from "../../planting/check";
import { isSick } from "../../planting/sick";
import type { PlantingOutlook } from "../outlook";

/** Why a planting is walked when it is: as its bed comes, after the leaves are dry, or last because of disease. */
export type WalkTurn = "bed" | "once-dry" | "last";

/**
 * Plantings in walking order. Dry leaves: bed after bed. Wet leaves: first what may be touched wet (roots, leaves,
 * heads), then what must be touched dry. Beds in which disease was seen lately always come last, so that hands and
 * blades do not carry it (common practice, no source). Two sites are walked one after the other.
 * @param wet whether dew or rain lies on the leaves
 */
export function walkingOrder(
  plantings: readonly PlantingOutlook[],
  checks: readonly Check[],
  today: Day,
  wet: boolean,
): { planting: PlantingOutlook; turn: WalkTurn }[] {
  const sick = sickBeds(plantings, checks, today);
  const turnOf = (p: PlantingOutlook): WalkTurn => {
    if (sick.has(p.bed.id)) return "last";
    const foliage = p.crop.weather.foliage;
    return wet && (foliage === "dry" || foliage === "fruit-dry" || foliage === "dry-day") ? "once-dry" : "bed";
  };
  const rank = { bed: 0, "once-dry": 1, last: 2 };
  const first = new Map<string, number>();
  for (const { bed } of plantings) first.set(bed.site, Math.min(first.get(bed.site) ?? Infinity, bed.walkOrder));
  return plantings
    .map((planting) => ({ planting, turn: turnOf(planting) }))
    .sort(
      (a, b) =>
        first.get(a.planting.bed.site)! - first.get(b.planting.bed.site)! ||
        rank[a.turn] - rank[b.turn] ||
        a.planting.bed.walkOrder - b.planting.bed.walkOrder ||
        (a.planting.bed.id < b.planting.bed.id ? -1 : a.planting.bed.id > b.planting.bed.id ? 1 : 0) ||
        Number(a.planting.crop.weather.foliage === "dry") - Number(b.planting.crop.weather.foliage === "dry") ||
        (a.planting.planting.startedOn < b.planting.planting.startedOn ? -1 : 1),
    );
}

/** Beds in which the latest look at disease, rust or blight within two weeks said yes. */
export function sickBeds(plantings: readonly PlantingOutlook[], checks: readonly Check[], today: Day): Set<string> {
  const sick = plantings.filter((p) =>
    isSick(
      checks.filter((c) => c.plantingId === p.planting.id),
      today,
    ),
  );
  return new Set(sick.map((p) => p.bed.id));
}
