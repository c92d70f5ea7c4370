import { Dialog, Flex, Kbd, Portal, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
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

/** Keys that work everywhere: g and a letter goes to a part, n logs a pick, ? shows the sheet. */
export function Shortcuts({ parts }: { parts: { to: string; name: string; key: string }[] }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState(false);
  const [waiting, setWaiting] = useState(false);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement | null;
      if (e.ctrlKey || e.metaKey || e.altKey || target?.closest("input, textarea, select, [contenteditable]")) return;
      if (e.key === "?") {
        e.preventDefault();
        setOpen(true);
      } else if (waiting) {
        setWaiting(false);
        const part = parts.find((p) => p.key === e.key);
        if (part) navigate(part.to);
      } else if (e.key === "g") setWaiting(true);
      else if (e.key === "n") navigate("/picks/new");
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [navigate, parts, waiting]);
  return (
    <Dialog.Root open={open} onOpenChange={(e) => setOpen(e.open)} lazyMount unmountOnExit>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Title>Keys</Dialog.Title>
            {parts.map((p) => (
              <Flex key={p.to} gap="2" py="1" align="center">
                <Kbd>g</Kbd>
                <Kbd>{p.key}</Kbd>
                <Text>{p.name}</Text>
              </Flex>
            ))}
            {OTHERS.map(([key, name]) => (
              <Flex key={key} gap="2" py="1" align="center">
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
