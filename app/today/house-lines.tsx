import { Flex, Text } from "@chakra-ui/react";
import type { LotLine } from "../keep/keep.server";
import { Anchor, Section } from "../ui/ui";

/** The first things to use in the house, for Today; nothing while it is empty. */
export function HouseLines({ house }: { house: readonly LotLine[] }) {
  if (house.length === 0) return null;
  return (
    <Section title="Use first" note={<Anchor to="/keep">all that is kept</Anchor>}>
      {house.map((l) => (
        <Flex key={l.id} justify="space-between" gap="3" py="1.5" borderBottomWidth="1px" borderColor="ruleSoft">
          <Anchor to={`/keep/lots/${l.id}`}>{l.kind}</Anchor>
          <Text color={l.soon ? "madder" : "inkSoft"} textAlign="right">
            {l.left}, {l.keeps}
          </Text>
        </Flex>
      ))}
    </Section>
  );
}
