import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { CalendarArrowDown, Sparkles, Split, UserRound } from "lucide-react";
import { useMemo } from "react";
import { Form, useSearchParams } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import { slotTime } from "#core/planning/question/problem";
import { totalsOf } from "#core/planning/rounds/explain";
import { moveLines, moveRound } from "#core/planning/rounds/hand-moves";
import { fullestPlaces } from "#core/planning/rounds/left";
import { scheduleOf } from "#core/planning/rounds/rounds";
import { lastGood, useKept } from "../offline/last-good";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { Anchor, Button, LinkButton, Note, Page, RowAnchor, Section } from "../ui/ui";
import { saysPhone, useNarrow } from "../ui/use-narrow";
import type { Route } from "./+types/rounds";
import { LaneLegend } from "./lane-legend";
import { Lanes } from "./lanes";
import { Ledger } from "./ledger";
import { RoundCard } from "./round-card";
import { changeRounds } from "./rounds-action.server";
import { roundsView } from "./rounds-view.server";
import { useLivePlan } from "./use-live-plan";
import { useQuestion } from "./use-question";
import { useRoundDrag } from "./use-round-drag";

export const loader = ({ request }: Route.LoaderArgs) => ({
  ...roundsView(gardenNow()),
  onPhone: saysPhone(request.headers),
});

export async function action({ request }: Route.ActionArgs) {
  return changeRounds(gardenNow(), typedOf(await formOf(request)));
}

/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("rounds", () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Rounds · Akmedon" }];

export default function Rounds({ loaderData, actionData }: Route.ComponentProps) {
  useKept("rounds", loaderData);
  const { lanes, days, rounds, units, today, note, windows, trip } = loaderData;
  const { problem, coming } = useQuestion(loaderData.revision);
  const narrow = useNarrow(loaderData.onPhone);
  const { slots, now, fullest } = loaderData;
  const { moving, grab, key } = useRoundDrag(rounds, slots, days.length);
  const movingSlot = moving ? slots.find((s) => s.id === moving.slotId) : null;

  const movedRounds = useMemo(() => {
    if (!moving || !movingSlot) return null;
    return moving.plantingId
      ? moveLines(rounds, moving.roundId, [moving.plantingId], movingSlot, "moved")
      : moveRound(rounds, moving.roundId, movingSlot);
  }, [rounds, moving, movingSlot]);
  const what = useMemo(
    () => problem && movedRounds && totalsOf(problem, scheduleOf(problem, movedRounds)),
    [problem, movedRounds],
  );
  const room = useMemo(() => {
    const placesOf = (list: typeof rounds) => (problem ? fullestPlaces(problem, scheduleOf(problem, list)) : []);
    const tightest = (movedRounds ? placesOf(movedRounds)[0] : null) ?? fullest;
    if (!tightest || tightest.peak <= 0.5) return null;
    const before = movedRounds ? placesOf(rounds).find((f) => f.room.place === tightest.room.place) : tightest;
    return { ...tightest, was: (before ?? tightest).peak };
  }, [problem, fullest, rounds, movedRounds]);

  const movedRound = moving ? rounds.find((r) => r.id === moving.roundId) : undefined;
  const around = useLivePlan(
    problem,
    movedRound && movingSlot
      ? {
          day: movingSlot.day,
          startsAt: movingSlot.startsAt,
          lines: movedRound.lines.filter((l) => !moving?.plantingId || l.plantingId === moving.plantingId),
        }
      : null,
  );
  const cardSlots = useMemo(() => {
    const held = new Set(rounds.map((r) => `${r.day}T${r.startsAt}`));
    return slots.map((s) => ({ ...s, holds: held.has(s.id) }));
  }, [rounds, slots]);
  const [params] = useSearchParams();
  const wordsOnly = params.get("view") === "words";

  const laneRounds = rounds.map((r) => {
    const slot = moving?.roundId === r.id && !moving.plantingId && movingSlot ? movingSlot : r;
    return {
      id: r.id,
      t: slotTime(today, r.day, r.startsAt),
      label: `${weekdayName(slot.day)} ${slot.startsAt}${r.by && slot === r ? `, ${r.by} goes` : ""}`,
      pinned: r.pinned,
      beads: r.lines.map((l) => ({ plantingId: l.plantingId, take: l.take })),
    };
  });
  const movingT = moving && movingSlot ? { ...moving, t: movingSlot.t } : null;

  if (lanes.length === 0)
    return (
      <Page title="Rounds" lead="When something grows, its lane appears here.">
        <LinkButton to="/plot">To the plot</LinkButton>
      </Page>
    );
  const ways = (
    <>
      <Form method="post" preventScrollReset>
        <Button type="submit" name="intent" value="plan">
          <Sparkles size={18} /> {rounds.length === 0 ? "Plan the fortnight" : "Replan"}
        </Button>
      </Form>
      {rounds.length > 0 && (
        <LinkButton variant="outline" to="/rounds/what-if">
          <Split size={18} /> What if
        </LinkButton>
      )}
      {trip && (
        <LinkButton variant="outline" to="/rounds/stand-in">
          <UserRound size={18} /> Stand-in’s sheet
        </LinkButton>
      )}
      {rounds.length > 0 && (
        <LinkButton variant="outline" to="/out/rounds.ics" reloadDocument>
          <CalendarArrowDown size={18} /> Calendar
        </LinkButton>
      )}
    </>
  );
  const links = (
    <Flex columnGap="5" mb="3" fontSize="sm" wrap="wrap" data-noprint>
      <RowAnchor to={wordsOnly ? "/rounds" : "/rounds?view=words"} preventScrollReset>
        {wordsOnly ? "Show the lanes" : "Words only"}
      </RowAnchor>
      {loaderData.tripName && <RowAnchor to="/rounds/trip">Before and after: {loaderData.tripName}</RowAnchor>}
      <RowAnchor to="/settings/household">Taste and room</RowAnchor>
      <RowAnchor to="/settings#windows">Your hours</RowAnchor>
      <RowAnchor to="/rounds/meal">For a meal</RowAnchor>
    </Flex>
  );
  return (
    <Page
      title="Rounds"
      lead={
        rounds.length === 0
          ? "No round is planned. The planner weighs ripeness, frost, gales, your absence and your minutes."
          : "Drag a round’s tag, or one bead of it, or move them with the arrow keys, and see what it costs."
      }
      actions={narrow && rounds.length > 0 ? undefined : ways}
    >
      {actionData && "errors" in actionData && <Note tone="caution">{actionData.errors.form}</Note>}
      {loaderData.missed.length > 0 && (
        <Note
          title={
            loaderData.missed.length === 1 ? "A round was missed" : `${loaderData.missed.length} rounds were missed`
          }
        >
          {loaderData.missed.map((r) => `${sayDay(r.day)} ${r.startsAt}: ${r.names.join(", ")}`).join("; ")}. What it
          left standing is reckoned in; replan, or log what was picked after all.
        </Note>
      )}
      {windows === 0 && (
        <Note tone="caution" title="No time to go out is known">
          Say on which days and for how long you can usually pick, in <Anchor to="/settings#windows">settings</Anchor>.
          The planner only opens those.
        </Note>
      )}
      <Ledger
        now={now}
        what={what}
        coming={coming}
        around={around}
        room={room}
        units={units}
        note={note}
        rounds={rounds.length}
        label={
          moving && movingSlot
            ? `${sayDay(movingSlot.day)} ${movingSlot.startsAt}${movingSlot.by ? `, ${movingSlot.by}` : movingSlot.away ? ", you are away" : movingSlot.allowed ? "" : ", outside your windows"}`
            : null
        }
      />
      {!narrow && links}
      {!wordsOnly && (
        <Box
          bg="sheet"
          borderWidth="1px"
          borderColor="rule"
          px={{ base: "1", md: "5" }}
          pt="4"
          pb="2"
          mx={{ base: "-3", md: "0" }}
        >
          <Lanes
            lanes={lanes}
            days={days}
            rounds={laneRounds}
            narrow={narrow}
            moving={movingT}
            onGrab={grab(narrow)}
            onKey={key}
          />
        </Box>
      )}
      {!wordsOnly && <LaneLegend />}
      {narrow && (
        <Box mt="5" data-noprint>
          {rounds.length > 0 && (
            <Flex gap="2.5" wrap="wrap" mb="2">
              {ways}
            </Flex>
          )}
          {links}
        </Box>
      )}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="10" mt="8">
        {rounds.map((r) => (
          <RoundCard
            key={r.id}
            round={r}
            slots={cardSlots}
            today={today}
            units={units}
            roundMinutes={loaderData.roundMinutes}
            plantings={lanes}
          />
        ))}
      </Grid>
      {rounds.length > 0 && (
        <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="10">
          <Section title="Left standing" note="No round takes these, and why">
            {loaderData.left.length === 0 && <Text color="inkSoft">Every planting has its round.</Text>}
            {loaderData.left.map((l) => (
              <Text key={l.plantingId} py="1.5" borderBottomWidth="1px" borderColor="ruleSoft">
                <strong>{l.kind}</strong> <chakra.span color="inkSoft">{l.bed}:</chakra.span> {l.why}
              </Text>
            ))}
          </Section>
          <Section title="Room at home" note="Each place when it is fullest">
            {loaderData.places.length === 0 && (
              <Text color="inkSoft">
                No place is known; the plan takes it that there is room. Add yours under{" "}
                <Anchor to="/settings/household#places">taste and room</Anchor>.
              </Text>
            )}
            {loaderData.places.map((p) => (
              <Text key={p.words} py="1.5" borderBottomWidth="1px" borderColor="ruleSoft">
                {p.words}
              </Text>
            ))}
          </Section>
        </Grid>
      )}
    </Page>
  );
}
