import { Combobox, createListCollection, Portal } from "@chakra-ui/react";
import { ChevronsUpDown } from "lucide-react";
import { useMemo, useState } from "react";
import { type FieldProps, Options, Select } from "../ui/ui";
import { useAwake } from "../ui/use-awake";

type Choice = { id: string; name: string };
/** From so many plantings on, one is found sooner by typing. */
const MANY = 10;

/** Whether every word typed is found in a name: crop, kind or bed, in any order. @example holds("Kale ‘black palm’ · Upper second", "up kale") // true */
export const holds = (name: string, typed: string): boolean => {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .normalize("NFD")
      .replace(/\p{M}|[‘’'"]/gu, "");
  return plain(typed)
    .split(/\s+/)
    .every((word) => plain(name).includes(word));
};

/**
 * Which planting: a list where there are few, and where there are many a field in which crop, kind or bed is typed.
 * @param field what the label's field hands in
 */
export function PlantingChoice({
  field: given,
  plantings,
  value,
  onChoose,
}: {
  field: FieldProps;
  plantings: readonly Choice[];
  value: string;
  onChoose: (id: string) => void;
}) {
  const awake = useAwake();
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState(false);
  const chosen = plantings.find((p) => p.id === value)?.name ?? "";
  const found = useMemo(
    () =>
      createListCollection({
        items: plantings.filter((p) => holds(p.name, typed)),
        itemToString: (p) => p.name,
        itemToValue: (p) => p.id,
      }),
    [plantings, typed],
  );
  if (!awake || plantings.length < MANY)
    return (
      <Select {...given} value={value} onChange={(e) => onChoose(e.target.value)} minH="54px" fontSize="lg">
        <Options of={plantings} />
      </Select>
    );
  return (
    <Combobox.Root
      collection={found}
      ids={{ input: given.id }}
      // while it is open the field is for typing; closed it shows what is chosen
      inputValue={open ? typed : chosen}
      value={[value]}
      open={open}
      openOnClick
      inputBehavior="autohighlight"
      onOpenChange={(e) => {
        setOpen(e.open);
        setTyped("");
      }}
      onInputValueChange={(e) => e.reason === "input-change" && setTyped(e.inputValue)}
      onValueChange={(e) => e.value[0] && onChoose(e.value[0])}
    >
      <input type="hidden" name={given.name} value={value} />
      <Combobox.Control>
        <Combobox.Input
          minH="54px"
          fontSize="lg"
          aria-invalid={given["aria-invalid"]}
          aria-describedby={given["aria-describedby"]}
          placeholder={chosen}
        />
        <Combobox.Trigger aria-label="All plantings">
          <ChevronsUpDown size={18} aria-hidden />
        </Combobox.Trigger>
      </Combobox.Control>
      <Portal>
        <Combobox.Positioner>
          <Combobox.Content>
            <Combobox.Empty>Nothing that grows is called so.</Combobox.Empty>
            {found.items.map((p) => (
              <Combobox.Item key={p.id} item={p}>
                {p.name}
              </Combobox.Item>
            ))}
          </Combobox.Content>
        </Combobox.Positioner>
      </Portal>
    </Combobox.Root>
  );
}
