import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { sayMass, type UnitSystem } from "#core/units/mass";
import type { Container } from "#core/weighing/pick";
import { Button, Input } from "../ui/ui";
import type { arithmetic } from "./pick-arithmetic";

type CounterProps = { container: Container; count: number; units: UnitSystem; onCount: (count: number) => void };

/** How many of one type of container stand on the scale: stepped by a thumb, or typed. */
export function ContainerCounter({ container: c, count, units, onCount }: CounterProps) {
  return (
    <Flex
      align="center"
      gap="2"
      borderWidth="1px"
      borderColor={count > 0 ? "moss" : "rule"}
      bg={count > 0 ? "mossTint" : "sheet"}
      borderRadius="leaf"
      px="2"
    >
      <Text flex="1" pl="1" lineHeight="1.2">
        {c.name}
        <chakra.span display="block" fontSize="sm" color="inkSoft">
          {sayMass(c.tareG, units)}
        </chakra.span>
      </Text>
      <Button
        type="button"
        variant="quiet"
        minW="48px"
        minH="52px"
        aria-label={`one ${c.name} fewer`}
        onClick={() => onCount(Math.max(0, count - 1))}
      >
        −
      </Button>
      <Input
        name={`box-${c.id}`}
        aria-label={`${c.name}, how many`}
        inputMode="numeric"
        value={String(count)}
        onChange={(e) => onCount(Math.max(0, Math.floor(Number(e.target.value) || 0)))}
        w="52px"
        textAlign="center"
        px="1"
      />
      <Button
        type="button"
        variant="quiet"
        minW="48px"
        minH="52px"
        aria-label={`one ${c.name} more`}
        onClick={() => onCount(count + 1)}
      >
        +
      </Button>
    </Flex>
  );
}

/** Gross, tare and net as a line of arithmetic, with doubts that may be overruled. */
export function ArithmeticLine({ sum }: { sum: ReturnType<typeof arithmetic> }) {
  return (
    <Box bg="sheet" borderWidth="1px" borderColor="rule" px="4" py="3" aria-live="polite" data-testid="arithmetic">
      <Text fontFamily="heading" fontSize="xl" color={sum.wrong ? "madder" : "ink"}>
        {sum.line}
      </Text>
      {sum.doubts.map((x) => (
        <Text key={x} color="madder" fontWeight="600">
          {x} You may save it all the same.
        </Text>
      ))}
    </Box>
  );
}
