import { dishSchema } from "#core/keeping/dishes";
import { formSchema, NO_ID } from "../ui/form-schema";

/** The fields in which the crops of a dish are chosen, one each. */
export const DISH_CROPS = ["crop-0", "crop-1", "crop-2", "crop-3"] as const;

/** A dish of the household: its name, what it uses, where it is written. */
export const dishForm = formSchema(
  dishSchema,
  (typed) => ({
    row: {
      id: NO_ID,
      name: typed.name ?? "",
      cropIds: [...new Set(DISH_CROPS.flatMap((field) => typed[field] || []))],
      note: typed.note ?? "",
    },
  }),
  { cropIds: DISH_CROPS[0] },
);
