import { Box, Flex, Grid } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { useMemo } from "react";
import { Form } from "react-router";
import { typedDistance } from "#core/units/distance";
import { listContainers, listPeople } from "#db/garden";
import { feedView } from "../rounds/feed.server";
import { CLOCK_STEPS } from "../server/clock.server";
import { formOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { homeNetwork } from "../server/home-network.server";
import { CheckedForm } from "../ui/checked-form";
import { FileInput } from "../ui/file-input";
import { LookChooser } from "../ui/looks";
import { Tickbox } from "../ui/tickbox";
import { Button, Field, FormError, Input, LinkButton, Options, Page, Section, Select, shownValue } from "../ui/ui";
import type { Route } from "./+types/settings";
import { CalendarFeed } from "./calendar-feed";
import { DemoClock } from "./demo-clock";
import { gardenForm } from "./garden.form";
import { shownHeight } from "./height";
import { HomeNetwork } from "./home-network";
import { changeSettings } from "./settings-action.server";
import { SettingsLists } from "./settings-lists";

export async function loader({ request, url }: Route.LoaderArgs) {
  const { snapshot, today } = gardenNow();
  return {
    garden: snapshot.garden,
    windows: snapshot.windows,
    dated: snapshot.datedWindows.filter((w) => w.day >= today),
    trips: snapshot.trips.filter((t) => t.toDay >= today),
    people: listPeople(db()),
    containers: listContainers(db()),
    today,
    home: await homeNetwork(request),
    feed: feedView(url.origin),
    clockSteps: snapshot.garden.pinnedNow === null ? [] : CLOCK_STEPS,
  };
}

export const action = async ({ request }: Route.ActionArgs) => changeSettings(gardenNow(), await formOf(request));

export const meta: Route.MetaFunction = () => [{ title: "Settings · Akmedon" }];
/** Years to choose from for which a change can be undone. */
const UNDO_YEARS = [1, 2, 3, 5, 10];

export default function Settings({ loaderData, actionData }: Route.ComponentProps) {
  const { garden } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const schema = useMemo(() => gardenForm(garden), [garden]);
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const number = (
    name: Exclude<keyof typeof garden, "orderByHand">,
    label: string,
    hint?: string,
    shown: string | number | null = garden[name],
  ) => (
    <Field name={name} label={label} hint={hint} faults={faults}>
      {(p) => <Input {...p} inputMode="decimal" defaultValue={value(name, shown)} />}
    </Field>
  );
  const distance = (name: "plotWidthM" | "plotLengthM", label: string) => (
    <Field name={name} label={label} faults={faults}>
      {(p) => <Input {...p} defaultValue={value(name, typedDistance(garden[name], garden.units))} />}
    </Field>
  );
  return (
    <Page
      title="Settings"
      actions={
        <>
          <LinkButton to="/settings/backups" variant="outline">
            Backups
          </LinkButton>
          <LinkButton to="/settings/household" variant="outline">
            At home: taste and room
          </LinkButton>
          <LinkButton to="/settings/devices" variant="outline">
            Devices
          </LinkButton>
          <LinkButton to="/settings/troubles" variant="quiet">
            What went wrong
          </LinkButton>
        </>
      }
    >
      <FormError faults={faults} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="12">
        <Box>
          <Section title="The garden">
            <CheckedForm method="post" schema={schema} faults={faults?.typed.intent === "garden" ? faults : null}>
              <Grid gap="4" templateColumns="repeat(2, minmax(0, 1fr))">
                <Field name="name" label="Name" faults={faults}>
                  {(p) => <Input {...p} defaultValue={value("name", garden.name)} />}
                </Field>
                <Field name="place" label="Place" faults={faults}>
                  {(p) => <Input {...p} defaultValue={value("place", garden.place)} />}
                </Field>
                {number("latitudeDeg", "Latitude, °", "north positive")}
                {number("longitudeDeg", "Longitude, °", "east positive")}
                {number(
                  "elevationM",
                  garden.units === "us" ? "Height, ft" : "Height, m",
                  undefined,
                  shownHeight(garden),
                )}
                <Field name="timeZone" label="Time zone" faults={faults}>
                  {(p) => <Input {...p} defaultValue={value("timeZone", garden.timeZone)} />}
                </Field>
                <Field name="units" label="Units" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={value("units", garden.units)}>
                      <option value="metric">kilos, centimetres, °C</option>
                      <option value="us">pounds, inches, °F</option>
                    </Select>
                  )}
                </Field>
                <Field name="coins" label="Coins as sizes" hint="on a walk" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={value("coins", garden.coins)}>
                      <option value="none">none</option>
                      <option value="euro">euro coins</option>
                      <option value="uk">UK coins</option>
                      <option value="us">US coins</option>
                    </Select>
                  )}
                </Field>
                {distance("plotWidthM", "Plot, east to west")}
                {distance("plotLengthM", "Plot, south to north")}
                {number("hourWorth", "An hour of yours is worth", "in kilos of potatoes; the planner weighs with it")}
                {number("roundMinutes", "Minutes every round costs", "boots, walking, washing up")}
                {number("lineMinutes", "Minutes every planting costs", "besides the picking itself")}
                {number("pickers", "Pickers on a round", "their minutes add up")}
                {number("eaters", "Eaters at table", "how much a week can use")}
                <Field name="undoYears" label="Changes can be undone for" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={value("undoYears", garden.undoYears)}>
                      <Options of={UNDO_YEARS} say={(years) => (years === 1 ? "a year" : `${years} years`)} />
                      <option value="0">ever</option>
                    </Select>
                  )}
                </Field>
              </Grid>
              <Button type="submit" name="intent" value="garden" mt="4">
                Save the garden
              </Button>
            </CheckedForm>
          </Section>
          <LookChooser />
          <Section title="The way out, and back in" note="Your garden is yours: open formats, on your own disk">
            <Flex gap="3" wrap="wrap" mb="5">
              <LinkButton variant="outline" to="/out/garden.json" reloadDocument>
                <Download size={18} /> Whole garden, JSON
              </LinkButton>
              <LinkButton variant="outline" to="/out/garden.zip" reloadDocument>
                <Download size={18} /> Garden and photos, ZIP
              </LinkButton>
              <LinkButton variant="outline" to="/out/picks.csv" reloadDocument>
                <Download size={18} /> Picks, CSV
              </LinkButton>
              <LinkButton variant="outline" to="/out/weather.csv" reloadDocument>
                <Download size={18} /> Weather record, CSV
              </LinkButton>
              <LinkButton variant="outline" to="/out/rounds.ics" reloadDocument>
                <Download size={18} /> Rounds, calendar
              </LinkButton>
            </Flex>
            <Form method="post" encType="multipart/form-data">
              <Field
                name="archive"
                label="Bring back a garden"
                hint="Takes the place of everything here. Undo brings it back."
                faults={faults}
              >
                {(p) => <FileInput {...p} accept=".zip,.json,application/zip,application/json" />}
              </Field>
              <Tickbox name="rest" label="Leave out what refers to something that is missing, and bring the rest" />
              <Button type="submit" name="intent" value="restore" variant="outline" mt="1">
                Bring it back
              </Button>
            </Form>
          </Section>
        </Box>
        <Box>
          {loaderData.clockSteps.length > 0 && <DemoClock today={loaderData.today} steps={loaderData.clockSteps} />}
          <SettingsLists {...loaderData} faults={faults} />
          <Box id="calendar">
            <CalendarFeed feed={loaderData.feed} />
          </Box>
          <HomeNetwork home={loaderData.home} />
        </Box>
      </Grid>
    </Page>
  );
}
