import { Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { BED_LOSS_CAUSES } from "#core/season/bed-loss";
import { DateInput } from "../ui/date-input";
import { Button, type Faults, Field, Input, Section, Select, shownValue } from "../ui/ui";

type Loss = { id: string; day: string; cause: string; amount: string; note: string };

/** What was lost before it was picked, as guessed, and why: what the deer had, what came too late. */
export function PlantingLosses({ losses, today, faults }: { losses: readonly Loss[]; today: string; faults: Faults }) {
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
      <Form method="post" preventScrollReset key={losses.length}>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3" mt="3">
          <Field name="lostAmount" label="About how much" faults={faults}>
            {(p) => (
              <Input {...p} placeholder="2 kg, or 6 pieces" defaultValue={value("lostAmount", "")} autoComplete="off" />
            )}
          </Field>
          <Field name="lostCause" label="To what" faults={faults}>
            {(p) => (
              <Select {...p} defaultValue={value("lostCause", "too late")}>
                {BED_LOSS_CAUSES.map((c) => (
                  <option key={c}>{c}</option>
                ))}
              </Select>
            )}
          </Field>
          <Field name="lostDay" label="On" faults={faults}>
            {(p) => <DateInput {...p} defaultValue={value("lostDay", today)} />}
          </Field>
          <Field name="lostNote" label="Note" faults={faults}>
            {(p) => <Input {...p} defaultValue={value("lostNote", "")} />}
          </Field>
        </Grid>
        <Button type="submit" name="intent" value="lose" variant="outline" mt="3">
          Note the loss
        </Button>
      </Form>
    </Section>
  );
}
