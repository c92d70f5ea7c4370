import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Form } from "react-router";
import type { ColumnField, ColumnUse, Preview } from "#formats/weather-columns";
import { Button, LinkButton, Options, Section, Select } from "../ui/ui";
import { ComingIn } from "./coming-in";

const FIELD_WORDS: [ColumnField | "", string][] = [
  ["", "not used"],
  ["date", "date, or date and hour"],
  ["tmin", "lowest of the day"],
  ["tmax", "highest of the day"],
  ["temp", "temperature of the hour"],
  ["rain", "rain"],
  ["wind", "wind"],
  ["gust", "gusts"],
  ["humidity", "humidity"],
  ["cloud", "cloud"],
  ["time", "hour of the day"],
];
const UNITS: Record<string, string[]> = {
  date: ["year-month-day", "day/month/year", "month/day/year"],
  time: ["year-month-day"],
  tmin: ["C", "F"],
  tmax: ["C", "F"],
  temp: ["C", "F"],
  rain: ["mm", "in"],
  wind: ["m/s", "km/h", "mph", "kt"],
  gust: ["m/s", "km/h", "mph", "kt"],
  humidity: ["%"],
  cloud: ["%"],
};

type Props = {
  preview: Preview;
  text: string;
  what: string;
  source: string;
  fault: string | null;
};

/** What was found in a station's file, column by column with its first values, to be mended before it comes in. */
export function WeatherColumns({ preview, text, what, source, fault }: Props) {
  const [uses, setUses] = useState<ColumnUse[]>(preview.columns);
  const set = (i: number, change: Partial<ColumnUse>) =>
    setUses((all) => all.map((u, k) => (k === i ? { ...u, ...change } : u)));
  return (
    <Section
      title="Are these the right columns?"
      id="bring"
      note={`${preview.rows} rows, ${preview.hourly ? "one an hour: drawn together to days" : "one a day"}`}
    >
      {fault && (
        <Box role="alert" color="madder" mb="3" whiteSpace="pre-line" fontWeight="600" fontSize="sm">
          {fault}
        </Box>
      )}
      <Form method="post" encType="multipart/form-data" action="/weather#bring">
        <textarea name="text" value={text} readOnly hidden />
        <input type="hidden" name="what" value={what} />
        <input type="hidden" name="source" value={source} />
        <Box mb="4">
          {uses.map((u, i) => (
            <Grid
              key={u.heading}
              templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "minmax(120px,1fr) 210px 160px minmax(0,2fr)" }}
              gap="2"
              alignItems="center"
              py="2"
              borderTopWidth="1px"
              borderColor="ruleSoft"
            >
              <Text fontWeight="650" gridColumn={{ base: "1 / -1", md: "auto" }}>
                {u.heading}
              </Text>
              <Select
                name={`use-${i}`}
                aria-label={`${u.heading} holds`}
                value={u.field ?? ""}
                minW="0"
                onChange={(e) => {
                  const field = (e.target.value || null) as ColumnField | null;
                  set(i, { field, unit: field ? (UNITS[field]?.[0] ?? "") : "" });
                }}
              >
                {FIELD_WORDS.map(([f, words]) => (
                  <option key={f} value={f}>
                    {words}
                  </option>
                ))}
              </Select>
              {u.field && u.field !== "time" ? (
                <Select
                  name={`unit-${i}`}
                  aria-label={`${u.heading} is written in`}
                  value={u.unit}
                  minW="0"
                  onChange={(e) => set(i, { unit: e.target.value })}
                >
                  <Options
                    of={UNITS[u.field] ?? []}
                    say={(unit) => (unit === "C" || unit === "F" ? `°${unit}` : unit)}
                  />
                </Select>
              ) : (
                <span />
              )}
              <Text color="inkSoft" fontSize="sm" truncate gridColumn={{ base: "1 / -1", md: "auto" }}>
                {preview.samples.map((s) => s[i] ?? "").join(" · ")}
              </Text>
            </Grid>
          ))}
        </Box>
        <Flex gap="3" wrap="wrap" align="center">
          <Button type="submit" name="intent" value="columns">
            Bring it in
          </Button>
          <LinkButton variant="quiet" to="/weather#bring">
            Leave it
          </LinkButton>
          <Text fontSize="sm" color="inkSoft">
            Nothing has come in yet.
          </Text>
          <ComingIn />
        </Flex>
      </Form>
    </Section>
  );
}
