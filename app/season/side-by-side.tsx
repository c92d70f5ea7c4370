import { Box, Flex, Text } from "@chakra-ui/react";
import { groupBy } from "#core/group-by";

export type Point = { id: string; name: string; side: 0 | 1; bed: string; year: string; value: number; said: string };

const COLOURS = ["moss", "ochre"] as const;

/** A mark of a side: a disc for the first, a square for the second, so that colour is not all that tells them apart. */
export function SideMark({ side }: { side: 0 | 1 }) {
  return (
    <Box
      as="span"
      display="inline-block"
      w="12px"
      h="12px"
      bg={COLOURS[side]}
      borderRadius={side === 0 ? "full" : "0"}
      flexShrink="0"
    />
  );
}

/** Every figure on a line of its own bed and year, both sides on one scale: what differs by the bed is seen at once. */
export function SideBySide({ points, label }: { points: readonly Point[]; label: string }) {
  const most = Math.max(...points.map((p) => p.value));
  const sorted = [...groupBy(points, (p) => `${p.bed}, ${p.year}`)].sort(
    ([a, x], [b, y]) => sides(y) - sides(x) || (a < b ? -1 : 1),
  );
  return (
    <Box role="img" aria-label={`${label}, by bed and year; the table below has the figures`}>
      {sorted.map(([key, list], i) => (
        <Flex key={key} align="center" gap="3" py="1.5" borderTopWidth={i === 0 ? "0" : "1px"} borderColor="ruleSoft">
          <Text w={{ base: "8.5em", md: "13em" }} flexShrink="0" fontSize="sm">
            {key}
          </Text>
          <Box position="relative" flex="1" h="22px">
            <Box position="absolute" left="0" right="0" top="10.5px" h="1px" bg="ruleSoft" />
            {list.map((p) => (
              <Box
                key={p.id}
                position="absolute"
                top="4px"
                w="14px"
                h="14px"
                ml="-7px"
                bg={COLOURS[p.side]}
                borderRadius={p.side === 0 ? "full" : "0"}
                borderWidth="1.5px"
                borderColor="sheet"
                style={{ left: `${most > 0 ? 2 + (96 * p.value) / most : 2}%` }}
              />
            ))}
          </Box>
        </Flex>
      ))}
    </Box>
  );
}
const sides = (list: readonly Point[]) => new Set(list.map((p) => p.side)).size;
