import { data, redirect } from "react-router";
import type { z } from "zod";
import { readArea, readDistance } from "#core/units/distance";
import type { UnitSystem } from "#core/units/mass";

/**
 * What was typed, and what is wrong with it, by field; sent back so that nothing typed is lost.
 * @property meanwhile what somebody else did since the page was opened, where that is why
 */
export type FormFaults = { errors: Record<string, string>; typed: Record<string, string>; meanwhile?: string };

/** What a page sent; 400 with a word when it was broken off or is no form. */
export async function formOf(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw data(
      { message: "What was sent arrived broken, so nothing was changed. Send it once more." },
      { status: 400 },
    );
  }
}

/** The text fields of a form. */
export const typedOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form.entries()].flatMap(([k, v]) => (typeof v === "string" ? [[k, v]] : [])));

/** The id that a form brings for the row it makes: sent twice, it is kept once. */
export const ownId = (typed: Record<string, string>): string | null =>
  /^[\w-]{8,40}$/.test(typed.id ?? "") ? typed.id! : null;

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
export function measuresOf<K extends string>(
  typed: Record<string, string>,
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

/** Zod's issues by field name, in plain words. */
export function faultsOf(error: z.ZodError, typed: Record<string, string>): FormFaults {
  const errors: Record<string, string> = {};
  for (const issue of error.issues) {
    const field = String(issue.path[0] ?? "form");
    const plain = /^(Too |Invalid |Expected )/.test(issue.message)
      ? (FIRST_WORDS[issue.code] ?? "this cannot be")
      : issue.message;
    const bounds =
      "minimum" in issue ? ` (at least ${issue.minimum})` : "maximum" in issue ? ` (at most ${issue.maximum})` : "";
    errors[field] ??= plain === issue.message ? plain : plain + bounds;
  }
  return { errors, typed };
}

/** 422 with the faults; the page shows them beside the fields. */
export const refuse = (faults: FormFaults) => data(faults, { status: 422 });

/** On to a page, with the bar that offers to undo what was just done. */
export function done(to: string, journalId: string | null) {
  if (!journalId) return redirect(to);
  const [address, hash] = to.split("#");
  const [path, search] = address!.split("?");
  const query = new URLSearchParams(search);
  // a page may come back to itself with what was done before still in its address
  query.set("done", journalId);
  return redirect(`${path}?${query}${hash ? `#${hash}` : ""}`);
}

/** 404 for what is not in the garden. */
export const missing = (what: string) => data({ message: `There is no ${what} here.` }, { status: 404 });
