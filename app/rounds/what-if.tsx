import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Form, useNavigation } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import { AS_IT_IS, type Supposal, supposalSchema, supposes } from "#core/planning/rounds/what-if";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { gardenNow } from "../server/garden-now.server";
import { Button, LinkButton, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/what-if";
import { type WhatIf, whatIf } from "./what-if.server";

/** What is asked in the address; nonsense is taken for "as it is". */
function supposalOf(params: URLSearchParams): Supposal {
  const number = (name: keyof Supposal) => (params.has(name) ? Number(params.get(name)) : AS_IT_IS[name]);
  const read = supposalSchema.safeParse({
    earlierDays: number("earlierDays"),
    colderC: number("colderC"),
    longerDays: number("longerDays"),
    pickers: number("pickers"),
  });
  return read.success ? read.data : AS_IT_IS;
}

export async function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const supposal = supposalOf(url.searchParams);
  return {
    supposal,
    units: d.snapshot.garden.units,
    trip: d.snapshot.trips.some((t) => t.toDay >= d.today),
    found: await whatIf(d, supposal),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "What if · Akmedon" }];

const CHOICES: { name: keyof Supposal; label: string; options: [number, string][] }[] = [
  {
    name: "earlierDays",
    label: "The weather comes",
    options: [
      [0, "as forecast"],
      [1, "a night earlier"],
      [2, "two nights earlier"],
    ],
  },
  {
    name: "colderC",
    label: "Nights are",
    options: [
      [0, "as forecast"],
      [1, "1 K colder"],
      [2, "2 K colder"],
      [4, "4 K colder"],
    ],
  },
  {
    name: "longerDays",
    label: "The trip lasts",
    options: [
      [0, "as planned"],
      [1, "a day longer"],
      [2, "two days longer"],
      [4, "four days longer"],
    ],
  },
  {
    name: "pickers",
    label: "You go",
    options: [
      [1, "as usual"],
      [2, "with one more"],
      [3, "with two more"],
    ],
  },
];

export default function WhatIfPage({ loaderData }: Route.ComponentProps) {
  const { supposal, units, found, trip } = loaderData;
  const busy = useNavigation().state === "loading";
  const any = supposes(supposal);
  const { before, same, anew } = found;
  return (
    <Page
      title="What if"
      lead="Change one thing and see what happens to your rounds, and what would be better."
      actions={
        <LinkButton to="/rounds" variant="outline">
          Back to the rounds
        </LinkButton>
      }
    >
      <Form method="get" preventScrollReset onChange={(e) => e.currentTarget.requestSubmit()}>
        <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", lg: "repeat(4, 1fr)" }} gap="4" mb="7">
          {CHOICES.map((c) => (
            <Box key={c.name}>
              <chakra.label htmlFor={c.name} display="block" fontWeight="600" mb="1">
                {c.label}
              </chakra.label>
              <Select
                id={c.name}
                name={c.name}
                key={supposal[c.name]}
                defaultValue={supposal[c.name]}
                disabled={c.name === "longerDays" && !trip}
              >
                {c.options.map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            </Box>
          ))}
        </Grid>
        <Button type="submit" css={{ "@media (scripting: enabled)": { display: "none" } }}>
          Show what happens
        </Button>
      </Form>
      <Grid
        templateColumns={{ base: "minmax(0, 1fr)", md: "repeat(3, 1fr)" }}
        gap={{ base: "4", md: "8" }}
        mb="8"
        opacity={busy ? 0.5 : 1}
        aria-busy={busy}
        data-testid="sums"
      >
        <Sums title="As planned, as forecast" sums={before.totals} units={units} />
        <Sums title="The same rounds, if so" sums={same.totals} against={before.totals} units={units} />
        <Sums title="Planned for it" sums={anew.totals} against={same.totals} units={units} />
      </Grid>
      <Text mb="8" maxW="68ch">
        {inWords(found, any, units)}
      </Text>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gapX="10">
        <Rounds title="Your rounds" rounds={before.rounds} other={anew.rounds} fallen={same.fallen} units={units} />
        <Rounds title="Rounds for it" rounds={anew.rounds} other={before.rounds} fallen={[]} units={units} />
      </Grid>
    </Page>
  );
}

/** The comparison in a sentence or two. */
function inWords({ before, same, anew }: WhatIf, any: boolean, units: UnitSystem): string {
  const gain = anew.totals.keptG - same.totals.keptG;
  const loss = before.totals.keptG - same.totals.keptG;
  const minutes = Math.round(anew.totals.minutes - same.totals.minutes);
  const time =
    Math.abs(minutes) < 5
      ? "in as much time"
      : minutes > 0
        ? `for ${minutes} minutes more`
        : `in ${-minutes} minutes less`;
  if (!any) return "Nothing is changed yet. Choose above what might turn out differently.";
  const first =
    loss > 100
      ? `Keeping to your rounds would then cost ${sayMass(loss, units)}.`
      : loss < -100
        ? `Your rounds would then bring ${sayMass(-loss, units)} more.`
        : "Your rounds would bring about as much.";
  const second =
    gain > 100
      ? `Planned for it, ${sayMass(gain, units)} more come home, ${time}.`
      : gain < -100
        ? `A plan for it would rather leave ${sayMass(-gain, units)} and save the minutes.`
        : `Planning for it changes little${Math.abs(minutes) >= 5 ? `, ${time}` : ""}.`;
  return `${first} ${second}`;
}

type Totals = WhatIf["anew"]["totals"];

function Sums({ title, sums, against, units }: { title: string; sums: Totals; against?: Totals; units: UnitSystem }) {
  const change = (now: number, then: number | undefined, say: (x: number) => string, least: number) =>
    then === undefined || Math.abs(now - then) < least ? "" : `${now > then ? "+" : "−"}${say(Math.abs(now - then))}`;
  const mass = (g: number) => sayMass(g, units);
  const time = (m: number) => (m >= 60 ? `${Math.floor(m / 60)} h ${Math.round(m % 60)} min` : `${Math.round(m)} min`);
  const rows: [string, string, string][] = [
    ["kept", mass(sums.keptG), change(sums.keptG, against?.keptG, mass, 20)],
    ["lost", mass(sums.lostG), change(sums.lostG, against?.lostG, mass, 20)],
    ["of your time", time(sums.minutes), change(sums.minutes, against?.minutes, time, 1)],
  ];
  return (
    <Box bg="sheet" borderTopWidth="3px" borderColor="rule" px="4" py="3">
      <Text fontWeight="650" mb="2">
        {title}
      </Text>
      {rows.map(([name, value, by], i) => (
        <Flex key={name} justify="space-between" align="baseline" gap="3">
          <Text color="inkSoft">{name}</Text>
          <Text>
            <chakra.span fontFamily={i === 0 ? "heading" : undefined} fontSize={i === 0 ? "xl" : "md"} fontWeight="600">
              {value}
            </chakra.span>
            {by && (
              <chakra.span color="madder" fontSize="sm" ml="2">
                {by}
              </chakra.span>
            )}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}

type Shown = WhatIf["anew"]["rounds"];

/** A list of rounds, with what the other list does not have marked in words. */
function Rounds({
  title,
  rounds,
  other,
  fallen,
  units,
}: {
  title: string;
  rounds: Shown;
  other: Shown;
  fallen: readonly string[];
  units: UnitSystem;
}) {
  const mark = title === "Your rounds" ? "not any more" : "new";
  const taken = (list: Shown, kind: string, bed: string) =>
    list.flatMap((r) => r.lines.filter((l) => l.kind === kind && l.bed === bed).map(() => r.slotId));
  return (
    <Section title={title} note={`${rounds.length} ${rounds.length === 1 ? "round" : "rounds"}`}>
      {rounds.length === 0 && <Text color="inkSoft">None.</Text>}
      {rounds.map((r) => {
        const inBoth = other.some((o) => o.slotId === r.slotId);
        return (
          <Box key={r.slotId} py="2.5" borderBottomWidth="1px" borderColor="ruleSoft">
            <Flex justify="space-between" gap="3" align="baseline">
              <Text fontWeight="650">
                {weekdayName(r.day)} {Number(r.day.slice(8))}, {r.startsAt}
                {r.by && <chakra.span fontWeight="400">, {r.by}</chakra.span>}
              </Text>
              <Text fontSize="sm" color="madder">
                {fallen.includes(r.slotId) ? "nobody there" : inBoth ? "" : mark}
              </Text>
            </Flex>
            {r.lines.map((l) => {
              const there = taken(other, l.kind, l.bed);
              const here = taken(rounds, l.kind, l.bed);
              // picks that only one of the plans has are paired in the order of time; what is left over is new
              const only = here.filter((x) => !there.includes(x));
              const instead = there.filter((x) => !here.includes(x))[only.indexOf(r.slotId)];
              return (
                <Text key={`${l.kind}${l.bed}`} fontSize="sm">
                  {l.kind} <chakra.span color="inkSoft">{l.bed}</chakra.span>,{" "}
                  {l.take === "strip" ? "everything, " : ""}
                  {sayMass(l.expectedG, units)}
                  {mark === "new" && only.includes(r.slotId) && (
                    <chakra.span color="madder">
                      {" "}
                      {instead ? `instead of ${sayDay(instead.slice(0, 10))}` : "new"}
                    </chakra.span>
                  )}
                </Text>
              );
            })}
          </Box>
        );
      })}
    </Section>
  );
}
