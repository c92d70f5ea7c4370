import { type Garden, gardenSchema } from "#core/garden/garden";
import { formSchema, numberOf, typedMeasures } from "../ui/form-schema";
import { readHeight } from "./height";

/** The garden's own settings as typed. @param garden as it stands: what the form leaves out stays as it was */
export const gardenForm = (garden: Garden) =>
  formSchema(gardenSchema, (typed) => {
    const plot = typedMeasures(typed, { plotWidthM: "distance", plotLengthM: "distance" }, garden.units);

    return {
      row: {
        ...garden,
        name: typed.name,
        place: typed.place ?? "",
        latitudeDeg: numberOf(typed.latitudeDeg),
        longitudeDeg: numberOf(typed.longitudeDeg),
        elevationM: readHeight(numberOf(typed.elevationM), garden),
        timeZone: typed.timeZone,
        units: typed.units,
        coins: typed.coins ?? garden.coins,
        ...plot.values,
        hourWorth: numberOf(typed.hourWorth),
        roundMinutes: numberOf(typed.roundMinutes),
        lineMinutes: numberOf(typed.lineMinutes),
        pickers: numberOf(typed.pickers),
        eaters: numberOf(typed.eaters),
        undoYears: typed.undoYears === undefined ? garden.undoYears : numberOf(typed.undoYears),
      },
      errors: plot.errors,
    };
  });
