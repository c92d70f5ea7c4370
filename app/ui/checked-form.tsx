import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { type ReactNode, useId, useMemo } from "react";
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
  return (
    <CheckedContext value={errors}>
      <Form {...rest} {...getFormProps(form)}>
        {children}
      </Form>
    </CheckedContext>
  );
}
