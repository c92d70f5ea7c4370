import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { Button, Field, FormError, Input, LinkButton, Options, Page, Section, Select, shownValue } from "../ui/ui";
import type { Route } from "./+types/start";
import { startGarden, startView } from "./start.server";
import { StartCrops } from "./start-crops";
import { StartPlace } from "./start-place";

export const loader = () => startView(gardenNow());

export const action = async ({ request }: Route.ActionArgs) => startGarden(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "What grows here · Akmedon" }];

/** The first five minutes: where the garden lies, and everything that grows in it at once. */
export default function Start({ loaderData, actionData }: Route.ComponentProps) {
  const { crops, beds, fresh, today } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  return (
    <Page
      title="What grows here?"
      lead="Tick everything that grows now, say about when it was sown or planted, and walk the beds. All of it can be changed later."
    >
      <Form method="post">
        <FormError faults={faults} />
        {fresh && (
          <StartPlace
            place={loaderData.place}
            timeZone={loaderData.timeZone}
            units={loaderData.units}
            faults={faults}
          />
        )}
        <StartCrops crops={crops} today={today} faults={faults} />
        <Section title="Where in the garden" note="each bed is drawn afterwards, in its own time">
          <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 320px))" }} gap="4">
            {beds.length > 0 && (
              <Field name="bedId" label="Bed" faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={shownValue(faults, "bedId", beds[0]!.id)}>
                    <Options of={beds} />
                    <option value="">a new one</option>
                  </Select>
                )}
              </Field>
            )}
            <Field name="bedName" label={beds.length > 0 ? "Name of a new one" : "One bed for now"} faults={faults}>
              {(p) => <Input {...p} defaultValue={shownValue(faults, "bedName", "Garden")} />}
            </Field>
          </Grid>
        </Section>
        <Flex gap="3" wrap="wrap" align="center">
          <Button type="submit" size="lg">
            Put it in and walk the beds
          </Button>
          <LinkButton to="/plot/beds/new" variant="quiet">
            Draw the first bed instead
          </LinkButton>
        </Flex>
        <Box mt="3">
          <Text fontSize="sm" color="inkSoft">
            Nothing leaves this machine.
          </Text>
        </Box>
      </Form>
    </Page>
  );
}
