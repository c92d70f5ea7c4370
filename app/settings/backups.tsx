import { Box, Flex, Text } from "@chakra-ui/react";
import { Download, Save } from "lucide-react";
import { Form, useNavigation } from "react-router";
import { backupLines, backupNow } from "../server/backups.server";
import { done, formOf, refuse, typedOf } from "../server/forms.server";
import { Anchor, Button, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/backups";

export const loader = () => ({ backups: backupLines() });

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  if (typed.intent !== "make") return refuse({ errors: { form: "Nothing was asked." }, typed });
  const made = await backupNow();
  return made.ok ? done("/settings/backups", null) : refuse({ errors: { form: made.message }, typed });
}

export const meta: Route.MetaFunction = () => [{ title: "Backups · Akmedon" }];

export default function Backups({ loaderData, actionData }: Route.ComponentProps) {
  const { backups } = loaderData;
  const busy = useNavigation().state === "submitting";
  const fault = actionData && "errors" in actionData ? actionData.errors.form : null;
  return (
    <Page
      title="Backups"
      lead="A copy of the whole garden, with its photos, is made each day on which something changed."
      actions={
        <Form method="post">
          <Button type="submit" name="intent" value="make" disabled={busy}>
            <Save size={18} /> {busy ? "Making one …" : "Back up now"}
          </Button>
        </Form>
      }
    >
      {fault && <Note tone="caution">{fault}</Note>}
      <Section title="On this machine" note="seven days, four weeks and twelve months are kept">
        {backups.length === 0 && (
          <Text color="inkSoft">
            None yet. Your own garden makes one by itself each day on which something changed; or make one now.
          </Text>
        )}
        {backups.map((b) => (
          <Flex
            key={b.name}
            py="3"
            gap="4"
            align="center"
            wrap="wrap"
            borderBottomWidth="1px"
            borderColor="ruleSoft"
            minH="56px"
          >
            <Box flex="1" minW="220px">
              <Text fontWeight="650">{b.made}</Text>
              <Text color="inkSoft" fontSize="sm">
                {b.holds}; {b.size}
              </Text>
            </Box>
            <LinkButton variant="outline" to={`/settings/backups/${b.name}`}>
              Look inside
            </LinkButton>
          </Flex>
        ))}
      </Section>
      <Section title="Somewhere else" note="a disk can break, a house can burn">
        <Text mb="4" maxW="640px">
          Take one file away now and then: the whole garden with its photos, in open formats. It is read back under{" "}
          <Anchor to="/settings">Settings</Anchor>, here or on another machine.
        </Text>
        <LinkButton variant="outline" to="/out/garden.zip" reloadDocument>
          <Download size={18} /> Garden and photos, ZIP
        </LinkButton>
      </Section>
    </Page>
  );
}
