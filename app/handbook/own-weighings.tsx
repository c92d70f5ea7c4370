import { Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { Form } from "react-router";
import { sayDate } from "#core/calendar/day";
import { decimals, sayMass, type UnitSystem } from "#core/units/mass";
import { sayVolume, volumeUnit } from "#core/units/volume";
import type { Learned, Weighing } from "#core/weighing/learned";
import { CheckedForm } from "../ui/checked-form";
import { Button, type Faults, Field, Input, Section, Select, shownValue } from "../ui/ui";
import { weighingForm } from "./weighing.form";

type Props = { weighings: readonly Weighing[]; learned: Learned; units: UnitSystem; faults: Faults };

/** What the gardener's own scale has taught of a crop, and a litre or some pieces weighed to teach it more. */
export function OwnWeighings({ weighings, learned, units, faults }: Props) {
  const schema = useMemo(() => weighingForm(units), [units]);
  const { tops, drying, kgPerL, pieceG } = learned;
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const pairs = (n: number) => `${n} ${n === 1 ? "weighing" : "weighings"} before and after`;
  const said = [
    tops && tops.pairs > 0
      ? `Tops: ${percent(tops.share)} of the weight, by ${pairs(tops.pairs)} and the handbook.`
      : "",
    drying ? `Drying takes ${percent(drying.share)}, by ${pairs(drying.pairs)}.` : "",
    kgPerL
      ? `A ${volumeUnit(units).one} weighs ${sayMass(kgPerL.value * 1000 * volumeUnit(units).litres, units)}, by ${sayVolume(kgPerL.litres, units)} weighed.`
      : "",
    pieceG ? `A piece weighs ${sayMass(pieceG.value, units)}, by ${Math.round(pieceG.pieces)} weighed.` : "",
  ].filter(Boolean);
  return (
    <Section title="Your own scale" note="It outweighs the book">
      {said.length === 0 && (
        <Text color="inkSoft" mb="3">
          Weigh a known volume or a few pieces once, and counts and volumes are reckoned by it. Shares of tops and of
          drying are learned when a pick is weighed again.
        </Text>
      )}
      {said.map((s) => (
        <Text key={s} mb="1">
          {s}
        </Text>
      ))}
      {weighings.map((w) => (
        <Flex
          key={w.id}
          justify="space-between"
          align="center"
          gap="3"
          py="1"
          borderTopWidth="1px"
          borderColor="ruleSoft"
        >
          <Text color="inkSoft">
            {sayDate(w.day)}: {w.what === "litre" ? sayVolume(w.amount, units) : `${decimals(w.amount, 1)} pieces`},{" "}
            {sayMass(w.massG, units)}
          </Text>
          <Form method="post">
            <input type="hidden" name="id" value={w.id} />
            <Button type="submit" name="intent" value="forget-weighing" size="sm" variant="quiet">
              Remove
            </Button>
          </Form>
        </Flex>
      ))}
      <CheckedForm method="post" schema={schema} faults={faults}>
        <Grid
          templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "0.7fr 1fr 1fr auto" }}
          gap="2"
          alignItems="end"
          mt="3"
        >
          <Field name="amount" label="So many" faults={faults}>
            {(p) => <Input {...p} inputMode="decimal" defaultValue={shownValue(faults, "amount", "")} minW="0" />}
          </Field>
          <Field name="what" label="of" faults={faults}>
            {(p) => (
              <Select {...p} defaultValue={shownValue(faults, "what", "litre")} minW="0">
                <option value="litre">{volumeUnit(units).name}</option>
                <option value="piece">pieces</option>
              </Select>
            )}
          </Field>
          <Field name="weight" label="weigh" faults={faults}>
            {(p) => <Input {...p} defaultValue={shownValue(faults, "weight", "")} minW="0" />}
          </Field>
          <Button type="submit" name="intent" value="weigh" variant="outline">
            Note it
          </Button>
        </Grid>
      </CheckedForm>
    </Section>
  );
}
