import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { redirect } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import { closeStandIn, renewStandInKey } from "#db/stand-in-links";
import { byIntent, formOf, missing, typedOf } from "../server/forms.server";
import { dataDir, gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { Anchor, Button, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/stand-in";
import { nextTrip, readBack, standInLink, standInView } from "./stand-in.server";
import { StandInWays } from "./stand-in-ways";

export async function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const trip = nextTrip(d);
  if (!trip) return { trip: null };
  return { ...standInView(d, trip), link: await standInLink(trip, url.origin) };
}

/** Makes, renews or closes the stand-in's link; reads back the file of one who had no link. */
export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  const d = gardenNow();
  const trip = nextTrip(d);
  if (!trip) throw missing("trip");
  const then = (work: (dir: string, tripId: string) => unknown) => () => {
    work(dataDir(), trip.id);
    return redirect("/rounds/stand-in");
  };
  return byIntent(typedOf(form), {
    "open-link": then(renewStandInKey),
    "renew-link": then(renewStandInKey),
    "close-link": then(closeStandIn),
    "read-back": () => readBack(d, trip, form.get("file")),
  });
}

export const meta: Route.MetaFunction = () => [{ title: "Stand-in’s sheet · Akmedon" }];

/** The stand-in’s sheet: on paper, by a link, or as a file. */
export default function StandIn({ loaderData, actionData }: Route.ComponentProps) {
  if (!loaderData.trip)
    return (
      <Page title="Stand-in’s sheet">
        <Note title="No trip is planned">
          Say when you are away, and who stands in, in <Anchor to="/settings#trips">settings</Anchor>.
        </Note>
      </Page>
    );
  const { trip, who, gardenName, rounds, left, comes, cautions, link } = loaderData;
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
      {rounds.length > 0 && (
        <StandInWays who={who} link={link} faults={actionData && "errors" in actionData ? actionData : null} />
      )}
      <Text fontSize="sm" color="inkSoft">
        At the first thunder go in, and come out half an hour after the last. Take no risks with blades or heavy
        lifting.
      </Text>
    </Page>
  );
}
