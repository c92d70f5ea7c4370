import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowUp } from "lucide-react";
import { Form } from "react-router";
import { change } from "#db/change";
import { db, desk } from "../server/desk.server";
import { done, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { Button, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/walk-order";

const inOrder = () => [...desk().snapshot.beds].sort((a, b) => a.walkOrder - b.walkOrder || (a.id < b.id ? -1 : 1));

export function loader() {
  return {
    beds: inOrder().map((b) => ({ id: b.id, name: b.name, site: b.site })),
    byHand: desk().snapshot.garden.orderByHand,
  };
}

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const { now, snapshot } = desk();
  const back = "/walk/order";
  if (typed.intent === "rounds") {
    const orderByHand = typed.byHand === "yes";
    return done(
      back,
      change(db(), orderByHand ? "Rounds go by your own order" : "Rounds go the shortest way", now, (c) =>
        c.put("garden", { ...snapshot.garden, orderByHand }),
      ),
    );
  }
  const beds = inOrder();
  const at = beds.findIndex((b) => b.id === typed.bed);
  if (at < 0) throw missing("bed");
  const to = typed.intent === "up" ? at - 1 : typed.intent === "down" ? at + 1 : at;
  if (to === at) return refuse({ errors: { form: "Nothing was asked." }, typed });
  if (to < 0 || to >= beds.length) return done(back, null);
  const [moved] = beds.splice(at, 1);
  beds.splice(to, 0, moved!);
  return done(
    back,
    change(db(), `${moved!.name} is bed ${to + 1} of the walk`, now, (c) => {
      for (const [k, b] of beds.entries()) if (b.walkOrder !== k) c.put("beds", { ...b, walkOrder: k });
    }),
  );
}

export const meta: Route.MetaFunction = () => [{ title: "Walking order · Akmedon" }];

export default function WalkOrder({ loaderData }: Route.ComponentProps) {
  const { beds, byHand } = loaderData;
  return (
    <Page
      title="Walking order"
      lead="The walk goes from bed to bed in this order. Wet leaves and sick beds still come last."
      actions={
        <LinkButton variant="outline" to="/walk">
          Back to the walk
        </LinkButton>
      }
    >
      {beds.length === 0 && <Text color="inkSoft">There is no bed yet.</Text>}
      <Box maxW="620px">
        {beds.map((b, i) => (
          <Form method="post" key={b.id} preventScrollReset>
            <input type="hidden" name="bed" value={b.id} />
            <Flex py="1.5" gap="2" align="center" borderBottomWidth="1px" borderColor="ruleSoft" minH="56px">
              <Text flex="1" fontSize="lg">
                {i + 1}. {b.name} {b.site && <chakra.span color="inkSoft">{b.site}</chakra.span>}
              </Text>
              <Button
                type="submit"
                name="intent"
                value="up"
                variant="outline"
                disabled={i === 0}
                aria-label={`${b.name} earlier`}
              >
                <ArrowUp size={20} />
              </Button>
              <Button
                type="submit"
                name="intent"
                value="down"
                variant="outline"
                disabled={i === beds.length - 1}
                aria-label={`${b.name} later`}
              >
                <ArrowDown size={20} />
              </Button>
            </Flex>
          </Form>
        ))}
        {beds.length > 1 && (
          <Form method="post" preventScrollReset>
            <input type="hidden" name="byHand" value={byHand ? "no" : "yes"} />
            <Flex mt="6" gap="4" align="center" wrap="wrap">
              <Text flex="1" minW="220px">
                {byHand ? "Rounds go by this order, too." : "Rounds go the shortest way on foot."}
              </Text>
              <Button type="submit" name="intent" value="rounds" variant="outline">
                {byHand ? "Take the shortest way" : "Go by this order"}
              </Button>
            </Flex>
          </Form>
        )}
      </Box>
    </Page>
  );
}
