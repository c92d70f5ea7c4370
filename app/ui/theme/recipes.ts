import { defineRecipe } from "@chakra-ui/react";

/** What a gloved thumb hits, px: as tall and as wide as that on a phone; by the table, with a mouse, it may be smaller. */
export const THUMB = "48px";
const pressable = (atTheTable: string) => ({
  minH: { base: THUMB, lg: atTheTable },
  minW: { base: THUMB, lg: "auto" },
});

/** Things to press: leaf-cornered, at least 48 px tall where a glove presses them. */
export const button = defineRecipe({
  base: {
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    gap: "2",
    borderRadius: "leaf",
    fontFamily: "body",
    fontWeight: "650",
    cursor: "pointer",
    textDecoration: "none",
    whiteSpace: { base: "normal", sm: "nowrap" },
    borderWidth: "1.5px",
    borderColor: "transparent",
    transition: "background 0.12s",
    _disabled: { opacity: 0.55, cursor: "not-allowed" },
  },
  variants: {
    variant: {
      solid: { bg: "moss", color: "sheet", _hover: { bg: "mossDeep" } },
      outline: { borderColor: "moss", color: "moss", bg: "transparent", _hover: { bg: "mossTint" } },
      quiet: { color: "moss", bg: "transparent", _hover: { bg: "tint" } },
      danger: { borderColor: "madder", color: "madder", bg: "transparent", _hover: { bg: "madderTint" } },
    },
    size: {
      sm: { ...pressable("36px"), px: "3", fontSize: "sm" },
      md: { ...pressable("44px"), px: "4", fontSize: "md" },
      lg: { minH: "54px", px: "5", fontSize: "lg" },
    },
  },
  defaultVariants: { variant: "solid", size: "md" },
});

/** Where something is written: a ruled line of a form, not a box in a box. */
export const written = {
  width: "100%",
  ...pressable("46px"),
  px: "3",
  bg: "sheet",
  color: "ink",
  borderWidth: "1.5px",
  borderColor: "inkSoft",
  borderRadius: "soft",
  fontFamily: "body",
  fontSize: "md",
  _placeholder: { color: "inkSoft", opacity: 0.85 },
  "&[aria-invalid=true]": { borderColor: "madder", borderWidth: "2px", bg: "madderTint" },
} as const;

const input = defineRecipe({ base: written });
const textarea = defineRecipe({ base: { ...written, py: "2" } });

/** Headings in the almanac's face. */
const heading = defineRecipe({ base: { fontFamily: "heading", fontWeight: "600", lineHeight: "1.2" } });

/** The place of something that is still being drawn. */
const skeleton = defineRecipe({ base: { bg: "tint", borderRadius: "soft", display: "block" } });

/** A key of the keyboard. */
const kbd = defineRecipe({
  base: {
    display: "inline-block",
    fontFamily: "body",
    fontWeight: "650",
    borderWidth: "1.5px",
    borderColor: "inkSoft",
    borderRadius: "soft",
    px: "2",
    minW: "28px",
    textAlign: "center",
    bg: "sheet",
  },
});

export const recipes = { heading, button, input, textarea, skeleton, kbd };
