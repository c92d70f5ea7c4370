import { Grid, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { addDays, sayDate } from "#core/calendar/day";
import { GRADE_WORDS } from "#core/weighing/words";
import { gardenNow } from "../server/garden-now.server";
import { qrOf } from "../server/qr.server";
import { CodeLabel } from "../ui/code-label";
import { Button, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/keep-labels";
import { houseOf } from "./keep.server";

/** Labels for crates and jars: what, which kind, when picked, how good, use by, and a code that opens the lot. */
export function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const { origin } = url;
  const labels = houseOf(d)
    .stock.filter((s) => s.lot.leftG >= 100 && (s.halfInDays >= 3 || s.lot.preserved))
    .map((s) => ({
      id: s.lot.id,
      kind: s.lot.kind,
      crop: s.crop.name,
      picked: sayDate(s.lot.pickedAt.slice(0, 10)),
      what: s.lot.preserved ?? (s.lot.grade === "sound" ? "" : GRADE_WORDS[s.lot.grade]),
      note: s.lot.note,
      place: s.place?.name ?? "",
      // a tenth is no longer good then: the day to have looked through it
      useBy: sayDate(addDays(d.today, Math.floor(Math.min(730, s.tenthInDays)))),
      code: qrOf(`${origin}/keep/lots/${s.lot.id}`),
    }))
    .sort((a, b) => (a.crop < b.crop ? -1 : a.crop > b.crop ? 1 : 0));
  return { labels };
}

export const meta: Route.MetaFunction = () => [{ title: "Labels of lots · Akmedon" }];

export default function KeepLabels({ loaderData }: Route.ComponentProps) {
  const { labels } = loaderData;
  return (
    <Page
      title="Labels of lots"
      lead="One for each crate, tray or jar. The code opens the lot on a phone of the home network."
      actions={
        <>
          <Button type="button" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to="/keep" variant="outline">
            Keep
          </LinkButton>
        </>
      }
    >
      {labels.length === 0 && <Text color="inkSoft">Nothing is kept that wants a label.</Text>}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(auto-fill, minmax(310px, 1fr))" }} gap="3">
        {labels.map((l) => (
          <CodeLabel
            key={l.id}
            code={l.code}
            name={l.kind}
            lines={[[l.crop, l.what, l.note].filter(Boolean).join(", "), `picked ${l.picked}`, l.place]}
            last={`look through by ${l.useBy}`}
          />
        ))}
      </Grid>
    </Page>
  );
}
