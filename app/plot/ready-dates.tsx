import { Text } from "@chakra-ui/react";
import { addDays, isDay } from "#core/calendar/day";
import { sayWindow } from "#core/planting/words";

/** The packet's days, or the handbook's, as dates. */
export function ReadyDates({
  startedOn,
  packet,
  usual,
  yearly,
  today,
}: {
  startedOn: string;
  packet: readonly [string, string];
  usual: readonly [number, number] | null;
  yearly: boolean;
  today: string;
}) {
  const typed = packet.map((x) => Number(x));
  const own = packet.every((x) => x.trim() !== "") && typed.every((n) => Number.isInteger(n) && n > 0);
  const range = own ? (typed as [number, number]) : usual;
  if (!isDay(startedOn) || !range || yearly || range[0] > range[1]) return null;
  const window = { from: addDays(startedOn, range[0]), to: addDays(startedOn, range[1]) };
  return (
    <Text mt="-2" aria-live="polite">
      Ready <strong>{sayWindow(window, today)}</strong>, by {own ? "the packet" : "the handbook"}.
    </Text>
  );
}
