import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayMonthDay, weekdayName } from "#core/calendar/day";
import { decimals, type UnitSystem } from "#core/units/mass";
import { sayChance, sayTemp } from "#core/units/say";
import { DateInput } from "../ui/date-input";
import { LateFold } from "../ui/fold";
import { Button, type Faults, Input, Section } from "../ui/ui";
import type { BedNight } from "./weather-day.server";

/**
 * The coming night in every bed, coldest first: its lowest temperature, the chance of frost and what it would harm; a
 * cover to lay, and the bed's own thermometer, from which its offset is learned.
 */
export function BedNights({
  beds,
  day,
  today,
  errorC,
  units,
  faults,
}: {
  beds: readonly BedNight[];
  day: string;
  today: string;
  errorC: number;
  units: UnitSystem;
  faults: Faults;
}) {
  return (
    <Section
      title="Bed by bed"
      id="beds"
      note={`lowest in the night to ${weekdayName(day)}, ± ${decimals(errorC, 1)} K`}
    >
      {beds.map((b) => (
        <Box key={b.id} py="2" borderBottomWidth="1px" borderColor="ruleSoft">
          <Flex justify="space-between" gap="3" align="center">
            <Text fontWeight="650">{b.name}</Text>
            <Text color={b.chance >= 0.3 ? "frostInk" : "ink"} fontWeight={b.chance >= 0.3 ? "650" : "400"}>
              {sayTemp(b.minC, units, 1)}
            </Text>
          </Flex>
          <Box h="6px" bg="tint" my="1" role="img" aria-label={`frost: ${sayChance(b.chance)}`}>
            <Box h="6px" bg="frost" w={`${Math.round(b.chance * 100)}%`} />
          </Box>
          <Flex gap="3" align="center" wrap="wrap">
            <Text fontSize="sm" color="inkSoft" flex="1" minW="12rem">
              {sayChance(b.chance)} of frost
              {b.growing
                .filter((p) => p.harm >= 0.1)
                .map((p) => (
                  <chakra.span key={p.id} color="madder">
                    {" "}
                    · {p.kind} harmed {Math.round(p.harm * 100)} %
                  </chakra.span>
                ))}
            </Text>
            {b.open && (b.chance >= 0.1 || b.coverId) && (
              <Form method="post" action={`/weather?day=${day}#beds`} preventScrollReset>
                <input type="hidden" name="bedId" value={b.id} />
                <input type="hidden" name="night" value={day} />
                <Button type="submit" name="intent" value="cover" size="md" variant={b.coverId ? "solid" : "outline"}>
                  {b.coverId ? "Covered" : "Cover it"}
                </Button>
              </Form>
            )}
          </Flex>
          <Thermometer bed={b} today={today} day={day} units={units} faults={faults} />
        </Box>
      ))}
    </Section>
  );
}

/** What a bed's thermometer has taught, and where to write last night's minimum. */
function Thermometer({
  bed,
  today,
  day,
  units,
  faults,
}: {
  bed: BedNight;
  today: string;
  day: string;
  units: UnitSystem;
  faults: Faults;
}) {
  const field = `minimum-${bed.id}`;
  const fault = faults?.errors[field];
  const { learned } = bed;
  return (
    <LateFold
      title={
        learned.nights > 0
          ? `Offset ${decimals(learned.offsetC, 1)} ± ${decimals(learned.sdC, 1)} K on still nights, from ${learned.nights} ${learned.nights === 1 ? "night" : "nights"}`
          : "Thermometer"
      }
      small
      open={fault}
    >
      {() => (
        <>
          <Form method="post" action={`/weather?day=${day}#beds`} preventScrollReset>
            <input type="hidden" name="bedId" value={bed.id} />
            <Flex gap="2" align="flex-end" wrap="wrap" py="2">
              <Box>
                <chakra.label htmlFor={field} fontSize="sm" display="block">
                  Lowest it showed, {units === "us" ? "°F" : "°C"}
                </chakra.label>
                <Input
                  id={field}
                  name="minimum"
                  inputMode="decimal"
                  w="110px"
                  defaultValue={fault ? faults?.typed.minimum : ""}
                  aria-invalid={fault ? true : undefined}
                  aria-describedby={fault ? `${field}-error` : undefined}
                />
              </Box>
              <Box>
                <chakra.label htmlFor={`night-${bed.id}`} fontSize="sm" display="block">
                  In the night to
                </chakra.label>
                <DateInput id={`night-${bed.id}`} name="night" defaultValue={today} max={today} w="170px" />
              </Box>
              <Button type="submit" name="intent" value="thermometer" variant="outline">
                Note it
              </Button>
            </Flex>
            {fault && (
              <Text id={`${field}-error`} role="alert" color="madder" fontWeight="600" fontSize="sm">
                {fault}
              </Text>
            )}
          </Form>
          {bed.readings.length > 0 && (
            <Text fontSize="sm" color="inkSoft" pb="1">
              Last read: {bed.readings.map((r) => `${sayTemp(r.minC, units, 1)} (${sayMonthDay(r.day)})`).join(", ")}
            </Text>
          )}
        </>
      )}
    </LateFold>
  );
}
