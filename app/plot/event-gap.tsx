import { Box, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { daysBetween, sayDate } from "#core/calendar/day";
import type { TimelineEvent } from "#core/season/timeline";
import { Field, Select } from "../ui/ui";

/** Days between any two things that befell a planting: from sowing to the first look, from the scapes to the lift. */
export function EventGap({ events }: { events: readonly TimelineEvent[] }) {
  const [from, setFrom] = useState(events.length - 1);
  const [to, setTo] = useState(0);
  if (events.length < 2) return null;
  const days = Math.abs(daysBetween(events[from]!.day, events[to]!.day));
  const select = (name: string, label: string, value: number, set: (n: number) => void) => (
    <Field name={name} label={label} faults={null}>
      {(p) => (
        <Select {...p} minW="0" value={value} onChange={(e) => set(Number(e.target.value))}>
          {events.map((e, i) => (
            <option key={`${e.day} ${e.kind} ${e.id ?? e.words}`} value={i}>
              {`${sayDate(e.day)}: ${e.words.slice(0, 60)}`}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
  return (
    <Box mt="5" role="group" aria-label="Days between two entries">
      <Text fontWeight="600" mb="2">
        Days between two entries
      </Text>
      <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3">
        {select("gapFrom", "From", from, setFrom)}
        {select("gapTo", "To", to, setTo)}
      </Grid>
      <Text mt="2" fontWeight="600" aria-live="polite">
        {days} {days === 1 ? "day" : "days"} between them.
      </Text>
    </Box>
  );
}
