import { Popover, Portal } from "@chakra-ui/react";
import { useEffect, useState } from "react";

/** What a term means, over the page. Loaded when it is first asked for. */
export default function Meaning({
  words,
  over,
  onClose,
}: {
  words: string;
  over: () => HTMLElement | null;
  onClose: () => void;
}) {
  const [shown, setShown] = useState(false);
  useEffect(() => setShown(true), []);
  return (
    <Popover.Root
      open={shown}
      onOpenChange={(e) => !e.open && onClose()}
      positioning={{ placement: "top", getAnchorRect: () => over()?.getBoundingClientRect() ?? null }}
    >
      <Portal>
        <Popover.Positioner>
          <Popover.Content>{words}</Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
