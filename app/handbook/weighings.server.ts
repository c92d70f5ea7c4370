import { change, newId } from "#db/change";
import { byIntent, done, missing, readForm, refuse } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { weighingForm } from "./weighing.form";

/** Notes an own weighing of a volume or of pieces, or takes one out. */
export function noteWeighing(typed: Record<string, string>, cropId: string) {
  const { now, today, snapshot } = gardenNow();
  const crop = handbook().find(cropId);
  if (!crop) throw missing("crop of that name in the handbook");
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done(`/handbook/${crop.id}`, change(db(), label, now, work));
  return byIntent(typed, {
    weigh: () => {
      const read = readForm(weighingForm(snapshot.garden.units), typed);
      if (!read.ok) return refuse(read.faults);
      return put(`${crop.name} weighed`, (c) =>
        c.put("weighings", { ...read.row, id: newId(), cropId: crop.id, day: today }),
      );
    },
    "forget-weighing": () => put("Own weighing removed", (c) => c.remove("weighings", typed.id ?? "")),
  });
}
