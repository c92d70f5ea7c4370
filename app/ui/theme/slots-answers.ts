import { defineSlotRecipe } from "@chakra-ui/react";

/** An answer to tap, with its picture. */
const tile = {
  position: "relative",
  display: "flex",
  alignItems: "center",
  gap: "2.5",
  minH: "56px",
  px: "3",
  py: "1.5",
  bg: "sheet",
  borderWidth: "1.5px",
  borderColor: "rule",
  borderRadius: "leaf",
  cursor: "pointer",
  lineHeight: "1.2",
  // asked of the box itself, so that it is right before the page's scripts run too
  "&:has(input:checked)": {
    borderColor: "moss",
    bg: "mossTint",
    boxShadow: "inset 0 0 0 1.5px var(--ak-colors-moss)",
  },
  "&:has(input:focus-visible)": { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
} as const;
export const radioCard = defineSlotRecipe({
  slots: ["root", "label", "item", "itemText"],
  base: { root: { minW: "0" }, item: tile },
  variants: {
    orientation: {
      horizontal: {},
      vertical: { item: { flexDirection: "column", justifyContent: "center", gap: "0.5", px: "1", fontWeight: "600" } },
    },
  },
  defaultVariants: { orientation: "horizontal" },
});
export const checkboxCard = defineSlotRecipe({ slots: ["root", "label"], base: { root: tile } });
