import { addDays, type Day } from "#core/calendar/day";
import type { LotEvent } from "#core/keeping/lot";
import type { PlaceReading } from "#core/keeping/place-air";
import { roomThermometer } from "./room-thermometer";

const event = (over: Pick<LotEvent, "id" | "lotId" | "at" | "kind"> & Partial<LotEvent>): LotEvent => ({
  massG: null,
  placeId: null,
  toLot: null,
  who: "Ilse",
  cause: "",
  ready: null,
  how: null,
  outG: null,
  until: null,
  note: "",
  ...over,
});

/** What became of the demo's bigger lots so far: hung, cured, moved, eaten from, given, put by. */
export const demoLots = (): LotEvent[] => [
  event({ id: "gar-hung", lotId: "gar-26-1", at: "2026-05-10T11:00", kind: "move", placeId: "loft" }),
  event({ id: "gar-dry", lotId: "gar-26-1", at: "2026-06-02T18:00", kind: "check", ready: "ready", note: "necks dry" }),
  event({ id: "gar-eaten", lotId: "gar-26-1", at: "2026-09-12T18:00", kind: "use", massG: 700 }),
  event({
    id: "gar-seed",
    lotId: "gar-26-1",
    at: "2026-09-14T18:00",
    kind: "split",
    massG: 420,
    toLot: "gar-for-planting",
    note: "largest heads, for planting",
  }),
  event({ id: "on-hung", lotId: "on-26-1", at: "2026-07-09T19:00", kind: "move", placeId: "loft" }),
  event({
    id: "on-cured",
    lotId: "on-26-1",
    at: "2026-07-30T18:00",
    kind: "check",
    ready: "ready",
    note: "skins rustle",
  }),
  event({ id: "on-eaten", lotId: "on-26-1", at: "2026-09-20T18:00", kind: "use", massG: 2600 }),
  event({ id: "on-hung-2", lotId: "on-26-2", at: "2026-07-12T12:00", kind: "move", placeId: "loft" }),
  event({ id: "on-sprouted", lotId: "on-26-2", at: "2026-09-28T18:00", kind: "lose", massG: 240, cause: "sprouted" }),
  event({
    id: "on-given",
    lotId: "on-26-2",
    at: "2026-09-27T10:00",
    kind: "give",
    massG: 1500,
    who: "Bram from next door",
  }),
  event({ id: "car-down", lotId: "car-store-1", at: "2026-08-30T12:00", kind: "move", placeId: "cellar" }),
  event({ id: "car-eaten", lotId: "car-store-1", at: "2026-09-25T18:00", kind: "use", massG: 1900 }),
  event({ id: "car-down-2", lotId: "car-store-2", at: "2026-09-20T12:00", kind: "move", placeId: "cellar" }),
  ...["tom-wall-1", "tom-wall-2", "tom-tunnel-1", "tom-tunnel-2", "tom-tunnel-3"].map((lotId) =>
    event({ id: `${lotId}-eaten`, lotId, at: "2026-09-22T19:00", kind: "use" }),
  ),
  event({
    id: "tom-sauce",
    lotId: "tom-wall-3",
    at: "2026-09-23T19:00",
    kind: "preserve",
    massG: 6000,
    toLot: "tom-sauce",
    how: "frozen",
    outG: 4200,
    placeId: "freezer",
    note: "sauce, half-litre tubs",
  }),
  event({ id: "tom-out", lotId: "tom-wall-5", at: "2026-10-01T19:30", kind: "move", placeId: "counter" }),
];

/** Readings of the cellar and the rafters over the last days, morning and evening. */
export function demoPlaceReadings(today: Day): PlaceReading[] {
  const cellar = roomThermometer("cellar", { meanC: 9.5, swingC: 0.6, humidityPct: 84 }, 11);
  const loft = roomThermometer("loft", { meanC: 12.5, swingC: 3.2, humidityPct: 71 }, 12);
  return [6, 5, 4, 3, 2, 1].flatMap((ago) =>
    ["08:00", "19:00"].flatMap((hour) => [cellar, loft].map((t) => t.readAt(`${addDays(today, -ago)}T${hour}`))),
  );
}
