import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import { reckonedOnce } from "./once";
import { recipes } from "./recipes";
import { slotRecipes } from "./slots";
import { colors, nightVariables, paperVariables, scale } from "./tokens";

/**
 * The look: a printed garden almanac. Only the scales that the screens use are defined, so that every page carries a
 * small sheet of variables. Three looks by the page's attribute data-mode: paper, high contrast for sunlight, and night;
 * where none is chosen ("device") the device's own wish for light or dark holds.
 */
export const system = reckonedOnce(
  createSystem(
    defaultBaseConfig,
    defineConfig({
      preflight: true,
      cssVarsPrefix: "ak",
      cssVarsRoot: ":where(html)",
      conditions: { sunlight: "[data-mode=sunlight] &", night: "[data-mode=night] &" },
      globalCss: {
        "[data-mode=night]": { colorScheme: "dark" },
        "[data-mode=device]": {
          "@media (prefers-color-scheme: dark)": { colorScheme: "dark", ...nightVariables },
        },
        "html[data-mode]": { "@media print": { colorScheme: "light", ...paperVariables } },
        "html, body": { bg: "paper", color: "ink", fontFamily: "body", fontSize: "md", lineHeight: "1.5" },
        // a date's own parts take the focus one after the other: the field shows it for all of them
        "*:focus-visible, input:focus-within": { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
        "a:hover": { textDecorationColor: "currentColor" },
      },
      theme: {
        breakpoints: { sm: "480px", md: "768px", lg: "1024px", xl: "1280px" },
        tokens: {
          ...scale,
          fonts: {
            heading: { value: "'Fraunces Variable', Georgia, serif" },
            body: { value: "'Source Sans 3 Variable', system-ui, sans-serif" },
          },
        },
        semanticTokens: { colors },
        recipes,
        slotRecipes,
      },
    }),
  ),
);
