import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Link } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import type { FrostTable as Table } from "../server/weather-day.server";
import { Section } from "./ui";

const CLASSES = [
  { name: "severe", bg: "frostInk" },
  { name: "moderate", bg: "frost" },
  { name: "light", bg: "frostPale" },
] as const;
const SEEN = 0.01;

/** The coming nights in every bed: how likely frost is and how hard, each night a way to that night's page. */
export function FrostTable({ table, chosen, units }: { table: Table; chosen: string; units: UnitSystem }) {
  if (table.days.length === 0) return null;
  return (
    <Section
      title="Frost in the coming nights"
      id="nights"
      note={
        table.members > 0
          ? `by ${table.members} members, drawn ${table.spreadRatio > 1.05 ? "apart" : table.spreadRatio < 0.95 ? "together" : "as they come"}${Math.abs(table.spreadRatio - 1) > 0.05 ? ` ×${table.spreadRatio.toFixed(2)}, as they have been ${table.spreadRatio > 1 ? "too sure" : "too unsure"}` : ""}`
          : "by one forecast and its measured error"
      }
    >
      <Box overflowX="auto" mx={{ base: "-1", md: "0" }}>
        <chakra.table w="100%" css={{ borderCollapse: "separate", borderSpacing: "2px" }}>
          <thead>
            <tr>
              <chakra.th textAlign="left" fontWeight="600" fontSize="sm" color="inkSoft">
                to the morning of
              </chakra.th>
              {table.days.map((day) => (
                <chakra.th
                  key={day}
                  fontWeight={day === chosen ? "700" : "500"}
                  fontSize="sm"
                  color={day === chosen ? "madder" : "ink"}
                >
                  {weekdayName(day).slice(0, 3)}
                </chakra.th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.beds.map((bed) => (
              <tr key={bed.id}>
                <chakra.th
                  scope="row"
                  textAlign="left"
                  fontWeight="500"
                  fontSize={{ base: "sm", md: "md" }}
                  lineHeight="1.2"
                  pr="1"
                >
                  {bed.name}
                </chakra.th>
                {bed.nights.map((n, k) => {
                  const day = table.days[k]!;
                  const any = n.light + n.moderate + n.severe;
                  return (
                    <chakra.td key={day} p="0" w={{ base: "38px", md: "52px" }}>
                      <NightLink
                        to={`/weather?day=${day}#beds`}
                        preventScrollReset
                        aria-label={`${bed.name}, ${sayDay(day)}: ${any < SEEN ? "no frost likely" : `frost ${Math.round(any * 100)} %`}, lowest ${sayTemp(n.minC, units)}`}
                        title={`${sayTemp(n.minC, units)}; light ${Math.round(n.light * 100)} %, moderate ${Math.round(n.moderate * 100)} %, severe ${Math.round(n.severe * 100)} %`}
                        borderColor={day === chosen ? "ink" : "ruleSoft"}
                      >
                        <Flex direction="column" justify="flex-end" w={{ base: "8px", md: "12px" }} h="100%">
                          {CLASSES.map((c) => (
                            <Box key={c.name} bg={c.bg} h={`${n[c.name] * 100}%`} />
                          ))}
                        </Flex>
                        <Text
                          flex="1"
                          textAlign="center"
                          fontSize="sm"
                          fontWeight={any >= 0.3 ? "650" : "500"}
                          color="ink"
                        >
                          {any >= SEEN ? `${Math.round(any * 100)}${n.covered ? "*" : ""}` : ""}
                        </Text>
                      </NightLink>
                    </chakra.td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </chakra.table>
      </Box>
      <Flex gap="4" mt="2" wrap="wrap" fontSize="sm" color="inkSoft" align="center">
        <Text>Chance of frost in percent, filled by</Text>
        {[...CLASSES].reverse().map((c) => (
          <Flex key={c.name} gap="1.5" align="center">
            <Box w="14px" h="14px" bg={c.bg} borderWidth="1px" borderColor="frost" />
            <Text>
              {c.name}
              {c.name === "moderate" ? `, from ${sayTemp(-2.2, units, 1)}` : ""}
              {c.name === "severe" ? `, from ${sayTemp(-4.4, units, 1)}` : ""}
            </Text>
          </Flex>
        ))}
        {table.beds.some((b) => b.nights.some((n) => n.covered)) && <Text>* covered for that night</Text>}
      </Flex>
    </Section>
  );
}

const NightLink = chakra(Link, {
  base: {
    display: "flex",
    alignItems: "center",
    h: "40px",
    bg: "sheet",
    borderWidth: "1px",
    textDecoration: "none",
    _hover: { borderColor: "ink" },
  },
});
