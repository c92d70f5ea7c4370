import { placeSchema, ROOM_IN, roomUnitLitres } from "#core/household/place";
import { placeReadingSchema } from "#core/keeping/place-air";
import { celsiusFromFahrenheit } from "#core/units/convert";
import type { UnitSystem } from "#core/units/mass";
import { readRoom } from "#core/units/volume";
import { formSchema, NO_ID, numberOf } from "../ui/form-schema";

/** A temperature as typed in the garden's units, °C to the hundredth. */
function typedTempC(text: string | undefined, units: UnitSystem): number | null {
  const n = numberOf(text);
  return n === null || units === "metric" ? n : Math.round(celsiusFromFahrenheit(n) * 100) / 100;
}

/** A place where things are kept: its room as it is counted there, its air in the garden's units. */
export const placeForm = (units: UnitSystem) =>
  formSchema(placeSchema, (typed) => {
    const room = {
      roomIn: ROOM_IN.find((r) => r === typed.roomIn) ?? "litres",
      trayLitres: readRoom(typed.trayLitres, units),
    };
    const litresOf = (text: string | undefined): number | null => {
      if (room.roomIn === "litres") return readRoom(text, units);
      const n = numberOf(text);
      return n === null ? null : Math.round(n * roomUnitLitres(room, units) * 100) / 100;
    };
    return {
      row: {
        ...room,
        id: NO_ID,
        name: typed.name,
        kind: typed.kind,
        litres: litresOf(typed.litres),
        takenLitres: litresOf(typed.takenLitres) ?? 0,
        tempMinC: typedTempC(typed.tempMinC, units),
        tempMaxC: typedTempC(typed.tempMaxC, units),
        humidityMin: numberOf(typed.humidityMin),
        humidityMax: numberOf(typed.humidityMax),
        light: typed.light || null,
        air: typed.air || null,
      },
    };
  });

/** What a thermometer or hygrometer of a place showed. */
export const placeReadingForm = (units: UnitSystem) =>
  formSchema(placeReadingSchema.pick({ tempC: true, humidityPct: true }), (typed) => ({
    row: { tempC: typedTempC(typed.tempC, units), humidityPct: numberOf(typed.humidityPct) },
  }));
