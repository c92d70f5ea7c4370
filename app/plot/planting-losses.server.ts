import type { Crop } from "#core/handbook/crop";
import { massOfPieces } from "#core/keeping/lot";
import { bedLossSchema } from "#core/season/bed-loss";
import { readAmount } from "#core/weighing/amount";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { change, newId } from "#db/change";
import { done, faultsOf, refuse } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";

const INTENTS = ["lose", "remove-loss"];
export const isLossIntent = (intent: string | undefined): boolean => INTENTS.includes(intent ?? "");

/** What was lost of a planting before it was picked: guessed by weight, volume or pieces, and taken back. */
export function changeLosses(
  d: GardenNow,
  plantingId: string,
  crop: Crop,
  name: string,
  typed: Record<string, string>,
) {
  const to = `/plot/plantings/${plantingId}#losses`;
  if (typed.intent === "remove-loss")
    return done(
      to,
      change(db(), "Loss taken back", d.now, (c) => c.remove("bedLosses", typed.id ?? "")),
    );
  const text = typed.lostAmount ?? "";
  const pieces = massOfPieces(text, { pieceG: null }, crop.yield.pieceG);
  const read =
    pieces === null
      ? readAmount(text, d.snapshot.garden.units, bulkOf(crop, containerMeasures(d.snapshot.containers)))
      : null;
  if (read && !read.ok) return refuse({ errors: { lostAmount: read.message }, typed });
  const checked = bedLossSchema.safeParse({
    id: newId(),
    plantingId,
    day: typed.lostDay,
    cause: typed.lostCause,
    massG: pieces ?? (read?.ok ? read.amount.massG : null),
    note: typed.lostNote ?? "",
  });
  if (!checked.success) {
    const { day, cause, massG, note } = faultsOf(checked.error, typed).errors;
    const errors = { lostDay: day, lostCause: cause, lostAmount: massG, lostNote: note };
    return refuse({
      typed,
      errors: Object.fromEntries(Object.entries(errors).filter((e): e is [string, string] => e[1] !== undefined)),
    });
  }
  if (checked.data.day > d.today) return refuse({ errors: { lostDay: "this day has not come yet" }, typed });
  return done(
    to,
    change(db(), `Loss of ${name} noted`, d.now, (c) => c.put("bedLosses", checked.data)),
  );
}
