/** One meaning in the three looks: paper, high contrast for sunlight, and dark for after supper. */
const look = (paper: string, sunlight: string, night: string) => ({
  value: { base: paper, _sunlight: sunlight, _night: night },
});

/** Colours by what they mean. Text keeps at least 4.5 : 1 on every ground it stands on, in all three looks. */
export const colors = {
  paper: look("#f7f2e6", "#ffffff", "#1b1f1a"),
  sheet: look("#fcf9f2", "#ffffff", "#242923"),
  tint: look("#efe7d4", "#f0f0f0", "#2f352d"),
  ink: look("#28312a", "#000000", "#ece6d6"),
  inkSoft: look("#5a6152", "#1d1d1d", "#b9b8a5"),
  rule: look("#d7ccb1", "#000000", "#4d5548"),
  ruleSoft: look("#e6ddc8", "#8a8a8a", "#383e35"),
  /** things to press */
  moss: look("#2d5a3d", "#003d1c", "#9cc9a0"),
  mossDeep: look("#21472f", "#00240f", "#bcdfbc"),
  mossTint: look("#dfe7d0", "#d4f5dd", "#2c4031"),
  /** rounds, and what is urgent */
  madder: look("#7d2f2a", "#6d0000", "#eba497"),
  madderTint: look("#f3ded5", "#ffe3df", "#4a2b27"),
  /** ripe */
  ochre: look("#dba43f", "#ffb300", "#d29a35"),
  ochreInk: look("#7a5208", "#5c3a00", "#e8c078"),
  ochreTint: look("#f6e7c3", "#fff0c2", "#42361c"),
  /** unripe, nearly, past */
  unripe: look("#d3dbbb", "#cfe8c6", "#4f5d3c"),
  nearly: look("#b5c07a", "#8fce6b", "#8b9a52"),
  past: look("#8d6147", "#7a4a2a", "#b88f73"),
  /** frost, wind, rain */
  frost: look("#6f97b3", "#0057a8", "#6f97b3"),
  frostInk: look("#2f5876", "#003a73", "#a9cbe2"),
  frostPale: look("#b9d0dd", "#7db8f0", "#43616f"),
  frostTint: look("#dfe9ee", "#d9ecff", "#26353f"),
  wind: look("#7b8790", "#333333", "#97a3ab"),
  focus: look("#b3541e", "#d40000", "#f0a060"),
} as const;

const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** One look as plain variables of the page, over those of the tokens: their layer comes later, hence the marks. */
const variablesOf = (look: "base" | "_night") =>
  Object.fromEntries(
    Object.entries(colors).map(([name, { value }]) => [`--ak-colors-${kebab(name)}`, `${value[look]} !important`]),
  );

/** For a device that wishes for the dark and was told nothing else here. */
export const nightVariables = variablesOf("_night");
/** For paper out of a printer, whatever the screen shows. */
export const paperVariables = variablesOf("base");

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
