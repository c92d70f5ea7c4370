import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Form, useNavigation } from "react-router";
import { sayDate } from "#core/calendar/day";
import { freshId } from "../offline/queue";
import { formOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { FileInput } from "../ui/file-input";
import { ImportProgress } from "../ui/import-progress";
import { Button, type Faults, Field, FormError, LinkButton, Note, Page, Section, shownValue, TextArea } from "../ui/ui";
import type { Route } from "./+types/picks-import";
import { PickColumns } from "./pick-columns";
import { importPicks } from "./picks-import.server";

export async function action({ request }: Route.ActionArgs) {
  return importPicks(gardenNow(), await formOf(request));
}

export const meta: Route.MetaFunction = () => [{ title: "Picks from a table · Akmedon" }];

export default function PicksImport({ actionData }: Route.ComponentProps) {
  const faults: Faults = actionData && "errors" in actionData ? (actionData as Faults) : null;
  const preview = actionData && "preview" in actionData ? actionData.preview : null;
  const columns = actionData && "columns" in actionData ? actionData.columns : null;
  const [token, setToken] = useState("");
  useEffect(() => setToken(freshId()), []);
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
            <textarea name="table" value={preview.table} readOnly hidden />
            <input type="hidden" name="token" value={token} />
            {columns && <PickColumns key={columns.headings.join()} seen={columns} open={false} />}
            <Flex gap="3" mt="4">
              <Button type="submit" name="intent" value="import" disabled={busy}>
                {busy ? "Bringing them in" : "Bring them in"}
              </Button>
              <Button type="submit" name="intent" value="check" variant="outline" disabled={busy}>
                Look again
              </Button>
              <LinkButton to="/picks/import" variant="quiet" reloadDocument>
                Not these
              </LinkButton>
            </Flex>
            <ImportProgress token={token} rows={columns?.rows ?? null} />
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
              {(p) => <FileInput {...p} accept=".csv,.tsv,.txt,text/csv" />}
            </Field>
          </Box>
          <input type="hidden" name="token" value={token} />
          {columns && (
            <Box mt="4">
              <PickColumns key={columns.headings.join()} seen={columns} open />
            </Box>
          )}
          <Button type="submit" name="intent" value="check" mt="4" disabled={busy}>
            {busy ? "Reading" : "Look at it"}
          </Button>
          <ImportProgress token={token} rows={columns?.rows ?? null} />
        </Form>
      )}
    </Page>
  );
}
