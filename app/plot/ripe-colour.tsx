import { RIPE_COLOURS } from "#core/handbook/ripe-colour";
import { type Faults, Field, Input, shownValue } from "../ui/ui";

/** The colour a kind is ripe in, where it is not its crop's usual one: offered, or typed. */
export function RipeColour({ kept, faults }: { kept: string | undefined; faults: Faults }) {
  return (
    <Field
      name="ripeColour"
      label="Ripe colour"
      hint="Only if this kind ripens in another colour than usual."
      faults={faults}
    >
      {(p) => (
        <>
          <Input {...p} list="ripe-colours" defaultValue={shownValue(faults, "ripeColour", kept)} />
          <datalist id="ripe-colours">
            {RIPE_COLOURS.map((colour) => (
              <option key={colour} value={colour} />
            ))}
          </datalist>
        </>
      )}
    </Field>
  );
}
