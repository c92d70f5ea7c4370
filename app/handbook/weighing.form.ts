import { readMass, type UnitSystem } from "#core/units/mass";
import { readRoom } from "#core/units/volume";
import { weighingSchema } from "#core/weighing/learned";
import { formSchema, numberOf } from "../ui/form-schema";

/** What so many pieces or so much room of a crop weighed. */
export const weighingForm = (units: UnitSystem) =>
  formSchema(
    weighingSchema.pick({ what: true, amount: true, massG: true }),
    (typed) => {
      const read = readMass(typed.weight ?? "", units);
      return {
        row: {
          what: typed.what,
          amount: typed.what === "litre" ? readRoom(typed.amount, units) : numberOf(typed.amount),
          massG: read.ok ? read.massG : null,
        },
        ...(read.ok ? {} : { errors: { weight: read.message } }),
      };
    },
    { massG: "weight" },
  );
