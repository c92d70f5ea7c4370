import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { type Handbook, handbookWith } from "../handbook/index";
import { taughtCrops, type Weighing } from "./learned";
import type { Pick } from "./pick";

type Garden = { ownCrops: Crop[]; plantings: Planting[]; picks: Pick[]; weighings: Weighing[] };
const books = new WeakMap<Garden, Handbook>();

/** The handbook as this garden knows it: with its own crops, and with what its scale has taught. */
export function bookOf(garden: Garden): Handbook {
  const known = books.get(garden);
  if (known) return known;
  const plain = handbookWith(garden.ownCrops);
  const cropIds = new Map(garden.plantings.map((p) => [p.id, p.cropId]));
  const taught = taughtCrops(plain.all, garden.picks, garden.weighings, cropIds);
  const ids = new Set(taught.map((c) => c.id));
  const book =
    taught.length === 0 ? plain : handbookWith([...garden.ownCrops.filter((c) => !ids.has(c.id)), ...taught]);
  books.set(garden, book);
  return book;
}
