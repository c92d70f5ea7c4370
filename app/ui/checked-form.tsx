import { INTENT } from "@conform-to/dom";
import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { type ReactNode, useId, useMemo, useRef, useState } from "react";
import { Form, type FormProps } from "react-router";
import type { FormFaults, FormSchema } from "./form-schema";
import { CheckedContext } from "./ui";

type Props = Omit<FormProps, "children"> & {
  schema: FormSchema<unknown>;
  faults: FormFaults | null | undefined;
  /** fields that may stay empty until it is sent: which of them is filled in, the gardener decides on the way */
  patient?: readonly string[];
  children: ReactNode;
};
const NONE: readonly string[] = [];

/**
 * A form that is checked by the schema the server reads it with: a field as it is left, all of them before they are
 * sent. What the server still finds stands at its fields as well. A button with `formNoValidate` sends it unchecked.
 */
export function CheckedForm({ schema, faults, patient = NONE, children, ...rest }: Props) {
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
  const typed = useRef<FormData>(null);
  const [form] = useForm({
    id,
    lastResult,
    shouldValidate: "onBlur",
    shouldRevalidate: "onInput",
    onValidate: ({ formData }) => {
      typed.current = formData;
      return parseWithZod(formData, { schema, disableAutoCoercion: true });
    },
  });
  const refused = form.status === "error";
  const { allErrors } = form;
  const errors = useMemo(() => {
    const all: Record<string, string> = {};
    for (const [name, found] of Object.entries(allErrors)) {
      const waits = !refused && patient.includes(name) && !typed.current?.get(name);
      if (found[0] && !waits) all[name || "form"] = found[0];
    }
    return all;
  }, [allErrors, refused, patient]);
  const [shown, hold] = useHeld(useMemo(() => ({ errors, refused }), [errors, refused]));
  return (
    <CheckedContext value={shown}>
      <Form {...rest} {...getFormProps(form)} ref={sendOnlyWhenPressed} onPointerDown={hold}>
        {children}
      </Form>
    </CheckedContext>
  );
}

/**
 * Conform looks at a field by asking the form to be submitted, and stops that in React. While React redraws it hears
 * nothing: a focused field that the redraw takes away is left, and the form would really be sent. So the form stops
 * what Conform asks itself.
 */
const sendOnlyWhenPressed = (form: HTMLFormElement | null) => {
  if (!form) return;
  const stop = (event: SubmitEvent) => {
    if (event.submitter?.getAttribute("name") === INTENT) event.preventDefault();
  };
  form.addEventListener("submit", stop);
  return () => form.removeEventListener("submit", stop);
};

/** A press that ends without a click, as one that turns into scrolling, is over after so long, ms. */
const PRESS_MS = 400;

/**
 * What is wrong, held as it is while something is being pressed: a word that comes or goes because its field was left
 * would move what is pressed from under the finger, and the press would be lost.
 */
function useHeld<T>(now: T): [T, () => void] {
  const [held, setHeld] = useState<{ value: T } | null>(null);
  const shown = held ? held.value : now;
  const hold = () => {
    const press = { value: shown };
    setHeld(press);
    const ended = new AbortController();
    const letGo = () => {
      ended.abort();
      // the press before this one may end after this one has begun
      setHeld((held) => (held === press ? null : held));
    };
    const { signal } = ended;
    window.addEventListener("click", () => setTimeout(letGo), { signal });
    window.addEventListener("pointerup", () => setTimeout(letGo, PRESS_MS), { signal });
    window.addEventListener("pointercancel", letGo, { signal });
  };
  return [shown, hold];
}
