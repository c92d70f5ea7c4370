import { Box, Flex, Text } from "@chakra-ui/react";

/** A label to print and cut out: a code that opens a page, a name, its lines, and a last one in bold. */
export function CodeLabel({
  code,
  name,
  lines,
  last,
}: {
  code: { size: number; path: string };
  name: string;
  lines: readonly string[];
  last: string;
}) {
  return (
    <Flex
      gap="3"
      p="3"
      bg="white"
      color="black"
      borderWidth="1.5px"
      borderColor="black"
      css={{ breakInside: "avoid" }}
      align="center"
    >
      <svg
        viewBox={`0 0 ${code.size} ${code.size}`}
        width="104"
        height="104"
        shapeRendering="crispEdges"
        role="img"
        aria-label={`Code of ${name}`}
        style={{ flexShrink: 0 }}
      >
        <path d={code.path} fill="#000" />
      </svg>
      <Box>
        <Text fontFamily="heading" fontSize="xl" lineHeight="1.1">
          {name}
        </Text>
        {lines.filter(Boolean).map((line) => (
          <Text key={line} fontSize="sm">
            {line}
          </Text>
        ))}
        <Text fontSize="sm" fontWeight="650">
          {last}
        </Text>
      </Box>
    </Flex>
  );
}
