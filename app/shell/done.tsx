import { createToaster, Portal, Toast, Toaster } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useEffect, useMemo } from "react";
import { useNavigate, useSearchParams, useSubmit } from "react-router";
import { useNarrow } from "../ui/use-narrow";

const DONE = "done";
/** One at a time: by the table in the corner; on a phone under the frame's head, clear of what the thumb is about to press. */
const toasterFor = (narrow: boolean) =>
  createToaster({
    placement: narrow ? "top" : "bottom-end",
    overlap: false,
    removeDelay: 0,
    offsets: { left: "16px", right: "16px", top: "66px", bottom: "16px" },
  });

/** Says what was done and offers to take it back; goes away by itself only when another page is opened. */
export default function Done({
  undo,
  said,
  back,
}: {
  undo: { id: string; label: string } | null;
  said: string | null;
  back: string;
}) {
  const narrow = useNarrow(false);
  const toaster = useMemo(() => toasterFor(narrow), [narrow]);
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const submit = useSubmit();
  const words = undo?.label ?? said;
  const id = undo?.id ?? null;
  // the address tells what was done: only another address changes what is shown
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => {
    if (!words) {
      toaster.remove(DONE);
      return;
    }
    const close = () => {
      const next = new URLSearchParams(params);
      next.delete("done");
      next.delete("said");
      navigate({ search: next.toString() }, { replace: true, preventScrollReset: true });
    };
    const shown = {
      title: words,
      duration: Number.POSITIVE_INFINITY,
      meta: { close },
      action: id
        ? { label: "Undo", onClick: () => submit({ id, back }, { method: "post", action: "/undo" }) }
        : undefined,
    };
    // what was done before is over as soon as something else was; first drawn together with this, it listens a moment later
    const say = setTimeout(() => {
      if (toaster.isVisible(DONE)) toaster.update(DONE, shown);
      else toaster.create({ id: DONE, ...shown });
    });
    return () => clearTimeout(say);
  }, [words, id, back, toaster]);
  return (
    <Portal>
      <Toaster toaster={toaster} data-noprint>
        {(toast) => (
          <Toast.Root>
            <Toast.Title>{toast.title}</Toast.Title>
            {toast.action && <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger>}
            <Toast.CloseTrigger aria-label="Close" onClick={() => (toast.meta as { close(): void }).close()}>
              <X size={20} aria-hidden />
            </Toast.CloseTrigger>
          </Toast.Root>
        )}
      </Toaster>
    </Portal>
  );
}
