import { datedWindowSchema, tripSchema, windowSchema } from "#core/calendar/windows";
import { personSchema } from "#core/garden/garden";
import { readMass, type UnitSystem } from "#core/units/mass";
import { readRoom, volumeUnit } from "#core/units/volume";
import { containerSchema } from "#core/weighing/pick";
import { formSchema, NO_ID, numberOf } from "../ui/form-schema";

/** A time of the week to go out. */
export const windowForm = formSchema(windowSchema, (typed) => ({
  row: { id: NO_ID, weekday: Number(typed.weekday), startsAt: typed.startsAt, minutes: numberOf(typed.minutes) },
}));

/** A day with its own hour, or with none. */
export const datedForm = formSchema(
  datedWindowSchema,
  (typed) => {
    const at = typed.datedAt?.trim() || null;
    return {
      row: { id: NO_ID, day: typed.datedDay, startsAt: at, minutes: at === null ? 0 : numberOf(typed.datedMinutes) },
    };
  },
  { day: "datedDay", startsAt: "datedAt", minutes: "datedMinutes" },
);

export const tripForm = formSchema(
  tripSchema,
  (typed) => ({
    row: {
      id: NO_ID,
      name: typed.tripName?.trim() || "Away",
      fromDay: typed.fromDay,
      toDay: typed.toDay,
      standIn: typed.standIn ?? "",
      standInMinutes: numberOf(typed.standInMinutes) ?? 0,
    },
  }),
  { name: "tripName" },
);

export const personForm = formSchema(
  personSchema,
  (typed) => ({
    row: { id: NO_ID, name: typed.personName ?? "", role: typed.role },
    ...(typed.personName?.trim() ? {} : { errors: { personName: "give a name" } }),
  }),
  { name: "personName" },
);

/** A container weighed empty, in the garden's units. */
export const containerForm = (units: UnitSystem) =>
  formSchema(
    containerSchema,
    (typed) => {
      const mass = readMass(typed.tare ?? "", units);
      const count = numberOf(typed.containerCount);
      const litres = readRoom(typed.containerLitres, units);
      const errors: Record<string, string> = {};
      if (!typed.containerName?.trim()) errors.containerName = "give it a name";
      if (!mass.ok) errors.tare = mass.message;
      if (litres !== null && !(litres > 0)) errors.containerLitres = `${volumeUnit(units).name}, above nothing`;
      if (count !== null && !Number.isInteger(count)) errors.containerCount = "a whole number";
      return {
        row: { id: NO_ID, name: typed.containerName ?? "", tareG: mass.ok ? mass.massG : 0, litres, atHand: count },
        errors,
      };
    },
    { name: "containerName", tareG: "tare", litres: "containerLitres", atHand: "containerCount" },
  );
