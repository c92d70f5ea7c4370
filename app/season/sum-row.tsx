import { chakra, Text } from "@chakra-ui/react";
import type { SumLine } from "./sum-words";

/** A sum; how it was reckoned opens under it at a tap. */
export function SumRow({ sum }: { sum: SumLine }) {
  return (
    <chakra.details borderTopWidth="1px" borderColor="ruleSoft">
      <chakra.summary
        display="flex"
        justifyContent="space-between"
        alignItems="center"
        gap="4"
        minH="48px"
        cursor="pointer"
      >
        <chakra.span color="inkSoft" textDecoration="underline dotted" textUnderlineOffset="4px">
          {sum.name}
        </chakra.span>
        <chakra.span fontWeight="600" textAlign="right">
          {sum.value}
        </chakra.span>
      </chakra.summary>
      <Text fontSize="sm" color="inkSoft" pb="2">
        {sum.way}
      </Text>
    </chakra.details>
  );
}
