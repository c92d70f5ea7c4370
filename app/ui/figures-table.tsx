import { Box, Table } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A table of figures; too wide for the screen it scrolls by itself, by finger and by the arrow keys. */
export function FiguresTable({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box overflowX="auto" position="relative" role="region" aria-label={label} tabIndex={0}>
      <Table.Root native variant={"figures" as "line"}>
        {children}
      </Table.Root>
    </Box>
  );
}
