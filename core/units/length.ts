import { M_PER_FOOT, MM_PER_INCH } from "./constants";
import type { UnitSystem } from "./mass";

export type LengthResult = { ok: true; lengthMm: number } | { ok: false; message: string };

const PER_UNIT_MM: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  "″": MM_PER_INCH,
  ft: 1000 * M_PER_FOOT,
  foot: 1000 * M_PER_FOOT,
  feet: 1000 * M_PER_FOOT,
  "'": 1000 * M_PER_FOOT,
  "′": 1000 * M_PER_FOOT,
};
const FRACTIONS: Record<string, string> = { "½": ".5", "¼": ".25", "¾": ".75", "⅓": ".3333", "⅔": ".6667" };
const LONGEST_TEXT = 40;
const MOST_MM = 200_000;

/**
 * Reads a length as people write it on a rule: "230", "23 cm", "1,5 cm", "9 in", "3 1/2 in", "½ in", "3 ft 6 in".
 * A bare number counts in millimetres in the metric system, in inches in the US one.
 *
 * @returns millimetres, to a tenth, or a message that says how to write it
 * @example readLength("3 ft 6 in", "us") // { ok: true, lengthMm: 1066.8 }
 */
export function readLength(text: string, system: UnitSystem): LengthResult {
  const help = system === "us" ? "write it like 9 in or 3 1/2 in" : "write it like 23 cm or 230 mm";
  if (text.length > LONGEST_TEXT) return { ok: false, message: `A length is shorter than that: ${help}.` };
  const cleaned = text
    .trim()
    .toLowerCase()
    .replace(/(\d)?\s*([½¼¾⅓⅔])/g, (_, whole: string | undefined, part: string) => `${whole ?? "0"}${FRACTIONS[part]}`)
    .replace(/(\d),(\d)/g, "$1.$2")
    .replace(/(?:(\d+)[\s-]+)?(\d+)\/(\d+)/g, (_, whole: string | undefined, up: string, down: string) =>
      String(Number(whole ?? 0) + Number(up) / Number(down)),
    );
  if (cleaned === "") return { ok: false, message: `The length is missing: ${help}.` };
  if (/^\d+(\.\d+)?$/.test(cleaned)) return bounded(Number(cleaned) * (system === "us" ? MM_PER_INCH : 1), help);
  const parts = [...cleaned.matchAll(/(\d+(?:\.\d+)?)\s*([a-z]+|["'″′])\.?/g)];
  const read = parts.map((p) => p[0].replace(/\s/g, "")).join("");
  if (parts.length === 0 || read !== cleaned.replace(/\s|and|,/g, ""))
    return { ok: false, message: `“${text.trim()}” is not a length: ${help}.` };
  let lengthMm = 0;
  for (const [, amount, unit] of parts) {
    const perUnit = Object.hasOwn(PER_UNIT_MM, unit ?? "") ? PER_UNIT_MM[unit ?? ""] : undefined;
    if (perUnit === undefined) return { ok: false, message: `“${unit}” is not a unit of length here: ${help}.` };
    lengthMm += Number(amount) * perUnit;
  }
  return bounded(lengthMm, help);
}

const bounded = (lengthMm: number, help: string): LengthResult =>
  lengthMm > 0 && lengthMm <= MOST_MM
    ? { ok: true, lengthMm: Math.round(lengthMm * 10) / 10 }
    : { ok: false, message: `A length is above zero and below 200 m: ${help}.` };
