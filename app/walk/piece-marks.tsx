import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { type Mark, type Marked, nextMark } from "#core/planting/marked";
import { MARK_WORDS } from "#core/planting/words";

const LOOK: Record<Mark, { bg: string; color: string; border: string }> = {
  nearly: { bg: "ochreTint", color: "ink", border: "ochre" },
  ready: { bg: "moss", color: "sheet", border: "moss" },
  past: { bg: "madder", color: "sheet", border: "madder" },
};

/** Every piece by itself: a tap says nearly, another ready, a third too old, a fourth takes the mark away. */
export function PieceMarks({
  count,
  marked,
  onMark,
}: {
  count: number;
  marked: readonly Marked[];
  onMark: (marked: Marked[]) => void;
}) {
  const markOf = (n: number): Mark | null => marked.find((m) => m.n === n)?.mark ?? null;
  const tap = (n: number) => {
    const rest = marked.filter((m) => m.n !== n);
    const mark = nextMark(markOf(n));
    onMark(mark ? [...rest, { n, mark }].sort((a, b) => a.n - b.n) : rest);
  };
  return (
    <Box as="fieldset" mb="5" pl="1">
      <chakra.legend fontWeight="650" fontSize="lg" mb="2" display="block" w="100%">
        One by one, along the row
        <chakra.span display="block" fontWeight="400" fontSize="sm" color="inkSoft">
          tap: nearly, ready, too old
        </chakra.span>
      </chakra.legend>
      <Flex gap="2" wrap="wrap">
        {Array.from({ length: count }, (_, i) => {
          const n = i + 1;
          const mark = markOf(n);
          const look = mark && LOOK[mark];
          return (
            <chakra.button
              key={n}
              type="button"
              onClick={() => tap(n)}
              aria-label={`number ${n}: ${mark ? MARK_WORDS[mark] : "not marked"}`}
              minW="72px"
              minH="64px"
              px="2"
              borderWidth="1.5px"
              borderRadius="leaf"
              cursor="pointer"
              bg={look?.bg ?? "sheet"}
              color={look?.color ?? "ink"}
              borderColor={look?.border ?? "rule"}
            >
              <Text as="span" display="block" fontFamily="heading" fontSize="xl" lineHeight="1.1">
                {n}
              </Text>
              <Text as="span" display="block" fontSize="sm" lineHeight="1.1">
                {mark ? MARK_WORDS[mark] : "·"}
              </Text>
            </chakra.button>
          );
        })}
      </Flex>
    </Box>
  );
}
