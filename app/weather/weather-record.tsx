import { Box, chakra, Flex, Grid, Table, Text } from "@chakra-ui/react";
import { lazy, type ReactNode, Suspense, useEffect, useState } from "react";
import { Form } from "react-router";
import { sayDay } from "#core/calendar/day";
import { decimals } from "#core/units/mass";
import { sayRain, sayTemp } from "#core/units/say";
import { gardenNow } from "../server/garden-now.server";
import { LateFold } from "../ui/fold";
import { Anchor, Button, LinkButton, Note, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/weather-record";
import { BASE_C, recordView } from "./weather-record.server";

export function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const asked = url.searchParams.get("year");
  return {
    units: d.snapshot.garden.units,
    empty: d.snapshot.weather.length === 0,
    baseC: BASE_C,
    view: recordView(d, asked !== null && /^\d{4}$/.test(asked) ? Number(asked) : null),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Weather record · Akmedon" }];

const charts = () => import("./record-charts");
const YearChart = lazy(() => charts().then((m) => ({ default: m.YearChart })));
const RainChart = lazy(() => charts().then((m) => ({ default: m.RainChart })));
const WarmthChart = lazy(() => charts().then((m) => ({ default: m.WarmthChart })));

/** A chart's place: as high before it is drawn as after, and nothing at all where there are no scripts. */
function Drawn({ children }: { children: ReactNode }) {
  const [here, setHere] = useState(false);
  useEffect(() => setHere(true), []);
  return <Box minH="280px">{here && <Suspense fallback={null}>{children}</Suspense>}</Box>;
}

const shortDay = (day: string | null): string => (day ? sayDay(day).replace(/^\w+ /, "") : "—");
const SHARE_WORDS: Record<string, string> = {
  "0.1": "one year in ten",
  "0.5": "every other year",
  "0.9": "nine years in ten",
};

export default function WeatherRecord({ loaderData }: Route.ComponentProps) {
  const { units, empty, view, baseC } = loaderData;
  if (empty)
    return (
      <Page title="Weather record">
        <Note title="No record yet">
          Bring in a station’s record and its years are laid side by side here: warmth, rain, frost dates.{" "}
          <Anchor to="/weather#bring">Bring one in</Anchor>.
        </Note>
      </Page>
    );
  const { years, frost } = view;
  const first = years[0]!;
  const last = years.at(-1)!;
  const total = years.reduce((s, y) => s + y.days, 0);
  return (
    <Page
      title="Weather record"
      lead={`${total} days from ${first.year} to ${last.year}.`}
      actions={
        <>
          <LinkButton to="/weather" variant="outline">
            The days ahead
          </LinkButton>
          <LinkButton to="/out/weather.csv" reloadDocument variant="outline">
            Record, CSV
          </LinkButton>
        </>
      }
    >
      <Form method="get">
        <Flex gap="2" mb="6" align="center">
          <chakra.label htmlFor="year" color="inkSoft">
            Year
          </chakra.label>
          <Select
            id="year"
            name="year"
            key={view.year}
            defaultValue={view.year}
            maxW="120px"
            onChange={(e) => e.currentTarget.form?.requestSubmit()}
          >
            <Options of={years} value={(y) => y.year} say={(y) => y.year} />
          </Select>
          <Button type="submit" variant="outline" css={{ "@media (scripting: enabled)": { display: "none" } }}>
            Show
          </Button>
        </Flex>
      </Form>
      <Section
        title="Nights and days"
        note={`${view.year} by weeks, over what other years keep between: nine nights in ten above, nine days in ten below`}
      >
        <Drawn>
          <YearChart view={view} units={units} />
        </Drawn>
      </Section>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gap={{ base: "0", lg: "10" }}>
        <Section title="Rain" note="by month">
          <Drawn>
            <RainChart view={view} units={units} />
          </Drawn>
        </Section>
        <Section
          title="Warmth"
          note={`degree days above ${sayTemp(baseC, units)}, gathered since ${view.warmthFrom === "03-01" ? "1 March" : "1 September"}`}
        >
          <Drawn>
            <WarmthChart view={view} />
          </Drawn>
        </Section>
      </Grid>
      <Section
        title="Frost dates"
        note={`by ${frost.springs} springs and ${frost.autumns} autumns${Math.min(frost.springs, frost.autumns) < 10 ? ": so few make a rough guide" : ""}`}
      >
        <Table.Root native css={{ "& td, & th": { padding: "6px 24px 6px 0", textAlign: "left" } }}>
          <thead>
            <tr>
              {["in", "frost still comes after", "frost has come by"].map((h) => (
                <chakra.th key={h} fontWeight="600" fontSize="sm" color="inkSoft">
                  {h}
                </chakra.th>
              ))}
            </tr>
          </thead>
          <tbody>
            {frost.rows.map((r) => (
              <chakra.tr key={r.share} borderTopWidth="1px" borderColor="ruleSoft">
                <chakra.th fontWeight="500">{SHARE_WORDS[String(r.share)]}</chakra.th>
                <td>{shortDay(r.spring)}</td>
                <td>{shortDay(r.autumn)}</td>
              </chakra.tr>
            ))}
          </tbody>
        </Table.Root>
      </Section>
      <Section title="The years in figures" id="years">
        <Box overflowX="auto" tabIndex={0} role="group" aria-label="The years in figures">
          <Table.Root
            native
            minW="max-content"
            fontSize="sm"
            css={{
              "& td, & th": { padding: "6px 18px 6px 0", textAlign: "right" },
              "& th:first-of-type": { textAlign: "left" },
            }}
          >
            <thead>
              <tr>
                {[
                  "year",
                  "days",
                  "lowest",
                  "highest",
                  "mean night",
                  "mean day",
                  "rain",
                  "rainy days",
                  "longest dry",
                  "hot days",
                  "windy days",
                  "frosts",
                  "last frost",
                  "first frost",
                  "between",
                ].map((h) => (
                  <chakra.th key={h} fontWeight="600" color="inkSoft">
                    {h}
                  </chakra.th>
                ))}
              </tr>
            </thead>
            <tbody>
              {years.map((y) => (
                <chakra.tr
                  key={y.year}
                  borderTopWidth="1px"
                  borderColor="ruleSoft"
                  fontWeight={y.year === view.year ? "650" : "400"}
                >
                  <th scope="row">{y.year}</th>
                  <td>{y.days}</td>
                  <td>
                    {sayTemp(y.lowest.tempC, units, 1)}, {shortDay(y.lowest.day)}
                  </td>
                  <td>
                    {sayTemp(y.highest.tempC, units, 1)}, {shortDay(y.highest.day)}
                  </td>
                  <td>{sayTemp(y.meanMinC, units, 1)}</td>
                  <td>{sayTemp(y.meanMaxC, units, 1)}</td>
                  <td>{sayRain(y.rainMm, units)}</td>
                  <td>{y.rainyDays}</td>
                  <td>{y.longestDry ? `${y.longestDry.days} from ${shortDay(y.longestDry.from)}` : "—"}</td>
                  <td>{y.hotDays}</td>
                  <td>{y.windyDays}</td>
                  <td>{y.frostDays}</td>
                  <td>{shortDay(y.lastFrost)}</td>
                  <td>{shortDay(y.firstFrost)}</td>
                  <td>{y.frostFreeDays === null ? "—" : `${y.frostFreeDays} days`}</td>
                </chakra.tr>
              ))}
            </tbody>
          </Table.Root>
        </Box>
        <Text fontSize="sm" color="inkSoft" mt="2">
          Frost: a night at or below {sayTemp(0, units)}. Hot: {sayTemp(30, units)} or more. Windy: a mean wind of
          Beaufort 5 (at least {units === "us" ? `${decimals(8 / 0.44704, 0)} mph` : "8 m/s"}).
        </Text>
        <LateFold title={`The charts of ${view.year} as a table`} mt="4">
          {() => (
            <Box overflowX="auto" role="region" aria-label="The charts as a table" tabIndex={0}>
              <Table.Root
                native
                fontSize="sm"
                css={{ "& td, & th": { padding: "3px 18px 3px 0", textAlign: "right" } }}
              >
                <thead>
                  <tr>
                    {["week of", "nights", "days", "usual", ...view.warmthYears.map((y) => `warmth ${y}`)].map((h) => (
                      <th key={h}>{h}</th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {view.weeks.map((w) => (
                    <tr key={w.week}>
                      <td>{shortDay(w.day)}</td>
                      <td>{w.low === null ? "—" : sayTemp(w.low, units, 1)}</td>
                      <td>{w.high === null ? "—" : sayTemp(w.high, units, 1)}</td>
                      <td>{w.usual ? `${sayTemp(w.usual[0]!, units)} to ${sayTemp(w.usual[1]!, units)}` : "—"}</td>
                      {view.warmthYears.map((y) => (
                        <td key={y}>{w.warmth[y] == null ? "—" : Math.round(w.warmth[y])}</td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </Table.Root>
            </Box>
          )}
        </LateFold>
      </Section>
    </Page>
  );
}
