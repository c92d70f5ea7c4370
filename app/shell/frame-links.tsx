import { Box, chakra } from "@chakra-ui/react";
import { NavLink } from "react-router";
import { PARTS, WITHIN_REACH } from "./parts";

/** A part in the frame. */
export const Tab = chakra(NavLink, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "2",
    px: "3",
    minH: "48px",
    color: "inkSoft",
    fontWeight: "600",
    textDecoration: "none",
    borderBottomWidth: "3px",
    borderColor: "transparent",
    "&[aria-current=page]": { color: "ink", borderColor: "madder" },
    _hover: { color: "ink" },
  },
});

/** The rest of the parts on a phone as a plain list, where their menu cannot be loaded. */
export function PlainMore({ onClose }: { onClose: () => void }) {
  return (
    <Box
      position="fixed"
      right="2"
      bottom="74px"
      zIndex="10"
      bg="sheet"
      borderWidth="1px"
      borderColor="rule"
      borderRadius="leaf"
      boxShadow="lg"
      minW="200px"
      py="2"
      onClick={onClose}
    >
      {PARTS.slice(WITHIN_REACH).map((p) => (
        <Tab key={p.to} to={p.to} minH="52px" px="5" borderBottomWidth="0">
          <p.icon size={20} aria-hidden /> {p.name}
        </Tab>
      ))}
    </Box>
  );
}
