import { type TreatmentKind, treatmentSchema } from "#core/garden/treatment";
import { pickWishSchema } from "#core/planning/question/wish";
import { formSchema, numberOf } from "../ui/form-schema";

/**
 * Something done to a planting, and how long it is not picked after it.
 * @param today a day to come is refused
 * @param leastWait days that a treatment of this planting asks for, whatever is typed
 */
export const treatmentForm = (today: string, leastWait: (kind: TreatmentKind) => number) =>
  formSchema(
    treatmentSchema
      .pick({ day: true, kind: true, product: true, waitDays: true })
      .superRefine(({ day, kind, waitDays }, context) => {
        const least = leastWait(kind);
        if (waitDays < least)
          context.addIssue({
            code: "custom",
            path: ["waitDays"],
            message: `at least ${least} days after raw manure for this crop; more where a local rule asks for it`,
          });
        if (day > today) context.addIssue({ code: "custom", path: ["day"], message: "this day has not come yet" });
      }),
    (typed) => ({
      row: {
        day: typed.treatDay,
        kind: typed.treatKind,
        product: typed.product ?? "",
        waitDays: numberOf(typed.waitDays),
      },
    }),
    { day: "treatDay", kind: "treatKind" },
  );

/** A day before which a planting is left, or by which it is wanted. */
export const wishForm = formSchema(
  pickWishSchema.pick({ kind: true, day: true }),
  (typed) => ({
    row: { kind: typed.wishKind, day: typed.wishDay },
    ...(typed.wishDay ? {} : { errors: { wishDay: "choose a day" } }),
  }),
  { kind: "wishKind", day: "wishDay" },
);
