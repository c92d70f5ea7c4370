import { NumberInput } from "@chakra-ui/react";
import { Minus, Plus } from "lucide-react";
import type { InputEvent } from "react";
import { type FieldProps, Input } from "./ui";

type Props = FieldProps & {
  defaultValue: string;
  /** of what there are so many, for who hears it: "plants" */
  of: string;
  least?: number;
};

/** A comma would be read as one between thousands: “3,5” is not 35. */
const digitsOnly = (e: InputEvent<HTMLInputElement>): void => {
  if (/\D/.test(e.data ?? "")) e.preventDefault();
};

/** A whole number: typed, stepped by a thumb or by the arrow keys. What was typed and is none stands there as it was. */
export function CountInput({ defaultValue, of, least = 0, ...field }: Props) {
  if (!/^\d*$/.test(defaultValue)) return <Input {...field} inputMode="numeric" defaultValue={defaultValue} />;
  return (
    <NumberInput.Root
      defaultValue={defaultValue}
      min={least}
      allowOverflow={false}
      clampValueOnBlur={false}
      formatOptions={{ useGrouping: false }}
      ids={{ input: field.id }}
    >
      <NumberInput.DecrementTrigger aria-label={`fewer ${of}`}>
        <Minus size={18} aria-hidden />
      </NumberInput.DecrementTrigger>
      <NumberInput.Input {...field} inputMode="numeric" pattern={undefined} onBeforeInput={digitsOnly} />
      <NumberInput.IncrementTrigger aria-label={`more ${of}`}>
        <Plus size={18} aria-hidden />
      </NumberInput.IncrementTrigger>
    </NumberInput.Root>
  );
}
