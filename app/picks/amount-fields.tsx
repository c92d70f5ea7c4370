import { Grid } from "@chakra-ui/react";
import { Suspense, useState } from "react";
import type { UnitSystem } from "#core/units/mass";
import { Fold } from "../ui/fold";
import { lazyOr } from "../ui/lazy-or";
import { type Faults, Field, Input } from "../ui/ui";
import type { ScaleProps } from "./scale-panel";

type Props = {
  gross: string;
  onGross: (text: string) => void;
  count: string;
  onCount: (text: string) => void;
  units: UnitSystem;
  focus: boolean;
  faults: Faults;
};

/** What stood on the scale, or how many pieces: typed, crate by crate, by volume, or taken from the scale. */
export function AmountFields({ gross, onGross, count, onCount, units, focus, faults }: Props) {
  return (
    <>
      <Grid templateColumns="2fr 1fr" gap="4">
        <Field
          name="gross"
          label="On the scale"
          hint={
            units === "us"
              ? "2 lb 3 oz; crates as 12.3 + 11 lb; or half a bushel, 3 quarts, 2 baskets"
              : "1.25 kg, 850 g; crates as 12.3 + 11 kg; or 5 l, 2 baskets"
          }
          faults={faults}
        >
          {(p) => (
            <Input
              {...p}
              value={gross}
              onChange={(e) => onGross(e.target.value)}
              minH="54px"
              fontSize="xl"
              autoComplete="off"
              autoFocus={focus}
            />
          )}
        </Field>
        <Field name="count" label="Pieces" faults={faults}>
          {(p) => (
            <Input
              {...p}
              inputMode="numeric"
              value={count}
              onChange={(e) => onCount(e.target.value)}
              minH="54px"
              fontSize="xl"
            />
          )}
        </Field>
      </Grid>
      <FromScale units={units} onTake={(text) => onGross(gross.trim() === "" ? text : `${gross} + ${text}`)} />
    </>
  );
}

const Scales = lazyOr<ScaleProps>(() => import("./scale-panel"));

/** The scale beside the weight, folded away until it is wanted; folded again it is asked no more. */
function FromScale(props: ScaleProps) {
  const [open, setOpen] = useState(false);
  return (
    <Fold title="From the scale" onToggle={(e) => setOpen(e.currentTarget.open)}>
      {open && (
        <Suspense fallback={null}>
          <Scales {...props} />
        </Suspense>
      )}
    </Fold>
  );
}
