import { Box, Flex, Text } from "@chakra-ui/react";
import { LayoutGrid } from "lucide-react";
import { Form } from "react-router";
import { change } from "#db/change";
import { byIntent, done, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { Button, Empty, FormError, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/walk-order";
import { BedOrder } from "./bed-order";

const inOrder = () =>
  [...gardenNow().snapshot.beds].sort((a, b) => a.walkOrder - b.walkOrder || (a.id < b.id ? -1 : 1));

export function loader() {
  return {
    beds: inOrder().map((b) => ({ id: b.id, name: b.name, site: b.site })),
    byHand: gardenNow().snapshot.garden.orderByHand,
  };
}

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const { now, snapshot } = gardenNow();
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done("/walk/order", change(db(), label, now, work));
  const beds = inOrder();
  const inThisOrder = (label: string, order: typeof beds) =>
    put(label, (c) => {
      for (const [k, b] of order.entries()) if (b.walkOrder !== k) c.put("beds", { ...b, walkOrder: k });
    });
  const step = (by: number) => () => {
    const at = beds.findIndex((b) => b.id === typed.bed);
    const moved = beds[at];
    if (!moved) throw missing("bed");
    const to = at + by;
    if (to < 0 || to >= beds.length) return done("/walk/order", null);
    return inThisOrder(`${moved.name} is bed ${to + 1} of the walk`, beds.toSpliced(at, 1).toSpliced(to, 0, moved));
  };
  return byIntent(typed, {
    rounds: () => {
      const orderByHand = typed.byHand === "yes";
      return put(orderByHand ? "Rounds go by your own order" : "Rounds go the shortest way", (c) =>
        c.put("garden", { ...snapshot.garden, orderByHand }),
      );
    },
    order: () => {
      const by = new Map(beds.map((b) => [b.id, b]));
      const asked = (typed.order ?? "").split(" ").flatMap((id) => by.get(id) ?? []);
      if (new Set(asked).size !== beds.length || asked.length !== beds.length)
        return refuse({ errors: { form: "The beds are others by now: the order is as it was." }, typed });
      return inThisOrder("Walking order changed", asked);
    },
    up: step(-1),
    down: step(1),
  });
}

export const meta: Route.MetaFunction = () => [{ title: "Walking order · Akmedon" }];

export default function WalkOrder({ loaderData, actionData }: Route.ComponentProps) {
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
      <FormError faults={actionData && "errors" in actionData ? actionData : null} />
      {beds.length === 0 && (
        <Empty icon={LayoutGrid} title="There is no bed yet">
          <LinkButton to="/plot">To the plot</LinkButton>
        </Empty>
      )}
      <Box maxW="620px">
        <BedOrder beds={beds} />
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
