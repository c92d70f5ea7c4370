import { Portal, Tooltip } from "@chakra-ui/react";
import type { ReactElement } from "react";

/** A word more about something to press, for who rests on it with the pointer or the keyboard. Nothing hangs on it. */
export function Hint({ words, children }: { words: string; children: ReactElement }) {
  return (
    <Tooltip.Root openDelay={400} closeDelay={80} lazyMount unmountOnExit>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Portal>
        <Tooltip.Positioner>
          <Tooltip.Content>{words}</Tooltip.Content>
        </Tooltip.Positioner>
      </Portal>
    </Tooltip.Root>
  );
}
