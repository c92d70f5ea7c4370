import type { Crop } from "#core/handbook/crop";
import { massOfPieces } from "#core/keeping/lot";
import { bedLossSchema } from "#core/season/bed-loss";
import type { UnitSystem } from "#core/units/mass";
import { readAmount } from "#core/weighing/amount";
import type { Bulk } from "#core/weighing/bulk";
import { formSchema } from "../ui/form-schema";

/**
 * What was lost of a planting before it was picked, guessed by weight, volume or pieces.
 * @param crop its pieces have a usual weight
 * @param bulk what a litre or a container of it weighs
 * @param today a day to come is refused
 */
export const lossForm = (crop: Pick<Crop, "yield">, bulk: Bulk, units: UnitSystem, today: string) =>
  formSchema(
    bedLossSchema
      .pick({ day: true, cause: true, massG: true, note: true })
      .refine((l) => l.day <= today, { message: "this day has not come yet", path: ["day"] }),
    (typed) => {
      const text = typed.lostAmount ?? "";
      const pieces = massOfPieces(text, { pieceG: null }, crop.yield.pieceG);
      const read = pieces === null ? readAmount(text, units, bulk) : null;
      return {
        row: {
          day: typed.lostDay,
          cause: typed.lostCause,
          massG: pieces ?? (read?.ok ? read.amount.massG : null),
          note: typed.lostNote ?? "",
        },
        ...(read && !read.ok ? { errors: { lostAmount: read.message } } : {}),
      };
    },
    { day: "lostDay", cause: "lostCause", massG: "lostAmount", note: "lostNote" },
  );
