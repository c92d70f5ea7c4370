import { z } from "zod";
import { type Crop, STORE_KINDS } from "../handbook/crop";
import { GRAMS_PER_POUND } from "../units/constants";
import type { UnitSystem } from "../units/mass";
import { volumeUnit } from "../units/volume";

export const PLACE_KINDS = STORE_KINDS;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const PLACE_AIRS = ["still", "moving"] as const;
export const PLACE_LIGHTS = ["dark", "dim", "light"] as const;

/** What the room of a place is counted in. */
export const ROOM_IN = ["litres", "trays", "kilos"] as const;
export type RoomIn = (typeof ROOM_IN)[number];
/** A flat tray, where nobody says how much it holds, litres (own estimate). */
const TRAY_LITRES = 8;
/** Kilos of potatoes in a litre: 60 lb in the US bushel (USDA Agricultural Handbook 697). */
const KILOS_PER_LITRE = 0.772;

type RoomOf = { roomIn: RoomIn; trayLitres: number | null };

/** Litres in one of what a place's room is counted in: a litre or quart, a tray, a kilo or pound of potatoes. */
export function roomUnitLitres(p: RoomOf, system: UnitSystem): number {
  if (p.roomIn === "trays") return p.trayLitres ?? TRAY_LITRES;
  if (p.roomIn === "litres") return volumeUnit(system).litres;
  return (system === "us" ? GRAMS_PER_POUND / 1000 : 1) / KILOS_PER_LITRE;
}

/** What room is counted in, in the garden's units. */
export const roomUnitWords = (roomIn: RoomIn, system: UnitSystem): { one: string; many: string } =>
  roomIn === "trays"
    ? { one: "tray", many: "trays" }
    : roomIn === "litres"
      ? { one: volumeUnit(system).one, many: volumeUnit(system).name }
      : system === "us"
        ? { one: "pound", many: "pounds" }
        : { one: "kilo", many: "kilos" };

/** Room in the words of a place: "12 litres", "3 trays", "40 kilos". Trays to the half. */
export function sayRoom(litres: number, p: RoomOf, system: UnitSystem): string {
  const n = litres / roomUnitLitres(p, system);
  const shown = p.roomIn === "trays" ? Math.round(2 * n) / 2 : Math.round(n);
  const { one, many } = roomUnitWords(p.roomIn, system);
  return `${shown} ${shown === 1 ? one : many}`;
}

/** Somewhere at home where the crop goes: its room, and how much of it is usually taken by other things. */
export const placeSchema = z
  .object({
    id: z.string().min(1).max(40),
    name: z.string().trim().min(1, "give it a name").max(40),
    kind: z.enum(PLACE_KINDS),
    litres: z.number("how many litres it holds").positive("more than nothing").max(100_000, "at most 100,000 litres"),
    takenLitres: z.number("how many litres of it are taken").min(0, "0 or more"),
    /** its air as it is typed; null: as such places are. Readings go before it. */
    tempMinC: z.number("a temperature").min(-40, "colder than a freezer").max(60, "too hot").nullable().default(null),
    tempMaxC: z.number("a temperature").min(-40, "colder than a freezer").max(60, "too hot").nullable().default(null),
    humidityMin: z.number().min(0, "0 to 100 %").max(100, "0 to 100 %").nullable().default(null),
    humidityMax: z.number().min(0, "0 to 100 %").max(100, "0 to 100 %").nullable().default(null),
    light: z.enum(PLACE_LIGHTS).nullable().default(null),
    /** moving air dries and cures; null: nobody said */
    air: z.enum(PLACE_AIRS).nullable().default(null),
    roomIn: z.enum(ROOM_IN).default("litres"),
    /** what one of its trays holds, litres */
    trayLitres: z
      .number("how many litres a tray holds")
      .min(0.5, "at least half a litre")
      .max(200, "at most 200 litres")
      .nullable()
      .default(null),
    /** local time it was put into the garden; "": it was there before such times were noted */
    addedAt: z.string().max(16).default(""),
  })
  .refine((p) => p.tempMinC === null || p.tempMaxC === null || p.tempMinC <= p.tempMaxC, {
    message: "warmer than the warmest",
    path: ["tempMinC"],
  })
  .refine((p) => p.humidityMin === null || p.humidityMax === null || p.humidityMin <= p.humidityMax, {
    message: "damper than the dampest",
    path: ["humidityMin"],
  })
  .refine((p) => p.takenLitres <= p.litres, { message: "more than it holds", path: ["takenLitres"] });
export type Place = z.infer<typeof placeSchema>;

/** A place of which nothing but its room is said. */
export const placeWith = (over: Pick<Place, "id" | "name" | "kind" | "litres"> & Partial<Place>): Place => ({
  takenLitres: 0,
  tempMinC: null,
  tempMaxC: null,
  humidityMin: null,
  humidityMax: null,
  light: null,
  air: null,
  roomIn: "litres",
  trayLitres: null,
  addedAt: "",
  ...over,
});

const DRY_HUMIDITY = 75;
const LONG_DAYS = 60;

/** Where a crop belongs right after it is picked, by how it keeps (common practice); a cellar only where there is one. */
export function placeKindFor(crop: Pick<Crop, "after" | "store">, has: (kind: PlaceKind) => boolean): PlaceKind {
  if (crop.store && has(crop.store)) return crop.store;
  const { fridge, humidityPct, days } = crop.after;
  if (fridge === "no" && humidityPct[1] <= DRY_HUMIDITY) return "airy";
  if (days[1] >= LONG_DAYS && has("cellar")) return "cellar";
  return fridge === "yes" ? "fridge" : "counter";
}
