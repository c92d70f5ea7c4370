import { readMass, type UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import { type Bulk, bulkOf } from "#core/weighing/bulk";
import { netOf } from "#core/weighing/net";
import { type Container, type Pick, pickSchema, type TareItem } from "#core/weighing/pick";
import { listContainers, listPeople } from "#db/garden";
import { findPick } from "#db/work";
import { type Desk, db, handbook } from "./desk.server";
import { type FormFaults, faultsOf, numberOf } from "./forms.server";

export type PickForm = { ok: true; pick: Pick } | { ok: false; faults: FormFaults };

/** Reads a pick as it was entered at the scale: weights as written, containers by their counts. */
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
  } satisfies Record<keyof Pick, unknown>);
  return checked.success ? { ok: true, pick: checked.data } : { ok: false, faults: faultsOf(checked.error, typed) };
}

/** What the form of a pick is drawn from; null when there is no such pick. */
export function pickFormData(d: Desk, pickId: string | undefined, plantingId: string | null, roundId: string | null) {
  const { snapshot } = d;
  const pick = pickId ? findPick(db(), pickId) : null;
  if (pickId && !pick) return null;
  const book = handbook();
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const plantings = snapshot.plantings
    .filter((p) => (p.endedOn === null && p.startedOn <= d.today) || p.id === pick?.plantingId)
    .map((p) => {
      const crop = book.of(p.cropId);
      const before = snapshot.picks
        .filter((x) => x.plantingId === p.id && x.id !== pick?.id)
        .map((x) => netOf(x, crop.topsShare, crop.yield.pieceG).netG);
      return {
        id: p.id,
        cropId: p.cropId,
        name: `${p.kind || crop.name} · ${bedName.get(p.bedId) ?? ""}`,
        usualG: before.length > 0 ? before.reduce((a, b) => a + b, 0) / before.length : null,
        plants: p.plants,
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name, "en"));
  return {
    pick,
    plantings,
    plantingId: pick?.plantingId ?? plantingId ?? plantings[0]?.id ?? "",
    roundId: pick?.roundId ?? roundId,
    containers: listContainers(db()),
    people: listPeople(db()).map((p) => p.name),
    now: d.now,
    units: snapshot.garden.units,
    crops: [...new Set(plantings.map((p) => p.cropId))].map(book.of).map((c) => ({
      id: c.id,
      name: c.name,
      glyph: c.glyph,
      methods: c.technique.methods,
      how: c.technique.how,
      leave: c.technique.leave,
      atOnce: c.atOnce,
      after: c.after.how,
      topsShare: c.topsShare,
      pieceG: c.yield.pieceG,
      bulk: bulkOf(c),
      once: c.habit === "once-over",
      cautions: c.cautions,
    })),
  };
}
