import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Form, useNavigation } from "react-router";
import { sayDate } from "#core/calendar/day";
import {
  Button,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Page,
  Section,
  shownValue,
  TextArea,
} from "../components/ui";
import { desk } from "../server/desk.server";
import { importPicks } from "../server/picks-import.server";
import type { Route } from "./+types/picks-import";

export async function action({ request }: Route.ActionArgs) {
  return importPicks(desk(), await request.formData());
}

export const meta: Route.MetaFunction = () => [{ title: "Picks from a table · Akmedon" }];

export default function PicksImport({ actionData }: Route.ComponentProps) {
  const faults = actionData && "errors" in actionData ? actionData : null;
  const preview = actionData && "preview" in actionData ? actionData.preview : null;
  const busy = useNavigation().state !== "idle";
  return (
    <Page
      title="Picks from a table"
      lead="Paste rows from a spreadsheet, or choose a CSV file. You see what would come in before anything is kept."
      actions={
        <LinkButton to="/picks" variant="outline">
          Back to the picks
        </LinkButton>
      }
    >
      <FormError faults={faults} />
      {preview && (
        <Section title="What would come in" note={preview.said}>
          {preview.already > 0 && (
            <Note>
              {preview.already === 1 ? "One row is" : `${preview.already} rows are`} in the log already and left out.
            </Note>
          )}
          {preview.estimated > 0 && (
            <Text mb="2" color="inkSoft">
              {preview.estimated} of them are estimates, and stay marked as such.
            </Text>
          )}
          {preview.rows.map((r) => (
            <Flex key={r.id} gap="4" py="1.5" borderBottomWidth="1px" borderColor="ruleSoft" wrap="wrap">
              <Text minW="11ch">{sayDate(r.at.slice(0, 10))}</Text>
              <Text flex="1">
                <strong>{r.kind}</strong> <chakra.span color="inkSoft">{r.bed}</chakra.span>
              </Text>
              <Text>
                {r.estimated ? "about " : ""}
                {r.net}
              </Text>
            </Flex>
          ))}
          {preview.more > 0 && <Text mt="2">and {preview.more} more</Text>}
          <Form method="post" encType="multipart/form-data">
            <input type="hidden" name="table" value={preview.table} />
            <Flex gap="3" mt="4">
              <Button type="submit" name="intent" value="import" disabled={busy}>
                {busy ? "Bringing them in" : "Bring them in"}
              </Button>
              <LinkButton to="/picks/import" variant="quiet">
                Not these
              </LinkButton>
            </Flex>
          </Form>
        </Section>
      )}
      {!preview && (
        <Form method="post" encType="multipart/form-data">
          <Field
            name="table"
            label="The table"
            hint="Its first row names the columns: date, then kind or crop, bed where two share a name, and weight (1.2 kg, 2 lb 3 oz, half a bushel) or count. Also read: time, gross, tare, by, method, grade, note, id."
            faults={null}
          >
            {(p) => (
              <TextArea
                {...p}
                rows={10}
                fontSize="sm"
                defaultValue={shownValue(faults, "table", "")}
                placeholder={"date,kind,bed,weight\n2026-10-01,red slicer,South wall,1.2 kg"}
              />
            )}
          </Field>
          {faults?.errors.table && (
            <Text color="madder" fontWeight="600" role="alert" whiteSpace="pre-line" mt="2">
              {faults.errors.table}
            </Text>
          )}
          <Box mt="4">
            <Field name="file" label="or a file" faults={faults}>
              {(p) => <Input {...p} type="file" accept=".csv,.tsv,.txt,text/csv" py="2" />}
            </Field>
          </Box>
          <Button type="submit" name="intent" value="check" mt="4" disabled={busy}>
            {busy ? "Reading" : "Look at it"}
          </Button>
        </Form>
      )}
    </Page>
  );
}
