import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

const Table = chakra("table", {
  base: {
    width: "100%",
    borderCollapse: "collapse",
    "& th": { textAlign: "left", fontWeight: 600, padding: "0 0.9rem 0.5rem 0", whiteSpace: "nowrap" },
    "& td, & tbody th": {
      padding: "0.5rem 0.9rem 0.5rem 0",
      borderTop: "1px solid var(--ak-colors-rule-soft)",
      verticalAlign: "middle",
    },
    "& .number": { textAlign: "right", whiteSpace: "nowrap", fontVariantNumeric: "tabular-nums" },
    // words after figures stand clear of them, and no column is squeezed into a heap of single words
    "& .number + :not(.number)": { paddingLeft: "0.9rem" },
    "& td:not(.number), & tbody th": { minWidth: "7rem", whiteSpace: "normal" },
    "& .name": { fontWeight: 650 },
    "& td:last-of-type:not(.number)": { minWidth: "11rem" },
  },
});

/** A table of figures; too wide for the screen it scrolls by itself, by finger and by the arrow keys. */
export function FiguresTable({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box overflowX="auto" position="relative" role="region" aria-label={label} tabIndex={0}>
      <Table>{children}</Table>
    </Box>
  );
}
