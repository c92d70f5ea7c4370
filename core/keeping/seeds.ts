import type { Planting } from "../garden/planting";
import type { Handbook } from "../handbook/index";
import { type Place, type PlaceKind, placeKindFor } from "../household/place";
import { lotParts } from "../weighing/lots";
import { isCrop, isUnripe, type PickPart } from "../weighing/pick";
import { type LoggedPick, reckonedOf } from "../weighing/pick-log";
import { curingOf } from "./curing";
import type { LotSeed } from "./lot";

/**
 * Where a pick is laid when nobody says otherwise: green fruit on the counter, what must cure where air moves, the rest
 * where its crop belongs; of several such places the one the household had first, as they are listed; null when it has
 * none.
 */
export function usualPlace(cropId: string, green: boolean, book: Handbook, places: readonly Place[]): Place | null {
  const crop = book.find(cropId);
  if (!crop) return null;
  const of = (kind: PlaceKind) => places.find((p) => p.kind === kind) ?? null;
  if (green) return of("counter");
  if (curingOf(crop)) return of("airy") ?? of(placeKindFor(crop, (k) => of(k) !== null));
  if (crop.after.fridge === "ripe-only") return of("counter");
  return of(placeKindFor(crop, (k) => of(k) !== null));
}

/** Every lot that picks began; what came with a crop is a lot of its own. */
export function seedsOf(
  entries: readonly LoggedPick[],
  plantings: ReadonlyMap<string, Planting>,
  book: Handbook,
  places: readonly Place[],
): LotSeed[] {
  const usual = new Map<string, string | null>();
  const placeFor = (cropId: string, green: boolean): string | null => {
    const key = `${cropId} ${green}`;
    const known = usual.get(key);
    if (known !== undefined) return known;
    const id = usualPlace(cropId, green, book, places)?.id ?? null;
    usual.set(key, id);
    return id;
  };
  // leaves, shoots and flowers go into the cold; seed heads hang where air moves
  const besideFor = (part: PickPart): string | null =>
    (places.find((p) => p.kind === (part === "seed-heads" ? "airy" : "fridge")) ?? null)?.id ?? null;
  return entries.flatMap((e) => {
    if (!plantings.has(e.pick.plantingId)) return [];
    return lotParts(e.pick, reckonedOf(e), e.pieceG).map(
      (part): LotSeed => ({
        ...part,
        note: part.note || e.pick.note,
        pickId: e.pick.id,
        plantingId: e.pick.plantingId,
        cropId: e.cropId,
        kind: e.name,
        bed: e.bed,
        pickedAt: e.at,
        part: e.pick.part,
        placeId: isCrop(e.pick) ? placeFor(e.cropId, isUnripe(part.grade)) : besideFor(e.pick.part),
      }),
    );
  });
}
