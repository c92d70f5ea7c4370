import { Box, Flex, Table, Text } from "@chakra-ui/react";
import { Link } from "react-router";
import { sayDay, weekdayName } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import { Section } from "../ui/ui";
import type { FrostTable as Nights } from "./weather-day.server";

const CLASSES = [
  { name: "severe", bg: "frostInk" },
  { name: "moderate", bg: "frost" },
  { name: "light", bg: "frostPale" },
] as const;
const SEEN = 0.01;

/** The coming nights in every bed: how likely frost is and how hard, each night a way to that night's page. */
export function FrostTable({ table, chosen, units }: { table: Nights; chosen: string; units: UnitSystem }) {
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
      <Box overflowX="auto" mx={{ base: "-1", md: "0" }} data-picture>
        <Table.Root native w="100%" css={TABLE}>
          <thead>
            <tr>
              <th className="bed">to the morning of</th>
              {table.days.map((day) => (
                <th key={day} className={day === chosen ? "chosen" : undefined}>
                  {weekdayName(day).slice(0, 3)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.beds.map((bed) => (
              <tr key={bed.id}>
                <th scope="row" className="bed">
                  {bed.name}
                </th>
                {bed.nights.map((n, k) => {
                  const day = table.days[k]!;
                  const any = n.light + n.moderate + n.severe;
                  return (
                    <td key={day}>
                      <Link
                        to={`/weather?day=${day}#beds`}
                        preventScrollReset
                        className={day === chosen ? "chosen" : undefined}
                        aria-label={`${bed.name}, ${sayDay(day)}: ${any < SEEN ? "no frost likely" : `frost ${Math.min(99, Math.round(any * 100))} %`}, lowest ${sayTemp(n.minC, units)}`}
                        title={`${sayTemp(n.minC, units)}; light ${Math.round(n.light * 100)} %, moderate ${Math.round(n.moderate * 100)} %, severe ${Math.round(n.severe * 100)} %`}
                      >
                        {any >= SEEN && (
                          <>
                            <span className="gauge">
                              {CLASSES.map((c) => (
                                <i key={c.name} className={c.name} style={{ height: `${n[c.name] * 100}%` }} />
                              ))}
                            </span>
                            <span className={any >= 0.3 ? "much" : undefined}>
                              {Math.min(99, Math.round(any * 100))}
                              {n.covered ? "*" : ""}
                            </span>
                          </>
                        )}
                      </Link>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </Table.Root>
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

/** The look of the whole table in one place: a hundred cells with a style each would take longer than the rest of the page. */
const TABLE = {
  borderCollapse: "separate",
  borderSpacing: "2px",
  "& th": { fontWeight: "500", fontSize: "sm" },
  "& th.bed": { textAlign: "left", lineHeight: "1.2", paddingRight: "1" },
  "& th.chosen": { fontWeight: "700", color: "madder" },
  "& td": { padding: 0, width: { base: "38px", md: "52px" } },
  "& td a": {
    display: "flex",
    alignItems: "center",
    justifyContent: "center",
    height: "40px",
    position: "relative",
    background: "sheet",
    borderWidth: "1px",
    borderColor: "ruleSoft",
    color: "ink",
    fontSize: "sm",
    textDecoration: "none",
    paddingLeft: { base: "8px", md: "12px" },
  },
  "& td a.chosen, & td a:hover": { borderColor: "ink" },
  "& .much": { fontWeight: "650" },
  "& .gauge": {
    position: "absolute",
    left: 0,
    bottom: 0,
    width: { base: "8px", md: "12px" },
    height: "100%",
    display: "flex",
    flexDirection: "column",
    justifyContent: "flex-end",
  },
  "& .light": { background: "frostPale" },
  "& .moderate": { background: "frost" },
  "& .severe": { background: "frostInk" },
} as const;
