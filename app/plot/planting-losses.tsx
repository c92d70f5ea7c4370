import { Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { Form } from "react-router";
import { BED_LOSS_CAUSES } from "#core/season/bed-loss";
import type { UnitSystem } from "#core/units/mass";
import type { Bulk } from "#core/weighing/bulk";
import { CheckedForm } from "../ui/checked-form";
import { DateInput } from "../ui/date-input";
import { Button, type Faults, Field, Input, Options, Section, Select, shownValue } from "../ui/ui";
import { lossForm } from "./planting-losses.form";

type Props = {
  losses: readonly { id: string; day: string; cause: string; amount: string; note: string }[];
  /** what a piece and a container of it weigh */
  crop: Parameters<typeof lossForm>[0];
  bulk: Bulk;
  units: UnitSystem;
  today: string;
  faults: Faults;
};

/** What was lost before it was picked, as guessed, and why: what the deer had, what came too late. */
export function PlantingLosses({ losses, crop, bulk, units, today, faults }: Props) {
  const schema = useMemo(() => lossForm(crop, bulk, units, today), [crop, bulk, units, today]);
  const value = (name: string, v: string) => shownValue(faults, name, v);
  return (
    <Section title="Lost in the bed" id="losses" note="a guess is better than nothing; it never counts as a harvest">
      {losses.map((l) => (
        <Form key={l.id} method="post" preventScrollReset>
          <input type="hidden" name="id" value={l.id} />
          <Flex
            align="center"
            justify="space-between"
            gap="3"
            minH="48px"
            borderBottomWidth="1px"
            borderColor="ruleSoft"
          >
            <Text>
              {l.day}: {l.amount}, {l.cause}
              {l.note && ` (${l.note})`}
            </Text>
            <Button type="submit" name="intent" value="remove-loss" variant="quiet" size="sm">
              Remove
            </Button>
          </Flex>
        </Form>
      ))}
      <CheckedForm
        method="post"
        preventScrollReset
        key={losses.length}
        schema={schema}
        faults={faults?.typed.intent === "lose" ? faults : null}
      >
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3" mt="3">
          <Field name="lostAmount" label="About how much">
            {(p) => (
              <Input {...p} placeholder="2 kg, or 6 pieces" defaultValue={value("lostAmount", "")} autoComplete="off" />
            )}
          </Field>
          <Field name="lostCause" label="To what">
            {(p) => (
              <Select {...p} defaultValue={value("lostCause", "too late")}>
                <Options of={BED_LOSS_CAUSES} />
              </Select>
            )}
          </Field>
          <Field name="lostDay" label="On">
            {(p) => <DateInput {...p} defaultValue={value("lostDay", today)} />}
          </Field>
          <Field name="lostNote" label="Note">
            {(p) => <Input {...p} defaultValue={value("lostNote", "")} />}
          </Field>
        </Grid>
        <Button type="submit" name="intent" value="lose" variant="outline" mt="3">
          Note the loss
        </Button>
      </CheckedForm>
    </Section>
  );
}
