import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { sayDay, weekdayName } from "#core/calendar/day";
import { isAway, standInDays } from "#core/calendar/windows";
import { plantingName } from "#core/garden/name";
import { cautionsOfAll } from "#core/handbook/cautions";
import { sayMass } from "#core/units/mass";
import { Cautions } from "../components/cautions";
import { Anchor, Button, LinkButton, Note, Page, Section } from "../components/ui";
import { desk } from "../server/desk.server";
import { roundsAhead } from "../server/rounds.server";
import type { Route } from "./+types/stand-in";

/** What a stand-in needs on paper: when to come, what to take where and how, and what to leave alone. */
export function loader() {
  const d = desk();
  const { snapshot, outlook, today } = d;
  const trip = snapshot.trips.filter((t) => t.toDay >= today).sort((a, b) => (a.fromDay < b.fromDay ? -1 : 1))[0];
  if (!trip) return { trip: null };
  const { units } = snapshot.garden;
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const rounds = roundsAhead(d)
    .rounds.filter((r) => isAway(r.day, [trip]))
    .map((r) => ({
      id: r.id,
      day: r.day,
      startsAt: r.startsAt,
      lines: r.lines.flatMap((l) => {
        const p = byId.get(l.plantingId);
        return p
          ? [
              {
                id: l.id,
                plantingId: l.plantingId,
                kind: plantingName(p.planting, p.crop),
                crop: p.crop.name,
                bed: p.bed.name,
                all: l.take === "strip",
                expected: sayMass(l.expectedG, units),
                how: p.crop.technique.how,
                leave: p.crop.technique.leave,
                atOnce: p.crop.atOnce,
              },
            ]
          : [];
      }),
    }));
  const all = roundsAhead(d).rounds;
  const asked = new Set(all.filter((r) => isAway(r.day, [trip])).flatMap((r) => r.lines.map((l) => l.plantingId)));
  // what is taken whole before the trip is not there any more
  const gone = new Set(
    all
      .filter((r) => r.day < trip.fromDay)
      .flatMap((r) => r.lines.filter((l) => l.take === "strip" || byId.get(l.plantingId)?.supply.once))
      .map((l) => l.plantingId),
  );
  return {
    trip,
    gardenName: snapshot.garden.name,
    comes: standInDays(trip).length,
    rounds,
    cautions: cautionsOfAll(
      rounds.flatMap((r) => r.lines.flatMap((l) => byId.get(l.plantingId)?.crop ?? [])),
      "picking",
      "carrying",
      "kitchen",
    ),
    left: outlook.plantings
      .filter((p) => !asked.has(p.planting.id) && !gone.has(p.planting.id))
      .map((p) => ({
        id: p.planting.id,
        kind: plantingName(p.planting, p.crop),
        bed: p.bed.name,
      })),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Stand-in’s sheet · Akmedon" }];

export default function StandIn({ loaderData }: Route.ComponentProps) {
  if (!loaderData.trip)
    return (
      <Page title="Stand-in’s sheet">
        <Note title="No trip is planned">
          Say when you are away, and who stands in, in <Anchor to="/settings#trips">settings</Anchor>.
        </Note>
      </Page>
    );
  const { trip, gardenName, rounds, left, comes, cautions } = loaderData;
  const who = trip.standIn || "whoever stands in";
  return (
    <Page
      title={`For ${who}`}
      lead={`${gardenName}, ${sayDay(trip.fromDay)} to ${sayDay(trip.toDay)}. Take home what you pick, and thank you.`}
      actions={
        <>
          <Button type="button" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to="/rounds" variant="outline">
            Rounds
          </LinkButton>
        </>
      }
    >
      {trip.standInMinutes === 0 && (
        <Box data-noprint>
          <Note>
            Nobody picks on this trip yet. Give the stand-in some minutes in{" "}
            <Anchor to="/settings#trips">settings</Anchor> and replan.
          </Note>
        </Box>
      )}
      {comes > 0 && rounds.length === 0 && (
        <Note>
          The plan sends nobody meanwhile: what would be lost is worth less than the minutes. Pin a round of your own on
          one of those days if you see it otherwise.
        </Note>
      )}
      {rounds.map((r) => (
        <Section key={r.id} title={`${weekdayName(r.day)} ${Number(r.day.slice(8))}, from ${r.startsAt}`}>
          {r.lines.map((l, i) => (
            <Flex
              key={l.id}
              gap="4"
              py="2.5"
              borderBottomWidth="1px"
              borderColor="ruleSoft"
              css={{ breakInside: "avoid" }}
            >
              <Box flex="1">
                <Text>
                  {i + 1}. <strong>{l.kind}</strong> <chakra.span color="inkSoft">{l.bed}</chakra.span>:{" "}
                  {l.all ? "everything, green ones too" : "only what is ready"}, about {l.expected}.
                </Text>
                <Text fontSize="sm">
                  {l.how} Leave {l.leave}. {l.atOnce}
                </Text>
              </Box>
              <Text whiteSpace="nowrap" color="inkSoft" alignSelf="flex-end">
                got ____________
              </Text>
            </Flex>
          ))}
        </Section>
      ))}
      <Cautions of={cautions} />
      <Section title="Leave these alone" note="They can wait until the household is back">
        <Text>{left.map((l) => `${l.kind} in ${l.bed}`).join("; ") || "Everything is on the list."}</Text>
      </Section>
      <Text fontSize="sm" color="inkSoft">
        At the first thunder go in, and come out half an hour after the last. Take no risks with blades or heavy
        lifting.
      </Text>
    </Page>
  );
}
