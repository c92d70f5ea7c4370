import { plantingName } from "#core/garden/name";
import { plantingSchema } from "#core/garden/planting";
import { newId } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { findPlanting, removePlanting, savePlanting } from "#db/plot";
import { doubtsOf } from "../season/series.server";
import { db, desk, handbook } from "../server/desk.server";
import { done, faultsOf, measuresOf, missing, numberOf, refuse } from "../server/forms.server";
import { changeDates, isDateIntent } from "./planting-dates.server";
import { changeLosses, isLossIntent } from "./planting-losses.server";

/** Saves a planting as its form says, or what was changed beside it; what speaks against a new one is asked about once. */
export function changePlanting(typed: Record<string, string>, plantingId: string) {
  const known = plantingId === "new" ? null : findPlanting(db(), plantingId);
  const at = nowAt(gardenOf(db()));
  if (known && isDateIntent(typed.intent))
    return changeDates(desk(), known.id, plantingName(known, handbook().find(known.cropId)), typed);
  const grown = known && handbook().find(known.cropId);
  if (known && grown && isLossIntent(typed.intent))
    return changeLosses(desk(), known.id, grown, plantingName(known, grown), typed);
  const crop = handbook().find(typed.cropId ?? "");
  if (typed.intent === "remove") {
    if (!known) throw missing("planting");
    return done("/plot", removePlanting(db(), known.id, plantingName(known, handbook().find(known.cropId)), at));
  }
  const { units } = desk().snapshot.garden;
  const sizes = measuresOf(typed, { rowM: "distance", areaM2: "area" }, units);
  const checked = plantingSchema.safeParse({
    id: known?.id ?? newId(),
    bedId: typed.bedId,
    cropId: typed.cropId,
    kind: typed.kind ?? "",
    ripeColour: typed.ripeColour ?? "",
    disease: typed.disease ?? "",
    startedHow: typed.startedHow,
    startedOn: typed.startedOn,
    plants: numberOf(typed.plants),
    ...sizes.values,
    packetMinDays: numberOf(typed.packetMinDays),
    packetMaxDays: numberOf(typed.packetMaxDays),
    schoolId: typed.schoolId ?? "",
    note: typed.note ?? "",
    endedOn: typed.endedOn ? typed.endedOn : null,
  });
  if (!crop) return refuse({ errors: { cropId: "choose a crop from the handbook" }, typed });
  if (!desk().snapshot.beds.some((b) => b.id === typed.bedId))
    return refuse({ errors: { bedId: "choose a bed" }, typed });
  const errors = { ...(checked.success ? {} : faultsOf(checked.error, typed).errors), ...sizes.errors };
  if (!checked.success || Object.keys(sizes.errors).length > 0) return refuse({ errors, typed });
  // what speaks against it is said once; who saves again knows it
  const doubts = known || typed.sure === "yes" ? [] : doubtsOf(desk(), checked.data, crop);
  if (doubts.length > 0)
    return refuse({
      errors: { form: `${doubts.join(". ")}. Save it once more to keep it all the same.` },
      typed: { ...typed, sure: "yes" },
    });
  return done(
    known ? `/plot/plantings/${known.id}` : "/plot",
    savePlanting(db(), checked.data, plantingName(checked.data, crop), at),
  );
}
