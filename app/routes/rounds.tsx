import { Box, Grid } from "@chakra-ui/react";
import { CalendarArrowDown, Sparkles, Split, UserRound } from "lucide-react";
import { useMemo } from "react";
import { Form } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import { totalsOf } from "#core/planning/explain";
import { slotTime } from "#core/planning/problem";
import { scheduleOf } from "#core/planning/rounds";
import { findPlanNote } from "#db/work";
import { LaneLegend } from "../components/lane-legend";
import { Lanes } from "../components/lanes";
import { Ledger } from "../components/ledger";
import { RoundCard } from "../components/round-card";
import { Anchor, Button, LinkButton, Note, Page } from "../components/ui";
import { useRoundDrag } from "../components/use-round-drag";
import { db, desk } from "../server/desk.server";
import { typedOf } from "../server/forms.server";
import { missed, roundsAhead } from "../server/rounds.server";
import { changeRounds } from "../server/rounds-action.server";
import type { Route } from "./+types/rounds";

export function loader() {
  const d = desk();
  const { outlook, snapshot, today } = d;
  const { rounds, problem } = roundsAhead(d);
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const round3 = (x: number) => Math.round(x * 1000) / 1000;
  const order = [...outlook.plantings].sort((a, b) => a.bed.walkOrder - b.bed.walkOrder);
  return {
    today,
    units: snapshot.garden.units,
    lanes: order.map((p) => ({
      plantingId: p.planting.id,
      kind: p.planting.kind || p.crop.name,
      crop: p.crop.name,
      bed: p.bed.name,
      once: p.supply.once,
      days: p.judgement.days
        .slice(0, 15)
        .map((x) => ({ ready: round3(x.ready), nearly: round3(x.nearly), past: round3(x.past) })),
    })),
    days: outlook.days.slice(0, 14).map((x) => ({
      day: x.weather.day,
      away: x.away,
      hazards: x.hazards
        .filter((h) => h.kind !== "dew" && h.chance >= 0.15)
        .map((h) => ({ kind: h.kind, chance: round3(h.chance) })),
    })),
    rounds: rounds.map((r) => ({
      ...r,
      lines: [...r.lines]
        .sort((a, b) => (byId.get(a.plantingId)?.bed.walkOrder ?? 0) - (byId.get(b.plantingId)?.bed.walkOrder ?? 0))
        .map((l) => ({
          ...l,
          kind: byId.get(l.plantingId)?.planting.kind || byId.get(l.plantingId)?.crop.name || "gone",
          bed: byId.get(l.plantingId)?.bed.name ?? "",
        })),
    })),
    // the planner's own question, for what-ifs while a round is dragged; six figures are plenty for a drawing
    problem: JSON.parse(JSON.stringify(problem, sixFigures)) as typeof problem,
    missed: missed(d).map((r) => ({
      id: r.id,
      day: r.day,
      startsAt: r.startsAt,
      names: r.lines.map((l) => byId.get(l.plantingId)?.planting.kind || byId.get(l.plantingId)?.crop.name || "gone"),
    })),
    note: findPlanNote(db()),
    windows: snapshot.windows.length,
    trip: snapshot.trips.some((t) => t.toDay >= today && t.standIn !== ""),
    roundMinutes: snapshot.garden.roundMinutes,
  };
}

const sixFigures = (_: string, value: unknown) => (typeof value === "number" ? Number(value.toPrecision(6)) : value);

export async function action({ request }: Route.ActionArgs) {
  return changeRounds(desk(), typedOf(await request.formData()));
}

export const meta: Route.MetaFunction = () => [{ title: "Rounds · Akmedon" }];

export default function Rounds({ loaderData, actionData }: Route.ComponentProps) {
  const { lanes, days, rounds, problem, units, today, note, windows, trip } = loaderData;
  const slots = problem.slots;
  const { moving, grab, key } = useRoundDrag(rounds, slots, days.length);
  const movingSlot = moving ? slots.find((s) => s.id === moving.slotId) : null;

  const now = useMemo(() => totalsOf(problem, scheduleOf(problem, rounds)), [problem, rounds]);
  const what = useMemo(() => {
    if (!moving || !movingSlot) return null;
    const moved = rounds.map((r) =>
      r.id === moving.roundId ? { ...r, day: movingSlot.day, startsAt: movingSlot.startsAt } : r,
    );
    return totalsOf(problem, scheduleOf(problem, moved));
  }, [problem, rounds, moving, movingSlot]);

  const laneRounds = rounds.map((r) => {
    const slot = moving?.roundId === r.id && movingSlot ? movingSlot : r;
    return {
      id: r.id,
      t: slotTime(today, r.day, r.startsAt),
      label: `${weekdayName(slot.day)} ${slot.startsAt}`,
      pinned: r.pinned,
      beads: r.lines.map((l) => ({ plantingId: l.plantingId, take: l.take })),
    };
  });
  const movingT = moving && movingSlot ? { roundId: moving.roundId, t: movingSlot.t } : null;

  if (lanes.length === 0)
    return (
      <Page title="Rounds" lead="When something grows, its lane appears here.">
        <LinkButton to="/plot">To the plot</LinkButton>
      </Page>
    );
  return (
    <Page
      title="Rounds"
      lead={
        rounds.length === 0
          ? "No round is planned. The planner weighs ripeness, frost, gales, your absence and your minutes."
          : "Drag a round’s tag, or move it with the arrow keys, and see what it costs."
      }
      actions={
        <>
          <Form method="post" preventScrollReset>
            <Button type="submit" name="intent" value="plan">
              <Sparkles size={18} /> {rounds.length === 0 ? "Plan the fortnight" : "Plan anew"}
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
      }
    >
      {actionData && "errors" in actionData && <Note tone="caution">{actionData.errors.form}</Note>}
      {loaderData.missed.length > 0 && (
        <Note
          title={
            loaderData.missed.length === 1 ? "A round was missed" : `${loaderData.missed.length} rounds were missed`
          }
        >
          {loaderData.missed.map((r) => `${sayDay(r.day)} ${r.startsAt}: ${r.names.join(", ")}`).join("; ")}. What it
          left standing is reckoned in; plan anew, or log what was picked after all.
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
        units={units}
        note={note}
        rounds={rounds.length}
        label={
          moving && movingSlot
            ? `${sayDay(movingSlot.day)} ${movingSlot.startsAt}${movingSlot.by ? `, ${movingSlot.by}` : movingSlot.away ? ", you are away" : movingSlot.allowed ? "" : ", outside your windows"}`
            : null
        }
      />
      <Box
        bg="sheet"
        borderWidth="1px"
        borderColor="rule"
        px={{ base: "1", md: "5" }}
        pt="4"
        pb="2"
        mx={{ base: "-3", md: "0" }}
      >
        <Box display={{ base: "none", md: "block" }}>
          <Lanes
            lanes={lanes}
            days={days}
            rounds={laneRounds}
            narrow={false}
            moving={movingT}
            onGrab={grab(false)}
            onKey={key}
          />
        </Box>
        <Box display={{ base: "block", md: "none" }}>
          <Lanes
            lanes={lanes}
            days={days}
            rounds={laneRounds}
            narrow
            moving={movingT}
            onGrab={grab(true)}
            onKey={key}
          />
        </Box>
      </Box>
      <LaneLegend />
      <Grid templateColumns={{ base: "1fr", lg: "1fr 1fr" }} gapX="10" mt="8">
        {rounds.map((r) => (
          <RoundCard
            key={r.id}
            round={r}
            slots={slots}
            today={today}
            units={units}
            roundMinutes={loaderData.roundMinutes}
            plantings={lanes}
          />
        ))}
      </Grid>
    </Page>
  );
}
