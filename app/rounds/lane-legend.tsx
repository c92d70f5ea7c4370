import { Box } from "@chakra-ui/react";
import { Term } from "../ui/term";
import { RowAnchor } from "../ui/ui";

const v = (name: string) => `var(--ak-colors-${name})`;

/** What the shapes and patterns mean. */
export function LaneLegend() {
  const item = { display: "inline-flex", alignItems: "center", gap: "6px", marginRight: "18px" } as const;
  const swatch = (tone: string) => (
    <span
      style={{
        width: 22,
        height: 10,
        borderRadius: 6,
        background: v(tone),
        border: `1px solid ${v("ink")}`,
        display: "inline-block",
      }}
    />
  );
  return (
    <Box fontSize="sm" color="inkSoft" mt="2">
      <span style={item}>
        A lane
        <Term of="lane" />
      </span>
      <span style={item}>{swatch("unripe")} unripe, thin</span>
      <span style={item}>{swatch("nearly")} nearly</span>
      <span style={item}>{swatch("ochre")} ready, full</span>
      <span style={item}>{swatch("past")} past, thinning</span>
      <span style={item}>
        <svg width="14" height="14" aria-hidden="true">
          <circle cx="7" cy="7" r="5" fill={v("sheet")} stroke={v("madder")} strokeWidth="2.4" />
        </svg>
        take what is ready
      </span>
      <span style={item}>
        <svg width="14" height="14" aria-hidden="true">
          <rect
            x="3"
            y="3"
            width="8"
            height="8"
            transform="rotate(45 7 7)"
            fill={v("sheet")}
            stroke={v("madder")}
            strokeWidth="2.2"
          />
        </svg>
        take everything
      </span>
      <span style={item}>
        <RowAnchor to="/rounds/assumptions">what a plan assumes</RowAnchor>
      </span>
    </Box>
  );
}
