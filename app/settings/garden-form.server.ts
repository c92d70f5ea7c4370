import { gardenSchema } from "#core/garden/garden";
import { saveGarden } from "#db/garden";
import { done, faultsOf, numberOf, refuse, typedMeasures } from "../server/forms.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { readHeight } from "./height";

/** Saves the garden's own settings as its form says. */
export function saveGardenForm(d: GardenNow, typed: Record<string, string>) {
  const { garden } = d.snapshot;
  const plot = typedMeasures(typed, { plotWidthM: "distance", plotLengthM: "distance" }, garden.units);
  const checked = gardenSchema.safeParse({
    ...garden,
    name: typed.name,
    place: typed.place ?? "",
    latitudeDeg: numberOf(typed.latitudeDeg),
    longitudeDeg: numberOf(typed.longitudeDeg),
    elevationM: readHeight(numberOf(typed.elevationM), garden),
    timeZone: typed.timeZone,
    units: typed.units,
    coins: typed.coins ?? garden.coins,
    plotWidthM: plot.values.plotWidthM,
    plotLengthM: plot.values.plotLengthM,
    hourWorth: numberOf(typed.hourWorth),
    roundMinutes: numberOf(typed.roundMinutes),
    lineMinutes: numberOf(typed.lineMinutes),
    pickers: numberOf(typed.pickers),
    eaters: numberOf(typed.eaters),
    undoYears: typed.undoYears === undefined ? garden.undoYears : numberOf(typed.undoYears),
  });
  const errors = { ...(checked.success ? {} : faultsOf(checked.error, typed).errors), ...plot.errors };
  return checked.success && Object.keys(plot.errors).length === 0
    ? done("/settings", saveGarden(db(), checked.data))
    : refuse({ errors, typed });
}
