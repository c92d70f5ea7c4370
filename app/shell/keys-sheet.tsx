import { Dialog, Flex, Kbd, Portal, Text } from "@chakra-ui/react";
import { Button } from "../ui/ui";

const OTHERS = [
  ["n", "Log a pick"],
  ["?", "This sheet"],
  ["1 … 8", "On a walk: answer"],
  ["Enter", "On a walk: save and go on"],
  ["=", "On a walk: same as last time"],
  ["Shift ← →", "On a walk: the planting before, after"],
  ["← →", "On the lanes: move the round in focus"],
] as const;

/** The sheet of keys. Loaded when it is first asked for. */
export default function KeysSheet({
  parts,
  onClose,
}: {
  parts: readonly { to: string; name: string; key: string }[];
  onClose: () => void;
}) {
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Title>Keys</Dialog.Title>
            {parts.map((p) => (
              <Flex key={p.to} gap="2" py="0.5" align="center">
                <Kbd>g</Kbd>
                <Kbd>{p.key}</Kbd>
                <Text>{p.name}</Text>
              </Flex>
            ))}
            {OTHERS.map(([key, name]) => (
              <Flex key={key} gap="2" py="0.5" align="center">
                <Kbd>{key}</Kbd>
                <Text>{name}</Text>
              </Flex>
            ))}
            <Dialog.Footer>
              <Dialog.CloseTrigger asChild>
                <Button type="button" variant="outline">
                  Close
                </Button>
              </Dialog.CloseTrigger>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
