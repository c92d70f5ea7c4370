import { Flex, Grid } from "@chakra-ui/react";
import { Form } from "react-router";
import { addDays } from "#core/calendar/day";
import { DateInput } from "./date-input";
import { Button, Field, Input } from "./ui";

/** A date of one's own to come back to a planting or a lot: it stands among the jobs until it is done. */
export function FollowUp({
  where,
  lotId,
  back,
  today,
}: {
  where?: string;
  lotId?: string;
  back: string;
  today: string;
}) {
  return (
    <Form method="post" action="/jobs">
      <input type="hidden" name="where" value={where ?? ""} />
      <input type="hidden" name="lotId" value={lotId ?? ""} />
      <input type="hidden" name="back" value={back} />
      <input type="hidden" name="minutes" value="3" />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "1fr 11rem auto" }} gap="3" alignItems="end">
        <Field name="words" label="Come back to it" faults={null}>
          {(p) => <Input {...p} defaultValue="Look again" minW="0" />}
        </Field>
        <Field name="startOn" label="On" faults={null}>
          {(p) => <DateInput {...p} defaultValue={addDays(today, 7)} />}
        </Field>
        <Flex>
          <Button type="submit" name="intent" value="keep" variant="outline">
            Note it
          </Button>
        </Flex>
      </Grid>
    </Form>
  );
}
