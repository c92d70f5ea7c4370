import { Box, Flex, Grid, Progress, Skeleton, Text } from "@chakra-ui/react";
import { Download, FileText } from "lucide-react";
import { lazy, Suspense, useEffect, useState } from "react";
import { Form, useSearchParams, useSubmit } from "react-router";
import { YIELDS_BY, type YieldsBy } from "#core/season/yields";
import { sayMass } from "#core/units/mass";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season";
import { seasonView } from "./season.server";
import { SeasonNav } from "./season-nav";
import { SumRow } from "./sum-row";

const WeekChart = lazy(() => import("./week-chart").then((m) => ({ default: m.WeekChart })));

export function loader({ url }: Route.LoaderArgs) {
  const q = url.searchParams;
  return seasonView(gardenNow(), q.get("year") ?? "", YIELDS_BY.find((b) => b === q.get("by")) ?? "crop");
}

export const meta: Route.MetaFunction = () => [{ title: "Season · Akmedon" }];

const BY_WORDS: Record<YieldsBy, string> = { crop: "by crop", kind: "by kind", bed: "by bed", year: "by year" };
/** What a season gave: yields by crop, kind, bed or year, week by week, and what became of it. */
export default function Season({ loaderData }: Route.ComponentProps) {
  const { years, year, by, units, totals, rows, weeks, ways } = loaderData;
  const [params] = useSearchParams();
  const submit = useSubmit();
  const [drawn, setDrawn] = useState(false);
  useEffect(() => setDrawn(true), []);
  const some = (of: (r: (typeof rows)[number]) => string) => rows.some((r) => of(r) !== "");
  const whole = Math.max(
    1,
    ways.told.reduce((s, w) => s + w.massG, 0),
  );
  return (
    <Page
      title={year === "all" ? "All seasons" : `Season ${year}`}
      lead={
        rows.length === 0
          ? "Nothing was picked yet. What you log is drawn together here."
          : `${totals.picks} picks: ${sayMass(totals.weighedG, units)} weighed${totals.estimatedG > 0 ? `, and ${sayMass(totals.estimatedG, units)} estimated` : ""}.`
      }
      actions={
        <>
          <LinkButton to={`/season/report?year=${year}`}>
            <FileText size={18} /> Report
          </LinkButton>
          <LinkButton to="/picks/sheet" variant="outline">
            On paper
          </LinkButton>
          <LinkButton to={`/out/yields.csv?${params}`} variant="outline" reloadDocument>
            <Download size={18} /> CSV
          </LinkButton>
        </>
      }
    >
      <SeasonNav />
      <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}>
        <Flex gap="3" mb="5" wrap="wrap">
          <Select name="year" aria-label="Season" defaultValue={year} w="auto">
            <Options of={years} />
            <option value="all">all seasons</option>
          </Select>
          <Select name="by" aria-label="Draw together" defaultValue={by} w="auto">
            <Options of={YIELDS_BY} say={(b) => BY_WORDS[b]} />
          </Select>
        </Flex>
      </Form>
      {rows.length > 0 && (
        <>
          <Box h="260px" mb="8">
            {drawn ? (
              <Suspense fallback={<Skeleton h="100%" />}>
                <WeekChart weeks={weeks} units={units} />
              </Suspense>
            ) : (
              <Skeleton h="100%" />
            )}
          </Box>
          <Section title="Harvest" note="weighed and estimated apart; yields count both">
            <FiguresTable label="Harvest">
              <thead>
                <tr>
                  <th>Of</th>
                  <th className="number">Weighed</th>
                  {some((r) => r.estimated) && <th className="number">Estimated</th>}
                  <th className="number">Picks</th>
                  <th className="number">A pick</th>
                  <th>First</th>
                  <th>Last</th>
                  {some((r) => r.days) && <th className="number">Days to first</th>}
                  {some((r) => r.minutes) && <th className="number">Min a kilo</th>}
                  <th>That is</th>
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => (
                  <tr key={r.key}>
                    <th scope="row" className="name">
                      {r.name}
                    </th>
                    <td className="number">{r.weighed}</td>
                    {some((x) => x.estimated) && <td className="number">{r.estimated}</td>}
                    <td className="number">{r.picks}</td>
                    <td className="number">{r.perPick}</td>
                    <td>{r.first}</td>
                    <td>{r.last}</td>
                    {some((x) => x.days) && (
                      <td className="number">
                        {r.days}
                        {r.range && (
                          <Text as="span" color="inkSoft" fontSize="sm">
                            {" "}
                            of {r.range}
                          </Text>
                        )}
                      </td>
                    )}
                    {some((x) => x.minutes) && <td className="number">{r.minutes}</td>}
                    <td>{r.yield}</td>
                  </tr>
                ))}
              </tbody>
            </FiguresTable>
          </Section>
          <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gapX="12">
            <Section title="What became of it" note="by what was written down under Keep">
              {ways.told.map((w) => (
                <Box key={w.name} py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <Flex justify="space-between" gap="3">
                    <Text>{w.name}</Text>
                    <Text fontWeight="600">{w.amount}</Text>
                  </Flex>
                  <Progress.Root value={w.massG} max={whole} mt="1" aria-hidden>
                    <Progress.Track>
                      <Progress.Range />
                    </Progress.Track>
                  </Progress.Root>
                </Box>
              ))}
            </Section>
            {(ways.kept !== null || ways.causes.length > 0) && (
              <Section title="Lost, and why">
                {ways.kept && (
                  <Box css={{ "& details": { borderTopWidth: 0 } }}>
                    <SumRow sum={ways.kept} />
                  </Box>
                )}
                {ways.causes.map((c) => (
                  <Flex
                    key={`${c.where} ${c.cause}`}
                    justify="space-between"
                    py="1.5"
                    borderTopWidth="1px"
                    borderColor="ruleSoft"
                  >
                    <Text>
                      {c.cause}{" "}
                      <Text as="span" color="inkSoft" fontSize="sm">
                        {c.where}
                      </Text>
                    </Text>
                    <Text fontWeight="600">{c.amount}</Text>
                  </Flex>
                ))}
              </Section>
            )}
          </Grid>
        </>
      )}
    </Page>
  );
}
