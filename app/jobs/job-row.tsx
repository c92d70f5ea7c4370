import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Check, Ellipsis } from "lucide-react";
import { useState } from "react";
import { useFetcher } from "react-router";
import { Anchor, Button } from "../ui/ui";
import type { JobLine } from "./jobs.server";

/** A square that a gloved thumb hits. */
const square = {
  flexShrink: "0",
  w: "48px",
  h: "48px",
  display: "inline-flex",
  alignItems: "center",
  justifyContent: "center",
  background: "transparent",
  cursor: "pointer",
} as const;
const Tick = chakra("button", {
  base: {
    ...square,
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
const More = chakra("button", { base: { ...square, color: "inkSoft" } });

/** A job: what to do to what, and a box that a thumb can hit. Done, it is struck out at once. */
export function JobRow({ job, brief = false, within = false }: { job: JobLine; brief?: boolean; within?: boolean }) {
  const fetcher = useFetcher();
  const [open, setOpen] = useState(false);
  const said = fetcher.formData?.get("what");
  // it stands inside other forms too, so it is sent by itself
  const say = (what: string) =>
    void fetcher.submit({ jobId: job.jobId, of: job.of, what }, { method: "post", action: "/jobs/mark" });
  return (
    <Box borderTopWidth={within ? "0" : "1px"} borderColor="ruleSoft" data-job={job.jobId} py={within ? "0" : "1.5"}>
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
        <Box
          flex="1"
          minW="0"
          py={within ? "2.5" : "2"}
          opacity={said ? 0.55 : 1}
          textDecoration={said ? "line-through" : undefined}
        >
          {within ? (
            <Text>
              <Where job={job} /> <When job={job} />
            </Text>
          ) : (
            <>
              <Text>
                {job.name && (
                  <>
                    <Where job={job} />
                    {": "}
                  </>
                )}
                <chakra.span fontWeight="600">{job.what}</chakra.span>
                {!job.name && <Bed of={job.bed} />}
              </Text>
              <Text fontSize="sm" color="inkSoft">
                <When job={job} />
                {job.minutes > 0 && ` · ${job.minutes} min`}
                {!brief && job.why && ` · ${job.why}`}
              </Text>
              {job.gate && <Gate words={job.gate} />}
              {!brief && job.caution && <Text fontSize="sm">{job.caution}</Text>}
            </>
          )}
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

/** One job at several plantings: its words once, a box for each. */
export function JobGroup({ lines, brief = false }: { lines: readonly JobLine[]; brief?: boolean }) {
  const [first] = lines;
  if (!first) return null;
  if (lines.length === 1) return <JobRow job={first} brief={brief} />;
  const minutes = lines.reduce((sum, l) => sum + l.minutes, 0);
  return (
    <Box borderTopWidth="1px" borderColor="ruleSoft" pt="2.5" pb="1">
      <Text fontWeight="600">{first.what}</Text>
      <Text fontSize="sm" color="inkSoft">
        {[minutes > 0 ? `${minutes} min` : "", brief ? "" : first.why].filter(Boolean).join(" · ")}
      </Text>
      {first.gate && <Gate words={first.gate} />}
      {!brief && first.caution && <Text fontSize="sm">{first.caution}</Text>}
      {lines.map((l) => (
        <JobRow key={l.key} job={l} within />
      ))}
    </Box>
  );
}

const Where = ({ job }: { job: JobLine }) => (
  <>
    {job.to ? <Anchor to={job.to}>{job.name}</Anchor> : <strong>{job.name}</strong>}
    <Bed of={job.bed} />
  </>
);

const Bed = ({ of }: { of: string }) =>
  of ? (
    <chakra.span color="inkSoft" fontSize="sm">
      {" "}
      {of}
    </chakra.span>
  ) : null;

const When = ({ job }: { job: JobLine }) => (
  <chakra.span fontSize="sm" color={job.state === "late" ? "madder" : "inkSoft"} fontWeight="600">
    {job.when}
  </chakra.span>
);

const Gate = ({ words }: { words: string }) => (
  <Text fontSize="sm" color="ochreInk" fontWeight="600">
    {words}
  </Text>
);
