import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { change, newId } from "#db/change";
import { done, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import type { Grown } from "./planting-dates.server";
import { lossForm } from "./planting-losses.form";

/** What was lost of a planting before it was picked, and taken back. By intent. */
export function lossAnswers(d: GardenNow, { id: plantingId, crop, name }: Grown, typed: Record<string, string>) {
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done(`/plot/plantings/${plantingId}#losses`, change(db(), label, d.now, work));
  return {
    lose: () => {
      const bulk = bulkOf(crop, containerMeasures(d.snapshot.containers));
      const read = readForm(lossForm(crop, bulk, d.snapshot.garden.units, d.today), typed);
      if (!read.ok) return refuse(read.faults);
      return put(`Loss of ${name} noted`, (c) => c.put("bedLosses", { ...read.row, id: newId(), plantingId }));
    },
    "remove-loss": () => put("Loss taken back", (c) => c.remove("bedLosses", typed.id ?? "")),
  };
}
