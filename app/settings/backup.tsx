import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { bringBack, lookInside } from "../server/backups.server";
import { done, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { Button, FormError, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/backup";

export async function loader({ params }: Route.LoaderArgs) {
  const inside = await lookInside(gardenNow(), params.backup);
  if (!inside.ok) throw missing("backup");
  return inside;
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  if (typed.intent !== "back") return refuse({ errors: { form: "Nothing was asked." }, typed });
  const back = await bringBack(gardenNow(), params.backup);
  return back.ok ? done("/", back.journalId) : refuse({ errors: { form: back.message }, typed });
}

export const meta: Route.MetaFunction = () => [{ title: "A backup · Akmedon" }];

function Picks({ title, none, of }: { title: string; none: string; of: { lines: string[]; more: number } }) {
  return (
    <Section title={title}>
      {of.lines.length === 0 && <Text color="inkSoft">{none}</Text>}
      {of.lines.map((line) => (
        <Text key={line} py="1">
          {line}
        </Text>
      ))}
      {of.more > 0 && <Text color="inkSoft">and {of.more} more</Text>}
    </Section>
  );
}

export default function BackupPage({ loaderData, actionData }: Route.ComponentProps) {
  const { line, counts, goes, comes } = loaderData;
  return (
    <Page
      title={`Backup of ${line.made}`}
      lead="This is what is in it. Nothing has been changed by looking."
      actions={
        <LinkButton to="/settings/backups" variant="outline">
          All backups
        </LinkButton>
      }
    >
      <FormError faults={actionData && "errors" in actionData ? actionData : null} />
      <Box overflowX="auto" mb="6">
        <FiguresTable label="In the backup, and now">
          <thead>
            <tr>
              <th>What</th>
              <th className="number">In this backup</th>
              <th className="number">Now</th>
            </tr>
          </thead>
          <tbody>
            {counts.map((c) => (
              <tr key={c.what}>
                <th scope="row">{c.what}</th>
                <td className="number">{c.then}</td>
                <td className="number">{c.now}</td>
              </tr>
            ))}
          </tbody>
        </FiguresTable>
      </Box>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gapX="12">
        <Picks title="Picks that would go" none="None: all of today’s picks are in it." of={goes} />
        <Picks title="Picks that would come back" none="None." of={comes} />
      </Grid>
      <Note title="Bring this garden back">
        It takes the place of everything as it is now. Undo brings today’s garden back.
      </Note>
      <Form method="post">
        <Flex mt="3">
          <Button type="submit" name="intent" value="back">
            Bring it back
          </Button>
        </Flex>
      </Form>
    </Page>
  );
}
