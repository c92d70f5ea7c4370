import { chakra } from "@chakra-ui/react";
import { NavLink } from "react-router";

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
