import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { CircleCheck, CircleX } from "lucide-react";
import { sayNear } from "#core/calendar/day";
import { TELLS_WORDS } from "../server/devices/device";
import { inboxLines } from "../server/devices/inbox.server";
import { inboxOf } from "../server/devices/inbox-folder";
import { DEVICES } from "../server/devices/index.server";
import { gardenNow } from "../server/garden-now.server";
import { Anchor, Page, Section } from "../ui/ui";
import type { Route } from "./+types/devices";

export function loader() {
  const d = gardenNow();
  return {
    inbox: inboxOf(),
    demo: d.snapshot.garden.pinnedNow !== null,
    real: DEVICES.flatMap((x) =>
      x.simulated
        ? []
        : [
            {
              id: x.id,
              name: x.name,
              tells: TELLS_WORDS[x.tells],
              files: x.files,
              example: x.example(d.snapshot.garden.units),
              stays: !x.take,
            },
          ],
    ),
    simulated: DEVICES.flatMap((x) =>
      x.simulated ? [{ id: x.id, name: x.name, tells: TELLS_WORDS[x.tells], shows: x.shows(d) }] : [],
    ),
    lines: inboxLines().map((l) => ({ ...l, when: `${sayNear(l.at.slice(0, 10), d.today)}, ${l.at.slice(11)}` })),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Devices · Akmedon" }];

/** Scales, thermometers, stations: what the garden is told by a machine, and what came of it. */
export default function Devices({ loaderData }: Route.ComponentProps) {
  const { inbox, demo, real, simulated, lines } = loaderData;
  return (
    <Page
      title="Devices"
      lead="A scale, a thermometer or a weather station tells the garden by files: what its program lays into the inbox is taken in within seconds."
    >
      <Section title="The inbox" note="a folder on the machine that serves the garden">
        <chakra.code
          display="block"
          px="3"
          py="2"
          mb="4"
          bg="tint"
          borderWidth="1px"
          borderColor="rule"
          overflowWrap="anywhere"
        >
          {inbox}
        </chakra.code>
        {real.map((x) => (
          <Flex key={x.id} py="3" gap="4" wrap="wrap" borderTopWidth="1px" borderColor="ruleSoft">
            <Box flex="1" minW="15rem">
              <Text fontWeight="650">{x.name}</Text>
              <Text color="inkSoft" fontSize="sm">
                tells {x.tells}; file {x.files}
                {x.stays ? "; it stays where it is and may grow" : ""}
              </Text>
            </Box>
            <chakra.pre flex="1" minW="15rem" fontSize="sm" overflowX="auto">
              {x.example}
            </chakra.pre>
          </Flex>
        ))}
        <Text fontSize="sm" color="inkSoft" mt="2">
          A file that was taken in moves to the folder “taken” beside it, one that could not be read to “refused”, with
          the reason. A name of a place is its name under <Anchor to="/keep/places">Places</Anchor>, with “-” for
          spaces.
        </Text>
      </Section>
      <Section title="What came in">
        {lines.length === 0 && <Text color="inkSoft">Nothing yet.</Text>}
        {lines.map((l) => (
          <Flex key={`${l.at} ${l.file}`} py="2.5" gap="3" align="start" borderTopWidth="1px" borderColor="ruleSoft">
            <Box color={l.ok ? "moss" : "madder"} pt="0.5">
              {l.ok ? (
                <CircleCheck size={20} role="img" aria-label="taken in" />
              ) : (
                <CircleX size={20} role="img" aria-label="refused" />
              )}
            </Box>
            <Box flex="1">
              <Text fontWeight="600" overflowWrap="anywhere">
                {l.file}
              </Text>
              <Text whiteSpace="pre-line">{l.words}</Text>
            </Box>
            <Text color="inkSoft" fontSize="sm">
              {l.when}
            </Text>
          </Flex>
        ))}
      </Section>
      <Section
        title="Simulated, for trying out"
        note={demo ? "the demo garden lives by them" : "nothing they show is kept"}
      >
        {simulated.map((x) => (
          <Flex key={x.id} py="2.5" gap="4" wrap="wrap" borderTopWidth="1px" borderColor="ruleSoft">
            <Box flex="1" minW="15rem">
              <Text fontWeight="600">{x.name}</Text>
              <Text color="inkSoft" fontSize="sm">
                tells {x.tells}
              </Text>
            </Box>
            <Text flex="1" minW="15rem">
              {x.shows}
            </Text>
          </Flex>
        ))}
      </Section>
    </Page>
  );
}
