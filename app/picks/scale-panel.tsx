import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { type ScaleReading, settledG } from "#core/weighing/scale";
import { simulatedScale } from "#standins/kitchen-scale";
import { Button } from "../ui/ui";
import type { loader as scaleLoader } from "./scale";

const TICK_MS = 100;
const KEPT = 15;
/** A handful laid on the simulated pan, g. */
const HANDFUL_G = [180, 620];
const BEARS_G = 10_000;

export type ScaleProps = { units: UnitSystem; onTake: (text: string) => void };

/** How often a real scale's log is looked at while the panel is open, ms. */
const ASK_MS = 2000;

/** The last weights that a real scale has written down; nothing where none has. */
function RealScale({ units, onTake }: ScaleProps) {
  const asked = useFetcher<typeof scaleLoader>();
  const { load } = asked;
  useEffect(() => {
    void load("/scale");
    const timer = setInterval(() => void load("/scale"), ASK_MS);
    return () => clearInterval(timer);
  }, [load]);
  const weights = asked.data?.weights ?? [];
  if (weights.length === 0) return null;
  return (
    <Box mb="3" data-testid="real-scale">
      <Text fontWeight="600">Your scale showed</Text>
      {weights.map((w) => (
        <Flex key={`${w.at} ${w.massG}`} align="center" gap="3" borderTopWidth="1px" borderColor="ruleSoft" py="1.5">
          <Text color="inkSoft">{w.at.slice(11)}</Text>
          <Text fontFamily="heading" fontSize="xl" flex="1">
            {sayMass(w.massG, units)}
          </Text>
          <Button type="button" size="sm" onClick={() => onTake(`${w.massG} g`)}>
            Take it
          </Button>
        </Flex>
      ))}
    </Box>
  );
}

/** The last weights of a real scale, and the scale itself. */
export default function Scales(props: ScaleProps) {
  return (
    <>
      <RealScale {...props} />
      <ScalePanel {...props} />
    </>
  );
}

/**
 * The scale, live: what it shows, whether it has settled, zero, and "take this weight". Where no real scale is plugged
 * in there is the simulated one, on which handfuls can be laid.
 */
function ScalePanel({ units, onTake }: ScaleProps) {
  const scale = useRef(simulatedScale(11, BEARS_G));
  const onPan = useRef(0);
  const [readings, setReadings] = useState<ScaleReading[]>([]);
  useEffect(() => {
    const timer = setInterval(() => {
      const reading = scale.current.read(performance.now());
      setReadings((known) => [...known.slice(-KEPT), reading]);
    }, TICK_MS);
    return () => clearInterval(timer);
  }, []);
  const last = readings.at(-1);
  const settled = settledG(readings, scale.current.stepG);
  const lay = (grams: number) => {
    onPan.current = Math.max(0, grams);
    scale.current.load(onPan.current, performance.now());
  };
  const handful = () => lay(onPan.current + HANDFUL_G[0]! + Math.random() * (HANDFUL_G[1]! - HANDFUL_G[0]!));
  return (
    <Box borderWidth="1px" borderColor="rule" bg="sheet" px="4" py="3" data-testid="scale">
      <Flex align="baseline" gap="3" wrap="wrap">
        <Text
          fontFamily="heading"
          fontSize="3xl"
          fontWeight="600"
          minW="7ch"
          color={settled === null ? "inkSoft" : "ink"}
        >
          {last?.overload ? "too heavy" : sayMass(last?.shownG ?? 0, units)}
        </Text>
        <Text color="inkSoft" fontSize="sm" aria-live="polite">
          {last?.overload
            ? `it bears ${sayMass(BEARS_G, units)}: weigh in two loads`
            : settled === null
              ? "settling"
              : "settled"}
        </Text>
      </Flex>
      <Flex gap="2" mt="2" wrap="wrap">
        <Button
          type="button"
          size="sm"
          disabled={settled === null || settled <= 0}
          onClick={() => settled !== null && onTake(`${settled} g`)}
        >
          Take this weight
        </Button>
        <Button type="button" size="sm" variant="outline" onClick={() => scale.current.tare(performance.now())}>
          Set to zero
        </Button>
        <Button type="button" size="sm" variant="quiet" onClick={handful}>
          Lay some on
        </Button>
        <Button type="button" size="sm" variant="quiet" onClick={() => lay(0)}>
          Clear the pan
        </Button>
      </Flex>
      <chakra.span fontSize="sm" color="inkSoft">
        Simulated, for trying out. A real scale shows above it: see Settings, Devices.
      </chakra.span>
    </Box>
  );
}
