import { plantingName } from "#core/garden/name";
import { newId } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { findPlanting, removePlanting, savePlanting } from "#db/plot";
import { plantingDoubts } from "../season/series.server";
import { done, missing, readForm, refuse } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { plantingForm } from "./planting.form";
import { changeDates, isDateIntent } from "./planting-dates.server";
import { changeLosses, isLossIntent } from "./planting-losses.server";

/** Saves a planting as its form says, or what was changed beside it; what speaks against a new one is asked about once. */
export function changePlanting(typed: Record<string, string>, plantingId: string) {
  const known = plantingId === "new" ? null : findPlanting(db(), plantingId);
  const at = nowAt(gardenOf(db()));
  if (known && isDateIntent(typed.intent))
    return changeDates(gardenNow(), known.id, plantingName(known, handbook().find(known.cropId)), typed);
  const grown = known && handbook().find(known.cropId);
  if (known && grown && isLossIntent(typed.intent))
    return changeLosses(gardenNow(), known.id, grown, plantingName(known, grown), typed);
  const crop = handbook().find(typed.cropId ?? "");
  if (typed.intent === "remove") {
    if (!known) throw missing("planting");
    return done("/plot", removePlanting(db(), known.id, plantingName(known, handbook().find(known.cropId)), at));
  }
  if (!crop) return refuse({ errors: { cropId: "choose a crop from the handbook" }, typed });
  if (!gardenNow().snapshot.beds.some((b) => b.id === typed.bedId))
    return refuse({ errors: { bedId: "choose a bed" }, typed });
  const read = readForm(plantingForm(gardenNow().snapshot.garden.units), typed);
  if (!read.ok) return refuse(read.faults);
  const planting = { ...read.row, id: known?.id ?? newId() };
  // what speaks against it is said once; who saves again knows it
  const doubts = known || typed.sure === "yes" ? [] : plantingDoubts(gardenNow(), planting, crop);
  if (doubts.length > 0)
    return refuse({
      errors: { form: `${doubts.join(". ")}. Save it once more to keep it all the same.` },
      typed: { ...typed, sure: "yes" },
    });
  return done(
    known ? `/plot/plantings/${known.id}` : "/plot",
    savePlanting(db(), planting, plantingName(planting, crop), at),
  );
}
