import { NumberInput } from "@chakra-ui/react";
import { Minus, Plus } from "lucide-react";
import { type FieldProps, Input } from "./ui";

type Props = Partial<FieldProps> & {
  defaultValue?: string;
  /** what is in it now, where the page follows it */
  value?: string;
  onCount?: (typed: string) => void;
  /** of what there are so many, for who hears it: "plants" */
  of: string;
  least?: number;
  placeholder?: string;
};

/** A whole number as it may be typed so far. */
const isWhole = (text: string): boolean => /^\d*$/.test(text);

/** A whole number: typed, stepped by a thumb or by the arrow keys. What was typed and is none stands there as it was. */
export function CountInput({
  id,
  name,
  defaultValue = "",
  value,
  onCount,
  of,
  least = 0,
  placeholder,
  ...told
}: Props) {
  const shown = value ?? defaultValue;
  const field = { id, name, placeholder, ...told };
  if (!isWhole(shown))
    return value === undefined ? (
      <Input {...field} inputMode="numeric" defaultValue={shown} />
    ) : (
      <Input {...field} inputMode="numeric" value={value} onChange={(e) => onCount?.(e.target.value)} />
    );
  return (
    <NumberInput.Root
      {...(value === undefined ? { defaultValue } : { value })}
      onValueChange={onCount && ((e) => onCount(e.value))}
      min={least}
      allowOverflow={false}
      clampValueOnBlur={false}
      formatOptions={{ useGrouping: false, maximumFractionDigits: 0 }}
      ids={{ input: id ?? "" }}
    >
      <NumberInput.DecrementTrigger aria-label={`fewer ${of}`}>
        <Minus size={18} aria-hidden />
      </NumberInput.DecrementTrigger>
      <NumberInput.Input {...field} inputMode="numeric" pattern={undefined} />
      <NumberInput.IncrementTrigger aria-label={`more ${of}`}>
        <Plus size={18} aria-hidden />
      </NumberInput.IncrementTrigger>
    </NumberInput.Root>
  );
}
