import { type Place, placeSchema } from "#core/household/place";
import type { UnitSystem } from "#core/units/mass";
import { readRoom } from "#core/units/volume";
import { formSchema, NO_ID } from "../ui/form-schema";

/** A place at home by its room; its air and what its room is counted in are said on its own page and stay. */
export const roomForm = (units: UnitSystem, known: Place | null = null) =>
  formSchema(placeSchema, (typed) => ({
    row: {
      id: NO_ID,
      ...known,
      name: typed.name ?? known?.name,
      kind: typed.kind ?? known?.kind,
      litres: readRoom(typed.litres, units),
      takenLitres: readRoom(typed.takenLitres, units) ?? 0,
    },
  }));
