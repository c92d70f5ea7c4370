import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { type Handbook, handbookWith } from "../handbook/index";
import type { UnitSystem } from "../units/mass";
import { proseOf } from "../units/prose";
import { type Picked, weighedAgain } from "./by-planting";
import { taughtCrops, type Weighing } from "./learned";

type Garden = Picked & {
  ownCrops: Crop[];
  plantings: Planting[];
  weighings: Weighing[];
  garden?: { units: UnitSystem };
};
const books = new WeakMap<Garden, Handbook>();

/** The handbook as this garden knows it: with its own crops, with what its scale has taught, and told in its units. */
export function bookOf(garden: Garden): Handbook {
  const known = books.get(garden);
  if (known) return known;
  const plain = handbookWith(garden.ownCrops);
  const cropIds = new Map(garden.plantings.map((p) => [p.id, p.cropId]));
  const taught = taughtCrops(plain.all, weighedAgain(garden), garden.weighings, cropIds);
  const ids = new Set(taught.map((c) => c.id));
  const book =
    taught.length === 0 ? plain : handbookWith([...garden.ownCrops.filter((c) => !ids.has(c.id)), ...taught]);
  const told = garden.garden?.units === "us" ? toldInUs(book) : book;
  books.set(garden, told);
  return told;
}

const us = new WeakMap<Crop, Crop>();
/** A crop with its sentences in US units; each is told anew once. */
function inUs(crop: Crop): Crop {
  const known = us.get(crop);
  if (known) return known;
  const made = proseOf(crop, "us");
  us.set(crop, made);
  return made;
}

const toldInUs = (book: Handbook): Handbook => ({
  all: book.all.map(inUs),
  find(id) {
    const crop = book.find(id);
    return crop && inUs(crop);
  },
  of: (id) => inUs(book.of(id)),
});
