import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { cautionsAt } from "#core/handbook/cautions";
import type { Crop } from "#core/handbook/crop";
import { schoolOf } from "#core/handbook/index";
import { techniqueFor } from "#core/handbook/technique";
import { clearedByRow, wayOf } from "#core/planting/way";
import type { Snapshot } from "#core/snapshot";
import { readMass, type UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import { type Bulk, bulkOf, containerMeasures } from "#core/weighing/bulk";
import { picksOf } from "#core/weighing/by-planting";
import { learnedOf } from "#core/weighing/learned";
import { netOf } from "#core/weighing/net";
import {
  type Container,
  gradesFor,
  isCrop,
  type PickRecord,
  partSchema,
  pickSchema,
  type SortedPart,
  type TareItem,
} from "#core/weighing/pick";
import { listContainers, listPeople } from "#db/garden";
import { findPick } from "#db/work";
import { techniqueOf } from "../handbook/technique.server";
import { lessonsOfCrop } from "../lessons/learned.server";
import { type FormFaults, faultsOf, numberOf } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";

/** Most parts that the form takes; the log holds as many. */
const MOST_PARTS = 12;

export type PickForm = { ok: true; pick: PickRecord } | { ok: false; faults: FormFaults };

/** Reads a pick as it was entered at the scale: weights as written, containers by their counts; its photos come after. */
export function readPickForm(
  typed: Record<string, string>,
  id: string,
  plantingId: string,
  containers: readonly Container[],
  units: UnitSystem,
  bulk: Bulk,
): PickForm {
  const fault = (field: string, message: string): PickForm => ({
    ok: false,
    faults: { errors: { [field]: message }, typed },
  });
  const written = (typed.gross ?? "").trim();
  const read = written === "" ? null : readAmount(written, units, bulk);
  if (read && !read.ok) return fault("gross", read.message);
  const amount = read?.ok ? read.amount : null;
  const tare: TareItem[] = containers.flatMap((c) => {
    const count = numberOf(typed[`box-${c.id}`]) ?? 0;
    return count > 0 ? [{ name: c.name, tareG: c.tareG, count }] : [];
  });
  const otherTare = (typed.otherTare ?? "").trim();
  const other = otherTare === "" ? null : readMass(otherTare, units);
  if (other && !other.ok) return fault("otherTare", other.message);
  if (other?.ok && other.massG > 0) tare.push({ name: "other container", tareG: other.massG, count: 1 });
  if (amount && amount.litres > 0 && tare.length > 0)
    return fault("gross", "a volume is without its containers: set them to none, or weigh it");
  const sorted = readSorted(typed, units, bulk);
  if (!sorted.ok) return fault(sorted.field, sorted.message);
  const againText = (typed.again ?? "").trim();
  const again = againText === "" ? null : readAmount(againText, units, bulk);
  if (again && !again.ok) return fault("again", again.message);
  const checked = pickSchema.safeParse({
    id,
    plantingId,
    roundId: typed.roundId || null,
    at: (typed.at ?? "").slice(0, 16),
    by: typed.by ?? "",
    method: typed.method ?? "",
    extent: typed.extent,
    count: numberOf(typed.count),
    grossG: amount?.massG ?? null,
    entered: written,
    tare,
    topsOn: typed.topsOn === "on",
    grade: typed.grade,
    estimated: typed.estimated === "on" || (amount?.estimated ?? false),
    note: typed.note ?? "",
    part: typed.part || "crop",
    purpose: typed.purpose || "harvest",
    condition: typed.condition ?? "",
    minutes: numberOf(typed.minutes),
    left: typed.left ?? "",
    way: typed.way ?? "",
    sorted: sorted.parts,
    againG: again?.ok ? again.amount.massG : null,
    rowDone: typed.extent === "some" ? numberOf(typed.rowDone) : null,
    againHow: again ? typed.againHow || "tops-off" : "",
    photos: [],
  } satisfies Record<keyof PickRecord, unknown>);
  if (checked.success) return { ok: true, pick: checked.data };
  const faults = faultsOf(checked.error, typed);
  const { againG, ...errors } = faults.errors;
  return { ok: false, faults: { ...faults, errors: againG ? { ...errors, again: againG } : errors } };
}

type Sorted = { ok: true; parts: SortedPart[] } | { ok: false; field: string; message: string };

/** The parts told apart when the pick was sorted: a row each, by weight or by count. Rows left empty count for nothing. */
function readSorted(typed: Record<string, string>, units: UnitSystem, bulk: Bulk): Sorted {
  const parts: SortedPart[] = [];
  for (let i = 0; i < MOST_PARTS; i++) {
    const amountText = (typed[`part-${i}-amount`] ?? "").trim();
    const countText = (typed[`part-${i}-count`] ?? "").trim();
    if (amountText === "" && countText === "") continue;
    const read = amountText === "" ? null : readAmount(amountText, units, bulk);
    if (read && !read.ok) return { ok: false, field: `part-${i}-amount`, message: read.message };
    const checked = partSchema.safeParse({
      grade: typed[`part-${i}-grade`],
      way: typed[`part-${i}-way`] ?? "",
      massG: read?.ok ? read.amount.massG : null,
      count: numberOf(countText),
      note: typed[`part-${i}-note`] ?? "",
    });
    if (!checked.success) {
      const issue = checked.error.issues[0]!;
      const column = String(issue.path[0] ?? "amount");
      const field = `part-${i}-${column === "massG" ? "amount" : column}`;
      return { ok: false, field, message: issue.code === "custom" ? issue.message : "write a whole number" };
    }
    parts.push(checked.data);
  }
  return { ok: true, parts };
}

/** So many picks back a container counts as in use. */
const LATELY_PICKS = 60;

/** The garden's containers, those first that have stood on the scale most lately. */
function containersByUse(picks: readonly PickRecord[]): (Container & { used: number })[] {
  const used = new Map<string, number>();
  for (const { tare } of picks.slice(-LATELY_PICKS))
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
      const before = picksOf(snapshot.picks, p.id)
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
    containers: containersByUse(snapshot.picks),
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
    [...ids].flatMap((id) => picksOf(snapshot.picks, id)),
    [],
  ).drying;
}
