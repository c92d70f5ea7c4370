import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayDate } from "#core/calendar/day";
import { FileInput } from "../ui/file-input";
import { Anchor, Button, type Faults, Field, Input, Section, Select, shownValue, TextArea } from "../ui/ui";
import { ComingIn } from "./coming-in";

type Props = {
  faults: Faults;
  record: { days: number; from: string; to: string } | null;
  today: string;
  simulated: boolean;
};

/** Where a station's record or a forecast comes in: a file or pasted lines, all of it or none. */
export function WeatherImport({ faults, record, today, simulated }: Props) {
  return (
    <Section
      title="Bring in weather"
      id="bring"
      note={record ? `Record: ${record.days} days, ${sayDate(record.from)} to ${sayDate(record.to)}` : "No record yet"}
    >
      <Form method="post" encType="multipart/form-data" action="/weather#bring">
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gap="6">
          <Grid gap="4" alignContent="start">
            <Field name="what" label="What it is" faults={faults}>
              {(p) => (
                <Select {...p} defaultValue={shownValue(faults, "what", "record")}>
                  <option value="record">a station’s daily record</option>
                  <option value="forecast">a forecast</option>
                </Select>
              )}
            </Field>
            <Field
              name="source"
              label="Where it comes from"
              hint="For a forecast: a name to know it by."
              faults={faults}
            >
              {(p) => <Input {...p} defaultValue={shownValue(faults, "source", "")} />}
            </Field>
            <Box>
              <Field
                name="file"
                label="File"
                hint="CSV with date, tmin, tmax (°C) or tmin_f, tmax_f; as known rain (mm) or rain_in, wind and gust (m/s) or _kmh, _mph, humidity, cloud; for an ensemble also member. A forecast may be JSON too."
                faults={null}
              >
                {(p) => (
                  <FileInput
                    {...p}
                    accept=".csv,.txt,.json,text/csv,application/json"
                    aria-invalid={faults?.errors.file ? true : undefined}
                  />
                )}
              </Field>
              {faults?.errors.file && (
                <Box role="alert" color="madder" mt="2" whiteSpace="pre-line" fontWeight="600" fontSize="sm">
                  {faults.errors.file}
                </Box>
              )}
            </Box>
          </Grid>
          <Field name="text" label="or its lines, pasted" faults={faults}>
            {(p) => (
              <TextArea
                {...p}
                rows={8}
                fontFamily="monospace"
                fontSize="sm"
                defaultValue={shownValue(faults, "text", "")}
                placeholder={`date,tmin,tmax,rain,gust\n${today},6.2,14.1,0,8`}
              />
            )}
          </Field>
        </Grid>
        <Flex gap="3" mt="4" wrap="wrap">
          <Button type="submit" name="intent" value="import">
            Bring it in
          </Button>
          <Button type="submit" name="intent" value="preview" variant="outline">
            Look at its columns first
          </Button>
          {simulated && (
            <Button type="submit" name="intent" value="simulate" variant="outline" formNoValidate>
              New simulated forecast
            </Button>
          )}
          <ComingIn />
        </Flex>
      </Form>
      <Text fontSize="sm" color="inkSoft" mt="3">
        All of a file comes in, or none of it. A day imported again with other values replaces the old one. See{" "}
        <Anchor to="/settings">settings</Anchor> for the way out.
      </Text>
    </Section>
  );
}
