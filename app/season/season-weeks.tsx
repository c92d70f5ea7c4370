import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { Form, useSearchParams, useSubmit } from "react-router";
import { gardenNow } from "../server/garden-now.server";
import { Anchor, LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season-weeks";
import { SeasonNav } from "./season-nav";
import { weeksView } from "./season-weeks.server";
import { WeekCells, WeekLegend } from "./week-cells";

export const loader = ({ url }: Route.LoaderArgs) => weeksView(gardenNow(), url.searchParams);

export const meta: Route.MetaFunction = () => [{ title: "Gluts and gaps · Akmedon" }];

/** Weeks with more than the house uses, weeks with nothing, and how many plants would have been enough. */
export default function SeasonWeeks({ loaderData }: Route.ComponentProps) {
  const { years, year, crops, enough } = loaderData;
  const submit = useSubmit();
  const [params] = useSearchParams();
  const told = crops.filter((c) => c.gluts.length > 0 || c.gaps.length > 0 || c.tooMuch !== "");
  const keepers = crops.filter((c) => c.keeper);
  const weeks = (n: number) => (n === 1 ? "a week" : `${n} weeks`);
  return (
    <Page
      title={`Gluts and gaps ${year}`}
      lead={
        <>
          What came in each week against what you eat, put by and give away, as you said under{" "}
          <Anchor to="/settings/household">what you like</Anchor>.
        </>
      }
      actions={
        crops.length > 0 && (
          <LinkButton to={`/out/season/weeks?${params}`} variant="outline" reloadDocument>
            <Download size={18} /> CSV
          </LinkButton>
        )
      }
    >
      <SeasonNav />
      <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}>
        <Select name="year" aria-label="Season" defaultValue={year} w="auto" mb="5">
          <Options of={years} />
        </Select>
      </Form>
      {crops.length === 0 && <Text color="inkSoft">Nothing was picked in {year}.</Text>}
      {crops.length > 0 && (
        <>
          <Box mb="9">
            <WeekCells view={loaderData} />
            <WeekLegend />
          </Box>
          <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="12">
            <Box>
              <Section title="Too much, and nothing">
                {told.length === 0 && <Text color="inkSoft">Neither: it came as it was used.</Text>}
                {told.map((c) => (
                  <Box key={c.id} py="2" borderTopWidth="1px" borderColor="ruleSoft">
                    <Flex justify="space-between" gap="3">
                      <Text fontWeight="650">{c.name}</Text>
                      {c.tooMuch && <Text>{c.tooMuch} too much</Text>}
                    </Flex>
                    {c.gluts.length > 0 && (
                      <Text fontSize="sm">
                        Too much for {c.gluts.map((g) => `${weeks(g.weeks)} from ${g.from} (${g.over})`).join(", ")}
                      </Text>
                    )}
                    {c.gaps.length > 0 && (
                      <Text fontSize="sm" color="inkSoft">
                        Nothing for {c.gaps.map((g) => `${weeks(g.weeks)} from ${g.from}`).join(", ")}
                      </Text>
                    )}
                    {!c.keeper && (c.gaps.length > 0 || c.gluts.length > 0) && (
                      <Anchor to={`/season/sowings?crop=${c.id}`} fontSize="sm">
                        Spread it over the season
                      </Anchor>
                    )}
                  </Box>
                ))}
              </Section>
              {keepers.length > 0 && (
                <Section title="What keeps" note="not by the week: how long the whole crop feeds you">
                  {keepers.map((c) => (
                    <Flex
                      key={c.id}
                      justify="space-between"
                      gap="3"
                      py="1.5"
                      borderTopWidth="1px"
                      borderColor="ruleSoft"
                    >
                      <Text>
                        {c.name}, {c.weekly} a week
                      </Text>
                      <Text fontWeight="600">{c.worth}</Text>
                    </Flex>
                  ))}
                </Section>
              )}
            </Box>
            <Section title="Plants that are enough" note="by what the house eats and what a plant gave here">
              {enough.map((e) => (
                <Box key={e.id} py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Flex justify="space-between" gap="3">
                    <Text>{e.name}</Text>
                    <Text fontWeight="650" color={e.off ? "madder" : "ink"}>
                      {e.words}
                    </Text>
                  </Flex>
                  <Text fontSize="sm" color="inkSoft">
                    {e.why}
                  </Text>
                </Box>
              ))}
              {enough.length === 0 && <Text color="inkSoft">No planting says how many plants it had.</Text>}
            </Section>
          </Grid>
        </>
      )}
    </Page>
  );
}
