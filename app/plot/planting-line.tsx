import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Bird, CloudRain, Droplets, Eye, Flag, Route as RouteIcon, Scale, Sprout } from "lucide-react";
import { Link } from "react-router";
import { daysBetween, sayDate } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { TimelineEvent } from "#core/season/timeline";
import { sayOffRange } from "#core/season/words";
import { sayMass } from "#core/units/mass";
import { yieldLines } from "../picks/yield-words";
import { SumRow } from "../season/sum-row";
import { missing } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { LinkButton, Page, Section } from "../ui/ui";
import type { Route } from "./+types/planting-line";
import { EventGap } from "./event-gap";
import { plantingLine } from "./planting-line.server";

export function loader({ params }: Route.LoaderArgs) {
  const line = plantingLine(gardenNow(), params.plantingId);
  if (!line) throw missing("planting");
  return line;
}

export const meta: Route.MetaFunction = () => [{ title: "Time line · Akmedon" }];

const SIGNS: Record<TimelineEvent["kind"], typeof Eye> = {
  start: Sprout,
  look: Eye,
  round: RouteIcon,
  pick: Scale,
  treatment: Droplets,
  weather: CloudRain,
  loss: Bird,
  end: Flag,
};
const pageOf = (e: TimelineEvent): string | null =>
  e.id === null
    ? null
    : ({ look: `/looks/${e.id}`, pick: `/picks/${e.id}`, round: `/rounds/${e.id}` }[e.kind as "look"] ?? null);

/** The life of one planting: what was seen, planned, picked and done, and the weather that bore on it. */
export default function PlantingLine({ loaderData }: Route.ComponentProps) {
  const { planting, bed, crop, units, today, figures: f, kept, rounds, events } = loaderData;
  const facts: [string, string][] = [
    ["Weighed", sayMass(f.totals.weighedG, units)],
    ...(f.totals.estimatedG > 0 ? [["Estimated", sayMass(f.totals.estimatedG, units)] as [string, string]] : []),
    ...(f.totals.besideG > 0 ? [["Tops and the like", sayMass(f.totals.besideG, units)] as [string, string]] : []),
    ["Picks", String(f.totals.picks)],
    ...(f.interval
      ? [
          [
            "From pick to pick",
            `${loaderData.gap} as a rule, ${f.interval.longest} ${f.interval.longest === 1 ? "day" : "days"} at the longest`,
          ] as [string, string],
        ]
      : []),
    ...(f.perPlantG !== null ? [["A plant", sayMass(f.perPlantG, units)] as [string, string]] : []),
    ...yieldLines({ ...f, perPlantG: null }, units).map((l): [string, string] => [
      l.of[0]!.toUpperCase() + l.of.slice(1),
      l.amount,
    ]),
    ...(f.minutesPerKg !== null
      ? [["A kilo took", `${f.minutesPerKg.toFixed(f.minutesPerKg < 10 ? 1 : 0)} minutes`] as [string, string]]
      : []),
  ];
  return (
    <Page
      title={plantingName(planting, crop)}
      lead={`${bed}, day ${daysBetween(planting.startedOn, planting.endedOn ?? today)}`}
      actions={
        <>
          <LinkButton to={`/plot/plantings/${planting.id}`} variant="outline">
            The planting
          </LinkButton>
          <LinkButton to={`/season/lessons?planting=${planting.id}`} variant="outline">
            A lesson
          </LinkButton>
          <LinkButton to={`/picks?planting=${planting.id}`} variant="outline">
            Its picks
          </LinkButton>
        </>
      }
    >
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1.5fr) minmax(260px, 0.8fr)" }} gap="10">
        <Box order={{ base: 2, lg: 1 }}>
          <Section title="What befell it" note={`${events.length} entries, latest first`}>
            <Box as="ol" listStyleType="none">
              {events.map((e, i) => {
                const Sign = SIGNS[e.kind];
                const page = pageOf(e);
                const sameDay = i > 0 && events[i - 1]!.day === e.day;
                return (
                  <Flex
                    as="li"
                    key={`${e.day} ${e.kind} ${e.id ?? e.words}`}
                    gap="3"
                    py="2"
                    borderTopWidth={sameDay ? "0" : "1px"}
                    borderColor="ruleSoft"
                  >
                    <Text w="6.5em" flexShrink="0" color="inkSoft">
                      {sameDay ? "" : sayDate(e.day)}
                    </Text>
                    <Box color={e.kind === "pick" ? "moss" : "inkSoft"} flexShrink="0" pt="0.5">
                      <Sign size={18} aria-hidden="true" />
                    </Box>
                    <Text fontWeight={e.kind === "pick" ? "650" : "400"}>
                      {page ? (
                        <chakra.span textDecoration="underline" textUnderlineOffset="3px">
                          <Link to={page}>{e.words}</Link>
                        </chakra.span>
                      ) : (
                        e.words
                      )}
                    </Text>
                  </Flex>
                );
              })}
            </Box>
          </Section>
        </Box>
        <Box order={{ base: 1, lg: 2 }}>
          <Section title="What it came to">
            <Text mb="3">{sayOffRange(f)[0]!.toUpperCase() + sayOffRange(f).slice(1)}.</Text>
            {facts.map(([name, value]) => (
              <Flex key={name} justify="space-between" gap="4" py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                <Text color="inkSoft">{name}</Text>
                <Text fontWeight="600" textAlign="right">
                  {value}
                </Text>
              </Flex>
            ))}
            {loaderData.sums.map((s) => (
              <SumRow key={s.name} sum={s} />
            ))}
            <EventGap events={events} />
            {kept && (
              <Text mt="4">
                {rounds === 1 ? "The round" : `The ${rounds} rounds`} gone for it promised{" "}
                {sayMass(kept.expectedG, units)} and brought {sayMass(kept.gotG, units)}, {Math.round(kept.ratio * 100)}{" "}
                %. The next plans reckon with every pick of it.
              </Text>
            )}
          </Section>
        </Box>
      </Grid>
    </Page>
  );
}
