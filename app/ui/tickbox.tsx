import { Checkbox } from "@chakra-ui/react";
import { Check } from "lucide-react";
import type { ReactNode } from "react";

/** The box itself lies unseen over what is drawn of it: a thumb, a screen reader and a test all hit the real one. */
const OVER = { clip: "auto", clipPath: "none", width: 48, height: 48, margin: 0, left: -13, opacity: 0 } as const;

/** A box to tick with its words beside it, the whole line to be hit; held by the page where `onChange` is given. */
export function Tickbox({
  name,
  value,
  label,
  checked = false,
  onChange,
  describedBy,
}: {
  name?: string;
  value?: string;
  label: ReactNode;
  checked?: boolean;
  onChange?: (on: boolean) => void;
  describedBy?: string;
}) {
  const held = onChange
    ? { checked, onCheckedChange: (e: { checked: boolean | "indeterminate" }) => onChange(e.checked === true) }
    : { defaultChecked: checked };
  return (
    <Checkbox.Root name={name} value={value} {...held}>
      <Checkbox.HiddenInput style={OVER} aria-describedby={describedBy} />
      <Checkbox.Control>
        <Check size={16} strokeWidth={3} aria-hidden />
      </Checkbox.Control>
      <Checkbox.Label>{label}</Checkbox.Label>
    </Checkbox.Root>
  );
}
