import { Grid, Text } from "@chakra-ui/react";
import { type Column, PICK_COLUMNS, type PickColumns as Seen } from "#formats/picks-in";
import { Fold } from "../ui/fold";
import { Options, Select } from "../ui/ui";

const WORDS: Record<Column, string> = {
  day: "the day",
  time: "the time",
  bed: "the bed",
  kind: "the kind",
  crop: "the crop",
  gross: "weight with containers",
  tare: "weight of the containers",
  net: "weight, net",
  count: "pieces",
  by: "who picked",
  method: "how",
  extent: "how much of it",
  grade: "grade",
  figure: "weighed or estimated",
  tops: "tops on",
  entered: "as it was written",
  note: "a note",
  id: "its id",
  round: "its round",
  part: "what of the plant",
  purpose: "what for",
  condition: "how it was",
  minutes: "minutes",
  left: "left on the plant",
  way: "where it went",
  sorted: "sorted parts",
  again: "weighed again",
  againHow: "how weighed again",
};

/** What each column of the table is taken for, with its first values; to be mended by hand. */
export function PickColumns({ seen, open }: { seen: Seen; open: boolean }) {
  const heldBy = (i: number): string => PICK_COLUMNS.find((c) => seen.uses[c] === i) ?? "";
  return (
    <Fold title="What the columns hold" open={open} mb="4">
      {seen.headings.map((h, i) => (
        <Grid
          // a heading may be empty, its place is its name
          key={`${i} ${h}`}
          templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "minmax(120px,1fr) 230px minmax(0,2fr)" }}
          gap="2"
          alignItems="center"
          py="1.5"
          borderTopWidth="1px"
          borderColor="ruleSoft"
        >
          <Text fontWeight="650">{h || `column ${i + 1}`}</Text>
          <Select name={`use-${i}`} aria-label={`${h || `column ${i + 1}`} holds`} defaultValue={heldBy(i)} minW="0">
            <option value="">not used</option>
            <Options of={PICK_COLUMNS} say={(c) => WORDS[c]} />
          </Select>
          <Text color="inkSoft" fontSize="sm" truncate gridColumn={{ base: "1 / -1", md: "auto" }}>
            {seen.samples.map((s) => s[i] ?? "").join(" · ")}
          </Text>
        </Grid>
      ))}
    </Fold>
  );
}
