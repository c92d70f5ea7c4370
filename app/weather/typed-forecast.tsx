import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { addDays, sayDay } from "#core/calendar/day";
import type { UnitSystem } from "#core/units/mass";
import { Button, type Faults, Input, Section, shownValue } from "../ui/ui";

const DAYS = 7;
const FIELDS = ["low", "high", "rain", "gust"] as const;

/** The week's forecast typed in by hand, from a paper or the radio: low and high, rain and gusts if known. */
export function TypedForecast({ today, units, faults }: { today: string; units: UnitSystem; faults: Faults }) {
  const us = units === "us";
  const heads = {
    low: us ? "low, °F" : "low, °C",
    high: us ? "high, °F" : "high, °C",
    rain: us ? "rain, in" : "rain, mm",
    gust: us ? "gusts, mph" : "gusts, km/h",
  };
  return (
    <Section title="Type in a forecast" id="typed" note="From the paper or the radio; leave out what you do not know">
      <Form method="post" action="/weather#typed">
        <Grid
          templateColumns={{ base: "4.2rem repeat(4, minmax(48px, 1fr))", md: "6.5rem repeat(4, minmax(64px, 110px))" }}
          gap={{ base: "1.5", md: "2" }}
          alignItems="center"
          maxW="640px"
        >
          <Box />
          {FIELDS.map((f) => (
            <Text key={f} fontSize="sm" fontWeight="600">
              {heads[f]}
            </Text>
          ))}
          {Array.from({ length: DAYS }, (_, k) => {
            const day = addDays(today, k);
            const error = faults?.errors[`low${k}`];
            return (
              <chakra.div key={day} display="contents">
                <Text fontSize={{ base: "sm", md: "md" }}>{k === 0 ? "Today" : sayDay(day)}</Text>
                {FIELDS.map((f) => (
                  <Input
                    key={f}
                    name={`${f}${k}`}
                    aria-label={`${sayDay(day)}, ${heads[f]}`}
                    inputMode="decimal"
                    minW="0"
                    px={{ base: "2", md: "3" }}
                    defaultValue={shownValue(faults, `${f}${k}`, "")}
                    aria-invalid={error && (f === "low" || f === "high") ? true : undefined}
                  />
                ))}
                {error && (
                  <Text gridColumn="1 / -1" role="alert" color="madder" fontWeight="600" fontSize="sm">
                    {error}
                  </Text>
                )}
              </chakra.div>
            );
          })}
        </Grid>
        <Button type="submit" name="intent" value="typed" variant="outline" mt="3">
          Keep this forecast
        </Button>
      </Form>
    </Section>
  );
}
