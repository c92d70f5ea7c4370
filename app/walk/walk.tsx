import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { Link, useFetcher } from "react-router";
import { daysBetween, sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { isPick } from "#core/planting/verdict";
import { sayCall } from "#core/planting/words";
import { kitOfWalk } from "../handbook/kit.server";
import { lastGood, useKept } from "../offline/last-good";
import { useWaiting } from "../offline/use-waiting";
import { gardenNow } from "../server/garden-now.server";
import { CropGlyph } from "../ui/crop-glyph";
import { Kit } from "../ui/tick-row";
import { LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/walk";
import { VerdictTag } from "./verdict";
import { leavesWet, seenToday, thunderAbout, walkOrder } from "./walk.server";
import { keepSheets } from "./walk-offline";

export function loader() {
  const d = gardenNow();
  const { snapshot, today } = d;
  const seen = seenToday(d);
  const order = walkOrder(d).map((p) => {
    const last = snapshot.checks.filter((c) => c.plantingId === p.planting.id).at(-1);
    return {
      id: p.planting.id,
      kind: plantingName(p.planting, p.crop),
      crop: p.crop.name,
      bed: p.bed.name,
      site: p.bed.site,
      turn: p.turn,
      glyph: p.crop.glyph,
      stage: p.judgement.meanStage,
      verdict: p.judgement.verdict,
      call: p.judgement.call && sayCall(p.judgement.call, today),
      seen: seen.has(p.planting.id),
      last: last ? daysBetween(last.at.slice(0, 10), today) : null,
      lookAgain: sayNear(p.judgement.lookAgain, today),
      lookAgainDay: p.judgement.lookAgain,
    };
  });
  const beds: { name: string; turn: string; plantings: typeof order }[] = [];
  for (const p of order) {
    const bed = beds.at(-1);
    if (bed?.name === p.bed && bed.turn === p.turn) bed.plantings.push(p);
    else beds.push({ name: p.bed, turn: p.turn, plantings: [p] });
  }
  return {
    beds,
    total: order.length,
    seen: order.filter((p) => p.seen).length,
    summary: {
      pick: order.filter((p) => p.seen && isPick(p.verdict)),
      soon: order.filter((p) => p.seen && (p.verdict === "nearly" || p.verdict === "test-one")),
      later: order
        .filter((p) => p.seen && (p.verdict === "not-yet" || p.verdict === "leave-for-seed"))
        .sort((a, b) => (a.lookAgainDay < b.lookAgainDay ? -1 : 1)),
    },
    kit: kitOfWalk(d),
    wet: leavesWet(d),
    thunder: thunderAbout(d),
  };
}

/** Without a signal the list stands as it was. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("walk", () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Walk · Akmedon" }];
type Stop = Route.ComponentProps["loaderData"]["summary"]["pick"][number];

const Row = chakra(Link, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "3",
    py: "2",
    minH: "60px",
    borderBottomWidth: "1px",
    borderColor: "ruleSoft",
    color: "ink",
    textDecoration: "none",
    _hover: { bg: "tint" },
  },
});
const TURN_WORDS: Record<string, string | undefined> = { "once-dry": "once the leaves are dry", last: "last: disease" };

export default function Walk({ loaderData }: Route.ComponentProps) {
  const { beds, total, seen, summary, wet, thunder, kit } = loaderData;
  const waiting = new Set(useWaiting().flatMap((w) => (w.path.startsWith("/walk/") ? [w.path.slice(6)] : [])));
  // what waits for the signal is walked already
  const next = beds.flatMap((b) => b.plantings).find((p) => !p.seen && !waiting.has(p.id))?.id ?? null;
  // while there is a signal, everything the walk needs is kept in the page
  useKept("walk", loaderData);
  const pickForm = useFetcher();
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the list is opened
  useEffect(() => {
    void keepSheets();
    void pickForm.load("/picks/new");
  }, []);
  if (total === 0)
    return (
      <Page title="Walk" lead="Nothing grows yet that could be looked at.">
        <Flex gap="2.5">
          <LinkButton to="/plot">To the plot</LinkButton>
          <LinkButton variant="outline" to="/walk/practice">
            Practise on drawn plants
          </LinkButton>
        </Flex>
      </Page>
    );
  return (
    <Page
      title={seen === 0 ? "Walk the beds" : seen === total ? "Walked" : "On the walk"}
      lead={`${seen} of ${total} plantings looked at today${waiting.size > 0 ? `, ${waiting.size} more wait for the signal` : ""}.`}
      actions={
        <>
          <LinkButton size="lg" variant="quiet" to="/walk/order">
            Order
          </LinkButton>
          <LinkButton size="lg" variant="outline" to="/walk/practice">
            Practise
          </LinkButton>
          {next ? (
            <LinkButton size="lg" to={`/walk/${next}`} prefetch="render" order={{ base: "-1", lg: "0" }}>
              {seen === 0 ? "Begin" : "Go on"}
            </LinkButton>
          ) : (
            <LinkButton size="lg" to="/rounds">
              Plan a round
            </LinkButton>
          )}
        </>
      }
    >
      <Box h="8px" bg="tint" borderRadius="full" mb="5" role="img" aria-label={`${seen} of ${total} done`}>
        <Box h="8px" bg="moss" borderRadius="full" w={`${(100 * seen) / total}%`} />
      </Box>
      {thunder && (
        <Note tone="caution" title="Thunder is likely about">
          At the first thunder leave forks, ladders and the plot; go out again 30 minutes after the last (US National
          Weather Service).
        </Note>
      )}
      {wet && (
        <Note tone="caution" title="The leaves are likely wet">
          Roots, leaves and heads come first; keep hands off tomatoes, beans and cucurbits until they are dry.
        </Note>
      )}
      {kit.length > 0 && seen < total && (
        <Box mb="6">
          <Text mb="2" fontWeight="650">
            Take along
          </Text>
          <Kit things={kit} />
        </Box>
      )}
      {seen > 0 && <Summary {...summary} />}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr", xl: "1fr 1fr 1fr" }} gapX="10" alignItems="start">
        {beds.map((bed) => (
          <Section
            key={`${bed.name}/${bed.turn}`}
            title={bed.name}
            note={[bed.plantings[0]?.site, TURN_WORDS[bed.turn]].filter(Boolean).join(", ") || undefined}
          >
            {bed.plantings.map((p) => (
              <Row key={p.id} to={`/walk/${p.id}`}>
                <CropGlyph kind={p.glyph} stage={p.stage} />
                <Box flex="1">
                  <Text fontWeight="650">{p.kind}</Text>
                  <Text fontSize="sm" color="inkSoft">
                    {waiting.has(p.id)
                      ? "seen, waits for the signal"
                      : p.seen
                        ? "seen today"
                        : p.last === null
                          ? "not looked at yet"
                          : `${p.last} days ago`}{" "}
                    · again {p.lookAgain}
                  </Text>
                </Box>
                <VerdictTag verdict={p.verdict} />
              </Row>
            ))}
          </Section>
        ))}
      </Grid>
    </Page>
  );
}

/** What today's looks come to: to pick now, to expect soon, and when to look at the rest again. */
function Summary({ pick, soon, later }: { pick: Stop[]; soon: Stop[]; later: Stop[] }) {
  return (
    <Section title="What today’s looks come to">
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1.2fr 1fr 1fr" }} gap="6">
        <Box>
          <Text fontWeight="650" mb="2">
            Pick now
          </Text>
          {pick.length === 0 && <Text color="inkSoft">Nothing yet.</Text>}
          <Flex gap="2" wrap="wrap">
            {pick.map((p) => (
              <LinkButton key={p.id} variant="outline" to={`/picks/new?planting=${p.id}`} prefetch="render">
                {p.kind}, {p.bed}
              </LinkButton>
            ))}
          </Flex>
          {pick.length > 0 && (
            <LinkButton mt="3" variant="quiet" to="/rounds">
              Plan a round
            </LinkButton>
          )}
        </Box>
        <Dated title="Soon" stops={soon} />
        <Dated title="Look again" stops={later} />
      </Grid>
    </Section>
  );
}

function Dated({ title, stops }: { title: string; stops: Stop[] }) {
  return (
    <Box>
      <Text fontWeight="650" mb="2">
        {title}
      </Text>
      {stops.length === 0 && <Text color="inkSoft">Nothing.</Text>}
      {stops.map((p) => (
        <Text key={p.id}>
          {p.kind} <chakra.span color="inkSoft">{p.lookAgain}</chakra.span>
        </Text>
      ))}
    </Box>
  );
}
