import { defineSlotRecipe } from "@chakra-ui/react";
import { THUMB, written } from "./recipes";

/** Where there is room for both steps, each as wide as a thumb, and for a number between them. */
const WIDE = `@container (min-width: 150px)`;
/** Steps stand on both sides, apart for a thumb; without the page's scripts there is only the field to write in. */
const step = {
  display: "none",
  [WIDE]: { display: "grid" },
  flexShrink: "0",
  placeItems: "center",
  w: THUMB,
  color: "moss",
  borderWidth: "1.5px",
  borderColor: "inkSoft",
  cursor: "pointer",
  _hover: { bg: "tint" },
  "&[data-disabled]": { color: "rule", cursor: "default" },
  "html:not([data-awake]) &": { visibility: "hidden" },
} as const;
const numberInput = defineSlotRecipe({
  slots: ["root", "control", "input", "incrementTrigger", "decrementTrigger"],
  base: {
    root: { display: "flex", minW: "0", containerType: "inline-size" },
    input: {
      ...written,
      minW: "0",
      [WIDE]: { px: "1", textAlign: "center", borderRadius: "0", borderInlineWidth: "0" },
    },
    decrementTrigger: { ...step, borderStartRadius: "soft" },
    incrementTrigger: { ...step, borderEndRadius: "soft" },
  },
});

const slider = defineSlotRecipe({
  slots: ["root", "label", "control", "track", "range", "thumb", "markerGroup", "marker"],
  base: {
    root: { w: "100%" },
    control: { display: "flex", alignItems: "center", minH: THUMB, position: "relative", px: "3" },
    track: { flex: "1", h: "6px", bg: "tint", borderWidth: "1px", borderColor: "rule", borderRadius: "full" },
    range: { h: "100%", bg: "moss", borderRadius: "full" },
    thumb: {
      w: "28px",
      h: "28px",
      bg: "sheet",
      borderWidth: "2.5px",
      borderColor: "moss",
      borderRadius: "full",
      cursor: "grab",
      _focusVisible: { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
    },
  },
});

/** What holds a number that is more than typed. */
export const numberSlots = { numberInput, slider };
