import { Box, chakra, Flex, Grid } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayDay, sayNear, weekdayName } from "#core/calendar/day";
import type { Preview } from "#formats/weather-columns";
import { type FormFaults, formOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { Button, type Faults, LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/weather";
import { BedNights } from "./bed-nights";
import { DayHours } from "./day-hours";
import { FrostTable } from "./frost-table";
import { Ground, Hazards } from "./ground";
import { TypedForecast } from "./typed-forecast";
import { stripOf } from "./weather.server";
import { changeWeather } from "./weather-action.server";
import { WeatherColumns } from "./weather-columns";
import { bedNights, dayView, frostTable, groundView, hazardList } from "./weather-day.server";
import { WeatherImport } from "./weather-import";
import { WeatherStrip } from "./weather-strip";

export function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const { snapshot, outlook, today } = d;
  const wanted = url.searchParams.get("day");
  const days = outlook.days.slice(0, 14);
  const coldest = days
    .slice(1, 8)
    .reduce((a, b) => (b.weather.tempMinC < a.weather.tempMinC ? b : a), days[1] ?? days[0]!);
  const at = Math.max(
    0,
    days.findIndex((x) => x.weather.day === (wanted ?? coldest.weather.day)),
  );
  const record = snapshot.weather;
  return {
    units: snapshot.garden.units,
    today,
    strip: stripOf(outlook),
    forecast: snapshot.forecast ? { source: snapshot.forecast.source, issuedOn: snapshot.forecast.issuedOn } : null,
    record: record.length > 0 ? { days: record.length, from: record[0]!.day, to: record.at(-1)!.day } : null,
    chosen: remembered(d, `hours of ${at}`, () => dayView(d, at)),
    beds: bedNights(d, at),
    ...remembered(d, "weather of the days ahead", () => ({
      nights: frostTable(d),
      hazards: hazardList(d),
      ground: groundView(d),
    })),
    simulated: snapshot.garden.pinnedNow !== null,
  };
}

export const action = async ({ request, url }: Route.ActionArgs) =>
  changeWeather(gardenNow(), await formOf(request), url.searchParams.get("day"));

/** A file whose columns are shown before it comes in. */
type ShownColumns = { preview: Preview; text: string };

export const meta: Route.MetaFunction = () => [{ title: "Weather · Akmedon" }];

export default function Weather({ loaderData, actionData }: Route.ComponentProps) {
  const { units, today, strip, forecast, record, chosen, beds, nights, hazards, ground, simulated } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const shown = actionData && "preview" in actionData ? (actionData as FormFaults & ShownColumns) : null;
  return (
    <Page
      title="Weather"
      lead={
        forecast
          ? `${forecast.source}, issued ${sayNear(forecast.issuedOn, today)}.`
          : "No forecast yet; the usual year stands in."
      }
      actions={
        record && (
          <LinkButton to="/weather/record" variant="outline">
            Record and usual year
          </LinkButton>
        )
      }
    >
      <Box borderTopWidth="1px" borderBottomWidth="1px" borderColor="rule" bg="sheet" mb="8">
        <WeatherStrip days={strip} units={units} />
      </Box>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.3fr) minmax(300px,1fr)" }} gap="10">
        <Box>
          <Section
            title={`${weekdayName(chosen.day)}, hour by hour`}
            note={`${sayDay(chosen.day)}, sun ${chosen.sun.sunrise} to ${chosen.sun.sunset}`}
          >
            <Form method="get">
              <Flex gap="2" mb="3" align="center">
                <chakra.label htmlFor="day" color="inkSoft">
                  Day
                </chakra.label>
                <Select
                  id="day"
                  name="day"
                  key={chosen.day}
                  defaultValue={chosen.day}
                  maxW="180px"
                  onChange={(e) => e.currentTarget.form?.requestSubmit()}
                >
                  <Options of={strip} value={(d) => d.day} say={(d) => sayDay(d.day)} />
                </Select>
                {/* not a noscript element: the style of whatever is drawn first in one is lost to the rest of the page */}
                <Button type="submit" variant="outline" css={{ "@media (scripting: enabled)": { display: "none" } }}>
                  Show
                </Button>
              </Flex>
            </Form>
            <DayHours view={chosen} units={units} />
          </Section>
          <Hazards hazards={hazards} units={units} />
          <FrostTable table={nights} chosen={chosen.day} units={units} />
        </Box>
        <Box>
          <BedNights beds={beds} day={chosen.day} today={today} errorC={chosen.errorC} units={units} faults={faults} />
          <Ground ground={ground} source={forecast?.source ?? null} units={units} />
        </Box>
      </Grid>
      <TypedForecast today={today} units={units} faults={faults} />
      {shown ? (
        <WeatherColumns
          key={shown.text.length}
          preview={shown.preview}
          text={shown.text}
          what={faults?.typed.what ?? "record"}
          source={faults?.typed.source ?? ""}
          fault={faults?.errors.file ?? null}
        />
      ) : (
        <WeatherImport faults={faults} record={record} today={today} simulated={simulated} />
      )}
    </Page>
  );
}
