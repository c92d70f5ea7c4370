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
