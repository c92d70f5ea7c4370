import { Box, Flex, Text } from "@chakra-ui/react";
import { RowAnchor } from "../ui/ui";
import type { placesView } from "./keep.server";

type PlaceView = ReturnType<typeof placesView>[number];

/** How full a place is: taken by other things, and by lots that were said to lie there. */
export function PlaceBar({ place: p }: { place: PlaceView }) {
  const share = (litres: number) => `${Math.min(100, (100 * litres) / p.place.litres)}%`;
  return (
    <Box py="2" borderTopWidth="1px" borderColor="ruleSoft">
      <Flex justify="space-between" gap="3">
        <RowAnchor to={`/keep/places#${p.place.id}`}>{p.place.name}</RowAnchor>
        <Text color={p.room.over ? "madder" : "ink"}>{p.room.words}</Text>
      </Flex>
      <Flex h="10px" bg="tint" mt="1" overflow="hidden">
        <Box bg="rule" style={{ width: share(p.place.takenLitres) }} />
        <Box bg="moss" style={{ width: share(p.litres) }} />
      </Flex>
      <Text fontSize="sm" color="inkSoft" mt="1">
        {p.air}
        {p.measured && `, ${p.measured}`}
      </Text>
    </Box>
  );
}
