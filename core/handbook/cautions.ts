import { z } from "zod";
import data from "./cautions.json";
import type { Crop } from "./crop";
import { source } from "./sources";

/** Where somebody acts and can get hurt. */
export const CAUTION_PLACES = [
  "picking",
  "carrying",
  "kitchen",
  "giving",
  "storing",
  "freezing",
  "drying",
  "jars",
  "pickling",
  "clearing",
  "animals",
] as const;
export type CautionPlace = (typeof CAUTION_PLACES)[number];

/** A row of `cautions.json`, which a test holds to it: nobody who opens a page waits for that. */
export const cautionSchema = z.object({
  id: z.string(),
  /** 1 poison or life: cannot be hidden; 2 illness or injury; 3 nuisance */
  level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  say: z.string().min(10),
  where: z.array(z.enum(CAUTION_PLACES)).min(1),
  source,
});
export type Caution = { id: string; level: 1 | 2 | 3; say: string };

/** Every caution of the handbook: one list, joined to crops by their `hazards`. */
export const CAUTIONS = data as z.infer<typeof cautionSchema>[];
const byId = new Map(CAUTIONS.map((c) => [c.id, c]));

/** What is said of a crop of which nobody has told where it can hurt: unknown means cautious. */
const UNKNOWN = ["look-alikes", "no-tested-jar", "in-oil", "allergens", "soil", "blades"];

/**
 * All cautions of a crop at some places, each once, the gravest first; a gardener's own words for it come last, at
 * picking and in the kitchen. They tell what may happen and what to do, and defer to labels, local rules and tested recipes.
 */
export function cautionsAt(crop: Pick<Crop, "hazards" | "cautions">, ...places: readonly CautionPlace[]): Caution[] {
  const known = (crop.hazards ?? UNKNOWN).flatMap((id) => byId.get(id) ?? []);
  const told = known
    .filter((c) => c.where.some((w) => places.includes(w)))
    .sort((a, b) => a.level - b.level)
    .map(({ id, level, say }) => ({ id, level, say }));
  const own = places.includes("picking") || places.includes("kitchen") ? crop.cautions : [];
  return [...told, ...own.map((say): Caution => ({ id: say, level: 2, say }))];
}

/** The cautions of several crops at some places, each once, with the crops it is said of. */
export function cautionsOfAll(
  crops: readonly Pick<Crop, "hazards" | "cautions" | "name">[],
  ...places: readonly CautionPlace[]
): (Caution & { crops: string[] })[] {
  const all = new Map<string, Caution & { crops: string[] }>();
  for (const crop of crops)
    for (const c of cautionsAt(crop, ...places)) {
      const known = all.get(c.id);
      if (!known) all.set(c.id, { ...c, crops: [crop.name] });
      else if (!known.crops.includes(crop.name)) known.crops.push(crop.name);
    }
  return [...all.values()].sort((a, b) => a.level - b.level);
}
