import { z } from "zod";
import type { Crop } from "../handbook/crop";

export const PLACE_KINDS = ["fridge", "counter", "airy", "cellar", "freezer", "sill"] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];
export const PLACE_WORDS: Record<PlaceKind, string> = {
  fridge: "refrigerator",
  counter: "counter",
  airy: "airy and dry",
  cellar: "cool and damp",
  freezer: "freezer",
  sill: "sunny sill",
};

/** Somewhere at home where the crop goes: its room, and how much of it is usually taken by other things. */
export const placeSchema = z
  .object({
    id: z.string().min(1).max(40),
    name: z.string().trim().min(1, "give it a name").max(40),
    kind: z.enum(PLACE_KINDS),
    litres: z.number("how many litres it holds").positive("more than nothing").max(100_000, "at most 100,000 litres"),
    takenLitres: z.number("how many litres of it are taken").min(0, "0 or more"),
  })
  .refine((p) => p.takenLitres <= p.litres, { message: "more than it holds", path: ["takenLitres"] });
export type Place = z.infer<typeof placeSchema>;

const DRY_HUMIDITY = 75;
const LONG_DAYS = 60;

/** Where a crop belongs right after it is picked, by how it keeps (common practice); a cellar only where there is one. */
export function placeKindFor(crop: Pick<Crop, "after">, has: (kind: PlaceKind) => boolean): PlaceKind {
  const { fridge, humidityPct, days } = crop.after;
  if (fridge === "no" && humidityPct[1] <= DRY_HUMIDITY) return "airy";
  if (days[1] >= LONG_DAYS && has("cellar")) return "cellar";
  return fridge === "yes" ? "fridge" : "counter";
}
