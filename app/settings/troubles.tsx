import { Box, chakra, Text } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { Form } from "react-router";
import { sayNear } from "#core/calendar/day";
import { localTimeOf } from "#core/calendar/zone";
import { clearTroubles, listTroubles } from "#db/troubles";
import { done, formOf, refuse, typedOf } from "../server/forms.server";
import { dataDir, gardenNow } from "../server/garden-now.server";
import { Fold } from "../ui/fold";
import { Button, LinkButton, Page, Section } from "../ui/ui";
import type { Route } from "./+types/troubles";

const MOST_SHOWN = 50;

export function loader() {
  const { timeZone } = gardenNow().snapshot.garden;
  const today = localTimeOf(Date.now(), timeZone).slice(0, 10);
  return {
    troubles: listTroubles(dataDir(), MOST_SHOWN).map((t, i) => {
      const at = localTimeOf(Date.parse(t.at), timeZone);
      return { ...t, id: `${t.at} ${i}`, when: `${sayNear(at.slice(0, 10), today)}, ${at.slice(11)}` };
    }),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  if (typed.intent !== "clear") return refuse({ errors: { form: "Nothing was asked." }, typed });
  clearTroubles(dataDir());
  return done("/settings/troubles", null);
}

export const meta: Route.MetaFunction = () => [{ title: "What went wrong · Akmedon" }];

/** What failed in this garden's program, for a gardener to read and, if he likes, to send. */
export default function Troubles({ loaderData }: Route.ComponentProps) {
  const { troubles } = loaderData;
  return (
    <Page
      title="What went wrong"
      lead="Faults of the program are written down here, on this machine alone. Nothing is sent anywhere by itself."
      actions={
        troubles.length > 0 && (
          <>
            <LinkButton variant="outline" to="/out/troubles.txt" reloadDocument>
              <Download size={18} /> As a text to send
            </LinkButton>
            <Form method="post">
              <Button type="submit" name="intent" value="clear" variant="quiet">
                Clear the list
              </Button>
            </Form>
          </>
        )
      }
    >
      {troubles.length === 0 ? (
        <Text color="inkSoft">Nothing so far.</Text>
      ) : (
        <Section title="Latest first" note="pages and what failed; nothing of what grows, was picked or typed">
          {troubles.map((t) => (
            <Box key={t.id} py="3" borderTopWidth="1px" borderColor="ruleSoft">
              <Text fontSize="sm" color="inkSoft">
                {t.when} · {t.where}
              </Text>
              <Text fontWeight="650" overflowWrap="anywhere">
                {t.message}
              </Text>
              {t.stack && (
                <Fold title="Where in the program">
                  <chakra.pre fontSize="xs" overflowX="auto" whiteSpace="pre-wrap" overflowWrap="anywhere">
                    {t.stack}
                  </chakra.pre>
                </Fold>
              )}
            </Box>
          ))}
        </Section>
      )}
    </Page>
  );
}
