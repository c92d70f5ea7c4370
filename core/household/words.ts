import type { PlaceKind } from "./place";

export const PLACE_WORDS: Record<PlaceKind, string> = {
  fridge: "refrigerator",
  counter: "counter",
  airy: "airy and dry",
  cellar: "cool and damp",
  freezer: "freezer",
  sill: "sunny sill",
};
