import { Box, chakra, Flex } from "@chakra-ui/react";
import { NavLink } from "react-router";

const Item = chakra(NavLink, {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minH: { base: "48px", lg: "36px" },
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

/** What a season can be asked, in three parts: what it brought, why, and what comes next. */
const PARTS = [
  {
    name: "What it brought",
    pages: [
      ["/season", "Harvest"],
      ["/season/weeks", "Gluts and gaps"],
      ["/season/lessons", "Notes and lessons"],
    ],
  },
  {
    name: "What made the difference",
    pages: [
      ["/season/compare", "Compare"],
      ["/season/rhythm", "Picking rhythm"],
      ["/season/right", "Was it right?"],
    ],
  },
  {
    name: "What comes next",
    pages: [
      ["/season/beds", "Clearing and replanting"],
      ["/season/sowings", "Sowing dates"],
      ["/season/next", "Next year’s plan"],
      ["/season/seeds", "Seeds"],
    ],
  },
] as const;

/** The parts of the season, a newcomer's questions above them. */
export function SeasonNav() {
  return (
    <Flex as="nav" aria-label="Looking back and ahead" columnGap="8" rowGap="2" mb="5" wrap="wrap" data-noprint>
      {PARTS.map((part) => (
        <Box key={part.name}>
          <chakra.span fontSize="sm" color="inkSoft">
            {part.name}
          </chakra.span>
          <Flex wrap="wrap" ml="-3">
            {part.pages.map(([to, name]) => (
              <Item key={to} to={to} end>
                {name}
              </Item>
            ))}
          </Flex>
        </Box>
      ))}
    </Flex>
  );
}
