import { bedSchema, freeSpot } from "#core/garden/bed";
import { gardenSchema } from "#core/garden/garden";
import { plantingName } from "#core/garden/name";
import { type Planting, plantingSchema } from "#core/garden/planting";
import { type Crop, STARTS, type Start } from "#core/handbook/crop";
import { change, newId } from "#db/change";
import { done, faultsOf, numberOf, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";

/** Most crops put in at once. */
export const MOST_AT_ONCE = 60;
/** A new bed for what has no place yet, m: beds are drawn afterwards. */
const BED = { widthM: 6, lengthM: 1.2 };

/** How a crop is usually started: what the handbook counts its days from, the ground before the pot. */
export const usualStart = (crop: Pick<Crop, "days">): Start =>
  STARTS.find((how) => crop.days[how] !== null && crop.days[how] !== undefined) ?? "planted";

/** What the page of the first five minutes shows. */
export function startView(d: GardenNow) {
  const { garden, beds, plantings } = d.snapshot;
  return {
    today: d.today,
    fresh: plantings.length === 0,
    place: { latitudeDeg: garden.latitudeDeg, longitudeDeg: garden.longitudeDeg },
    timeZone: garden.timeZone,
    units: garden.units,
    beds: beds.map((b) => ({ id: b.id, name: b.name })),
    crops: handbook().all.map((c) => ({
      id: c.id,
      name: c.name,
      also: [c.latin, c.family, ...c.synonyms].join(" ").toLowerCase(),
      glyph: c.glyph,
      yearly: c.days.yearly !== null,
      how: usualStart(c),
    })),
  };
}

/**
 * Puts everything in at once that a new gardener ticked: place, units, a bed where none is chosen, the plantings. All of
 * it or nothing, as one change.
 */
export function startGarden(d: GardenNow, typed: Record<string, string>) {
  const errors: Record<string, string> = {};
  const { garden, beds } = d.snapshot;
  const fresh = d.snapshot.plantings.length === 0;
  const place = fresh
    ? {
        latitudeDeg: numberOf(typed.latitudeDeg),
        longitudeDeg: numberOf(typed.longitudeDeg),
        timeZone: typed.timeZone,
        units: typed.units,
      }
    : {};
  const settled = gardenSchema.safeParse({ ...garden, ...place });
  if (!settled.success) Object.assign(errors, faultsOf(settled.error, typed).errors);
  const known = beds.find((b) => b.id === typed.bedId);
  const plot = { widthM: garden.plotWidthM, lengthM: garden.plotLengthM };
  const bed = bedSchema.safeParse(
    known ?? {
      ...{ id: newId(), name: typed.bedName ?? "", shape: "rectangle", ...BED, ...freeSpot(beds, plot, BED) },
      ...{ cover: "none", sunHours: 8, nightOffsetC: 0, note: "", site: "", walkOrder: beds.length },
    },
  );
  if (!bed.success) errors.bedName = faultsOf(bed.error, typed).errors.name ?? "give the bed a name";
  const plantings: Planting[] = [];
  for (let i = 0; i < MOST_AT_ONCE; i++) {
    const crop = handbook().find(typed[`crop-${i}`] ?? "");
    if (!crop) continue;
    const read = plantingSchema.safeParse({
      ...{ id: newId(), bedId: bed.success ? bed.data.id : "none", cropId: crop.id, kind: typed[`kind-${i}`] ?? "" },
      ...{ startedHow: typed[`how-${i}`], startedOn: typed[`on-${i}`] ?? "", plants: numberOf(typed[`plants-${i}`]) },
      ...{
        rowM: null,
        areaM2: null,
        packetMinDays: null,
        packetMaxDays: null,
        schoolId: "",
        disease: "",
        note: "",
        endedOn: null,
      },
    });
    if (read.success) plantings.push(read.data);
    else {
      const faults = faultsOf(read.error, typed).errors;
      if (faults.startedOn) errors[`on-${i}`] = typed[`on-${i}`] ? faults.startedOn : "say when, about";
      for (const field of ["plants", "kind"] as const) if (faults[field]) errors[`${field}-${i}`] = faults[field];
      if (faults.startedHow) errors[`how-${i}`] = faults.startedHow;
    }
  }
  if (plantings.length === 0 && Object.keys(errors).length === 0) errors.form = "Tick what grows first.";
  if (Object.keys(errors).length > 0 || !settled.success || !bed.success) return refuse({ errors, typed });
  const names = plantings.map((p) => plantingName(p, handbook().find(p.cropId)));
  const label = names.length === 1 ? `${names[0]} put in` : `${names.length} crops put in`;
  const journalId = change(db(), label, d.now, (c) => {
    if (fresh) c.put("garden", settled.data);
    if (!known) c.put("beds", bed.data);
    for (const p of plantings) c.put("plantings", p);
  });
  return done("/walk", journalId);
}
