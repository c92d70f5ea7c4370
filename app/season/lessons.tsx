import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { DateInput } from "../ui/date-input";
import {
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  Options,
  Page,
  Section,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/lessons";
import { lessonForm } from "./lesson.form";
import { changeLessons, lessonsView } from "./lessons.server";
import { SeasonNav } from "./season-nav";

export const loader = ({ url }: Route.LoaderArgs) => lessonsView(gardenNow(), url.searchParams);
export const action = async ({ request }: Route.ActionArgs) =>
  changeLessons(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "Lessons · Akmedon" }];

/** What was learned: what comes up now, what the figures propose, and a line for a new one. */
export default function Lessons({ loaderData, actionData }: Route.ComponentProps) {
  const { due, drafts, kept, about, days, crops } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const fresh = faults && !faults.typed.id ? faults : null;
  return (
    <Page title="Lessons" lead="A line now, before it is forgotten. It comes up again on Today when it can be used.">
      <SeasonNav />
      <FormError faults={faults} />
      {due.length > 0 && (
        <Section title="It is time for these">
          {due.map((l) => (
            <Box key={l.id} py="2.5" borderTopWidth="1px" borderColor="ruleSoft">
              <Text fontWeight="650">
                {l.about && `${l.about}: `}
                {l.words}
              </Text>
              <Text>{l.next}</Text>
            </Box>
          ))}
        </Section>
      )}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="12">
        <Box>
          <Section title={about ? `A lesson about ${about.name}` : "A new lesson"}>
            <CheckedForm method="post" key={kept.length} schema={lessonForm} faults={fresh}>
              <input type="hidden" name="plantingId" value={about?.plantingId ?? ""} />
              <Grid gap="4">
                <Field name="words" label="What was it?" faults={fresh}>
                  {(p) => (
                    <TextArea
                      {...p}
                      rows={2}
                      autoFocus={about !== null}
                      defaultValue={shownValue(fresh, "words", "")}
                    />
                  )}
                </Field>
                <Field name="next" label="Next time" faults={fresh}>
                  {(p) => <Input {...p} defaultValue={shownValue(fresh, "next", "")} />}
                </Field>
                <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
                  {!about && (
                    <Field name="cropId" label="Crop" faults={fresh}>
                      {(p) => (
                        <Select {...p} defaultValue={shownValue(fresh, "cropId", "")} minW="0">
                          <option value="">none in particular</option>
                          <Options of={crops} />
                        </Select>
                      )}
                    </Field>
                  )}
                  <Field
                    name="remindOn"
                    label="Comes up from"
                    hint={days ? "A week before it was started. Empty: never by itself." : "Empty: never by itself."}
                    faults={fresh}
                  >
                    {(p) => <DateInput {...p} defaultValue={shownValue(fresh, "remindOn", days?.start ?? "")} />}
                  </Field>
                </Grid>
              </Grid>
              <Button type="submit" name="intent" value="keep" mt="4" size="lg">
                Keep it
              </Button>
            </CheckedForm>
          </Section>
          {drafts.length > 0 && (
            <Section title="Proposed by the figures" note="change the words, keep it, or throw it away">
              {drafts.slice(0, 8).map((x) => (
                <Box key={x.id} py="3" borderTopWidth="1px" borderColor="ruleSoft" data-draft={x.id}>
                  <CheckedForm method="post" schema={lessonForm} faults={faults?.typed.id === x.id ? faults : null}>
                    <input type="hidden" name="id" value={x.id} />
                    <input type="hidden" name="remindOn" value={x.remindOn} />
                    {(["words", "next"] as const).map((name) => (
                      <Field key={name} name={name} of={x.id} label={name === "words" ? "Lesson" : "What to do"}>
                        {(p) => <Input {...p} defaultValue={x[name]} />}
                      </Field>
                    ))}
                    <Flex gap="2" align="center" wrap="wrap">
                      <Button type="submit" name="intent" value="keep" variant="outline" size="sm">
                        Keep it
                      </Button>
                      <Button type="submit" name="intent" value="throw" variant="quiet" size="sm" formNoValidate>
                        Throw it away
                      </Button>
                    </Flex>
                  </CheckedForm>
                </Box>
              ))}
            </Section>
          )}
        </Box>
        <Section title="Kept" note={kept.length > 0 ? `${kept.length}` : undefined}>
          {kept.length === 0 && <Text color="inkSoft">None yet. Every season has a few.</Text>}
          {kept.map((l) => (
            <Flex key={l.id} gap="3" py="2.5" borderTopWidth="1px" borderColor="ruleSoft" align="start">
              <Box flex="1">
                <Text fontWeight="650">
                  {l.about && `${l.about}: `}
                  {l.words}
                </Text>
                {l.next && <Text>{l.next}</Text>}
                <Text fontSize="sm" color="inkSoft">
                  {l.day} {l.year}, {l.remind}
                </Text>
              </Box>
              <Form method="post">
                <input type="hidden" name="id" value={l.id} />
                <Button type="submit" name="intent" value="remove" variant="quiet" size="sm" aria-label="Take it out">
                  ×
                </Button>
              </Form>
            </Flex>
          ))}
        </Section>
      </Grid>
    </Page>
  );
}
