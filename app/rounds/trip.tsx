import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { scheduleOf } from "#core/planning/rounds/rounds";
import { type TripLine, tripPlan } from "#core/planning/rounds/trip-plan";
import { sayMass } from "#core/units/mass";
import { gardenNow } from "../server/garden-now.server";
import { Term } from "../ui/term";
import { Anchor, Button, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/trip";
import { roundsAhead } from "./rounds.server";

/** What to do before the next trip, meanwhile and after it, read off the rounds as planned. */
export function loader() {
  const d = gardenNow();
  const { outlook, snapshot, today } = d;
  const trip = snapshot.trips.filter((t) => t.toDay >= today).sort((a, b) => (a.fromDay < b.fromDay ? -1 : 1))[0];
  if (!trip) return { trip: null };
  const { rounds, problem } = roundsAhead(d);
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const lists = tripPlan(problem, scheduleOf(problem, rounds), trip, (id) => byId.get(id)!.crop);
  const named = (plantingId: string) => {
    const p = byId.get(plantingId)!;
    return { plantingId, kind: plantingName(p.planting, p.crop), bed: p.bed.name };
  };
  const { units } = snapshot.garden;
  const line = (l: TripLine) => ({
    ...named(l.plantingId),
    words: `${sayDay(l.day)} ${l.startsAt}, about ${sayMass(l.massG, units)}`,
  });
  return {
    trip,
    planned: rounds.length > 0,
    strip: lists.strip.map(line),
    small: lists.small.map(line),
    take: lists.take.map(line),
    blush: lists.blush.map((x) => ({ ...named(x.plantingId), words: `${sayDay(x.day)} ${x.startsAt}` })),
    ask: lists.ask.map(line),
    first: lists.first.map(line),
    past: lists.past.map((x) => ({ ...named(x.plantingId), words: `${sayMass(x.massG, units)} over-age` })),
    leave: lists.leave.map((x) => ({ ...named(x.plantingId), words: "" })),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Before and after the trip · Akmedon" }];

type Item = { plantingId: string; kind: string; bed: string; words: string };

function List({ title, note, items, none }: { title: string; note: string; items: readonly Item[]; none: string }) {
  return (
    <Section title={title} note={note}>
      {items.length === 0 && <Text color="inkSoft">{none}</Text>}
      {items.map((x) => (
        <Text key={x.plantingId + x.words} py="1.5" borderBottomWidth="1px" borderColor="ruleSoft">
          <Anchor to={`/plot/plantings/${x.plantingId}`}>{x.kind}</Anchor>{" "}
          <chakra.span color="inkSoft">
            {x.bed}
            {x.words && `, ${x.words}`}
          </chakra.span>
        </Text>
      ))}
    </Section>
  );
}

export default function TripPage({ loaderData }: Route.ComponentProps) {
  if (!loaderData.trip)
    return (
      <Page title="Before and after the trip">
        <Note title="No trip is planned">
          Say when you are away in <Anchor to="/settings#trips">settings</Anchor>, or take it from your calendar there.
        </Note>
      </Page>
    );
  const { trip, planned, strip, small, take, blush, ask, first, past, leave } = loaderData;
  const who = trip.standIn || "a stand-in";
  return (
    <Page
      title={trip.name}
      lead={
        <>
          Away {sayDay(trip.fromDay)} to {sayDay(trip.toDay)}. Read off the rounds as they are planned now, for you and
          the stand-in
          <Term of="stand-in" />.
        </>
      }
      actions={
        <>
          <Button type="button" variant="outline" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to="/rounds/stand-in" variant="outline">
            Stand-in’s sheet
          </LinkButton>
          <LinkButton to="/rounds" variant="outline">
            Rounds
          </LinkButton>
        </>
      }
    >
      {!planned && (
        <Note tone="caution">
          No round is planned yet: <Anchor to="/rounds">plan the fortnight</Anchor> first, and these lists fill.
        </Note>
      )}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gapX="12">
        <Box>
          <List
            title="Strip before you go"
            note="Everything, green ones too"
            items={strip}
            none={
              past.length > 0
                ? "Nothing pays stripping. What goes over meanwhile stands under “Past it by then”."
                : "Nothing needs stripping."
            }
          />
          <List
            title="Pick small before you go"
            note="What is left grows past its size meanwhile"
            items={small}
            none="Nothing would overshoot."
          />
          <List
            title="Take the coloured ones too"
            note="They ripen in the house; on the plant they would go over"
            items={blush}
            none="Nothing is in its first colour."
          />
          <List title="Take as it is ready" note="On the rounds before" items={take} none="Nothing." />
          <List title="Leave standing" note="It bears the days without you" items={leave} none="Nothing is left." />
        </Box>
        <Box>
          <List
            title={`Ask of ${who}`}
            note={
              trip.standInMinutes > 0 ? `${trip.standInMinutes} minutes every other evening` : "nobody picks so far"
            }
            items={ask}
            none="The plan asks for nothing."
          />
          <List
            title="First when you are back"
            note="The most that would go over first"
            items={first}
            none="Nothing is planned after it yet."
          />
          <List
            title="Past it by then"
            note="Clear it off so that the plants bear on; compost, animals or seed"
            items={past}
            none="Nothing goes mostly over."
          />
        </Box>
      </Grid>
    </Page>
  );
}
