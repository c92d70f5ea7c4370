import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { Form } from "react-router";
import { sayDate, sayDay } from "#core/calendar/day";
import { allowedFrom, SKINS_SET_DAYS, TREATMENTS, type Treatment } from "#core/garden/treatment";
import { TREATMENT_WORDS } from "#core/garden/words";
import { PICK_WISHES, type PickWish } from "#core/planning/question/wish";
import { PICK_WISH_WORDS } from "#core/planning/words";
import { CheckedForm } from "../ui/checked-form";
import { DateInput } from "../ui/date-input";
import { Button, type Faults, Field, Input, Note, Options, Section, Select, shownValue } from "../ui/ui";
import { treatmentForm, wishForm } from "./planting-dates.form";

function Removable({ intent, id, children }: { intent: string; id: string; children: React.ReactNode }) {
  return (
    <Form method="post" preventScrollReset>
      <input type="hidden" name="id" value={id} />
      <Flex align="center" justify="space-between" gap="3" minH="48px" borderBottomWidth="1px" borderColor="ruleSoft">
        <Text>{children}</Text>
        <Button type="submit" name="intent" value={intent} variant="quiet" size="sm">
          Remove
        </Button>
      </Flex>
    </Form>
  );
}

const WAITS: Record<Treatment["kind"], string> = {
  spray: "the label’s pre-harvest interval",
  feed: "the label’s pre-harvest interval",
  manure: "by the US organic rule; the local rule if longer",
  "tops-cut": "until skins are set",
};

/** Sprays, feeds and cut tops with the wait they ask for; and days before or on which the gardener wants it picked. */
export function PlantingDates({
  treatments,
  wishes,
  today,
  manureDays,
  faults,
}: {
  treatments: readonly Treatment[];
  wishes: readonly PickWish[];
  today: string;
  /** the wait that raw manure asks of this crop, days */
  manureDays: number;
  faults: Faults;
}) {
  const [kind, setKind] = useState<string>(faults?.typed.treatKind ?? "spray");
  const treatSchema = useMemo(
    () => treatmentForm(today, (k) => (k === "manure" ? manureDays : 0)),
    [today, manureDays],
  );
  const intent = faults?.typed.intent;
  const waiting = treatments.filter((t) => allowedFrom(t) > today);
  const value = (name: string, v: string | number) => shownValue(faults, name, v);
  return (
    <Section title="Dates that bind picking" id="dates" note="What it was given, and what you want">
      {waiting.length > 0 && (
        <Note tone="caution" title={`Not before ${sayDay(waiting.map(allowedFrom).sort().at(-1)!)}`}>
          No pick is logged inside the wait that a label or a rule gives.
        </Note>
      )}
      {treatments.map((t) => (
        <Removable key={t.id} intent="remove-treatment" id={t.id}>
          {sayDate(t.day)}: {TREATMENT_WORDS[t.kind]}
          {t.product && `, ${t.product}`}
          <chakra.span color="inkSoft">
            , {t.waitDays === 0 ? "no wait" : `${t.waitDays} days, from ${sayDay(allowedFrom(t))}`}
          </chakra.span>
        </Removable>
      ))}
      {wishes.map((w) => (
        <Removable key={w.id} intent="remove-wish" id={w.id}>
          {PICK_WISH_WORDS[w.kind]} {sayDay(w.day)}
        </Removable>
      ))}
      <CheckedForm method="post" preventScrollReset schema={treatSchema} faults={intent === "treat" ? faults : null}>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3" mt="4">
          <Field name="treatKind" label="It was">
            {(p) => (
              <Select {...p} value={kind} onChange={(e) => setKind(e.target.value)}>
                <Options of={TREATMENTS} say={(t) => TREATMENT_WORDS[t]} />
              </Select>
            )}
          </Field>
          <Field name="treatDay" label="On">
            {(p) => <DateInput {...p} defaultValue={value("treatDay", today)} />}
          </Field>
          <Field name="product" label="With" hint="as the label names it">
            {(p) => <Input {...p} defaultValue={value("product", "")} disabled={kind === "tops-cut"} />}
          </Field>
          <Field name="waitDays" label="Days to wait" hint={WAITS[kind as Treatment["kind"]]}>
            {(p) => (
              <Input
                {...p}
                key={kind}
                inputMode="numeric"
                defaultValue={value(
                  "waitDays",
                  kind === "tops-cut" ? SKINS_SET_DAYS : kind === "manure" ? manureDays : "",
                )}
              />
            )}
          </Field>
        </Grid>
        <Button type="submit" name="intent" value="treat" variant="outline" mt="3">
          Log it
        </Button>
      </CheckedForm>
      <CheckedForm method="post" preventScrollReset schema={wishForm} faults={intent === "wish" ? faults : null}>
        <Flex gap="3" mt="5" align="end" wrap="wrap">
          <Box flex="1 1 130px">
            <Field name="wishKind" label="I want it">
              {(p) => (
                <Select {...p} defaultValue={value("wishKind", "not-before")}>
                  <Options of={PICK_WISHES} say={(w) => PICK_WISH_WORDS[w]} />
                </Select>
              )}
            </Field>
          </Box>
          <Box flex="1 1 130px">
            <Field name="wishDay" label="Day">
              {(p) => <DateInput {...p} defaultValue={value("wishDay", today)} />}
            </Field>
          </Box>
          <Button type="submit" name="intent" value="wish" variant="outline">
            Set it
          </Button>
        </Flex>
      </CheckedForm>
    </Section>
  );
}
