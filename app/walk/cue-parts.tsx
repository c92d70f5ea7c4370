import { chakra } from "@chakra-ui/react";
import type { Crop, Cue, School } from "#core/handbook/crop";
import type { ReadingValue } from "#core/planting/check";
import type { UnitSystem } from "#core/units/mass";
import type { Coins } from "#core/units/reference-objects";

export type CueProps = {
  cue: Cue;
  school: School;
  glyph: Crop["glyph"];
  units: UnitSystem;
  coins: Coins;
  value: ReadingValue | null;
  last: ReadingValue | null;
  suggested: boolean;
  onGive: (value: ReadingValue | null) => void;
};

/** An answer to tap, with its picture. */
export const Tile = chakra("label", {
  base: {
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
    "&:has(input:checked)": {
      borderColor: "moss",
      bg: "mossTint",
      boxShadow: "inset 0 0 0 1.5px var(--ak-colors-moss)",
    },
    "&:has(input:focus-visible)": { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
    "& input": { position: "absolute", opacity: 0, width: "1px", height: "1px" },
  },
});
/** A step up or down. */
export const Step = chakra("button", {
  base: {
    minW: "56px",
    minH: "56px",
    display: "grid",
    placeItems: "center",
    borderWidth: "1.5px",
    borderColor: "moss",
    color: "moss",
    borderRadius: "leaf",
    bg: "sheet",
    cursor: "pointer",
    _hover: { bg: "mossTint" },
  },
});
