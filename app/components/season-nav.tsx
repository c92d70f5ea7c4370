import { chakra, Flex } from "@chakra-ui/react";
import { NavLink } from "react-router";

const Item = chakra(NavLink, {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minH: "48px",
    px: "3",
    borderRadius: "leaf",
    color: "inkSoft",
    fontWeight: "600",
    textDecoration: "none",
    whiteSpace: "nowrap",
    "&[aria-current=page]": { color: "ink", bg: "tint" },
    _hover: { color: "ink" },
  },
});

/** What a season can be asked, from looking back to looking ahead. */
const PARTS = [
  ["/season", "Harvest"],
  ["/season/compare", "Compare"],
  ["/season/rhythm", "Picking rhythm"],
  ["/season/weeks", "Gluts and gaps"],
  ["/season/beds", "Clearing and replanting"],
  ["/season/sowings", "Sowing dates"],
  ["/season/seeds", "Seeds"],
  ["/season/next", "Next year’s plan"],
  ["/season/lessons", "Notes and lessons"],
  ["/season/right", "Was it right?"],
] as const;

/** The parts of the season's desk. */
export function SeasonNav() {
  return (
    <Flex as="nav" aria-label="Looking back and ahead" gap="1" mb="5" wrap="wrap" ml="-3" data-noprint>
      {PARTS.map(([to, name]) => (
        <Item key={to} to={to} end>
          {name}
        </Item>
      ))}
    </Flex>
  );
}
