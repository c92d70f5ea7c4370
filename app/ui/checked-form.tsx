import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { type PointerEvent, type ReactNode, useId, useMemo, useState } from "react";
import { Form, type FormProps } from "react-router";
import type { FormFaults, FormSchema } from "./form-schema";
import { CheckedContext } from "./ui";

type Props = Omit<FormProps, "children"> & {
  schema: FormSchema<unknown>;
  faults: FormFaults | null | undefined;
  children: ReactNode;
};

/**
 * A form that is checked by the schema the server reads it with: a field as it is left, all of them before they are
 * sent. What the server still finds stands at its fields as well. A button with `formNoValidate` sends it unchecked.
 */
export function CheckedForm({ schema, faults, children, ...rest }: Props) {
  const id = useId();
  const lastResult = useMemo(
    () =>
      faults
        ? {
            status: "error" as const,
            initialValue: faults.typed,
            error: Object.fromEntries(Object.entries(faults.errors).map(([k, v]) => [k === "form" ? "" : k, [v]])),
          }
        : undefined,
    [faults],
  );
  const [form] = useForm({
    id,
    lastResult,
    shouldValidate: "onBlur",
    shouldRevalidate: "onInput",
    onValidate: ({ formData }) => parseWithZod(formData, { schema, disableAutoCoercion: true }),
  });
  const errors = useMemo(() => {
    const all: Record<string, string> = {};
    for (const [name, found] of Object.entries(form.allErrors)) if (found[0]) all[name || "form"] = found[0];
    return all;
  }, [form.allErrors]);
  const refused = form.status === "error";
  const [shown, hold] = useHeld(useMemo(() => ({ errors, refused }), [errors, refused]));
  return (
    <CheckedContext value={shown}>
      <Form {...rest} {...getFormProps(form)} onPointerDown={hold}>
        {children}
      </Form>
    </CheckedContext>
  );
}

/** A press that ends without a click, as one that turns into scrolling, is over after so long, ms. */
const PRESS_MS = 400;

/**
 * What is wrong, held as it is while a button is being pressed: a word that goes because its field was left would move
 * the button from under the finger, and the press would be lost.
 */
function useHeld<T>(now: T): [T, (e: PointerEvent) => void] {
  const [held, setHeld] = useState<{ value: T } | null>(null);
  const hold = ({ target }: PointerEvent) => {
    if (!(target as Element).closest("button")) return;
    setHeld({ value: now });
    const ended = new AbortController();
    const letGo = () => {
      ended.abort();
      setHeld(null);
    };
    const { signal } = ended;
    window.addEventListener("click", () => setTimeout(letGo), { signal });
    window.addEventListener("pointerup", () => setTimeout(letGo, PRESS_MS), { signal });
    window.addEventListener("pointercancel", letGo, { signal });
  };
  return [held ? held.value : now, hold];
}
