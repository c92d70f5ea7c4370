import { cautionsOfAll } from "#core/handbook/cautions";
import { change, newId } from "#db/change";
import { done, missing, readForm, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { dishForm } from "./dish.form";

/** The household's dishes, by the crops they use. */
export function dishesView(d: GardenNow) {
  const grown = new Set(d.snapshot.plantings.map((p) => p.cropId));
  const crops = handbook().all.map((c) => ({ id: c.id, name: c.name, grown: grown.has(c.id) }));
  const nameOf = new Map(crops.map((c) => [c.id, c.name]));
  const used = new Set(d.snapshot.dishes.flatMap((x) => x.cropIds));
  return {
    dishes: d.snapshot.dishes.map((x) => ({ ...x, uses: x.cropIds.map((id) => nameOf.get(id) ?? id).join(", ") })),
    cautions: cautionsOfAll(
      handbook().all.filter((c) => used.has(c.id)),
      "kitchen",
    ),
    crops: [...crops.filter((c) => c.grown), ...crops.filter((c) => !c.grown)],
  };
}

/** Adds, changes or removes a dish. */
export function changeDishes(d: GardenNow, form: FormData) {
  const typed = typedOf(form);
  const known = d.snapshot.dishes.find((x) => x.id === typed.id);
  const back = "/keep/dishes";
  if (typed.intent === "remove") {
    if (!known) throw missing("dish");
    return done(
      back,
      change(db(), `${known.name} removed`, d.now, (c) => c.remove("dishes", known.id)),
    );
  }
  const read = readForm(dishForm, typed);
  if (!read.ok) return refuse(read.faults);
  const dish = { ...read.row, id: known?.id ?? newId() };
  return done(
    back,
    change(db(), `${dish.name} ${known ? "changed" : "noted"}`, d.now, (c) => c.put("dishes", dish)),
  );
}
