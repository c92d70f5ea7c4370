import { sayDay } from "#core/calendar/day";
import { manureWaitDays } from "#core/garden/treatment";
import type { Crop } from "#core/handbook/crop";
import { PICK_WISH_WORDS } from "#core/planning/words";
import { change, newId } from "#db/change";
import { done, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { treatmentForm, wishForm } from "./planting-dates.form";

/** A planting that grows, as what is noted beside it needs it. */
export type Grown = { id: string; crop: Crop; name: string };

/** What was done to a planting and the dates set for it: logged, and taken off again. By intent. */
export function dateAnswers(d: GardenNow, { id: plantingId, crop, name }: Grown, typed: Record<string, string>) {
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done(`/plot/plantings/${plantingId}#dates`, change(db(), label, d.now, work));
  return {
    treat: () => {
      const leastWait = (kind: string) => (kind === "manure" ? manureWaitDays(crop) : 0);
      const read = readForm(treatmentForm(d.today, leastWait), typed);
      if (!read.ok) return refuse(read.faults);
      return put(`Treatment of ${name} logged`, (c) =>
        c.put("treatments", { ...read.row, id: newId(), plantingId, note: "" }),
      );
    },
    wish: () => {
      const read = readForm(wishForm, typed);
      if (!read.ok) return refuse(read.faults);
      const { kind, day } = read.row;
      const before = d.snapshot.pickWishes.filter((w) => w.plantingId === plantingId && w.kind === kind);
      return put(`${name}: ${PICK_WISH_WORDS[kind]} ${sayDay(day)}`, (c) => {
        for (const w of before) c.remove("pickWishes", w.id);
        c.put("pickWishes", { id: newId(), plantingId, kind, day });
      });
    },
    "remove-treatment": () => put("Treatment removed", (c) => c.remove("treatments", typed.id ?? "")),
    "remove-wish": () => put("Date removed", (c) => c.remove("pickWishes", typed.id ?? "")),
  };
}
