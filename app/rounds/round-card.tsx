import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Pin } from "lucide-react";
import { Form } from "react-router";
import { daysBetween, sayDay, sayNear, weekdayName } from "#core/calendar/day";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { proseIn } from "#core/units/prose";
import { LateFold } from "../ui/fold";
import { Tickbox } from "../ui/tickbox";
import { Button, LinkButton, Section } from "../ui/ui";
import { RoundAlternatives, type ShownAlternative } from "./round-alternatives";

type Line = {
  id: string;
  plantingId: string;
  kind: string;
  bed: string;
  take: "ready" | "strip";
  expectedG: number;
  minutes: number;
  why: string;
};
type CardRound = {
  id: string;
  day: string;
  startsAt: string;
  pinned: boolean;
  lines: Line[];
  alternatives: readonly ShownAlternative[];
};
type CardSlot = {
  id: string;
  day: string;
  startsAt: string;
  allowed: boolean;
  away: boolean;
  by?: string /** a round is there already */;
  holds?: boolean;
};
type Props = {
  round: CardRound;
  slots: readonly CardSlot[];
  today: string;
  units: UnitSystem;
  roundMinutes: number;
  /** everything that grows, for taking one along by hand */
  plantings: readonly { plantingId: string; kind: string; bed: string }[];
};

/** A round in words: every line with what it brings and why; pin, drop, move, leave a line out. */
export function RoundCard({ round: r, slots, today, units, roundMinutes, plantings }: Props) {
  const by = slots.find((s) => s.id === `${r.day}T${r.startsAt}`)?.by;
  return (
    <Section
      id={`round-${r.id}`}
      title={`${weekdayName(r.day)} ${r.startsAt}`}
      note={`${sayNear(r.day, today)}, ${sayMass(
        r.lines.reduce((s, l) => s + l.expectedG, 0),
        units,
      )} in ${Math.round(r.lines.reduce((s, l) => s + l.minutes, roundMinutes))} min${r.pinned ? ", pinned" : ""}${by ? `; ${by} goes` : ""}`}
    >
      {r.lines.map((l) => (
        <Form method="post" key={l.id} preventScrollReset>
          <input type="hidden" name="roundId" value={r.id} />
          <input type="hidden" name="lineId" value={l.id} />
          <Flex gap="3" py="2" borderBottomWidth="1px" borderColor="ruleSoft" align="baseline">
            <Box flex="1">
              <Text>
                <strong>{l.kind}</strong>{" "}
                <chakra.span color="inkSoft">
                  {l.bed}, {l.take === "strip" ? "everything" : "what is ready"}, about {sayMass(l.expectedG, units)}
                </chakra.span>
              </Text>
              <Text fontSize="sm">{proseIn(l.why, units)}</Text>
            </Box>
            <Button
              type="submit"
              name="intent"
              value="leave"
              variant="quiet"
              size="sm"
              aria-label={`Not this one: ${l.kind}`}
            >
              Not this
            </Button>
          </Flex>
        </Form>
      ))}
      {r.lines.length === 0 && <Text color="inkSoft">Kept open; nothing to take in it.</Text>}
      <Flex gap="2" mt="2" wrap="wrap">
        <LinkButton size="sm" variant="outline" to={`/rounds/${r.id}`}>
          Go picking
        </LinkButton>
        <Form method="post" preventScrollReset>
          <input type="hidden" name="roundId" value={r.id} />
          <Button type="submit" size="sm" variant="quiet" name="intent" value="pin">
            <Pin size={15} /> {r.pinned ? "Set free" : "Pin"}
          </Button>
          <Button type="submit" size="sm" variant="quiet" name="intent" value="drop">
            Drop
          </Button>
        </Form>
        <MoveBy round={r} slots={slots} today={today} />
      </Flex>
      <RoundAlternatives roundId={r.id} alternatives={r.alternatives} units={units} />
      <LateFold title="Take one more along, or part of it another time" small mt="1" data-noprint>
        {() => (
          <>
            <Form method="post" preventScrollReset>
              <input type="hidden" name="roundId" value={r.id} />
              <Flex gap="2" wrap="wrap" align="center" py="1">
                <Small name="plantingId" aria-label="Take along">
                  {plantings
                    .filter((p) => !r.lines.some((l) => l.plantingId === p.plantingId))
                    .map((p) => (
                      <option key={p.plantingId} value={p.plantingId}>
                        {p.kind}, {p.bed}
                      </option>
                    ))}
                </Small>
                <Small name="take" aria-label="How much">
                  <option value="ready">what is ready</option>
                  <option value="strip">everything</option>
                </Small>
                <Button type="submit" size="sm" variant="quiet" name="intent" value="add">
                  Take along
                </Button>
              </Flex>
            </Form>
            {r.lines.length > 0 && (
              <Form method="post" preventScrollReset>
                <input type="hidden" name="roundId" value={r.id} />
                <Flex wrap="wrap" columnGap="4" rowGap="1" align="center" py="1">
                  {r.lines.map((l) => (
                    <Tickbox key={l.id} name={`line-${l.id}`} label={l.kind} />
                  ))}
                  <Hours name="slotId" label="Their hour" slots={slots} today={today} at={`${r.day}T${r.startsAt}`} />
                  <Button type="submit" size="sm" variant="quiet" name="intent" value="split">
                    Move these
                  </Button>
                </Flex>
              </Form>
            )}
          </>
        )}
      </LateFold>
    </Section>
  );
}

/** Moving a round without dragging: a list of hours, works before scripts load too. */
function MoveBy({
  round,
  slots,
  today,
}: {
  round: { id: string; day: string; startsAt: string };
  slots: readonly CardSlot[];
  today: string;
}) {
  return (
    <Form method="post" preventScrollReset style={{ display: "flex", gap: 4, marginLeft: "auto", minWidth: 0 }}>
      <input type="hidden" name="roundId" value={round.id} />
      <Hours name="slotId" label="Move to" slots={slots} today={today} at={`${round.day}T${round.startsAt}`} />
      <Button type="submit" size="sm" variant="quiet" name="intent" value="move">
        Move
      </Button>
    </Form>
  );
}

const Small = chakra("select", {
  base: {
    bg: "sheet",
    borderWidth: "1px",
    borderColor: "rule",
    minH: "48px",
    px: "2",
    borderRadius: "soft",
    fontSize: "sm",
    maxW: "100%",
    minW: "0",
  },
});

/** The hours of the fortnight to choose from. */
function Hours({
  name,
  label,
  slots,
  today,
  at,
}: {
  name: string;
  label: string;
  slots: readonly CardSlot[];
  today: string;
  at: string;
}) {
  return (
    <Small name={name} aria-label={label} defaultValue={at}>
      {slots.map((s) => (
        <option key={s.id} value={s.id}>
          {daysBetween(today, s.day) === 0 ? "today" : sayDay(s.day)} {s.startsAt}
          {s.holds && s.id !== at
            ? " (joins that round)"
            : s.by
              ? ` (${s.by})`
              : s.away
                ? " (away)"
                : s.allowed
                  ? ""
                  : " (no window)"}
        </option>
      ))}
    </Small>
  );
}
