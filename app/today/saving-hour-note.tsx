import { Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { Button, Note } from "../ui/ui";
import type { SavingView } from "./saving-hour.server";

/** A hazard that comes before anybody has time, what it would take, and the hour that saves it. */
export function SavingHourNote({ saving }: { saving: SavingView }) {
  return (
    <Note tone="caution" title={saving.title}>
      <Text mb="2">
        {saving.next ? `You are free again ${saving.next}` : "You have no free hour after it"}. By then {saving.lost}{" "}
        would be lost: {saving.names.join("; ")}
        {saving.more > 0 && ` and ${saving.more} more`}.
      </Text>
      <Form method="post" action="/?index">
        <Flex gap="3" align="center" wrap="wrap">
          <input type="hidden" name="slotId" value={saving.slotId} />
          <Button type="submit">Add an hour {saving.hour}</Button>
          <Text color="inkSoft">saves about {saving.saves}</Text>
        </Flex>
      </Form>
    </Note>
  );
}
