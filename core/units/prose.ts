import { LITRES_PER_US_LIQUID_QUART } from "./constants";
import { decimals, sayMass, type UnitSystem } from "./mass";
import { sayDistance, sayLength, saySpeed, sayTemp } from "./say";

const NUMBER = "[−-]?\\d+(?:\\.\\d+)?";
/** A metric figure in a sentence, alone or as a range, with its unit; what stands after it in brackets is the same in US units. */
const FIGURE = new RegExp(
  `(?<![\\w.])(${NUMBER})(?:(–| to | or | and )(${NUMBER}))? ?(°C|kg|g|mm|cm|m|km/h|litres?|l)(?![\\w²³·/])(?: \\(([^)]*(?:°F|lb|oz|in|ft|mph|qt)[^)]*)\\))?`,
  "g",
);

const SAY: Record<string, (x: number) => string> = {
  "°C": (x) => sayTemp(x, "us"),
  kg: (x) => sayMass(1000 * x, "us"),
  g: (x) => sayMass(x, "us"),
  mm: (x) => sayLength(x, "us"),
  cm: (x) => sayLength(10 * x, "us"),
  m: (x) => sayDistance(x, "us"),
  "km/h": (x) => saySpeed(x / 3.6, "us"),
  litre: quarts,
  litres: quarts,
  l: quarts,
};
function quarts(litres: number): string {
  const quarts = litres / LITRES_PER_US_LIQUID_QUART;
  return `${decimals(quarts, quarts < 10 ? 1 : 0)} qt`;
}
const numberIn = (text: string): number => Number(text.replace("−", "-"));

const MONTHS = "Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec";
/** A date in a sentence, its day before its month. */
const DATE = new RegExp(`(?<!(?:${MONTHS}) |[\\d-])(\\d{1,2}) (${MONTHS})\\b(?: (\\d{4})\\b)?`, "g");

/**
 * A sentence of the handbook, or one kept from another day, in the garden's units: every figure with a metric unit is
 * told in US ones, a range as one; a figure that gives both keeps the one that is wanted; dates stand month first.
 * @example proseIn("Cure at 20–30 °C, 5 cm of stalk left on", "us") // "Cure at 68–86 °F, 2 in of stalk left on"
 */
export function proseIn(text: string, system: UnitSystem): string {
  if (system !== "us") return text;
  const dated = text.replace(DATE, (_, day: string, month: string, year: string | undefined) =>
    year ? `${month} ${day}, ${year}` : `${month} ${day}`,
  );
  return dated.replace(
    FIGURE,
    (_, low: string, between: string | undefined, high: string | undefined, unit: string, both) => {
      if (both) return both as string;
      const say = SAY[unit]!;
      if (!high) return say(numberIn(low));
      const [a, b] = [say(numberIn(low)), say(numberIn(high))];
      // "68–86 °F", not "68 °F–86 °F"
      const cut = a.lastIndexOf(" ");
      return `${a.slice(cut) === b.slice(b.lastIndexOf(" ")) ? a.slice(0, cut) : a}${between}${b}`;
    },
  );
}

/** The same for every text of a thing of the handbook; its numbers, ids and shape stay. */
export function proseOf<T>(thing: T, system: UnitSystem): T {
  if (system !== "us") return thing;
  if (typeof thing === "string") return proseIn(thing, system) as T;
  if (Array.isArray(thing)) return thing.map((x) => proseOf(x, system)) as T;
  if (thing === null || typeof thing !== "object") return thing;
  return Object.fromEntries(Object.entries(thing).map(([k, v]) => [k, proseOf(v, system)])) as T;
}
