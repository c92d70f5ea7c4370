import { Box, chakra, Flex, NumberInput, Text } from "@chakra-ui/react";
import { Minus, Plus } from "lucide-react";
import { sayMass, type UnitSystem } from "#core/units/mass";
import type { Container } from "#core/weighing/pick";
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
      <NumberInput.Root
        name={`box-${c.id}`}
        value={String(count)}
        min={0}
        inputMode="numeric"
        onValueChange={(e) => onCount(Math.max(0, Math.floor(e.valueAsNumber || 0)))}
      >
        <NumberInput.Control>
          <NumberInput.DecrementTrigger aria-label={`one ${c.name} fewer`}>
            <Minus size={18} aria-hidden />
          </NumberInput.DecrementTrigger>
          <NumberInput.Input aria-label={`${c.name}, how many`} />
          <NumberInput.IncrementTrigger aria-label={`one ${c.name} more`}>
            <Plus size={18} aria-hidden />
          </NumberInput.IncrementTrigger>
        </NumberInput.Control>
      </NumberInput.Root>
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
