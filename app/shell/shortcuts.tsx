import { Suspense, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { lazyOr } from "../ui/lazy-or";

const KeysSheet = lazyOr(() => import("./keys-sheet"));

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
  return open ? (
    <Suspense fallback={null}>
      <KeysSheet parts={parts} onClose={() => setOpen(false)} />
    </Suspense>
  ) : null;
}
