import { Box, Heading } from "@chakra-ui/react";

/** Why the verdict is what it is: what stands now first, then what was seen before. */
export function Reasons({ live, before, standing }: { live: string[]; before: string[]; standing: string | null }) {
  return (
    <Box mb="4">
      <Heading as="h2" fontSize="lg" mb="1">
        Why
      </Heading>
      <Box as="ul" pl="5">
        {standing && (
          <li>
            <strong>{standing}</strong>
          </li>
        )}
        {live.map((r) => (
          <li key={r}>
            <strong>{r}</strong>
          </li>
        ))}
        {before.filter(Boolean).map((r) => (
          <li key={r}>{r}</li>
        ))}
      </Box>
    </Box>
  );
}
