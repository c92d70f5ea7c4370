import { data, redirect } from "react-router";
import type { FormFaults } from "../ui/form-schema";

export { type FormFaults, faultsOf, formSchema, numberOf, readForm, typedMeasures } from "../ui/form-schema";

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

/** 422 with the faults; the page shows them beside the fields. */
export const refuse = (faults: FormFaults) => data(faults, { status: 422 });

/**
 * Answers a form by its intent, the value of the button it was sent with.
 * @param answers by intent: what each of them does
 * @returns what the one asked for answered; 422 where the page has none of that name
 */
export function byIntent<A extends Record<string, () => unknown>>(typed: Record<string, string>, answers: A) {
  const intent = typed.intent ?? "";
  return Object.hasOwn(answers, intent)
    ? (answers[intent]!() as ReturnType<A[keyof A]>)
    : refuse({ errors: { form: "Nothing was asked." }, typed });
}

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
