import { sayDay } from "#core/calendar/day";
import { manureWaitDays, type TreatmentKind, treatmentSchema } from "#core/garden/treatment";
import { PICK_WISH_WORDS, pickWishSchema } from "#core/planning/question/wish";
import { change, newId } from "#db/change";
import { done, faultsOf, numberOf, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";

const INTENTS = ["treat", "wish", "remove-treatment", "remove-wish"];
export const isDateIntent = (intent: string | undefined): boolean => INTENTS.includes(intent ?? "");

/** The least wait that a treatment of a planting asks for, whatever is typed, days. */
function leastWait(d: GardenNow, plantingId: string, kind: TreatmentKind): number {
  const planting = d.snapshot.plantings.find((p) => p.id === plantingId);
  return kind === "manure" && planting ? manureWaitDays(handbook().of(planting.cropId)) : 0;
}

/** What was done to a planting and the dates set for it: logged, and taken off again. */
export function changeDates(d: GardenNow, plantingId: string, name: string, typed: Record<string, string>) {
  const to = `/plot/plantings/${plantingId}#dates`;
  const put = (label: string, work: Parameters<typeof change>[3]) => done(to, change(db(), label, d.now, work));
  if (typed.intent === "treat") {
    const kind = typed.treatKind;
    const checked = treatmentSchema.safeParse({
      id: newId(),
      plantingId,
      day: typed.treatDay,
      kind,
      product: typed.product ?? "",
      waitDays: numberOf(typed.waitDays),
      note: "",
    });
    if (!checked.success) {
      const { errors } = faultsOf(checked.error, typed);
      const { day, waitDays, product, kind: how } = errors;
      return refuse({
        typed,
        errors: {
          ...(day ? { treatDay: day } : {}),
          ...(how ? { treatKind: how } : {}),
          ...(waitDays ? { waitDays } : {}),
          ...(product ? { product } : {}),
        },
      });
    }
    const least = leastWait(d, plantingId, checked.data.kind);
    if (checked.data.waitDays < least)
      return refuse({
        errors: {
          waitDays: `at least ${least} days after raw manure for this crop; more where a local rule asks for it`,
        },
        typed,
      });
    if (checked.data.day > d.today) return refuse({ errors: { treatDay: "this day has not come yet" }, typed });
    return put(`Treatment of ${name} logged`, (c) => c.put("treatments", checked.data));
  }
  if (typed.intent === "wish") {
    const checked = pickWishSchema.safeParse({ id: newId(), plantingId, kind: typed.wishKind, day: typed.wishDay });
    if (!checked.success) return refuse({ errors: { wishDay: "choose a day" }, typed });
    const { kind, day } = checked.data;
    const before = d.snapshot.pickWishes.filter((w) => w.plantingId === plantingId && w.kind === kind);
    return put(`${name}: ${PICK_WISH_WORDS[kind]} ${sayDay(day)}`, (c) => {
      for (const w of before) c.remove("pickWishes", w.id);
      c.put("pickWishes", checked.data);
    });
  }
  if (typed.intent === "remove-treatment")
    return put("Treatment removed", (c) => c.remove("treatments", typed.id ?? ""));
  return put("Date removed", (c) => c.remove("pickWishes", typed.id ?? ""));
}
