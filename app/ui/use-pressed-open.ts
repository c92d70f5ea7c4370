import { useRef, useState } from "react";

/**
 * Something that opens at a press on a button of ours and closes by itself at any press outside of it, the button
 * included: pressed while open, the button must not open it again.
 */
export function usePressedOpen<E extends HTMLElement>() {
  const button = useRef<E>(null);
  const [open, setOpen] = useState(false);
  const before = useRef(false);
  return {
    open,
    button,
    /** closes it and gives the focus back */
    close: () => {
      setOpen(false);
      button.current?.focus({ preventScroll: true });
    },
    press: {
      ref: button,
      "aria-expanded": open,
      onPointerDown: () => {
        before.current = open;
      },
      // by the keyboard there is no press of a pointer before
      onClick: (e: { detail: number }) => setOpen(!(e.detail === 0 ? open : before.current)),
    },
  };
}
