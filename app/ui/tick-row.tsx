import { Box, chakra } from "@chakra-ui/react";
import { Check } from "lucide-react";
import type { ReactNode } from "react";
import { useFetcher } from "react-router";

const Row = chakra("button", {
  base: {
    display: "flex",
    gap: "3",
    width: "100%",
    alignItems: "center",
    textAlign: "left",
    minH: "52px",
    py: "2",
    borderTopWidth: "1px",
    borderColor: "ruleSoft",
    cursor: "pointer",
    background: "transparent",
    "&[aria-checked=true] .words": { color: "inkSoft", textDecoration: "line-through" },
  },
});

/** A step of a list that can be ticked off, and off again; the whole row is the button. */
export function TickRow({ id, done, children }: { id: string; done: boolean; children: ReactNode }) {
  const fetcher = useFetcher();
  // what was just asked for shows at once
  const now = fetcher.formData ? fetcher.formData.get("done") === "yes" : done;
  return (
    <fetcher.Form method="post" action="/tick">
      <input type="hidden" name="id" value={id} />
      <Row type="submit" role="checkbox" aria-checked={now} name="done" value={now ? "no" : "yes"}>
        <Box
          as="span"
          flexShrink="0"
          display="inline-flex"
          w="26px"
          h="26px"
          borderWidth="2px"
          borderColor="moss"
          borderRadius="soft"
          bg={now ? "moss" : "sheet"}
          color="sheet"
          alignItems="center"
          justifyContent="center"
        >
          {now && <Check size={18} aria-hidden />}
        </Box>
        <span className="words">{children}</span>
      </Row>
    </fetcher.Form>
  );
}

const Chip = chakra("button", {
  base: {
    display: "inline-flex",
    gap: "2",
    alignItems: "center",
    minH: "48px",
    px: "3",
    borderWidth: "1px",
    borderColor: "rule",
    borderRadius: "leaf",
    cursor: "pointer",
    background: "sheet",
    "&[aria-checked=true]": { color: "inkSoft", textDecoration: "line-through", borderColor: "ruleSoft" },
  },
});

/** A kit to take along, each thing ticked off with a tap. */
export function Kit({ things }: { things: readonly { id: string; what: string; done: boolean }[] }) {
  return (
    <Box display="flex" flexWrap="wrap" gap="2" role="group" aria-label="Take along">
      {things.map((t) => (
        <KitChip key={t.id} {...t} />
      ))}
    </Box>
  );
}

function KitChip({ id, what, done }: { id: string; what: string; done: boolean }) {
  const fetcher = useFetcher();
  const now = fetcher.formData ? fetcher.formData.get("done") === "yes" : done;
  return (
    <fetcher.Form method="post" action="/tick">
      <input type="hidden" name="id" value={id} />
      <Chip type="submit" role="checkbox" aria-checked={now} name="done" value={now ? "no" : "yes"}>
        {now && <Check size={16} aria-hidden />}
        {what}
      </Chip>
    </fetcher.Form>
  );
}
