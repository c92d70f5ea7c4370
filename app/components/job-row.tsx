import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Check, Ellipsis } from "lucide-react";
import { useState } from "react";
import { useFetcher } from "react-router";
import type { JobLine } from "../server/jobs.server";
import { Anchor, Button } from "./ui";

const Tick = chakra("button", {
  base: {
    flexShrink: "0",
    w: "48px",
    h: "48px",
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    background: "transparent",
    cursor: "pointer",
    "& > span": {
      w: "28px",
      h: "28px",
      borderWidth: "2px",
      borderColor: "moss",
      borderRadius: "soft",
      display: "inline-flex",
      alignItems: "center",
      justifyContent: "center",
      bg: "sheet",
    },
    _hover: { "& > span": { bg: "tint" } },
    "&[aria-checked=true] > span": { bg: "moss", color: "sheet" },
  },
});
const More = chakra("button", {
  base: {
    flexShrink: "0",
    w: "48px",
    h: "48px",
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    background: "transparent",
    color: "inkSoft",
    cursor: "pointer",
  },
});

/** A job: what to do to what, and a box that a thumb can hit. Done, it is struck out at once. */
export function JobRow({ job, brief = false }: { job: JobLine; brief?: boolean }) {
  const fetcher = useFetcher();
  const [open, setOpen] = useState(false);
  const said = fetcher.formData?.get("what");
  // it stands inside other forms too, so it is sent by itself
  const say = (what: string) =>
    void fetcher.submit({ jobId: job.jobId, of: job.of, what }, { method: "post", action: "/jobs/mark" });
  return (
    <Box borderTopWidth="1px" borderColor="ruleSoft" data-job={job.jobId} py="1.5">
      <Flex align="start" gap="1">
        <Tick
          type="button"
          role="checkbox"
          aria-checked={said === "done"}
          aria-label={`Done: ${[job.name, job.what].filter(Boolean).join(", ")}`}
          onClick={() => say("done")}
          ml="-10px"
        >
          <span>{said === "done" && <Check size={18} aria-hidden />}</span>
        </Tick>
        <Box flex="1" minW="0" py="2" opacity={said ? 0.55 : 1} textDecoration={said ? "line-through" : undefined}>
          <Text>
            {job.name && (
              <>
                {job.to ? <Anchor to={job.to}>{job.name}</Anchor> : <strong>{job.name}</strong>}
                {job.bed && (
                  <chakra.span color="inkSoft" fontSize="sm">
                    {" "}
                    {job.bed}
                  </chakra.span>
                )}
                {": "}
              </>
            )}
            <chakra.span fontWeight="600">{job.what}</chakra.span>
            {!job.name && job.bed && (
              <chakra.span color="inkSoft" fontSize="sm">
                {" "}
                {job.bed}
              </chakra.span>
            )}
          </Text>
          <Text fontSize="sm" color="inkSoft">
            <chakra.span color={job.state === "late" ? "madder" : "inkSoft"} fontWeight="600">
              {job.when}
            </chakra.span>
            {job.minutes > 0 && ` · ${job.minutes} min`}
            {!brief && job.why && ` · ${job.why}`}
          </Text>
          {job.gate && (
            <Text fontSize="sm" color="ochreInk" fontWeight="600">
              {job.gate}
            </Text>
          )}
          {!brief && job.caution && <Text fontSize="sm">{job.caution}</Text>}
        </Box>
        <More
          type="button"
          aria-expanded={open}
          aria-label={`More about: ${[job.name, job.what].filter(Boolean).join(", ")}`}
          onClick={() => setOpen((o) => !o)}
          data-noprint
        >
          <Ellipsis size={20} aria-hidden />
        </More>
      </Flex>
      {open && (
        <Box pl="38px" pb="2">
          {brief && job.why && <Text fontSize="sm">{job.why}</Text>}
          {brief && job.caution && <Text fontSize="sm">{job.caution}</Text>}
          <Flex gap="2" wrap="wrap" mt="1">
            <Button type="button" onClick={() => say("skipped")} variant="outline" size="sm">
              {job.repeats ? "Leave it out this time" : "Not this time"}
            </Button>
            {!job.own && (
              <Button type="button" onClick={() => say("never")} variant="quiet" size="sm">
                Not wanted here
              </Button>
            )}
          </Flex>
          <Text fontSize="xs" color="inkSoft" mt="1">
            {job.own ? "your own" : job.source}
          </Text>
        </Box>
      )}
    </Box>
  );
}
