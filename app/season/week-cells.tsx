import { Box, chakra, Flex, Table, Text } from "@chakra-ui/react";
import { CropGlyph } from "../ui/crop-glyph";
import type { weeksView } from "./season-weeks.server";

type View = ReturnType<typeof weeksView>;
type State = View["crops"][number]["cells"][number]["state"];

const LOOKS: Record<State, { bg: string; border: string; words: string }> = {
  glut: { bg: "madder", border: "madder", words: "more than the house uses" },
  fair: { bg: "moss", border: "moss", words: "as much as is used" },
  short: { bg: "nearly", border: "nearly", words: "little" },
  none: { bg: "transparent", border: "inkSoft", words: "nothing" },
  outside: { bg: "transparent", border: "transparent", words: "" },
};

const Cell = chakra("td", { base: { padding: "3px 1px", minWidth: "17px" } });

/** Every crop's weeks on one calendar: dark where there was enough, red where there was too much, hollow where nothing. */
export function WeekCells({ view }: { view: View }) {
  return (
    <Box overflowX="auto" position="relative" role="region" aria-label="Weeks of every crop" tabIndex={0}>
      <Table.Root native borderCollapse="collapse" css={{ "& th": { fontWeight: 600, textAlign: "left" } }}>
        <thead>
          <tr>
            <th>
              <chakra.span srOnly>Crop</chakra.span>
            </th>
            {view.calendar.map((w) => (
              <th key={w.week}>
                <Text fontSize="sm" color="inkSoft" w="17px" whiteSpace="nowrap" overflow="visible">
                  {w.month}
                  {w.month === "" && <chakra.span srOnly>week {w.week}</chakra.span>}
                </Text>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.crops.map((c) => (
            <tr key={c.id}>
              <chakra.th
                scope="row"
                pr="4"
                py="1"
                whiteSpace="nowrap"
                position="sticky"
                left="0"
                bg="paper"
                minW={{ base: "8.5em", md: "13em" }}
              >
                <Flex align="center" gap="2">
                  <CropGlyph kind={c.glyph} stage={1.25} size={26} />
                  <Text maxW={{ base: "6.5em", md: "none" }} overflow="hidden" textOverflow="ellipsis">
                    {c.name}
                  </Text>
                </Flex>
              </chakra.th>
              {c.cells.map((cell, i) => (
                <Cell key={view.calendar[i]!.week}>
                  {cell.state !== "outside" && (
                    <Box
                      h="22px"
                      bg={LOOKS[cell.state].bg}
                      borderWidth="1.5px"
                      borderColor={LOOKS[cell.state].border}
                      borderStyle={cell.state === "none" ? "dashed" : "solid"}
                      title={`${view.calendar[i]!.week}: ${cell.said}`}
                    >
                      <chakra.span srOnly>
                        {LOOKS[cell.state].words}, {cell.said}
                      </chakra.span>
                    </Box>
                  )}
                </Cell>
              ))}
            </tr>
          ))}
        </tbody>
      </Table.Root>
    </Box>
  );
}

/** What the cells mean. */
export function WeekLegend() {
  return (
    <Flex gap="5" wrap="wrap" mt="3">
      {(["glut", "fair", "short", "none"] as const).map((s) => (
        <Flex key={s} align="center" gap="2">
          <Box
            w="17px"
            h="17px"
            bg={LOOKS[s].bg}
            borderWidth="1.5px"
            borderColor={LOOKS[s].border}
            borderStyle={s === "none" ? "dashed" : "solid"}
          />
          <Text fontSize="sm">{LOOKS[s].words}</Text>
        </Flex>
      ))}
    </Flex>
  );
}
