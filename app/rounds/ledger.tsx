import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import type { Fullest } from "#core/planning/rounds/left";
import { sayStore } from "#core/planning/words";
import { sayMass } from "#core/units/mass";
import { volumeUnit } from "#core/units/volume";

type Totals = { keptG: number; lostG: number; minutes: number };

/** Kept, lost and minutes; while a round is moved, what changes. */
export function Ledger({
  now,
  what,
  coming,
  around = null,
  units,
  note,
  rounds,
  label,
  room = null,
}: {
  now: Totals;
  what: Totals | null;
  /** what the move changes is still being fetched */
  coming: boolean;
  /** the fortnight planned anew around a round being moved */
  around?: Totals | null;
  units: "metric" | "us";
  note: { value: number; bound: number } | null;
  rounds: number;
  label: string | null;
  /** the tightest place at home as it would be filled, and as it is without the move */
  room?: (Fullest & { was: number }) | null;
}) {
  const gap = note && note.bound > 0 ? Math.max(0, (note.bound - note.value) / note.bound) : null;
  const hours = (m: number) => (m >= 60 ? `${Math.floor(m / 60)} h ${Math.round(m % 60)} min` : `${Math.round(m)} min`);
  const change = (a: number, b: number, say: (x: number) => string) =>
    what && Math.abs(b - a) > 1 ? ` ${b > a ? "+" : "−"}${say(Math.abs(b - a))}` : "";
  const shown = what ?? now;
  const items: [string, string, string, boolean][] = [
    [
      "kept",
      sayMass(shown.keptG, units),
      change(now.keptG, shown.keptG, (x) => sayMass(x, units)),
      shown.keptG < now.keptG,
    ],
    [
      "lost to frost, wind and age",
      sayMass(shown.lostG, units),
      change(now.lostG, shown.lostG, (x) => sayMass(x, units)),
      shown.lostG > now.lostG,
    ],
    ["of your time", hours(shown.minutes), change(now.minutes, shown.minutes, hours), shown.minutes > now.minutes],
  ];
  const inRoom = (litres: number) => Math.round(litres / volumeUnit(units).litres);
  return (
    <Flex gap={{ base: "4", md: "10" }} wrap="wrap" mb="4" align="baseline" aria-live="polite" data-testid="ledger">
      {items.map(([name, value, delta, worse]) => (
        <Box key={name} minW={{ md: "9rem" }}>
          <Text fontFamily="heading" fontSize={{ base: "2xl", md: "3xl" }} fontWeight="600" lineHeight="1.1">
            {value}
            {delta && (
              <chakra.span fontSize="lg" color={worse ? "madder" : "moss"}>
                {delta}
              </chakra.span>
            )}
          </Text>
          <Text color="inkSoft" fontSize="sm">
            {name}
          </Text>
        </Box>
      ))}
      {room && (
        <Box minW={{ md: "9rem" }}>
          <Text fontFamily="heading" fontSize={{ base: "2xl", md: "3xl" }} fontWeight="600" lineHeight="1.1">
            {inRoom(room.peak)} / {inRoom(room.capacity)} {units === "us" ? "qt" : "l"}
            {Math.abs(room.peak - room.was) >= 1 && (
              <chakra.span fontSize="lg" color={room.peak > room.was ? "madder" : "moss"}>
                {room.peak > room.was ? " +" : " −"}
                {inRoom(Math.abs(room.peak - room.was))} {units === "us" ? "qt" : "l"}
              </chakra.span>
            )}
          </Text>
          <Text color="inkSoft" fontSize="sm">
            {sayStore(room.room)}, fullest
          </Text>
        </Box>
      )}
      <Text ml={{ md: "auto" }} color={label ? "madder" : "inkSoft"} fontWeight={label ? "650" : "400"}>
        {label && around && (
          <chakra.span display="block" color="inkSoft" fontWeight="400" fontSize="sm" data-testid="around">
            replanned around it: {sayMass(around.keptG, units)} kept, {hours(around.minutes)}
          </chakra.span>
        )}
        {label && coming && (
          <chakra.span display="block" color="inkSoft" fontWeight="400" fontSize="sm">
            working out what it changes
          </chakra.span>
        )}
        {label ??
          (rounds > 0 && gap !== null
            ? `within ${gap < 0.0005 ? "0.1" : (gap * 100).toFixed(1)} % of the best possible`
            : "")}
      </Text>
    </Flex>
  );
}
