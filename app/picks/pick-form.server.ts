import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { cautionsAt } from "#core/handbook/cautions";
import type { Crop } from "#core/handbook/crop";
import { schoolOf } from "#core/handbook/index";
import { techniqueFor } from "#core/handbook/technique";
import { clearedByRow, wayOf } from "#core/planting/way";
import type { Snapshot } from "#core/snapshot";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { picksLately, picksOf, weighedAgain } from "#core/weighing/by-planting";
import { learnedOf } from "#core/weighing/learned";
import { netOf } from "#core/weighing/net";
import { type Container, gradesFor, isCrop } from "#core/weighing/pick";
import { listContainers, listPeople } from "#db/garden";
import { findPick } from "#db/work";
import { techniqueOf } from "../handbook/technique.server";
import { lessonsOfCrop } from "../lessons/learned.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";

/** So many picks back a container counts as in use. */
const LATELY_PICKS = 60;

/** The garden's containers, those first that have stood on the scale most lately. */
function containersByUse(snapshot: Snapshot): (Container & { used: number })[] {
  const used = new Map<string, number>();
  for (const { tare } of picksLately(snapshot, LATELY_PICKS))
    for (const { name } of tare) used.set(name, (used.get(name) ?? 0) + 1);
  return listContainers(db())
    .map((c) => ({ ...c, used: used.get(c.name) ?? 0 }))
    .sort((a, b) => b.used - a.used);
}

/**
 * What the form of a pick is drawn from; null when there is no such pick, or no such planting: another one than was
 * asked for is never put in its place.
 */
export function pickFormData(
  d: GardenNow,
  pickId: string | undefined,
  plantingId: string | null,
  roundId: string | null,
) {
  const { snapshot } = d;
  const pick = pickId ? findPick(db(), pickId) : null;
  if (pickId && !pick) return null;
  if (plantingId && !snapshot.plantings.some((p) => p.id === plantingId)) return null;
  const book = handbook();
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const growing = new Map(d.outlook.plantings.map((p) => [p.planting.id, p]));
  const technique = (p: Planting, crop: Crop) => {
    const seen = growing.get(p.id);
    const { how, leave } = seen ? techniqueOf(d, seen) : techniqueFor(crop, { schoolId: p.schoolId });
    return { how, leave };
  };
  const plantings = snapshot.plantings
    .filter((p) => (p.endedOn === null && p.startedOn <= d.today) || p.id === pick?.plantingId || p.id === plantingId)
    .map((p) => {
      const crop = book.of(p.cropId);
      const before = picksOf(snapshot, p.id)
        .filter((x) => x.id !== pick?.id && isCrop(x))
        .map((x) => netOf(x, crop.topsShare, crop.yield.pieceG).netG);
      return {
        id: p.id,
        cropId: p.cropId,
        name: `${plantingName(p, crop)} · ${bedName.get(p.bedId) ?? ""}${p.endedOn === null ? "" : `, closed ${sayDay(p.endedOn)}`}`,
        usualG: before.length > 0 ? before.reduce((a, b) => a + b, 0) / before.length : null,
        plants: p.plants,
        byRow: clearedByRow(crop, wayOf(crop, schoolOf(crop, p.schoolId))),
        ...technique(p, crop),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name, "en"));
  return {
    pick,
    plantings,
    plantingId: pick?.plantingId ?? plantingId ?? plantings[0]?.id ?? "",
    roundId: pick?.roundId ?? roundId,
    containers: containersByUse(snapshot),
    people: listPeople(db()).map((p) => p.name),
    now: d.now,
    units: snapshot.garden.units,
    crops: [...new Set(plantings.map((p) => p.cropId))].map(book.of).map((c) => ({
      id: c.id,
      name: c.name,
      glyph: c.glyph,
      methods: c.technique.methods,
      atOnce: c.atOnce,
      after: c.after.how,
      topsShare: c.topsShare,
      pieceG: c.yield.pieceG,
      bulk: bulkOf(c, containerMeasures(snapshot.containers)),
      grades: gradesFor(c),
      once: c.habit === "once-over",
      keeps: c.after.days[1] >= 21,
      tool: c.technique.tool,
      drying: dryingOf(snapshot, c),
      cautions: cautionsAt(c, "picking", "carrying"),
      lessons: lessonsOfCrop(d, c.id),
    })),
  };
}

/** What of a crop's weight is lost by drying, as far as this garden has weighed it. */
function dryingOf(snapshot: Snapshot, crop: Crop) {
  const ids = new Set(snapshot.plantings.filter((p) => p.cropId === crop.id).map((p) => p.id));
  return learnedOf(
    crop,
    weighedAgain(snapshot).filter((p) => ids.has(p.plantingId)),
    [],
  ).drying;
}
