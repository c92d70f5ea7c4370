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

/** Fields: a ruled line of a form, not a box in a box. */
export const field = defineRecipe({
  base: {
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
    "&[aria-invalid=true]": { borderColor: "madder", borderWidth: "2px", bg: "madderTint" },
  },
});

/** Headings in the almanac's face. */
const heading = defineRecipe({ base: { fontFamily: "heading", fontWeight: "600", lineHeight: "1.2" } });

export const recipes = { heading, pressable: button, writable: field };
