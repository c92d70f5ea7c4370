import { readMass } from "#core/units/mass";
import { readRoom } from "#core/units/volume";
import { weighingSchema } from "#core/weighing/learned";
import { change, newId } from "#db/change";
import { done, faultsOf, missing, numberOf, refuse } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";

/** Notes an own weighing of a volume or of pieces, or takes one out. */
export function noteWeighing(typed: Record<string, string>, cropId: string) {
  const { now, today, snapshot } = gardenNow();
  const crop = handbook().find(cropId);
  if (!crop) throw missing("crop of that name in the handbook");
  const back = `/handbook/${crop.id}`;
  if (typed.intent === "forget-weighing")
    return done(
      back,
      change(db(), "Own weighing removed", now, (c) => c.remove("weighings", typed.id ?? "")),
    );
  const read = readMass(typed.weight ?? "", snapshot.garden.units);
  if (!read.ok) return refuse({ errors: { weight: read.message }, typed });
  const checked = weighingSchema.safeParse({
    id: newId(),
    cropId: crop.id,
    day: today,
    what: typed.what,
    amount: typed.what === "litre" ? readRoom(typed.amount, snapshot.garden.units) : numberOf(typed.amount),
    massG: read.massG,
  });
  if (!checked.success) {
    const { errors } = faultsOf(checked.error, typed);
    const { massG, ...rest } = errors;
    return refuse({ errors: massG ? { ...rest, weight: massG } : rest, typed });
  }
  return done(
    back,
    change(db(), `${crop.name} weighed`, now, (c) => c.put("weighings", checked.data)),
  );
}
