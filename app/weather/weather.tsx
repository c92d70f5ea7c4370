import { Box, chakra, Flex, Grid } from "@chakra-ui/react";
import { data, Form } from "react-router";
import { sayDay, sayNear, weekdayName } from "#core/calendar/day";
import { change } from "#db/change";
import type { Preview } from "#formats/weather-columns";
import { maySimulate } from "../server/devices/device";
import { simulatedForecast } from "../server/devices/simulated.server";
import { done, type FormFaults, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { importWeather, newForecastId } from "../server/weather-import.server";
import { Button, type Faults, LinkButton, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/weather";
import { BedNights } from "./bed-nights";
import { DayHours } from "./day-hours";
import { FrostTable } from "./frost-table";
import { Ground, Hazards } from "./ground";
import { TypedForecast } from "./typed-forecast";
import { stripOf } from "./weather.server";
import { readTypedForecast, saveBedReading, toggleCover } from "./weather-action.server";
import { WeatherColumns } from "./weather-columns";
import { bedNights, dayView, frostTable, groundView, hazardList } from "./weather-day.server";
import { WeatherImport } from "./weather-import";
import { WeatherStrip } from "./weather-strip";

const MOST_BYTES = 4_000_000;

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

export async function action({ request, url }: Route.ActionArgs) {
  const form = await formOf(request);
  const typed = typedOf(form);
  const d = gardenNow();
  if (typed.intent === "simulate") {
    if (!maySimulate(d)) throw missing("real forecast office");
    const issued = simulatedForecast(d);
    const journalId = change(db(), "A simulated forecast was issued", d.now, (c) =>
      c.put("forecasts", { id: newForecastId(), ...issued }),
    );
    return done("/weather", journalId);
  }
  const back = `/weather?day=${typed.night ?? ""}#beds`;
  if (typed.intent === "cover" || typed.intent === "thermometer") {
    const answer = typed.intent === "cover" ? toggleCover(d, typed) : saveBedReading(d, typed);
    // a reading is of a night that has been: the page stays on the night that was looked at
    const shown = url.searchParams.get("day");
    return answer.ok
      ? done(typed.intent === "cover" ? back : `/weather${shown ? `?day=${shown}` : ""}#beds`, answer.journalId)
      : refuse(answer.faults);
  }
  if (typed.intent === "typed") {
    const read = readTypedForecast(d, typed);
    if (!read.ok) return refuse(read.faults);
    return done(
      "/weather",
      change(db(), `Forecast typed in: ${read.days.length} days`, d.now, (c) =>
        c.put("forecasts", { id: newForecastId(), source: "Typed by hand", issuedOn: d.today, days: read.days }),
      ),
    );
  }
  const file = form.get("file");
  const pasted = (typed.text ?? "").trim();
  if (file instanceof File && file.size > MOST_BYTES)
    return refuse({ errors: { file: "The file is larger than 4 MB; split it by years." }, typed });
  const text = file instanceof File && file.size > 0 ? await file.text() : pasted;
  if (text === "") return refuse({ errors: { file: "Choose a CSV file, or paste its lines." }, typed });
  const imported = await importWeather(d, typed, text);
  switch (imported.kind) {
    case "done":
      return imported.journalId
        ? done("/weather", imported.journalId)
        : done("/weather?said=These+days+were+there+already", null);
    case "refused":
      return refuse(imported.faults);
    case "preview":
      return data(
        { ...imported.faults, preview: imported.preview, text: imported.text },
        { status: Object.keys(imported.faults.errors).length > 0 ? 422 : 200 },
      );
  }
}

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
                  {strip.map((d) => (
                    <option key={d.day} value={d.day}>
                      {sayDay(d.day)}
                    </option>
                  ))}
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
