import { type Planned, plannedSchema } from "#core/season/next-plot-row";
import type { UnitSystem } from "#core/units/mass";
import { formSchema, NO_ID, numberOf, typedMeasures } from "../ui/form-schema";

/**
 * A row of a coming year's plot as typed, in the garden's units.
 * @param known the row as it stands: what the form leaves out stays as it was
 */
export const plannedForm = (year: number, units: UnitSystem, known: Planned | null = null) =>
  formSchema(plannedSchema, (typed) => {
    const measures = typedMeasures(typed, { rowM: "distance" }, units);
    return {
      row: {
        id: known?.id ?? NO_ID,
        year,
        bedId: typed.bedId ?? known?.bedId ?? "",
        cropId: typed.cropId || known?.cropId || "",
        kind: typed.kind ?? known?.kind ?? "",
        startedHow: typed.startedHow || known?.startedHow,
        startOn: typed.startOn ?? "",
        trayOn: typed.trayOn === undefined ? (known?.trayOn ?? null) : typed.trayOn || null,
        plants: numberOf(typed.plants),
        rowM: typed.rowM === undefined ? (known?.rowM ?? null) : measures.values.rowM,
        areaM2: known?.areaM2 ?? null,
        after: known?.after ?? null,
        made: known?.made ?? null,
        note: typed.note ?? known?.note ?? "",
      },
      errors: measures.errors,
    };
  });
