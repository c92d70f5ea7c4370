import { Box, chakra, Table, Text } from "@chakra-ui/react";
import { plantingName } from "#core/garden/name";
import { BEYOND_SHARE, SPARED_SHARE } from "#core/household/taste";
import { LEAST_LINE_G } from "#core/planning/rounds/rounds";
import { LATER_SHARE } from "#core/planning/solver/paths";
import { sayBar } from "#core/planning/words";
import { decimals, sayMass } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import { gardenNow, problem } from "../server/garden-now.server";
import { Anchor, LinkButton, Page, Section } from "../ui/ui";
import type { Route } from "./+types/assumptions";

/** Everything a plan is reckoned from, beside the weather and the looks: what it takes for granted, and where to change it. */
export function loader() {
  const d = gardenNow();
  const { snapshot, outlook } = d;
  const { garden } = snapshot;
  return {
    units: garden.units,
    garden: { hourWorth: garden.hourWorth, roundMinutes: garden.roundMinutes, lineMinutes: garden.lineMinutes },
    windows: snapshot.windows.length,
    tastes: snapshot.tastes.length,
    places: snapshot.places.length,
    bars: reasons(d),
    later: LATER_SHARE,
    leastG: LEAST_LINE_G,
    plantings: outlook.plantings.map(({ planting, crop, bed, supply }) => ({
      id: planting.id,
      cropId: crop.id,
      kind: plantingName(planting, crop),
      crop: crop.name,
      bed: bed.name,
      once: supply.once,
      standingG: supply.standingG,
      stockG: supply.stockG,
      rateG: supply.rateG,
      picks: snapshot.picks.filter((p) => p.plantingId === planting.id).length,
      worth: crop.worth.perKg,
      early: crop.worth.earlyShare,
      strip: crop.worth.stripShare,
      past: crop.worth.pastShare,
      killC: crop.weather.killC,
      frostLoss: crop.weather.lossShare,
      galeLoss: crop.weather.galeLossShare,
      minutesPerKg: crop.minutesPerKg,
      prime: crop.prime,
    })),
  };
}

/** What bars which crops from some hour of the fortnight. */
function reasons(d: ReturnType<typeof gardenNow>) {
  const kindOf = new Map(d.outlook.plantings.map((p) => [p.planting.id, plantingName(p.planting, p.crop)]));
  const by = new Map<string, Set<string>>();
  for (const b of problem(d).bars ?? []) {
    const why = sayBar(b.why, d.snapshot.garden.units);
    by.set(why, (by.get(why) ?? new Set()).add(kindOf.get(b.plantingId)!));
  }
  return [...by].map(([why, kinds]) => ({ why, kinds: [...kinds] }));
}

export const meta: Route.MetaFunction = () => [{ title: "What a plan assumes · Akmedon" }];

const percent = (share: number) => `${Math.round(share * 100)} %`;

export default function Assumptions({ loaderData }: Route.ComponentProps) {
  const { units, garden, windows, later, leastG, plantings, tastes, places, bars } = loaderData;
  const perKg = units === "us" ? 0.45359237 : 1;
  const per = units === "us" ? "lb" : "kg";
  return (
    <Page
      title="What a plan assumes"
      lead="Worth is reckoned in kilos of potatoes: what a kilo of each crop is worth beside them, and what an hour of yours is."
      actions={
        <LinkButton to="/rounds" variant="outline">
          Back to the rounds
        </LinkButton>
      }
    >
      <Section title="Yours to set" note="In settings">
        <Text>
          An hour is worth {decimals(garden.hourWorth, 1)} kilos of potatoes; every round costs {garden.roundMinutes}{" "}
          minutes besides the picking and every planting in it {garden.lineMinutes}. {windows} weekly{" "}
          {windows === 1 ? "window is" : "windows are"} open. <Anchor to="/settings">Change them</Anchor>.
        </Text>
      </Section>
      <Section title="Your table and your room" note="At home">
        <Text>
          What is picked beyond a week’s appetite, put by or given away, counts {percent(SPARED_SHARE)} of its worth,
          and beyond even that {percent(BEYOND_SHARE)}. What finds no room loses half of it; containers are not
          overfilled.{" "}
          {tastes === 0 ? "Every crop is liked as by any household" : `${tastes} crops have amounts of your own`};{" "}
          {places === 0 ? "no place is known, so there is room" : `${places} places are known`}.{" "}
          <Anchor to="/settings/household">Change them</Anchor>.
        </Text>
      </Section>
      <Section title="What bars a crop from an hour" note="Only as far ahead as there is a forecast">
        {bars.length === 0 && <Text color="inkSoft">Nothing, in this fortnight.</Text>}
        {bars.map((b) => (
          <Text key={b.why}>
            {b.why}: {b.kinds.join(", ")}
          </Text>
        ))}
      </Section>
      <Section title="The same for every crop">
        <Text>
          What still stands when the fortnight ends counts {percent(later)} of its worth, since it can mostly be had
          later; more than your table can use of it in the weeks after counts nothing. A line that would bring less than{" "}
          {sayMass(leastG, units)} is not planned. Frost chances are each bed’s own, by{" "}
          <Anchor to="/weather#nights">the coming nights</Anchor>; a gale’s by the gusts forecast.
        </Text>
      </Section>
      <Section title="Crop by crop" note="From the handbook, your plantings and your picks; an own crop changes it">
        <Box overflowX="auto" tabIndex={0} role="group" aria-label="Assumptions crop by crop">
          <Table.Root
            native
            minW="max-content"
            fontSize="sm"
            css={{
              "& td, & th": { padding: "6px 16px 6px 0", textAlign: "right", verticalAlign: "top" },
              "& th:first-of-type": { textAlign: "left" },
              "& thead th": { color: "inkSoft", fontWeight: "600" },
              "& tr": { borderBottomWidth: "1px", borderColor: "ruleSoft" },
            }}
          >
            <thead>
              <tr>
                {[
                  "planting",
                  "stands",
                  "bears a warm day",
                  `worth a ${per}`,
                  "taken early",
                  "taken green",
                  "past it",
                  "prime lasts",
                  "frost harms at",
                  "and takes",
                  "a gale takes",
                  `minutes a ${per}`,
                ].map((h) => (
                  <th key={h}>{h}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {plantings.map((p) => (
                <tr key={p.id}>
                  <th scope="row">
                    <Anchor to={`/handbook/${p.cropId}`}>{p.kind}</Anchor>
                    <chakra.span color="inkSoft" fontWeight="400">
                      {" "}
                      {p.bed}
                    </chakra.span>
                  </th>
                  <td>{sayMass(p.once ? p.standingG : p.stockG, units)}</td>
                  <td>
                    {p.once ? "—" : `${sayMass(p.rateG, units)}${p.picks > 1 ? `, learned from ${p.picks} picks` : ""}`}
                  </td>
                  <td>{decimals(p.worth * perKg, 2)}</td>
                  <td>{percent(p.early)}</td>
                  <td>{percent(p.strip)}</td>
                  <td>{percent(p.past)}</td>
                  <td>
                    {p.prime.warmDays} to {p.prime.coolDays} days
                  </td>
                  <td>{sayTemp(p.killC, units, 1)}</td>
                  <td>{percent(p.frostLoss)}</td>
                  <td>{percent(p.galeLoss)}</td>
                  <td>{decimals(p.minutesPerKg * perKg, 1)}</td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </Box>
      </Section>
      <Text fontSize="sm" color="inkSoft">
        Shares are of the full worth. Prime lasts the first number of days when it is warm, the second when it is cool.
        How the planner reckons, and where each formula comes from, stands in the model’s description that comes with
        Akmedon.
      </Text>
    </Page>
  );
}
