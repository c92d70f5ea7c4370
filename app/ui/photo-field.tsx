import { chakra, Flex, Text } from "@chakra-ui/react";
import { Camera } from "lucide-react";
import { type ComponentType, useEffect, useRef, useState } from "react";
import { Tickbox } from "./tickbox";
import { Button } from "./ui";
import { whenResting } from "./when-resting";

/**
 * Takes photos for a look or a pick; a phone opens its camera. The device's own control serves until the one that shows
 * them is there: few looks have a photo, and nobody waits for what they might want.
 * @param kept those it has; `removable`: one of them can be marked to be taken out when the form is saved
 */
export function PhotoField({ kept, removable = false }: { kept: readonly string[]; removable?: boolean }) {
  const own = useRef<HTMLInputElement>(null);
  const [Picker, setPicker] = useState<ComponentType | null>(null);
  const [chosen, setChosen] = useState("");
  useEffect(
    () =>
      whenResting(() => {
        import("./photo-picker").then(
          ({ PhotoPicker }) => own.current?.files?.length === 0 && setPicker(() => PhotoPicker),
          // without a signal the device's own goes on serving
          () => null,
        );
      }),
    [],
  );
  return (
    <Flex gap="2.5" align="center" wrap="wrap" mb="5">
      {Picker ? (
        <Picker />
      ) : (
        <>
          <Button asChild variant="outline" position="relative" _focusWithin={{ outline: "2px solid" }}>
            <label>
              <Camera size={20} aria-hidden /> Photo
              <chakra.input
                ref={own}
                type="file"
                name="photo"
                accept="image/*"
                capture="environment"
                multiple
                css={{ "@media (scripting: enabled)": { position: "absolute", inset: 0, opacity: 0, width: "100%" } }}
                onChange={(e) => setChosen(Array.from(e.target.files ?? [], (f) => f.name).join(", "))}
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
