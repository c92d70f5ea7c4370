import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Link } from "react-router";
import { addDays, sayDay, sayMonthDay, sayNear, weekdayName } from "#core/calendar/day";
import { sunTimes } from "#core/calendar/sun";
import { standInOn } from "#core/calendar/windows";
import { plantingName } from "#core/garden/name";
import { newsOf } from "#core/planning/headline";
import { looksDue } from "#core/planning/looks-due";
import { urgenciesOf } from "#core/planning/rounds/rounds";
import { sayHeadline, sayReason } from "#core/planning/words";
import { sayMass } from "#core/units/mass";
import { listSetAside } from "#db/garden";
import { roundKit } from "../handbook/kit.server";
import { JobGroup } from "../jobs/job-row";
import { inGroups, jobLine, jobsNow } from "../jobs/jobs.server";
import { houseLine } from "../keep/keep.server";
import { lessonsDue } from "../lessons/learned.server";
import { LessonsNote } from "../lessons/lessons-note";
import { lastGood, useKept } from "../offline/last-good";
import { roundsAhead, slotIdOf } from "../rounds/rounds.server";
import { aheadOf } from "../season/series.server";
import { db, gardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { CropGlyph } from "../ui/crop-glyph";
import { Anchor, LinkButton, Note, Page, Section } from "../ui/ui";
import { VerdictTag } from "../walk/verdict";
import { stripOf } from "../weather/weather.server";
import { WeatherStrip } from "../weather/weather-strip";
import type { Route } from "./+types/today";
import { FirstVisit } from "./first-visit";
import { HouseLines } from "./house-lines";
import { lastSeen } from "./last-seen.server";
import { addHour, savingView } from "./saving-hour.server";
import { SavingHourNote } from "./saving-hour-note";

/** Jobs shown on Today: those whose minutes save most; the rest is a tap away. */
const JOBS_SHOWN = 4;

export function loader() {
  const d = gardenNow();
  const { snapshot, outlook, today, now } = d;
  const { units } = snapshot.garden;
  const ahead = roundsAhead(d);
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const urgencies = urgenciesOf(ahead.problem)
    .slice(0, 8)
    .flatMap((u) => {
      const p = byId.get(u.plantingId);
      const next = ahead.rounds.find((r) => r.lines.some((l) => l.plantingId === u.plantingId));
      return p
        ? [
            {
              id: u.plantingId,
              kind: plantingName(p.planting, p.crop),
              bed: p.bed.name,
              glyph: p.crop.glyph,
              stage: p.judgement.meanStage,
              verdict: p.judgement.verdict,
              why: sayReason(u.reason, units, false),
              cause: u.cause,
              round: next ? { id: next.id, name: `${sayNear(next.day, today)} ${next.startsAt}` } : null,
            },
          ]
        : [];
    });
  const saving = savingView(d, ahead.problem);
  const rounds = ahead.rounds.slice(0, 3).map((r) => ({
    id: r.id,
    name: `${weekdayName(r.day)} ${r.startsAt}`,
    near: sayNear(r.day, today),
    overdue: slotIdOf(r) < now.slice(0, 16),
    expected: sayMass(
      r.lines.reduce((s, l) => s + l.expectedG, 0),
      units,
    ),
    minutes: Math.round(r.lines.reduce((s, l) => s + l.minutes, snapshot.garden.roundMinutes)),
    names: r.lines.flatMap((l) => {
      const p = byId.get(l.plantingId);
      return p ? [plantingName(p.planting, p.crop)] : [];
    }),
    by: standInOn(r.day, snapshot.trips),
    kit: roundKit(d, r),
  }));
  const seen = lastSeen(d);
  const checkedToday = new Set(snapshot.checks.filter((c) => c.at.slice(0, 10) === today).map((c) => c.plantingId));
  const looks = looksDue(outlook.plantings, seen, today, checkedToday)
    .slice(0, 5)
    .map(({ planting: p, since }) => ({
      id: p.planting.id,
      kind: plantingName(p.planting, p.crop),
      bed: p.bed.name,
      verdict: p.judgement.verdict,
      since,
    }));
  const sun = sunTimes(today, snapshot.garden.latitudeDeg, snapshot.garden.longitudeDeg, snapshot.garden.timeZone);
  const due = jobsNow(d).filter((j) => j.state !== "soon");
  const groups = inGroups(due.map((j) => jobLine(d, j)));
  return {
    jobs: {
      groups: groups.slice(0, JOBS_SHOWN),
      more: groups.slice(JOBS_SHOWN).reduce((sum, g) => sum + g.length, 0),
      minutes: Math.round(due.reduce((sum, j) => sum + j.minutes, 0)),
    },
    saving,
    aside: remembered(d, "set aside", () => listSetAside(db())),
    house: houseLine(d),
    lessons: lessonsDue(d),
    planned: aheadOf(d)
      .filter((a) => a.day <= addDays(today, 7))
      .slice(0, 4),
    units,
    today,
    empty: snapshot.beds.length === 0 || outlook.plantings.length === 0,
    hasBeds: snapshot.beds.length > 0,
    hasForecast: snapshot.forecast !== null,
    headline: sayHeadline(
      newsOf(
        outlook.days.flatMap((x) => x.hazards),
        snapshot.trips,
        today,
      ),
      urgencies.length,
      today,
      units,
    ),
    strip: stripOf(outlook),
    urgencies,
    rounds,
    looks,
    sun,
    trip: snapshot.trips.find((t) => t.toDay >= today && t.fromDay <= addDays(today, 14)) ?? null,
  };
}

/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("today", () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Today · Akmedon" }];
const Row = chakra(Link, {
  base: {
    display: "grid",
    gridTemplateColumns: "44px 1fr",
    gap: "3",
    py: "3",
    borderBottomWidth: "1px",
    borderColor: "ruleSoft",
    color: "ink",
    textDecoration: "none",
    _hover: { bg: "tint" },
  },
});

export const action = ({ request }: Route.ActionArgs) => addHour(request);

export default function Today({ loaderData }: Route.ComponentProps) {
  useKept("today", loaderData);
  const {
    aside,
    saving,
    jobs,
    house,
    lessons,
    planned,
    empty,
    hasBeds,
    hasForecast,
    headline,
    strip,
    units,
    urgencies,
    rounds,
    looks,
    sun,
    trip,
    today,
  } = loaderData;
  if (empty) return <FirstVisit hasBeds={hasBeds} />;
  return (
    <Page
      title={`${weekdayName(today)} ${sayMonthDay(today)}`}
      lead={sun ? `Sunrise ${sun.sunrise}, sunset ${sun.sunset}` : undefined}
      actions={
        <>
          <LinkButton to="/walk">Begin the walk</LinkButton>
          <LinkButton variant="outline" to="/picks/new">
            Log a pick
          </LinkButton>
        </>
      }
    >
      <Text fontFamily="heading" fontSize={{ base: "xl", md: "2xl" }} lineHeight="1.3" maxW="46ch" mb="6">
        {headline}
      </Text>
      {saving && <SavingHourNote saving={saving} />}
      {aside.length > 0 && (
        <Note title={aside.length === 1 ? "One entry is set aside" : `${aside.length} entries are set aside`}>
          {aside.map((row) => (
            <Text key={row.to + row.date}>
              A {row.what} has the date {row.date}, which is not in the calendar.{" "}
              <Anchor to={row.to}>Put its date right</Anchor>
            </Text>
          ))}
        </Note>
      )}
      <LessonsNote lessons={lessons} />
      {planned.length > 0 && (
        <Note title="To start within the week">
          {planned.map((p) => (
            <Text key={p.id}>
              <Anchor to={p.to}>{p.name}</Anchor>, {p.bed}: {p.how} {p.when}
            </Text>
          ))}
        </Note>
      )}
      <Box mb="8" borderTopWidth="1px" borderBottomWidth="1px" borderColor="rule" bg="sheet">
        {hasForecast ? (
          <WeatherStrip days={strip} units={units} />
        ) : (
          <Box p="4">
            No forecast yet: the usual year stands in. <Anchor to="/weather#bring">Bring one in</Anchor>.
          </Box>
        )}
      </Box>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.5fr) minmax(280px,1fr)" }} gap="10">
        <Section title="First, and why" note="What is lost by leaving it, dearest first">
          {urgencies.length === 0 && (
            <Text color="inkSoft">Nothing is in danger, and nothing passes its prime in the next fortnight.</Text>
          )}
          {urgencies.map((u) => (
            <Row key={u.id} to={`/walk/${u.id}`}>
              <CropGlyph kind={u.glyph} stage={u.stage} />
              <Box>
                <Flex justify="space-between" gap="2" wrap="wrap">
                  <Text fontWeight="650" fontSize="lg">
                    {u.kind}{" "}
                    <chakra.span fontWeight="400" color="inkSoft" fontSize="md">
                      {u.bed}
                    </chakra.span>
                  </Text>
                  <VerdictTag verdict={u.verdict} />
                </Flex>
                <Text>{u.why}.</Text>
                <Text fontSize="sm" color={u.round ? "moss" : "inkSoft"} fontWeight="600">
                  {u.round ? `In the round ${u.round.name}` : "In no round yet"}
                </Text>
              </Box>
            </Row>
          ))}
        </Section>
        <Box>
          <Section title="Rounds" note={<Anchor to="/rounds">the fortnight</Anchor>}>
            {rounds.length === 0 && (
              <Text color="inkSoft">
                None planned. <Anchor to="/rounds">Plan the fortnight</Anchor>.
              </Text>
            )}
            {rounds.map((r) => (
              <Box key={r.id} py="3" borderBottomWidth="1px" borderColor="ruleSoft">
                <Flex justify="space-between" align="baseline" gap="2">
                  <chakra.h3 fontWeight="650" fontSize="lg">
                    <Anchor to={`/rounds/${r.id}`}>{r.name}</Anchor>
                  </chakra.h3>
                  <Text color={r.overdue ? "madder" : "inkSoft"}>
                    {r.overdue ? "should have been" : r.near}
                    {r.by && `, ${r.by} goes`}
                  </Text>
                </Flex>
                <Text>
                  {r.names.join(", ")}: {r.expected} in {r.minutes} min
                </Text>
                <Text fontSize="sm" color="inkSoft">
                  Take along: {r.kit.join(" · ")}
                </Text>
              </Box>
            ))}
            {trip && (
              <Box mt="3">
                <Note title={`${trip.name}: ${sayDay(trip.fromDay)} to ${sayDay(trip.toDay)}`}>
                  {trip.standIn ? `${trip.standIn} stands in.` : "Nobody stands in."}
                </Note>
              </Box>
            )}
          </Section>
          <Section title="Jobs" note={<Anchor to="/jobs">all of them</Anchor>}>
            {jobs.groups.length === 0 && <Text color="inkSoft">Nothing is due today.</Text>}
            {jobs.groups.map((lines) => (
              <JobGroup key={lines[0]!.key} lines={lines} brief />
            ))}
            {jobs.more > 0 && (
              <Text mt="2" color="inkSoft">
                <Anchor to="/jobs">{jobs.more} more</Anchor>, about {jobs.minutes} min in all
              </Text>
            )}
          </Section>
          <HouseLines house={house} />
          <Section title="Worth a look" note="due first, then what a minute saves most at">
            {looks.map((l) => (
              <Flex
                key={l.id}
                justify="space-between"
                py="2"
                borderBottomWidth="1px"
                borderColor="ruleSoft"
                gap="2"
                minH="48px"
                align="center"
              >
                <Box>
                  <Anchor to={`/walk/${l.id}`}>{l.kind}</Anchor>{" "}
                  <chakra.span color="inkSoft" fontSize="sm">
                    {l.bed},{" "}
                    {l.since === null
                      ? "not looked at yet"
                      : `seen ${l.since === 0 ? "today" : l.since === 1 ? "yesterday" : `${l.since} days ago`}`}
                  </chakra.span>
                </Box>
                <VerdictTag verdict={l.verdict} />
              </Flex>
            ))}
          </Section>
        </Box>
      </Grid>
    </Page>
  );
}
