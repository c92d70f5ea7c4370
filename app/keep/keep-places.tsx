import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { Form } from "react-router";
import { PLACE_KINDS, ROOM_IN, roomUnitLitres, roomUnitWords } from "#core/household/place";
import { PLACE_WORDS } from "#core/household/words";
import type { UnitSystem } from "#core/units/mass";
import { typedVolume, volumeUnit } from "#core/units/volume";
import { formOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { FileInput } from "../ui/file-input";
import { Fold } from "../ui/fold";
import {
  Anchor,
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Page,
  RowAnchor,
  Section,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/keep-places";
import { placeForm, placeReadingForm } from "./place.form";
import { PlaceBar } from "./place-bar";
import { changePlaces, placesPage } from "./places.server";
import { ReadingsLine } from "./readings-line";

export const loader = () => placesPage(gardenNow());
export const action = async ({ request }: Route.ActionArgs) => changePlaces(gardenNow(), await formOf(request));

export const meta: Route.MetaFunction = () => [{ title: "Places · Akmedon" }];

type PlaceView = Route.ComponentProps["loaderData"]["places"][number];

/** Where things are kept: the air and the room of each place, what lies there, and what would lie better elsewhere. */
export default function KeepPlaces({ loaderData, actionData }: Route.ComponentProps) {
  const { places, better, units, simulated } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const at = faults?.typed.placeId ?? null;
  return (
    <Page
      title="Places"
      lead="Each with its air as you say it, or as its thermometer does. How long things keep is reckoned from it."
      actions={
        <LinkButton to="/keep" variant="outline">
          Keep
        </LinkButton>
      }
    >
      <FormError faults={faults} />
      {better.length > 0 && (
        <Section title="Better elsewhere" note="all lots and all room weighed together">
          {better.map((b) => (
            <Flex key={b.id} gap="3" py="2" borderTopWidth="1px" borderColor="ruleSoft" wrap="wrap">
              <Text flex="1" minW="16rem">
                {b.part && `${b.amount} of `}
                <RowAnchor to={`/keep/lots/${b.lotId}`}>{b.kind}</RowAnchor>
                {!b.part && `, ${b.amount},`} from {b.from} to <strong>{b.to}</strong>
              </Text>
              <Text>keeps {b.gainDays} days longer</Text>
            </Flex>
          ))}
          <Form method="post">
            <Button type="submit" name="intent" value="lay" mt="3" variant="outline">
              I have laid them so
            </Button>
          </Form>
        </Section>
      )}
      {places.map((p) => (
        <Section key={p.place.id} id={p.place.id} title={p.place.name} note={p.kind}>
          <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="12" gapY="4">
            <Box>
              <PlaceBar place={p} />
              {p.alerts.map((a) => (
                <Note key={a} tone="caution">
                  {a}
                </Note>
              ))}
              {p.lots.slice(0, 8).map((l) => (
                <Flex key={l.id} justify="space-between" gap="3" py="1" borderTopWidth="1px" borderColor="ruleSoft">
                  <RowAnchor to={`/keep/lots/${l.id}`}>{l.kind}</RowAnchor>
                  <Text>
                    {l.left},{" "}
                    <Text as="span" color={l.soon ? "madder" : "inkSoft"}>
                      {l.keeps}
                    </Text>
                  </Text>
                </Flex>
              ))}
              {p.lots.length > 8 && <Text color="inkSoft">and {p.lots.length - 8} more</Text>}
            </Box>
            <Box>
              <ReadingsLine readings={p.readings} units={units} />
              <Readings place={p} simulated={simulated} faults={at === p.place.id ? faults : null} units={units} />
              <Fold title={<>Change {p.place.name}</>} open={at === p.place.id && faults?.typed.intent === "place"}>
                <PlaceForm place={p} units={units} faults={at === p.place.id ? faults : null} />
              </Fold>
            </Box>
          </Grid>
        </Section>
      ))}
      <Section title="Another place">
        <PlaceForm place={null} units={units} faults={at === "" ? faults : null} />
      </Section>
    </Page>
  );
}

type ReadingsProps = { place: PlaceView; simulated: boolean; faults: Faults; units: UnitSystem };
function Readings({ place, simulated, faults, units }: ReadingsProps) {
  const deg = units === "us" ? "°F" : "°C";
  const schema = useMemo(() => placeReadingForm(units), [units]);
  return (
    <>
      <Flex gap="2" wrap="wrap" align="end" mb="2">
        <CheckedForm method="post" schema={schema} faults={faults?.typed.intent === "reading" ? faults : null}>
          <input type="hidden" name="placeId" value={place.place.id} />
          <Flex gap="2" align="end" wrap="wrap">
            <Field name="tempC" of={place.place.id} label={`Read, ${deg}`}>
              {(p) => <Input {...p} inputMode="decimal" w="6.5em" defaultValue={shownValue(faults, "tempC", "")} />}
            </Field>
            <Field name="humidityPct" of={place.place.id} label="Humidity, %">
              {(p) => (
                <Input {...p} inputMode="decimal" w="6.5em" defaultValue={shownValue(faults, "humidityPct", "")} />
              )}
            </Field>
            <Button type="submit" name="intent" value="reading" variant="outline">
              Note it
            </Button>
          </Flex>
        </CheckedForm>
        {simulated && (
          <Form method="post">
            <input type="hidden" name="placeId" value={place.place.id} />
            <Button type="submit" name="intent" value="thermometer" variant="quiet">
              Ask the sensor
            </Button>
          </Form>
        )}
      </Flex>
      <Text fontSize="sm" color="inkSoft">
        {simulated ? "The sensor is simulated, for the demo alone. " : ""}A thermometer whose program writes a file can
        tell the garden by itself: <Anchor to="/settings/devices">Devices</Anchor>.
      </Text>
      <Fold title="Readings from a file" open={faults?.errors.table}>
        <Form method="post" encType="multipart/form-data">
          <input type="hidden" name="placeId" value={place.place.id} />
          <TextArea
            name="table"
            aria-label={`Readings of ${place.place.name}`}
            rows={4}
            fontSize="sm"
            placeholder={"time,temp,humidity\n2026-10-06 08:00,9.4,83"}
            defaultValue={shownValue(faults, "table", "")}
          />
          {faults?.errors.table && (
            <Text color="madder" fontWeight="600" role="alert" whiteSpace="pre-line">
              {faults.errors.table}
            </Text>
          )}
          <Flex gap="2" mt="2" wrap="wrap">
            <FileInput name="file" label="or a file" accept=".csv,.txt,text/csv" />
            <Button type="submit" name="intent" value="readings" variant="outline">
              Take them in
            </Button>
          </Flex>
        </Form>
      </Fold>
    </>
  );
}

function PlaceForm({ place, units, faults }: { place: PlaceView | null; units: "metric" | "us"; faults: Faults }) {
  const p = place?.place;
  const id = p?.id ?? "new";
  const degrees = (c: number | null | undefined) =>
    c === null || c === undefined ? "" : String(Math.round((units === "us" ? c * 1.8 + 32 : c) * 10) / 10);
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const schema = useMemo(() => placeForm(units), [units]);
  const inUnits = (litres: number | undefined) =>
    litres === undefined
      ? undefined
      : Math.round((100 * litres) / roomUnitLitres(p ?? { roomIn: "litres", trayLitres: null }, units)) / 100;
  const input = (name: string, label: string, v: string | number | null | undefined, decimal = true) => (
    <Field name={name} of={id} label={label}>
      {(props) => (
        <Input {...props} inputMode={decimal ? "decimal" : undefined} defaultValue={value(name, v)} minW="0" />
      )}
    </Field>
  );
  const select = (name: string, label: string, v: string, options: readonly (readonly [string, string])[]) => (
    <Field name={name} of={id} label={label}>
      {(props) => (
        <Select {...props} defaultValue={value(name, v)} minW="0">
          {options.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
  const deg = units === "us" ? "°F" : "°C";
  return (
    <CheckedForm method="post" schema={schema} faults={faults}>
      <input type="hidden" name="placeId" value={p?.id ?? ""} />
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(4, minmax(0, 1fr))" }} gap="3">
        {input("name", "Name", p?.name, false)}
        {select(
          "kind",
          "What it is",
          p?.kind ?? "cellar",
          PLACE_KINDS.map((k) => [k, PLACE_WORDS[k]]),
        )}
        {input("litres", "Holds", inUnits(p?.litres))}
        {select(
          "roomIn",
          "counted in",
          p?.roomIn ?? "litres",
          ROOM_IN.map((r) => [r, roomUnitWords(r, units).many]),
        )}
        {input("takenLitres", "Taken by other things", inUnits(p?.takenLitres ?? 0))}
        {input("trayLitres", `A tray holds, ${volumeUnit(units).name}`, typedVolume(p?.trayLitres, units))}
        {input("tempMinC", `Coldest, ${deg}`, degrees(p?.tempMinC))}
        {input("tempMaxC", `Warmest, ${deg}`, degrees(p?.tempMaxC))}
        {input("humidityMin", "Humidity from, %", p?.humidityMin)}
        {input("humidityMax", "to, %", p?.humidityMax)}
        {select("light", "Light", p?.light ?? "", [
          ["", "not said"],
          ["dark", "dark"],
          ["dim", "dim"],
          ["light", "light"],
        ])}
        {select("air", "Air", p?.air ?? "", [
          ["", "not said"],
          ["still", "still"],
          ["moving", "moving"],
        ])}
      </Grid>
      <Flex gap="3" mt="3">
        <Button type="submit" name="intent" value="place" variant="outline">
          {p ? "Save it" : "Add the place"}
        </Button>
        {p && (
          <Button type="submit" name="intent" value="remove" variant="danger" formNoValidate>
            Remove
          </Button>
        )}
      </Flex>
    </CheckedForm>
  );
}
