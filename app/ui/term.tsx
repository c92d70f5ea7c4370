import { chakra } from "@chakra-ui/react";
import { Suspense } from "react";
import { lazyOr } from "./lazy-or";
import { usePressedOpen } from "./use-pressed-open";

/** Terms of our own, each in one line; `docs/glossary.md` holds them all. */
export const TERMS = {
  school:
    "A way of picking with its own target: baby leaf or heads, green fruit or red. You choose it with the planting.",
  lane: "A planting’s chances over the coming fortnight, drawn from left to right: thin while unripe, full when ready.",
  lot: "A part of a pick as it lies in the house, with all that became of it since.",
  "stand-in": "Whoever picks while you are away. He gets a sheet of what to take and what to leave alone.",
  worth: "What your time is worth to you beside the crop: with it a plan weighs an hour against what would be lost.",
  cue: "One thing to see, feel or measure that says how far a crop is.",
  round: "One planned time out in the garden, with what is picked on it.",
} as const;
export type TermName = keyof typeof TERMS;

const Ask = chakra("button", {
  base: {
    display: "inline-grid",
    placeItems: "center",
    minW: { base: "48px", lg: "24px" },
    minH: { base: "48px", lg: "24px" },
    m: { base: "-14px", lg: "0" },
    mx: { base: "-10px", lg: "1" },
    verticalAlign: "middle",
    cursor: "help",
    fontSize: "sm",
    fontWeight: "700",
    color: "moss",
  },
});

/** Without a signal the meaning stands in the line. */
function PlainMeaning({ words }: { words: string; over: () => HTMLElement | null; onClose: () => void }) {
  return <chakra.span role="status">{words}</chakra.span>;
}
const Meaning = lazyOr(() => import("./meaning"), PlainMeaning);

/** A small “?” beside a term of our own; it says in one line what it is. */
export function Term({ of }: { of: TermName }) {
  const { open, button, close, press } = usePressedOpen<HTMLButtonElement>();
  return (
    <>
      <Ask type="button" aria-label={`What is a ${of}?`} aria-haspopup="dialog" data-noprint {...press}>
        <chakra.span
          display="grid"
          placeItems="center"
          w="20px"
          h="20px"
          borderWidth="1.5px"
          borderColor="moss"
          borderRadius="full"
          lineHeight="1"
          aria-hidden
        >
          ?
        </chakra.span>
      </Ask>
      {open && (
        <Suspense fallback={null}>
          <Meaning words={TERMS[of]} over={() => button.current} onClose={close} />
        </Suspense>
      )}
    </>
  );
}
