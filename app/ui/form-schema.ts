import { z } from "zod";
import { readArea, readDistance } from "#core/units/distance";
import type { UnitSystem } from "#core/units/mass";

/** The text fields of a form by name. */
export type Typed = Record<string, string>;
/**
 * What was typed, and what is wrong with it, by field; sent back so that nothing typed is lost.
 * @property meanwhile what somebody else did since the page was opened, where that is why
 */
export type FormFaults = { errors: Record<string, string>; typed: Typed; meanwhile?: string };

/** A number as typed, comma or point; null when empty; NaN when it is none, so that Zod refuses it. */
export function numberOf(text: string | undefined): number | null {
  const cleaned = (text ?? "").trim().replace(",", ".");
  return cleaned === "" ? null : Number(cleaned);
}

/**
 * Distances and areas of a form as they were typed, in metres and square metres; null where a field is empty.
 * @param kinds what each field holds
 * @returns the values, and what is wrong with them by field
 */
export function typedMeasures<K extends string>(
  typed: Typed,
  kinds: Record<K, "distance" | "area">,
  units: UnitSystem,
): { values: Record<K, number | null>; errors: Record<string, string> } {
  const errors: Record<string, string> = {};
  const values = {} as Record<K, number | null>;
  for (const field of Object.keys(kinds) as K[]) {
    const text = (typed[field] ?? "").trim();
    values[field] = null;
    if (text === "") continue;
    if (kinds[field] === "distance") {
      const read = text === "0" ? { ok: true as const, metres: 0 } : readDistance(text, units);
      if (read.ok) values[field] = read.metres;
      else errors[field] = read.message;
    } else {
      const read = readArea(text, units);
      if (read.ok) values[field] = read.m2;
      else errors[field] = read.message;
    }
  }
  return { values, errors };
}

const FIRST_WORDS: Record<string, string> = {
  invalid_type: "write a number",
  too_small: "too small",
  too_big: "too large",
};

/** An issue of Zod in plain words, with its bounds. */
function sayIssue(issue: z.core.$ZodIssue): string {
  if (!/^(Too |Invalid |Expected )/.test(issue.message)) return issue.message;
  const plain = FIRST_WORDS[issue.code] ?? "this cannot be";
  if ("minimum" in issue) return `${plain} (at least ${issue.minimum})`;
  return "maximum" in issue ? `${plain} (at most ${issue.maximum})` : plain;
}

/** Zod's issues by field name, in plain words. */
export function faultsOf(error: z.ZodError, typed: Typed): FormFaults {
  const errors: Record<string, string> = {};
  for (const issue of error.issues) errors[String(issue.path[0] ?? "form")] ??= sayIssue(issue);
  return { errors, typed };
}

/**
 * A form as one schema, for the page and for the server: what was typed is read into a row, the row is checked by the
 * schema of what it becomes, and what is wrong stands at the form's own fields.
 * @param schema of the row, from the core
 * @param read what was typed, as a row; `errors` by field, where a field could not be read
 * @param names of the form's fields where they differ from those of the row
 */
export function formSchema<T>(
  schema: z.ZodType<T>,
  read: (typed: Typed) => { row: Record<string, unknown>; errors?: Record<string, string> },
  names: Record<string, string> = {},
): FormSchema<T> {
  return z.record(z.string(), z.unknown()).transform((given, context) => {
    const typed = Object.fromEntries(
      Object.entries(given).filter((e): e is [string, string] => typeof e[1] === "string"),
    );
    const { row, errors = {} } = read(typed);
    const checked = schema.safeParse(row);
    const found = checked.success ? {} : faultsOf(checked.error, typed).errors;
    const all = {
      ...Object.fromEntries(Object.entries(found).map(([k, words]) => [names[k] ?? k, words])),
      ...errors,
    };
    for (const [field, message] of Object.entries(all))
      context.addIssue({ code: "custom", path: field === "form" ? [] : [field], message });
    return checked.success && Object.keys(all).length === 0 ? checked.data : z.NEVER;
  });
}
export type FormSchema<T> = z.ZodType<T, Record<string, unknown>>;

/** Reads a form on the server: its row, or its faults with all that was typed. */
export function readForm<T>(
  schema: FormSchema<T>,
  typed: Typed,
): { ok: true; row: T } | { ok: false; faults: FormFaults } {
  const read = schema.safeParse(typed);
  return read.success ? { ok: true, row: read.data } : { ok: false, faults: faultsOf(read.error, typed) };
}

/** Stands for the id of a row until the server gives it one. */
export const NO_ID = "-";
