import { Box, Flex, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { Form } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import { standInOn } from "#core/calendar/windows";
import { bedCentre } from "#core/garden/bed";
import { plantingName } from "#core/garden/name";
import { cautionsOfAll } from "#core/handbook/cautions";
import { NOTHING_READY } from "#core/handbook/signs";
import type { Technique } from "#core/handbook/technique";
import { moveLines } from "#core/planning/rounds/hand-moves";
import { inPassing } from "#core/planning/rounds/in-passing";
import { fullestPlaces } from "#core/planning/rounds/left";
import { roundOrder } from "#core/planning/rounds/round-order";
import { scheduleOf } from "#core/planning/rounds/rounds";
import { sickBeds } from "#core/planning/rounds/walking-order";
import { sayPlace, TURN_WORDS } from "#core/planning/words";
import type { Check } from "#core/planting/check";
import { sayMarked } from "#core/planting/words";
import { sayMass } from "#core/units/mass";
import { proseIn } from "#core/units/prose";
import { sayDistance } from "#core/units/say";
import { newId } from "#db/change";
import { findRound, saveCheck, saveRound } from "#db/work";
import { roundKit, ticked } from "../handbook/kit.server";
import { techniqueOf } from "../handbook/technique.server";
import { JobGroup } from "../jobs/job-row";
import { inGroups, jobsAtBeds } from "../jobs/jobs.server";
import { lastGood, useKept } from "../offline/last-good";
import { byIntent, done, formOf, missing, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { Kit } from "../ui/tick-row";
import { Button, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/round";
import { InPassing, type PassingLine, RoundStop } from "./round-stop";
import { roundsAhead, saveMoved, slotIdOf } from "./rounds.server";

/** What of a technique is said at a stop. */
const wayOf = ({ how, leave, tool, container }: Technique) => ({ how, leave, tool, container });

export function loader({ params }: Route.LoaderArgs) {
  const round = findRound(db(), params.roundId);
  if (!round) throw missing("round");
  const d = gardenNow();
  const { outlook, snapshot } = d;
  const { units } = snapshot.garden;
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  // whoever goes out before the day of the round says it on the day he goes
  const since = round.day < outlook.today ? round.day : outlook.today;
  const saidNothing = (c: Check) => c.readings.some((r) => r.cueId === NOTHING_READY && r.value === true);
  const lines = round.lines.flatMap((l) => {
    const p = byId.get(l.plantingId);
    const picked = snapshot.picks.find((x) => x.roundId === round.id && x.plantingId === l.plantingId);
    if (!p) return [];
    return [
      {
        id: l.id,
        plantingId: l.plantingId,
        pickId: picked?.id ?? null,
        nothing: snapshot.checks.some(
          (c) => c.plantingId === l.plantingId && c.at.slice(0, 10) >= since && saidNothing(c),
        ),
        kind: plantingName(p.planting, p.crop),
        crop: p.crop.name,
        bed: p.bed.name,
        glyph: p.crop.glyph,
        stage: p.judgement.meanStage,
        take: l.take,
        minutes: Math.round(l.minutes),
        two: l.expectedG > TWO_CARRY_G,
        expected: sayMass(l.expectedG, units),
        marked: sayMarked(p.judgement.marked),
        why: sentence(proseIn(l.why, units)),
        ...wayOf(techniqueOf(d, p)),
        atOnce: p.crop.atOnce,
        note: p.bed.note,
      },
    ];
  });
  const sick = sickBeds(outlook.plantings, snapshot.checks, outlook.today);
  const gate = [...snapshot.beds].sort((a, b) => a.walkOrder - b.walkOrder)[0];
  const way = roundOrder(
    lines.map((l) => {
      const p = byId.get(l.plantingId)!;
      return { id: l.id, bed: p.bed, crop: p.crop, sick: sick.has(p.bed.id) };
    }),
    gate ? bedCentre(gate) : { xM: 0, yM: 0 },
    snapshot.garden.orderByHand,
  );
  const ordered = way.order.map(({ stop, turn, site }, k) => ({
    ...lines.find((l) => l.id === stop.id)!,
    // named where one goes on to another place
    site: site !== (way.order[k - 1]?.site ?? "") ? site || "Home" : null,
    // said once, where a new turn begins
    turn: way.order[k - 1]?.turn === turn && way.order[k - 1]?.site === site ? null : TURN_WORDS[turn],
  }));
  const gale = outlook.days
    .find((d) => d.weather.day === round.day)
    ?.hazards.find((h) => h.kind === "gale" && h.chance >= 0.3);
  const total = round.lines.reduce((s, l) => s + l.expectedG, 0);
  return {
    round: { id: round.id, day: round.day, startsAt: round.startsAt, status: round.status },
    lines: ordered,
    way: sayDistance(Math.round(way.wayM), units),
    total: sayMass(total, units),
    heavy: total > 15_000,
    minutes: Math.round(round.lines.reduce((s, l) => s + l.minutes, snapshot.garden.roundMinutes)),
    gale: Boolean(gale),
    room: roomFor(d, round),
    next: lines.some((l) => !l.pickId) ? nextHour(d, `${round.day}T${round.startsAt}`) : null,
    kit: ticked(d, round.id, roundKit(d, round)),
    by: standInOn(round.day, snapshot.trips),
    cautions: cautionsOfAll(
      lines.flatMap((l) => byId.get(l.plantingId)?.crop ?? []),
      "picking",
      "carrying",
    ),
    jobs:
      round.status === "planned"
        ? inGroups(jobsAtBeds(d, new Set(ordered.map((l) => byId.get(l.plantingId)!.bed.id)), round.day))
        : [],
    passing: round.status === "planned" ? passingOf(d, round, saidNothing, since) : [],
  };
}

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Plantings beside the round's own that deserve a glance on its day, in the order of the beds. */
function passingOf(
  d: ReturnType<typeof gardenNow>,
  round: NonNullable<ReturnType<typeof findRound>>,
  saidNothing: (c: Check) => boolean,
  since: string,
): PassingLine[] {
  const { garden, checks } = d.snapshot;
  const stopKg = (garden.lineMinutes / 60) * garden.hourWorth;
  const on = new Set(round.lines.map((l) => l.plantingId));
  const day = round.day < d.today ? d.today : round.day;
  const byId = new Map(d.outlook.plantings.map((p) => [p.planting.id, p]));
  return inPassing(d.outlook.plantings, day, on, stopKg)
    .map((g) => ({ g, p: byId.get(g.plantingId)! }))
    .sort((a, b) => a.p.bed.walkOrder - b.p.bed.walkOrder)
    .map(({ g, p }) => ({
      plantingId: g.plantingId,
      name: plantingName(p.planting, p.crop),
      bed: p.bed.name,
      glyph: p.crop.glyph,
      stage: p.judgement.meanStage,
      from:
        g.fromPieces === null
          ? "Stop only if all of it is ready."
          : `Stop if you see ${g.fromPieces === 1 ? "one" : `about ${g.fromPieces}`} ready.`,
      nothing: checks.some((c) => c.plantingId === g.plantingId && c.at.slice(0, 10) >= since && saidNothing(c)),
    }));
}

/** From this weight a line of a round wants two to carry it. */
const TWO_CARRY_G = 20_000;

/** Every place at home that this round fills, and how far. */
function roomFor(d: ReturnType<typeof gardenNow>, round: { id: string; day: string; startsAt: string }): string[] {
  const { rounds, problem } = roundsAhead(d);
  const upTo = rounds.filter((r) => slotIdOf(r) <= slotIdOf(round));
  if (!upTo.some((r) => r.id === round.id)) return [];
  return fullestPlaces(problem, scheduleOf(problem, upTo))
    .filter((f) => f.peak > 0.5)
    .map((f) => sayPlace(f, d.snapshot.garden.units));
}

/** The next hour after this one at which the household can go. */
function nextHour(d: ReturnType<typeof gardenNow>, slotId: string) {
  const slot = roundsAhead(d).problem.slots.find((s) => s.allowed && !s.by && s.id > slotId);
  return slot ? { slotId: slot.id, day: slot.day, startsAt: slot.startsAt } : null;
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const round = findRound(db(), params.roundId);
  if (!round) throw missing("round");
  const { lines, ...row } = round;
  const d = gardenNow();
  const here = `/rounds/${round.id}`;
  const turn = (status: "planned" | "done", label: string) => () =>
    done("/rounds", saveRound(db(), { ...row, status }, label, d.now));
  return byIntent(typed, {
    nothing: () => {
      const p = d.outlook.plantings.find((x) => x.planting.id === typed.planting);
      if (!p) throw missing("planting");
      const look = { id: newId(), plantingId: p.planting.id, at: d.now, by: "", note: "", photos: [], marked: [] };
      const readings = [{ cueId: NOTHING_READY, value: true as const }];
      return done(here, saveCheck(db(), { ...look, readings }, `Nothing ready: ${plantingName(p.planting, p.crop)}`));
    },
    rest: () => {
      const picked = new Set(d.snapshot.picks.filter((p) => p.roundId === round.id).map((p) => p.plantingId));
      const rest = lines.filter((l) => !picked.has(l.plantingId)).map((l) => l.plantingId);
      const to = nextHour(d, slotIdOf(round));
      const { rounds } = roundsAhead(d);
      if (!to || rest.length === 0 || !rounds.some((r) => r.id === round.id)) return done(here, null);
      const moved = moveLines(rounds, round.id, rest, to, newId());
      return done("/rounds", saveMoved(moved, `The rest put off to ${sayDay(to.day)} ${to.startsAt}`));
    },
    done: turn("done", `Round of ${sayDay(round.day)} done`),
    reopen: turn("planned", "Round opened again"),
  });
}

/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  lastGood(`round ${params.roundId}`, () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Round · Akmedon" }];

export default function RoundPage({ loaderData }: Route.ComponentProps) {
  useKept(`round ${loaderData.round.id}`, loaderData);
  const { round, lines, total, minutes, kit, by, passing, jobs, cautions, gale, heavy, way, room, next } = loaderData;
  const left = lines.filter((l) => !l.pickId && !l.nothing).length;
  return (
    <Page
      title={`${weekdayName(round.day)}, ${round.startsAt}`}
      lead={`${sayDay(round.day)} · ${lines.length} plantings, about ${total}, ${minutes} minutes`}
      actions={
        <>
          <Button type="button" variant="outline" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <Form method="post">
            <Button
              type="submit"
              name="intent"
              value={round.status === "done" ? "reopen" : "done"}
              variant={left === 0 ? "solid" : "outline"}
            >
              {round.status === "done" ? "Open again" : "Round done"}
            </Button>
          </Form>
        </>
      }
    >
      {by && <Note title={`${by} goes on this round`}>You are away. Give the sheet of the trip along.</Note>}
      {kit.length > 0 && (
        <Box mb="4">
          <Text mb="2" fontWeight="650">
            Take along
          </Text>
          <Kit things={kit} />
        </Box>
      )}
      {room.length > 0 && (
        <Text mb="4" color="inkSoft">
          <strong>Room at home:</strong> {room.join("; ")}
        </Text>
      )}
      {gale && (
        <Note tone="caution" title="A gale may blow">
          Stay away from trees, glass and loose covers; go in at the first thunder and wait half an hour after the last.
        </Note>
      )}
      {heavy && <Note tone="caution">A heavy round: lift with the legs, use the barrow, share the load.</Note>}
      <Section title="In this order" note={lines.length > 1 ? `about ${way} on foot` : undefined}>
        {lines.map((l, i) => (
          <Box key={l.id} py="3" borderBottomWidth="1px" borderColor="ruleSoft" css={{ breakInside: "avoid" }}>
            <RoundStop line={l} n={i + 1} round={round} />
            <Box data-onlyprint mt="2">
              gross ________ kg containers ________________ by ________
            </Box>
          </Box>
        ))}
        {lines.length === 0 && <Text color="inkSoft">Nothing to take in this round.</Text>}
      </Section>
      {jobs.length > 0 && (
        <Section title="While you are there" note="jobs at these beds">
          {jobs.map((lines) => (
            <JobGroup key={lines[0]!.key} lines={lines} brief />
          ))}
        </Section>
      )}
      <Cautions of={cautions} />
      {passing.length > 0 && (
        <Section title="Glance at in passing" note="stop only where enough is ready">
          <InPassing lines={passing} round={round} />
        </Section>
      )}
      {lines.filter((l) => !l.pickId).length > 1 && (
        <Box mb="4" data-noprint>
          <LinkButton to={`/picks/several?round=${round.id}`} variant="outline">
            Weigh all at the table
          </LinkButton>
        </Box>
      )}
      {next && round.status === "planned" && (
        <Form method="post" data-noprint>
          <Flex gap="4" align="center" wrap="wrap">
            <Text>Dark, or called in?</Text>
            <Button type="submit" name="intent" value="rest" variant="outline">
              The rest on {sayDay(next.day)} {next.startsAt}
            </Button>
          </Flex>
        </Form>
      )}
    </Page>
  );
}
