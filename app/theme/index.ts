import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import { recipes } from "./recipes";
import { colors, scale } from "./tokens";

/**
 * The look: a printed garden almanac. Only the scales that the screens use are defined, so that every page carries a
 * small sheet of variables. Two modes: paper, and high contrast for sunlight
 * (attribute data-mode on the page).
 */
export const system = createSystem(
  defaultBaseConfig,
  defineConfig({
    preflight: true,
    cssVarsPrefix: "ak",
    cssVarsRoot: ":where(html)",
    conditions: { sunlight: "[data-mode=sunlight] &" },
    globalCss: {
      "html, body": { bg: "paper", color: "ink", fontFamily: "body", fontSize: "md", lineHeight: "1.5" },
      "*:focus-visible": { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
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
    },
  }),
);
