import { chakra, Text } from "@chakra-ui/react";
import { type Husbandry, WATER_MM } from "#core/handbook/husbandry";
import type { UnitSystem } from "#core/units/mass";
import { sayLength, sayRain, sayTemp } from "#core/units/say";
import { Section } from "../ui/ui";

type Range = readonly [number, number];
const EASE = {
  even: "kept even to the end",
  ease: "eased to about half before picking",
  stop: "stopped before it is lifted",
} as const;

/** What a crop wants from seed to the first pick. */
export function GrowingFacts({ facts, units }: { facts: Husbandry; units: UnitSystem }) {
  const span = (r: Range, say: (x: number) => string) => (r[0] === r[1] ? say(r[0]) : `${say(r[0])} to ${say(r[1])}`);
  const length = (r: Range) => span(r, (x) => sayLength(x, units));
  const days = (r: Range) => span(r, (x) => `${x}`);
  const lines: [string, string][] = [
    ["Depth", facts.depthMm ? (facts.depthMm[1] === 0 ? "on the surface, in light" : length(facts.depthMm)) : ""],
    ["Apart", facts.apartMm ? `${length(facts.apartMm)}${facts.rowsMm ? `, rows ${length(facts.rowsMm)}` : ""}` : ""],
    [
      "Soil for seed",
      facts.soilC ? `from ${sayTemp(facts.soilC[0], units)}, best at ${sayTemp(facts.soilC[1], units)}` : "",
    ],
    ["Comes up", facts.up.map(([c, d]) => `in ${d} days at ${sayTemp(c, units)}`).join(", ")],
    [
      "Set out",
      facts.nightC === null
        ? ""
        : `nights from ${sayTemp(facts.nightC, units)}, after ${facts.hardenDays ? `${days(facts.hardenDays)} days of ` : ""}hardening off`,
    ],
    ["Sun", `${facts.sunH[0]} hours${facts.sunH[1] < facts.sunH[0] ? `; ${facts.sunH[1]} will do` : ""}`],
    ["Water", `${span(WATER_MM[facts.water], (x) => sayRain(x, units))} a week with the rain, in full leaf and warmth`],
    ["Thirst costs most", facts.critical],
    ["Watering is", `${EASE[facts.ease]}${facts.easeDays ? `, ${days(facts.easeDays)} days ahead` : ""}`],
    ["Feed", facts.feed],
    ["Cover against", facts.cover],
  ];
  return (
    <Section title="Growing it" note="from memory of growers’ tables; gardens are often slower">
      <chakra.dl display="grid" gridTemplateColumns="minmax(7rem, max-content) 1fr" columnGap="4" rowGap="1.5">
        {lines
          .filter(([, words]) => words !== "")
          .map(([name, words]) => (
            <chakra.div key={name} display="contents">
              <chakra.dt color="inkSoft">{name}</chakra.dt>
              <chakra.dd>
                <Text>{words}</Text>
              </chakra.dd>
            </chakra.div>
          ))}
      </chakra.dl>
    </Section>
  );
}
