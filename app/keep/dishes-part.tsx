import { Box, Text } from "@chakra-ui/react";
import { Anchor, Section } from "../ui/ui";

/** What the household itself likes to make of what wants to be used. */
export function DishesPart({ dishes }: { dishes: { id: string; name: string; note: string; uses: string }[] }) {
  return (
    <Section title="What to cook" note="from your own list">
      {dishes.map((x) => (
        <Box key={x.id} py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
          <Text fontWeight="600">{x.name}</Text>
          <Text fontSize="sm" color="inkSoft">
            uses {x.uses}
          </Text>
          <DishNote note={x.note} />
        </Box>
      ))}
      <Text fontSize="sm" color="inkSoft" mt="2">
        {dishes.length === 0 && "Nothing on it uses what is here. "}
        <Anchor to="/keep/dishes">Your dishes</Anchor>
      </Text>
    </Section>
  );
}

/** Where a dish is written, or how it goes; an address can be followed. */
export function DishNote({ note }: { note: string }) {
  if (!note) return null;
  return /^https?:\/\/\S+$/.test(note) ? (
    <Text fontSize="sm">
      <a href={note} rel="noreferrer" target="_blank">
        {note}
      </a>
    </Text>
  ) : (
    <Text fontSize="sm" whiteSpace="pre-line">
      {note}
    </Text>
  );
}
