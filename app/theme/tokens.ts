/** Colours by what they mean, for paper and for sunlight. Text pairs keep at least 4.5 : 1 in both. */
const pair = (paper: string, sunlight: string) => ({ value: { base: paper, _sunlight: sunlight } });

export const colors = {
  paper: pair("#f7f2e6", "#ffffff"),
  sheet: pair("#fcf9f2", "#ffffff"),
  tint: pair("#efe7d4", "#f0f0f0"),
  ink: pair("#28312a", "#000000"),
  inkSoft: pair("#5a6152", "#1d1d1d"),
  rule: pair("#d7ccb1", "#000000"),
  ruleSoft: pair("#e6ddc8", "#8a8a8a"),
  /** things to press */
  moss: pair("#2d5a3d", "#003d1c"),
  mossDeep: pair("#21472f", "#00240f"),
  mossTint: pair("#dfe7d0", "#d4f5dd"),
  /** rounds, and what is urgent */
  madder: pair("#7d2f2a", "#6d0000"),
  madderTint: pair("#f3ded5", "#ffe3df"),
  /** ripe */
  ochre: pair("#dba43f", "#ffb300"),
  ochreInk: pair("#7a5208", "#5c3a00"),
  ochreTint: pair("#f6e7c3", "#fff0c2"),
  /** unripe, nearly, past */
  unripe: pair("#d3dbbb", "#cfe8c6"),
  nearly: pair("#b5c07a", "#8fce6b"),
  past: pair("#8d6147", "#7a4a2a"),
  /** frost, wind, rain */
  frost: pair("#6f97b3", "#0057a8"),
  frostInk: pair("#2f5876", "#003a73"),
  frostPale: pair("#b9d0dd", "#7db8f0"),
  frostTint: pair("#dfe9ee", "#d9ecff"),
  wind: pair("#7b8790", "#333333"),
  focus: pair("#b3541e", "#d40000"),
} as const;

const steps = (values: Record<string, string>) =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, { value }]));

/** Quarter-rem spacing, as far as it is used. */
const SPACING = {
  "0.5": "0.125rem",
  "1": "0.25rem",
  "1.5": "0.375rem",
  "2": "0.5rem",
  "2.5": "0.625rem",
  "3": "0.75rem",
  "4": "1rem",
  "5": "1.25rem",
  "6": "1.5rem",
  "7": "1.75rem",
  "8": "2rem",
  "9": "2.25rem",
  "10": "2.5rem",
  "12": "3rem",
  "14": "3.5rem",
  "16": "4rem",
};

/** Scales of space, type and corners. */
export const scale = {
  spacing: steps(SPACING),
  sizes: steps({ ...SPACING, full: "100%" }),
  fontSizes: steps({
    xs: "0.75rem",
    sm: "0.875rem",
    md: "1rem",
    lg: "1.125rem",
    xl: "1.25rem",
    "2xl": "1.5rem",
    "3xl": "1.875rem",
    "4xl": "2.25rem",
  }),
  radii: steps({ leaf: "2px 10px 2px 10px", soft: "3px", full: "9999px" }),
  shadows: steps({ lg: "0 6px 24px rgb(0 0 0 / 0.18)" }),
};
