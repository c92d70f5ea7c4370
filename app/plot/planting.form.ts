import { plantingSchema } from "#core/garden/planting";
import type { UnitSystem } from "#core/units/mass";
import { formSchema, NO_ID, numberOf, typedMeasures } from "../ui/form-schema";

/** A planting as its form tells it, in the garden's units. */
export const plantingForm = (units: UnitSystem) =>
  formSchema(plantingSchema, (typed) => {
    const sizes = typedMeasures(typed, { rowM: "distance", areaM2: "area" }, units);
    return {
      row: {
        id: NO_ID,
        bedId: typed.bedId,
        cropId: typed.cropId,
        kind: typed.kind ?? "",
        ripeColour: typed.ripeColour ?? "",
        disease: typed.disease ?? "",
        startedHow: typed.startedHow,
        startedOn: typed.startedOn,
        plants: numberOf(typed.plants),
        ...sizes.values,
        packetMinDays: numberOf(typed.packetMinDays),
        packetMaxDays: numberOf(typed.packetMaxDays),
        schoolId: typed.schoolId ?? "",
        note: typed.note ?? "",
        endedOn: typed.endedOn ? typed.endedOn : null,
      },
      errors: sizes.errors,
    };
  });
