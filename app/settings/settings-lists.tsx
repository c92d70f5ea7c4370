import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { Form } from "react-router";
import { sayDay } from "#core/calendar/day";
import type { DatedWindow, Trip, Window } from "#core/calendar/windows";
import type { Garden, Person } from "#core/garden/garden";
import { sayMass } from "#core/units/mass";
import { sayVolume, volumeUnit } from "#core/units/volume";
import type { Container } from "#core/weighing/pick";
import { CheckedForm } from "../ui/checked-form";
import { DateInput } from "../ui/date-input";
import { FileInput } from "../ui/file-input";
import { Button, type Faults, Field, Input, Note, Section, Select, shownValue } from "../ui/ui";
import { containerForm, datedForm, personForm, tripForm, windowForm } from "./lists.form";

const DAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];

function Removable({ table, id, children }: { table: string; id: string; children: React.ReactNode }) {
  return (
    <Form method="post" preventScrollReset>
      <input type="hidden" name="table" value={table} />
      <input type="hidden" name="id" value={id} />
      <Flex align="center" justify="space-between" borderBottomWidth="1px" borderColor="ruleSoft" gap="3" minH="48px">
        <Text>{children}</Text>
        <Button type="submit" name="intent" value="remove" variant="quiet" size="sm">
          Remove
        </Button>
      </Flex>
    </Form>
  );
}

type Props = {
  garden: Garden;
  windows: Window[];
  dated: DatedWindow[];
  trips: Trip[];
  people: Person[];
  containers: Container[];
  today: string;
  faults: Faults;
};

/** What the household adds to and takes from: windows, trips, people, containers. */
export function SettingsLists({ garden, windows, dated, trips, people, containers, today, faults }: Props) {
  const value = (name: string, v: string | number) => shownValue(faults, name, v);
  const container = useMemo(() => containerForm(garden.units), [garden.units]);
  return (
    <>
      <Section title="When you can go out" id="windows">
        {windows.map((w) => (
          <Removable key={w.id} table="windows" id={w.id}>
            {DAYS[w.weekday]} {w.startsAt}, {w.minutes} minutes
          </Removable>
        ))}
        {windows.length === 0 && <Note>Without any, the planner cannot open a round.</Note>}
        <CheckedForm method="post" preventScrollReset schema={windowForm} faults={faults}>
          <Grid templateColumns="1.3fr 1fr 1fr auto" gap="2" mt="3" alignItems="end">
            <Field name="weekday" label="Day" faults={null}>
              {(p) => (
                <Select {...p} defaultValue="6">
                  {DAYS.map((name, i) => (
                    <option key={name} value={i}>
                      {name}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            <Field name="startsAt" label="From" faults={faults}>
              {(p) => <Input {...p} type="time" defaultValue={value("startsAt", "17:30")} />}
            </Field>
            <Field name="minutes" label="Minutes" faults={faults}>
              {(p) => <Input {...p} inputMode="numeric" defaultValue={value("minutes", 60)} />}
            </Field>
            <Button type="submit" name="intent" value="window">
              Add
            </Button>
          </Grid>
        </CheckedForm>
        <Text fontWeight="650" mt="5" mb="1">
          Single days
        </Text>
        {dated.map((w) => (
          <Removable key={w.id} table="datedWindows" id={w.id}>
            {sayDay(w.day)}: {w.startsAt === null ? "no time to go out" : `${w.startsAt}, ${w.minutes} minutes`}
          </Removable>
        ))}
        <CheckedForm method="post" preventScrollReset schema={datedForm} faults={faults}>
          <Grid
            templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "1.3fr 1fr 1fr auto" }}
            gap="2"
            mt="2"
            alignItems="end"
          >
            <Field name="datedDay" label="On" faults={faults}>
              {(p) => <DateInput {...p} defaultValue={value("datedDay", today)} />}
            </Field>
            <Field name="datedAt" label="Its hour" faults={faults}>
              {(p) => <Input {...p} type="time" defaultValue={value("datedAt", "")} />}
            </Field>
            <Field name="datedMinutes" label="For minutes" faults={faults}>
              {(p) => <Input {...p} inputMode="numeric" defaultValue={value("datedMinutes", 60)} />}
            </Field>
            <Button type="submit" name="intent" value="dated">
              Add
            </Button>
          </Grid>
          <Text fontSize="sm" color="inkSoft" mt="1">
            Such a day has only its own hours; without an hour it has none.
          </Text>
        </CheckedForm>
      </Section>
      <Section title="Trips" id="trips">
        {trips.map((t) => (
          <Removable key={t.id} table="trips" id={t.id}>
            {t.name}: {sayDay(t.fromDay)} to {sayDay(t.toDay)}
            {t.standIn && (
              <chakra.span color="inkSoft">
                , {t.standIn} stands in{t.standInMinutes > 0 ? `, ${t.standInMinutes} minutes every other evening` : ""}
              </chakra.span>
            )}
          </Removable>
        ))}
        <CheckedForm method="post" preventScrollReset schema={tripForm} faults={faults}>
          <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2" mt="3" alignItems="end">
            <Field name="tripName" label="Trip" faults={faults}>
              {(p) => <Input {...p} defaultValue={value("tripName", "")} placeholder="Away" />}
            </Field>
            <Field name="standIn" label="Stand-in" faults={faults}>
              {(p) => <Input {...p} list="standins" defaultValue={value("standIn", "")} />}
            </Field>
            <Field
              name="standInMinutes"
              label="Stand-in’s minutes"
              hint="every other evening; empty when nobody picks"
              faults={faults}
            >
              {(p) => <Input {...p} inputMode="numeric" defaultValue={value("standInMinutes", "")} />}
            </Field>
            <span />
            <datalist id="standins">
              {people.map((p) => (
                <option key={p.id} value={p.name} />
              ))}
            </datalist>
            <Field name="fromDay" label="First day away" faults={faults}>
              {(p) => <DateInput {...p} defaultValue={value("fromDay", today)} />}
            </Field>
            <Field name="toDay" label="Last day away" faults={faults}>
              {(p) => <DateInput {...p} defaultValue={value("toDay", today)} />}
            </Field>
          </Grid>
          <Button type="submit" name="intent" value="trip" mt="2">
            Add the trip
          </Button>
        </CheckedForm>
        <Form method="post" encType="multipart/form-data" preventScrollReset>
          <Box mt="5">
            <Field
              name="calendar"
              label="or trips from a calendar file"
              hint="Events of a day or longer in the coming year, repeated ones too."
              faults={faults}
            >
              {(p) => <FileInput {...p} accept=".ics,text/calendar" />}
            </Field>
            <Button type="submit" name="intent" value="calendar" variant="outline" mt="2">
              Take its trips
            </Button>
          </Box>
        </Form>
      </Section>
      <Section title="Who picks" id="people">
        {people.map((p) => (
          <Removable key={p.id} table="people" id={p.id}>
            {p.name}
            {p.role === "neighbour" ? ", neighbour" : ""}
          </Removable>
        ))}
        <CheckedForm method="post" preventScrollReset schema={personForm} faults={faults}>
          <Grid templateColumns="1.4fr 1fr auto" gap="2" mt="3" alignItems="end">
            <Field name="personName" label="Name" faults={faults}>
              {(p) => <Input {...p} defaultValue={value("personName", "")} />}
            </Field>
            <Field name="role" label="Is" faults={null}>
              {(p) => (
                <Select {...p}>
                  <option value="gardener">gardener</option>
                  <option value="neighbour">neighbour</option>
                </Select>
              )}
            </Field>
            <Button type="submit" name="intent" value="person">
              Add
            </Button>
          </Grid>
        </CheckedForm>
      </Section>
      <Section title="Containers" id="containers" note="Weighed empty once, subtracted ever after">
        {containers.map((c) => (
          <Removable key={c.id} table="containers" id={c.id}>
            {c.name}, {sayMass(c.tareG, garden.units)}
            {c.litres !== null && (
              <chakra.span color="inkSoft">
                , holds {sayVolume(c.litres, garden.units)}
                {c.atHand !== null ? `, ${c.atHand} at hand` : ""}
              </chakra.span>
            )}
          </Removable>
        ))}
        <CheckedForm method="post" preventScrollReset schema={container} faults={faults}>
          <Grid
            templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "1.5fr 1fr 0.8fr 0.8fr auto" }}
            gap="2"
            mt="3"
            alignItems="end"
          >
            <Field name="containerName" label="Container" faults={faults}>
              {(p) => <Input {...p} defaultValue={value("containerName", "")} />}
            </Field>
            <Field name="tare" label="Empty weight" faults={faults}>
              {(p) => <Input {...p} defaultValue={value("tare", "")} placeholder="1.59 kg" />}
            </Field>
            <Field
              name="containerLitres"
              label={volumeUnit(garden.units).name === "quarts" ? "Quarts" : "Litres"}
              faults={faults}
            >
              {(p) => <Input {...p} inputMode="decimal" defaultValue={value("containerLitres", "")} />}
            </Field>
            <Field name="containerCount" label="At hand" faults={faults}>
              {(p) => <Input {...p} inputMode="numeric" defaultValue={value("containerCount", "")} />}
            </Field>
            <Button type="submit" name="intent" value="container">
              Add
            </Button>
          </Grid>
        </CheckedForm>
      </Section>
    </>
  );
}
