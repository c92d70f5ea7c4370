import { bedSchema } from "#core/garden/bed";
import { KELVIN_PER_F } from "#core/units/constants";
import type { UnitSystem } from "#core/units/mass";
import { formSchema, NO_ID, numberOf, typedMeasures } from "../ui/form-schema";

/** How much colder or warmer still nights are, as the garden's degrees show it. */
export const typedOffset = (kelvins: number, units: UnitSystem): string =>
  String(Math.round(10 * (units === "us" ? kelvins / KELVIN_PER_F : kelvins)) / 10);

/** A bed as its form tells it, in the garden's units; its place in the walk is given by the server. */
export const bedForm = (units: UnitSystem) =>
  formSchema(bedSchema, (typed) => {
    const shape = typed.shape === "circle" ? "circle" : "rectangle";
    const fields = { widthM: "distance", lengthM: "distance", xM: "distance", yM: "distance" } as const;
    const { values, errors } = typedMeasures(typed, fields, units);
    const offset = numberOf(typed.nightOffsetC) ?? 0;
    return {
      row: {
        id: NO_ID,
        name: typed.name ?? "",
        shape,
        xM: values.xM ?? 0,
        yM: values.yM ?? 0,
        widthM: values.widthM,
        lengthM: shape === "circle" ? values.widthM : values.lengthM,
        cover: typed.cover,
        sunHours: numberOf(typed.sunHours) ?? 8,
        nightOffsetC: units === "us" ? offset * KELVIN_PER_F : offset,
        note: typed.note ?? "",
        site: typed.site ?? "",
        walkOrder: 0,
      },
      errors,
    };
  });
