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

/** Columns of answers with their pictures: two on a phone. */
export const ANSWER_COLUMNS = {
  base: "repeat(2, minmax(0, 1fr))",
  sm: "repeat(auto-fill, minmax(180px, 1fr))",
} as const;

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
