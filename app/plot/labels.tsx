import { Box, Grid, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { Form, useSubmit } from "react-router";
import { sayDate } from "#core/calendar/day";
import { gardenNow, handbook } from "../server/garden-now.server";
import { qrOf } from "../server/qr.server";
import { CodeLabel } from "../ui/code-label";
import { Button, LinkButton, Note, Options, Page, Select } from "../ui/ui";
import type { Route } from "./+types/labels";

const HOW = { sown: "sown", transplanted: "set out", planted: "planted" } as const;

/** Labels to print: a planting each, with a code that opens it on a phone. */
export function loader({ url }: Route.LoaderArgs) {
  const { snapshot, today } = gardenNow();
  const bedId = url.searchParams.get("bed") ?? "";
  const book = handbook();
  const bedName = new Map(snapshot.beds.map((b) => [b.id, b.name]));
  const labels = snapshot.plantings
    .filter((p) => p.endedOn === null && p.startedOn <= today && (bedId === "" || p.bedId === bedId))
    .map((p) => {
      const crop = book.of(p.cropId);
      return {
        id: p.id,
        kind: p.kind,
        crop: crop.name,
        bed: bedName.get(p.bedId) ?? "",
        started: `${HOW[p.startedHow]} ${sayDate(p.startedOn)}`,
        code: qrOf(`${url.origin}/plot/plantings/${p.id}`),
      };
    })
    .sort((a, b) => (a.bed < b.bed ? -1 : a.bed > b.bed ? 1 : a.kind < b.kind ? -1 : 1));
  const here = ["localhost", "127.0.0.1", "[::1]"].includes(url.hostname);
  return { labels, bedId, beds: snapshot.beds.map((b) => ({ id: b.id, name: b.name })), here };
}

export const meta: Route.MetaFunction = () => [{ title: "Labels · Akmedon" }];

export default function Labels({ loaderData }: Route.ComponentProps) {
  const { labels, bedId, beds, here } = loaderData;
  const submit = useSubmit();
  return (
    <Page
      title="Labels"
      lead="A label a planting. The code opens it on the phone: look, pick and note without searching."
      actions={
        <>
          <Button type="button" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to="/plot" variant="outline">
            Plot
          </LinkButton>
        </>
      }
    >
      <Box data-noprint mb="5">
        <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true })}>
          <Select name="bed" aria-label="Bed" defaultValue={bedId} maxW="280px">
            <option value="">every bed</option>
            <Options of={beds} />
          </Select>
        </Form>
        {here && (
          <Box mt="4">
            <Note title="These codes open on this machine only">
              Start the garden with <code>-- --lan</code> and open this page at the address it shows: then a phone on
              the home network can follow them.
            </Note>
          </Box>
        )}
      </Box>
      {labels.length === 0 && <Text color="inkSoft">Nothing grows here now.</Text>}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(auto-fill, minmax(300px, 1fr))" }} gap="3">
        {labels.map((l) => (
          <CodeLabel key={l.id} code={l.code} name={l.crop} lines={[l.kind, l.started]} last={l.bed} />
        ))}
      </Grid>
    </Page>
  );
}
