import { PLACE_KINDS } from "#core/household/place";
import { betterPlaces } from "#core/keeping/best-places";
import type { LotEvent } from "#core/keeping/lot";
import { airOf, type PlaceReading } from "#core/keeping/place-air";
import { sayMass } from "#core/units/mass";
import { change, newId, orderedId } from "#db/change";
import { removePlace } from "#db/plot";
import { maySimulate } from "../server/devices/device";
import { takeReadings } from "../server/devices/room-files.server";
import { simulatedReading } from "../server/devices/simulated.server";
import { byIntent, done, missing, readForm, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { houseOf, placesView } from "./keep.server";
import { placeForm, placeReadingForm } from "./place.form";

/** What would lie better elsewhere, all lots and all room weighed together. */
function better(d: GardenNow) {
  const { snapshot, today } = d;
  const airs = new Map(snapshot.places.map((p) => [p.id, airOf(p, snapshot.placeReadings)(today)]));
  return betterPlaces(houseOf(d).stock, snapshot.places, (p) => airs.get(p.id)!);
}

/** The places page: each place, and what would lie better elsewhere. */
export function placesPage(d: GardenNow) {
  const { units } = d.snapshot.garden;
  const { stock } = houseOf(d);
  return {
    units,
    simulated: maySimulate(d),
    kinds: PLACE_KINDS,
    places: placesView(d),
    better: better(d).map((b) => {
      const s = stock.find((x) => x.lot.id === b.lotId)!;
      return {
        id: `${b.lotId} ${b.to.id}`,
        lotId: b.lotId,
        kind: s.lot.kind,
        amount: sayMass(s.lot.leftG * b.share, units),
        part: b.share < 0.98,
        from: s.place?.name ?? "where it lies",
        to: b.to.name,
        gainDays: Math.round(b.toDays - b.fromDays),
      };
    }),
  };
}

/** Changes a place and its air, notes readings, or lays lots as proposed. */
export async function changePlaces(d: GardenNow, form: FormData) {
  const typed = typedOf(form);
  const { units } = d.snapshot.garden;
  const found = d.snapshot.places.find((p) => p.id === typed.placeId) ?? null;
  const known = () => {
    if (!found) throw missing("place");
    return found;
  };
  const put = (hash: string, label: string, work: Parameters<typeof change>[3]) =>
    done(`/keep/places${hash}`, change(db(), label, d.now, work));
  const readNow = (reading: Pick<PlaceReading, "tempC" | "humidityPct">) =>
    put(`#${known().id}`, `${known().name} read`, (c) =>
      c.put("placeReadings", { ...reading, id: newId(), placeId: known().id, at: d.now }),
    );
  return byIntent(typed, {
    lay: () => {
      const list = better(d);
      return put("", `${list.length} ${list.length === 1 ? "lot" : "lots"} laid where they keep longer`, (c) => {
        for (const b of list) c.put("lotEvents", moveOf(d, b));
      });
    },
    place: () => {
      const read = readForm(placeForm(units), typed);
      if (!read.ok) return refuse(read.faults);
      const place = { ...read.row, id: found?.id ?? orderedId(), addedAt: found?.addedAt ?? d.now };
      return put(`#${place.id}`, `${place.name} ${found ? "changed" : "added"}`, (c) => c.put("places", place));
    },
    remove: () => done("/keep/places", removePlace(db(), known(), d.now)),
    thermometer: () => {
      if (!maySimulate(d)) throw missing("real thermometer");
      return readNow(simulatedReading(d, known()));
    },
    reading: () => {
      const read = readForm(placeReadingForm(units), typed);
      return read.ok ? readNow(read.row) : refuse(read.faults);
    },
    readings: async () => {
      const file = form.get("file");
      const text = file instanceof File && file.size > 0 ? await file.text() : (typed.table ?? "");
      if (text.trim() === "") return refuse({ errors: { table: "paste a table, or choose a file" }, typed });
      const came = takeReadings(d, known(), text);
      return came.ok
        ? done(`/keep/places#${known().id}`, came.journalId)
        : refuse({ errors: { table: came.message }, typed: { ...typed, table: text } });
    },
  });
}

function moveOf(d: GardenNow, b: ReturnType<typeof better>[number]): LotEvent {
  const id = orderedId();
  const part = b.share < 0.98;
  const left = houseOf(d).lots.get(b.lotId)!.leftG;
  return {
    id,
    lotId: b.lotId,
    at: d.now,
    kind: part ? "split" : "move",
    massG: part ? Math.round(left * b.share) : null,
    placeId: b.to.id,
    toLot: part ? id : null,
    who: "",
    cause: "",
    ready: null,
    how: null,
    outG: null,
    until: null,
    note: "",
  };
}
