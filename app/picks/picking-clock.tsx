import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Button, type Faults, Field, Input } from "../ui/ui";

const KEY = "akmedon-picking-since";
/** A clock that has run longer was forgotten; its time is said, never filled in. */
const FORGOTTEN_MINUTES = 180;

const started = (): number | null => {
  const kept = Number(localStorage.getItem(KEY));
  return Number.isFinite(kept) && kept > 0 ? kept : null;
};

type Props = { minutes: string; faults: Faults };

/** Minutes the picking took: typed, or by a clock that may be started, left alone and forgotten without harm. */
export function PickingClock({ minutes, faults }: Props) {
  const [value, setValue] = useState(minutes);
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    setSince(started());
    setNow(Date.now());
    const tick = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(tick);
  }, []);
  const seconds = since === null ? 0 : Math.max(0, Math.floor((now - since) / 1000));
  const forgotten = seconds > FORGOTTEN_MINUTES * 60;
  const begin = () => {
    localStorage.setItem(KEY, String(Date.now()));
    setSince(Date.now());
  };
  const end = (fill: boolean) => {
    localStorage.removeItem(KEY);
    setSince(null);
    if (fill) setValue(String(Math.max(1, Math.round(seconds / 60))));
  };
  return (
    <Field name="minutes" label="Minutes it took" faults={faults}>
      {(p) => (
        <>
          <Flex gap="2">
            <Input {...p} inputMode="decimal" value={value} onChange={(e) => setValue(e.target.value)} minW="0" />
            {since === null ? (
              <Button type="button" variant="outline" onClick={begin}>
                Start clock
              </Button>
            ) : (
              !forgotten && (
                <Button type="button" onClick={() => end(true)} style={{ fontVariantNumeric: "tabular-nums" }}>
                  Stop {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, "0")}
                </Button>
              )
            )}
          </Flex>
          {forgotten && since !== null && (
            <Text fontSize="sm" color="inkSoft" mt="1">
              The clock was forgotten: it has run for {Math.round(seconds / 3600)} hours. Write the minutes yourself.{" "}
              <Button type="button" size="sm" variant="quiet" onClick={() => end(false)}>
                Clear it
              </Button>
            </Text>
          )}
        </>
      )}
    </Field>
  );
}
