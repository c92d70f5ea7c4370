import { Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayDate } from "#core/calendar/day";
import { Button, Section } from "../ui/ui";

const STEP_WORDS: Record<number, string> = { 1: "A day", 3: "Three days", 7: "A week", 30: "30 days", 365: "A year" };

/** Lets days pass in the demo garden, whose clock stands still by itself. */
export function DemoClock({ today, steps }: { today: string; steps: readonly number[] }) {
  return (
    <Section title="The demo’s clock" id="clock" note={`It stands at ${sayDate(today)}`}>
      <Text mb="3">
        Let time pass: the station records the days, the forecast desk issues a new forecast, and what was planned meets
        what came.
      </Text>
      <Form method="post">
        <input type="hidden" name="intent" value="clock" />
        <Flex gap="2" wrap="wrap">
          {steps.map((n) => (
            <Button key={n} type="submit" name="days" value={n} variant="outline">
              {STEP_WORDS[n] ?? `${n} days`}
            </Button>
          ))}
        </Flex>
      </Form>
    </Section>
  );
}
