import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { Button } from "./ui";

/** A kitchen timer for so many minutes: counts down, rings, and says what comes next. */
export function StepTimer({ minutes, label, after }: { minutes: number; label: string; after: string }) {
  const [ends, setEnds] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const rang = useRef(false);
  useEffect(() => {
    if (ends === null) return;
    setNow(Date.now());
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, [ends]);
  const left = ends === null ? 0 : Math.max(0, Math.ceil((ends - now) / 1000));
  const over = ends !== null && now > 0 && left === 0;
  useEffect(() => {
    if (!over || rang.current) return;
    rang.current = true;
    navigator.vibrate?.([200, 100, 200]);
  }, [over]);
  return (
    <Flex gap="3" align="center" wrap="wrap" role="timer" aria-live={over ? "assertive" : "off"}>
      {ends === null ? (
        <Button
          type="button"
          variant="outline"
          onClick={() => {
            rang.current = false;
            setNow(Date.now());
            setEnds(Date.now() + minutes * 60_000);
          }}
        >
          Start {label}
        </Button>
      ) : (
        <>
          <Text fontFamily="heading" fontSize="2xl" style={{ fontVariantNumeric: "tabular-nums" }}>
            {Math.floor(left / 60)}:{String(left % 60).padStart(2, "0")}
          </Text>
          <Button type="button" variant="quiet" onClick={() => setEnds(null)}>
            {over ? "Done" : "Stop"}
          </Button>
        </>
      )}
      {over && <Text fontWeight="650">{after}</Text>}
    </Flex>
  );
}
