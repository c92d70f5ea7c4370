import { PLACE_KINDS, placeSchema, ROOM_IN, roomUnitLitres } from "#core/household/place";
import { betterPlaces } from "#core/keeping/best-places";
import type { LotEvent } from "#core/keeping/lot";
import { airOf, placeReadingSchema } from "#core/keeping/place-air";
import { celsiusFromFahrenheit } from "#core/units/convert";
import { sayMass } from "#core/units/mass";
import { readRoom } from "#core/units/volume";
import { change, newId, orderedId } from "#db/change";
import { removePlace } from "#db/plot";
import { maySimulate } from "../server/devices/device";
import { takeReadings } from "../server/devices/room-files.server";
import { simulatedReading } from "../server/devices/simulated.server";
import { done, faultsOf, missing, numberOf, refuse } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { houseOf, placesView } from "./keep.server";

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
  const typed = Object.fromEntries([...form.entries()].filter((e): e is [string, string] => typeof e[1] === "string"));
  const { units } = d.snapshot.garden;
  const known = d.snapshot.places.find((p) => p.id === typed.placeId);
  const back = `/keep/places${known ? `#${known.id}` : ""}`;
  const tempC = (name: string): number | null => {
    const n = numberOf(typed[name]);
    return n === null || units === "metric" ? n : Math.round(celsiusFromFahrenheit(n) * 100) / 100;
  };
  if (typed.intent === "lay") {
    const list = better(d);
    return done(
      "/keep/places",
      change(db(), `${list.length} ${list.length === 1 ? "lot" : "lots"} laid where they keep longer`, d.now, (c) => {
        for (const b of list) c.put("lotEvents", moveOf(d, b));
      }),
    );
  }
  if (typed.intent === "place") {
    const room = {
      roomIn: ROOM_IN.find((r) => r === typed.roomIn) ?? "litres",
      trayLitres: readRoom(typed.trayLitres, units),
    };
    const litresOf = (name: string): number | null => {
      if (room.roomIn === "litres") return readRoom(typed[name], units);
      const n = numberOf(typed[name]);
      return n === null ? null : Math.round(n * roomUnitLitres(room, units) * 100) / 100;
    };
    const checked = placeSchema.safeParse({
      ...room,
      id: known?.id ?? newId(),
      name: typed.name,
      kind: typed.kind,
      litres: litresOf("litres"),
      takenLitres: litresOf("takenLitres") ?? 0,
      tempMinC: tempC("tempMinC"),
      tempMaxC: tempC("tempMaxC"),
      humidityMin: numberOf(typed.humidityMin),
      humidityMax: numberOf(typed.humidityMax),
      light: typed.light || null,
      air: typed.air || null,
    });
    if (!checked.success) return refuse(faultsOf(checked.error, typed));
    return done(
      `/keep/places#${checked.data.id}`,
      change(db(), `${checked.data.name} ${known ? "changed" : "added"}`, d.now, (c) => c.put("places", checked.data)),
    );
  }
  if (!known) throw missing("place");
  if (typed.intent === "remove") return done("/keep/places", removePlace(db(), known, d.now));
  if (typed.intent === "thermometer") {
    if (!maySimulate(d)) throw missing("real thermometer");
    const reading = { ...simulatedReading(d, known), id: newId() };
    return done(
      back,
      change(db(), `${known.name} read`, d.now, (c) => c.put("placeReadings", reading)),
    );
  }
  if (typed.intent === "reading") {
    const checked = placeReadingSchema.safeParse({
      id: newId(),
      placeId: known.id,
      at: d.now,
      tempC: tempC("tempC"),
      humidityPct: numberOf(typed.humidityPct),
    });
    if (!checked.success) return refuse(faultsOf(checked.error, typed));
    return done(
      back,
      change(db(), `${known.name} read`, d.now, (c) => c.put("placeReadings", checked.data)),
    );
  }
  if (typed.intent === "readings") {
    const file = form.get("file");
    const text = file instanceof File && file.size > 0 ? await file.text() : (typed.table ?? "");
    if (text.trim() === "") return refuse({ errors: { table: "paste a table, or choose a file" }, typed });
    const came = takeReadings(d, known, text);
    return came.ok
      ? done(back, came.journalId)
      : refuse({ errors: { table: came.message }, typed: { ...typed, table: text } });
  }
  return refuse({ errors: { form: "Nothing was asked." }, typed });
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
