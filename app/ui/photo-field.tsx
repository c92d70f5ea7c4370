import { chakra, Flex, Text } from "@chakra-ui/react";
import { Camera } from "lucide-react";
import { useState } from "react";
import { flushSync } from "react-dom";
import type { PhotoPicker } from "./photo-picker";
import { Tickbox } from "./tickbox";
import { Button } from "./ui";

/**
 * Takes photos for a look or a pick; a phone opens its camera. The device's own control takes the first; what shows them
 * and takes them out again is loaded then: few looks have a photo, and nobody waits for what they might want.
 * @param kept those it has; `removable`: one of them can be marked to be taken out when the form is saved
 */
export function PhotoField({ kept, removable = false }: { kept: readonly string[]; removable?: boolean }) {
  const [chosen, setChosen] = useState("");
  const [shown, setShown] = useState<{ Picker: typeof PhotoPicker; first: File[] } | null>(null);
  const choose = (own: HTMLInputElement) => {
    setChosen(Array.from(own.files ?? [], (f) => f.name).join(", "));
    import("./photo-picker").then(
      // at once, so that nothing is chosen between what is handed over and the change of hands
      ({ PhotoPicker: Picker }) => flushSync(() => setShown({ Picker, first: [...(own.files ?? [])] })),
      // without a signal the device's own goes on serving
      () => null,
    );
  };
  return (
    <Flex gap="2.5" align="center" wrap="wrap" mb="5">
      {shown ? (
        <shown.Picker first={shown.first} />
      ) : (
        <>
          <Button asChild variant="outline" position="relative" _focusWithin={{ outline: "2px solid" }}>
            <label>
              <Camera size={20} aria-hidden /> Photo
              <chakra.input
                type="file"
                name="photo"
                accept="image/*"
                capture="environment"
                multiple
                css={{ "@media (scripting: enabled)": { position: "absolute", inset: 0, opacity: 0, width: "100%" } }}
                onChange={(e) => choose(e.currentTarget)}
              />
            </label>
          </Button>
          {chosen && (
            <Text fontSize="sm" color="inkSoft">
              {chosen}
            </Text>
          )}
        </>
      )}
      {kept.map((name, i) => (
        <Flex key={name} align="center" gap="2">
          <a href={`/photos/${name}`} target="_blank" rel="noreferrer">
            <chakra.img src={`/photos/${name}`} alt={`${i + 1} of this pick`} h="56px" borderRadius="soft" />
          </a>
          {removable && <Tickbox name={`drop-${name}`} label="take out" />}
        </Flex>
      ))}
    </Flex>
  );
}
