import { Box, Grid, Text } from "@chakra-ui/react";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { CONDITIONS, PARTS, type PickRecord, PURPOSES } from "#core/weighing/pick";
import { CONDITION_WORDS, PART_WORDS, PURPOSE_WORDS } from "#core/weighing/words";
import { DateInput } from "../ui/date-input";
import { Fold } from "../ui/fold";
import { type Faults, Field, Input, Options, Select, shownValue, useErrors } from "../ui/ui";
import { PickingClock } from "./picking-clock";

type Props = {
  pick: PickRecord | null;
  part: string;
  crop: { topsShare: number; drying: { share: number; pairs: number } | null };
  leave: string;
  netG: number | null;
  units: UnitSystem;
  /** the day it is, for the rest that is left for later */
  today: string;
  faults: Faults;
};
const NAMES = ["part", "purpose", "condition", "minutes", "left", "again", "restOn"] as const;

/** What may be told of a pick beside its weight: why it was taken, what of the plant, how warm, how long, and again. */
export function PickMore({ pick, part, crop, leave, netG, units, today, faults }: Props) {
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const told =
    pick !== null &&
    (pick.part !== "crop" ||
      pick.purpose !== "harvest" ||
      pick.condition !== "" ||
      pick.minutes !== null ||
      pick.left !== "" ||
      pick.againG !== null);
  const errors = useErrors(faults);
  const open = told || part !== "crop" || NAMES.some((n) => errors[n]);
  return (
    <Fold title="More about this pick" open={open}>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="4" pt="2">
        <Field name="purpose" label="What for" faults={faults}>
          {(p) => (
            <Select {...p} defaultValue={value("purpose", pick?.purpose ?? "harvest")}>
              <Options of={PURPOSES} say={(x) => PURPOSE_WORDS[x]} />
            </Select>
          )}
        </Field>
        <Field name="part" label="What of the plant" faults={faults}>
          {(p) => (
            <Select {...p} defaultValue={value("part", pick?.part ?? part)}>
              <Options of={PARTS} say={(x) => PART_WORDS[x]} />
            </Select>
          )}
        </Field>
        <Field name="condition" label="It was" faults={faults}>
          {(p) => (
            <Select {...p} defaultValue={value("condition", pick?.condition)}>
              <Options of={CONDITIONS} say={(x) => CONDITION_WORDS[x]} />
            </Select>
          )}
        </Field>
        <PickingClock minutes={value("minutes", pick?.minutes)} faults={faults} />
        <Field name="left" label="Left on the plant" hint={`Usual: ${leave}`} faults={faults}>
          {(p) => <Input {...p} defaultValue={value("left", pick?.left)} maxLength={120} />}
        </Field>
        {!pick && (
          <Field
            name="restOn"
            label="The rest on"
            hint="Then the plan takes all that is left that day."
            faults={faults}
          >
            {(p) => <DateInput {...p} min={today} defaultValue={value("restOn", "")} />}
          </Field>
        )}
        {pick && pick.grossG !== null && (
          <Box gridColumn="1 / -1">
            <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="4">
              <Field
                name="again"
                label="Weighed again"
                hint="The net weight the second time. Each pair teaches the share that is lost."
                faults={faults}
              >
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={value("again", pick.againG === null ? "" : sayMass(pick.againG, units))}
                  />
                )}
              </Field>
              <Field name="againHow" label="when it was" faults={faults}>
                {(p) => (
                  <Select
                    {...p}
                    defaultValue={value("againHow", pick.againHow || (pick.topsOn ? "tops-off" : "dried"))}
                  >
                    {pick.topsOn && <option value="tops-off">with the tops off</option>}
                    <option value="dried">dry, once cured</option>
                  </Select>
                )}
              </Field>
            </Grid>
          </Box>
        )}
        {crop.drying && netG !== null && netG > 0 && pick?.againHow !== "dried" && (
          <Text gridColumn="1 / -1" color="inkSoft">
            Once dry about {sayMass(netG * (1 - crop.drying.share), units)}: it has lost{" "}
            {Math.round(100 * crop.drying.share)} % on {crop.drying.pairs}{" "}
            {crop.drying.pairs === 1 ? "weighing" : "weighings"} of yours.
          </Text>
        )}
      </Grid>
    </Fold>
  );
}
