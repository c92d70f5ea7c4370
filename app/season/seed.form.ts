import { seedLotSchema } from "#core/season/seed-lots";
import { formSchema, NO_ID, numberOf } from "../ui/form-schema";

/** A packet of seed: whose, how much is left of which year, and how a test of it came up. */
export const seedForm = formSchema(seedLotSchema, (typed) => ({
  row: {
    id: NO_ID,
    cropId: typed.cropId ?? "",
    kind: typed.kind ?? "",
    source: typed.source ?? "",
    year: numberOf(typed.year),
    left: numberOf(typed.left),
    unit: typed.unit,
    price: numberOf(typed.price),
    packed: numberOf(typed.packed),
    testedOn: typed.testedOn || null,
    tested: numberOf(typed.tested),
    sprouted: numberOf(typed.sprouted),
    note: typed.note ?? "",
  },
}));
