import { Box, chakra, Flex, Table, Text } from "@chakra-ui/react";
import { sayDay } from "#core/calendar/day";
import { decimals, sayMass, type UnitSystem } from "#core/units/mass";
import { sayChance, sayLength, sayTemp } from "#core/units/say";
import { Anchor, Section } from "../ui/ui";
import type { groundView, hazardList } from "./weather-day.server";

const HAZARD_NAMES: Record<string, string> = {
  frost: "Frost",
  chill: "Chill",
  heat: "Heat",
  split: "Splitting",
  lodge: "Gale",
  mould: "Mould",
  theft: "Thieves",
  "cold-soil": "Cold soil",
};
const HELP_WORDS: Record<string, string> = {
  pick: "pick it",
  cover: "cover it",
  wait: "wait until it is dry",
  shade: "shade it",
  net: "net it",
};

/** What the coming week threatens which planting with, what it would cost, and what helps. */
export function Hazards({ hazards, units }: { hazards: ReturnType<typeof hazardList>; units: UnitSystem }) {
  return (
    <Section title="In danger this week" note="Dearest first, by what is likely to be lost">
      {hazards.length === 0 && <Text color="inkSoft">Nothing that the forecast shows.</Text>}
      {hazards.map((h) => (
        <Flex
          key={`${h.plantingId}${h.kind}`}
          gap="3"
          py="2"
          borderBottomWidth="1px"
          borderColor="ruleSoft"
          align="baseline"
          wrap="wrap"
        >
          <Text minW="9.5rem">
            <Anchor to={`/plot/plantings/${h.plantingId}`}>{h.kindName}</Anchor>{" "}
            <chakra.span color="inkSoft">{h.bed}</chakra.span>
          </Text>
          <Text flex="1" minW="14rem">
            <strong>{HAZARD_NAMES[h.kind]}</strong> {sayDay(h.day)}, {h.when}, {sayChance(h.chance)}: {h.words}
            {h.costG >= 50 ? `; about ${sayMass(Math.round(h.costG / 10) * 10, units)} likely lost` : ""}.{" "}
            <chakra.span color="inkSoft">What helps: {h.help.map((x) => HELP_WORDS[x]).join(" or ")}.</chakra.span>
          </Text>
        </Flex>
      ))}
    </Section>
  );
}

/** The soil as it is, frost dates by the record, and how good the forecast's source has been. */
export function Ground({
  ground,
  source,
  units,
}: {
  ground: ReturnType<typeof groundView>;
  source: string | null;
  units: UnitSystem;
}) {
  const { soil, frost, skill } = ground;
  return (
    <>
      <Section title="Soil" note="Reckoned from the record; a thermometer in the soil overrules it">
        {soil ? (
          <Text>
            About {sayTemp(soil.tempC, units)} at {sayLength(100, units)}; {soil.words}.{" "}
            {soil.sinceRain === null
              ? "No rain worth the name for a month."
              : soil.sinceRain === 0
                ? "Rain yesterday."
                : `${soil.sinceRain} days since rain worth the name.`}
          </Text>
        ) : (
          <Text color="inkSoft">The record is too short to say.</Text>
        )}
      </Section>
      <Section title="First frost" note={frost ? `by ${frost.years} autumns of the record` : undefined}>
        {frost?.half ? (
          <Text>
            As likely as not by <strong>{sayDay(frost.half)}</strong>; one year in ten by {sayDay(frost.early!)}, nine
            in ten by {sayDay(frost.late!)}. {frost.daysLeft} growing days left to the middle date.
            {frost.years < 10 ? " So few years make this a rough guide." : ""}
          </Text>
        ) : (
          <Text color="inkSoft">At least two autumns of record are needed.</Text>
        )}
      </Section>
      {source && skill.length > 0 && (
        <Section title="How good the forecast has been" note={`${source}, night minimum`}>
          <Table.Root native w="100%" fontSize="sm">
            <thead>
              <tr>
                {["days ahead", "nights", "usually off by", "spread"].map((h) => (
                  <chakra.th key={h} textAlign="left" fontWeight="600" py="1">
                    {h}
                  </chakra.th>
                ))}
              </tr>
            </thead>
            <tbody>
              {skill.map((s) => (
                <chakra.tr key={s.lead} borderTopWidth="1px" borderColor="ruleSoft">
                  <chakra.td py="1">{s.lead === 0 ? "the same day" : s.lead}</chakra.td>
                  <td>{s.count}</td>
                  <td>
                    {Math.abs(s.biasC) < 0.05
                      ? "nothing"
                      : `${decimals(Math.abs(s.biasC), 1)} K too ${s.biasC > 0 ? "cold" : "warm"}`}
                  </td>
                  <td>± {decimals(s.spreadC, 1)} K</td>
                </chakra.tr>
              ))}
            </tbody>
          </Table.Root>
          <Box mt="1">
            <Text fontSize="sm" color="inkSoft">
              Chances of frost are reckoned with this; what the source is usually off by is put right first.
            </Text>
          </Box>
        </Section>
      )}
    </>
  );
}
