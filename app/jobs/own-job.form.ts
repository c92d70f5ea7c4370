import { ownJobSchema } from "#core/jobs/mark";
import { formSchema, NO_ID, numberOf } from "../ui/form-schema";

/** A job of the gardener's own. @param today where no first day is given */
export const ownJobForm = (today: string) =>
  formSchema(ownJobSchema, (typed) => {
    const place = typed.where ?? "";
    return {
      row: {
        id: NO_ID,
        words: typed.words ?? "",
        plantingId: place.startsWith("planting ") ? place.slice(9) : null,
        bedId: place.startsWith("bed ") ? place.slice(4) : null,
        lotId: typed.lotId || null,
        startOn: typed.startOn || today,
        everyDays: numberOf(typed.everyDays),
        times: numberOf(typed.times),
        untilOn: typed.untilOn || null,
        onFrost: typed.onFrost === "on",
        dryLeaves: typed.dryLeaves === "on",
        minutes: numberOf(typed.minutes) ?? 5,
        note: typed.note ?? "",
      },
    };
  });
