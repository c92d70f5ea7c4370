import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayDay } from "#core/calendar/day";
import type { Alternative } from "#core/planning/rounds/alternatives";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { Button } from "../ui/ui";

/** An alternative with the hour it would be at. */
export type ShownAlternative = Alternative & { slotId: string; day: string; startsAt: string };

const LEAST_G = 20;
const LEAST_MIN = 1;

/** What an alternative changes, in words: "2.9 kg more lost, 12 minutes less". */
export function sayAlternative(
  a: Pick<Alternative, "keptG" | "lostG" | "minutes" | "value">,
  units: UnitSystem,
): string {
  const parts = [
    Math.abs(a.keptG) >= LEAST_G ? `${sayMass(Math.abs(a.keptG), units)} ${a.keptG > 0 ? "more" : "less"} kept` : "",
    Math.abs(a.lostG) >= LEAST_G ? `${sayMass(Math.abs(a.lostG), units)} ${a.lostG > 0 ? "more" : "less"} lost` : "",
    Math.abs(a.minutes) >= LEAST_MIN
      ? `${Math.round(Math.abs(a.minutes))} minutes ${a.minutes > 0 ? "more" : "less"}`
      : "",
  ].filter(Boolean);
  // more may come home and yet be worth less: the third kilo of salad in a week
  const yet = a.keptG >= LEAST_G && a.value < 0 ? "; yet worth less to your table" : "";
  return parts.length > 0 ? parts.join(", ") + yet : "much the same";
}

/** What else could be done with a round, what it would cost, and a button for each. */
export function RoundAlternatives({
  roundId,
  alternatives,
  units,
}: {
  roundId: string;
  alternatives: readonly ShownAlternative[];
  units: UnitSystem;
}) {
  if (alternatives.length === 0) return null;
  const name = (a: ShownAlternative) => (a.kind === "without" ? "Without it" : `${sayDay(a.day)} ${a.startsAt}`);
  return (
    <Box mt="2" data-testid="alternatives">
      {alternatives.map((a) => (
        <Form method="post" key={a.kind} preventScrollReset>
          <input type="hidden" name="roundId" value={roundId} />
          <input type="hidden" name="slotId" value={a.slotId} />
          <Flex gap="3" align="center" minH="48px" data-noprint>
            <Text fontSize="sm" flex="1">
              <chakra.span fontWeight="600">{name(a)}:</chakra.span> {sayAlternative(a, units)}
            </Text>
            <Button
              type="submit"
              size="sm"
              variant="quiet"
              name="intent"
              value={a.kind === "without" ? "drop" : "move"}
              aria-label={
                a.kind === "without" ? "Drop this round" : `${a.kind === "earlier" ? "Earlier" : "Later"}: ${name(a)}`
              }
            >
              {a.kind === "without" ? "Drop" : a.kind === "earlier" ? "Earlier" : "Later"}
            </Button>
          </Flex>
        </Form>
      ))}
    </Box>
  );
}
