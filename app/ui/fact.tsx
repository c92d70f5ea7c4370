import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { SOURCES, type Source } from "#core/handbook/crop";

/** Where a fact comes from. */
export const From = ({ source }: { source: Source }) => (
  <chakra.span fontSize="xs" color="inkSoft">
    {SOURCES[source]}
  </chakra.span>
);

/** A fact of the handbook with its name and its source. */
export function Fact({ name, source, children }: { name: string; source: Source; children: ReactNode }) {
  return (
    <Grid templateColumns="6.5rem 1fr" gap="3" py="2" borderBottomWidth="1px" borderColor="ruleSoft">
      <Text color="inkSoft">{name}</Text>
      <Box>
        <Text>{children}</Text>
        <From source={source} />
      </Box>
    </Grid>
  );
}
