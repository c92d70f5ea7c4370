import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { newId } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { findPlanting, removePlanting, savePlanting } from "#db/plot";
import { plantingDoubts } from "../season/series.server";
import { byIntent, done, readForm, refuse } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { plantingForm } from "./planting.form";
import { dateAnswers, type Grown } from "./planting-dates.server";
import { lossAnswers } from "./planting-losses.server";

/** Saves a planting as its form says, or what was changed beside it. */
export function changePlanting(typed: Record<string, string>, plantingId: string) {
  const known = plantingId === "new" ? null : findPlanting(db(), plantingId);
  if (!known) return savePlantingForm(typed, null);
  // a crop of one's own may be gone from the handbook: its planting can still be changed and taken out
  const crop = handbook().find(known.cropId);
  const name = plantingName(known, crop);
  const plain = {
    save: () => savePlantingForm(typed, known),
    remove: () => done("/plot", removePlanting(db(), known.id, name, nowAt(gardenOf(db())))),
  };
  if (!crop) return byIntent(typed, plain);
  const grown: Grown = { id: known.id, crop, name };
  return byIntent(typed, {
    ...plain,
    ...dateAnswers(gardenNow(), grown, typed),
    ...lossAnswers(gardenNow(), grown, typed),
  });
}

/** A planting as its form says; what speaks against a new one is asked about once. */
function savePlantingForm(typed: Record<string, string>, known: Planting | null) {
  const d = gardenNow();
  const crop = handbook().find(typed.cropId ?? "");
  if (!crop) return refuse({ errors: { cropId: "choose a crop from the handbook" }, typed });
  if (!d.snapshot.beds.some((b) => b.id === typed.bedId)) return refuse({ errors: { bedId: "choose a bed" }, typed });
  const read = readForm(plantingForm(d.snapshot.garden.units), typed);
  if (!read.ok) return refuse(read.faults);
  const planting = { ...read.row, id: known?.id ?? newId() };
  // what speaks against it is said once; who saves again knows it
  const doubts = known || typed.sure === "yes" ? [] : plantingDoubts(d, planting, crop);
  if (doubts.length > 0)
    return refuse({
      errors: { form: `${doubts.join(". ")}. Save it once more to keep it all the same.` },
      typed: { ...typed, sure: "yes" },
    });
  return done(
    known ? `/plot/plantings/${known.id}` : "/plot",
    savePlanting(db(), planting, plantingName(planting, crop), d.now),
  );
}
