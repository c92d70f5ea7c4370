import { Box, chakra, Text } from "@chakra-ui/react";
import type { Caution } from "#core/handbook/cautions";

type Said = Caution & { crops?: readonly string[] };

/**
 * All cautions that belong to what is being done, once and together, the gravest first: poison and life in bold, mere
 * nuisance plain. Where they are of several crops each says whose it is.
 */
export function Cautions({ of, title = "Take care" }: { of: readonly Said[]; title?: string }) {
  if (of.length === 0) return null;
  return (
    <Box
      // several may stand on one page: a note, not a landmark
      role="note"
      aria-label={title}
      borderLeftWidth="4px"
      borderColor="madder"
      bg="madderTint"
      px="4"
      py="3"
      mb="4"
      css={{ breakInside: "avoid" }}
    >
      <Text fontWeight="650" mb="1">
        {title}
      </Text>
      <chakra.ul listStyleType="none" display="grid" gap="1.5">
        {of.map((c) => (
          <chakra.li key={c.id} fontWeight={c.level === 1 ? "650" : "400"} fontSize={c.level === 1 ? "md" : "sm"}>
            {c.crops && c.crops.length > 0 && <chakra.span color="inkSoft">{c.crops.join(", ")}: </chakra.span>}
            {c.say}
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  );
}
