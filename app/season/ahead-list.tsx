import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Anchor, Section } from "../ui/ui";
import type { Ahead } from "./series.server";

/** What is still to be started, the soonest first. */
export function AheadList({
  lines,
  more = 0,
  action,
}: {
  lines: readonly Ahead[];
  more?: number;
  action?: (line: Ahead) => ReactNode;
}) {
  if (lines.length === 0) return null;
  return (
    <Box id="ahead">
      <Section title="Still to start" note={<Anchor to="/season/sowings#ahead">sowings</Anchor>}>
        {lines.map((a) => (
          <Flex
            key={`${a.id} ${a.tick}`}
            gap="3"
            py="1.5"
            minH="48px"
            align="center"
            borderTopWidth="1px"
            borderColor="ruleSoft"
          >
            <Text flex="1">
              <Anchor to={a.to}>{a.name}</Anchor>{" "}
              <Text as="span" color="inkSoft" fontSize="sm">
                {a.bed}
              </Text>
            </Text>
            <Text color="inkSoft">
              {a.how} {a.when}
            </Text>
            {action?.(a)}
          </Flex>
        ))}
        {more > 0 && <Text color="inkSoft">and {more} more</Text>}
      </Section>
    </Box>
  );
}
