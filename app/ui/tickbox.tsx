import { chakra } from "@chakra-ui/react";
import type { ChangeEvent } from "react";

/** A box to tick with its words beside it, the whole line to be hit; held by the page where `onChange` is given. */
export function Tickbox({
  name,
  value,
  label,
  checked = false,
  onChange,
}: {
  name?: string;
  value?: string;
  label: string;
  checked?: boolean;
  onChange?: (on: boolean) => void;
}) {
  const held = onChange
    ? { checked, onChange: (e: ChangeEvent<HTMLInputElement>) => onChange(e.target.checked) }
    : { defaultChecked: checked };
  return (
    <chakra.label display="flex" gap="2.5" alignItems="center" minH="48px" cursor="pointer">
      <chakra.input type="checkbox" name={name} value={value} {...held} w="22px" h="22px" accentColor="moss" />
      {label}
    </chakra.label>
  );
}
