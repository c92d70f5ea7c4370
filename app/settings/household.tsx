import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Form } from "react-router";
import { PLACE_KINDS } from "#core/household/place";
import { PLACE_WORDS } from "#core/household/words";
import { sayPlace } from "#core/planning/words";
import { typedVolume, volumeUnit } from "#core/units/volume";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { CropGlyph } from "../ui/crop-glyph";
import { Slide } from "../ui/slide";
import {
  Button,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Options,
  Page,
  Section,
  Select,
  shownValue,
} from "../ui/ui";
import type { Route } from "./+types/household";
import { changeHousehold, householdView } from "./household.server";
import { roomForm } from "./room.form";

export const loader = () => householdView(gardenNow());
export const action = async ({ request }: Route.ActionArgs) =>
  changeHousehold(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "At home · Akmedon" }];

/** How gladly something is eaten, in words, by the slider's steps. */
const LIKING_WORDS: [number, string][] = [
  [0, "not eaten"],
  [0.5, "now and then"],
  [1, "as in most homes"],
  [1.5, "gladly"],
  [2, "most gladly"],
];
const sayLiking = (x: number): string =>
  LIKING_WORDS.reduce((best, w) => (Math.abs(w[0] - x) < Math.abs(best[0] - x) ? w : best))[1];

export default function Household({ loaderData, actionData }: Route.ComponentProps) {
  const { crops, places, fullest, eaters, units } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const fresh = faults?.typed.intent === "place" && !faults.typed.id ? faults : null;
  return (
    <Page
      title="At home"
      lead="What is liked and eaten, and where there is room. The planner picks for this table: a glut is worth less, and what has no room waits in the bed."
      actions={
        <>
          <LinkButton to="/rounds" variant="outline">
            Rounds
          </LinkButton>
          <LinkButton to="/settings" variant="outline">
            Settings
          </LinkButton>
        </>
      }
    >
      <FormError faults={faults} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1.25fr 1fr" }} gapX="12">
        <Section
          title="What you like"
          note={`for ${eaters} at table; a crop at “as in most homes” with its usual amounts is not kept`}
        >
          {crops.length === 0 && <Note>When something grows, it stands here.</Note>}
          <Form method="post" preventScrollReset>
            {crops.map((c) => (
              <TasteRow key={`${c.id} ${c.liking} ${c.weekly} ${c.spared}`} crop={c} faults={faults} />
            ))}
            {crops.length > 0 && (
              <Button type="submit" name="intent" value="tastes" mt="4">
                Save what you like
              </Button>
            )}
          </Form>
        </Section>
        <Section
          title="Room"
          id="places"
          note={`${units === "us" ? "Quarts" : "Litres"}; a bucket holds ten, a vegetable drawer about twenty`}
        >
          {places.length === 0 && <Note>Without a place the planner takes it that there is room for everything.</Note>}
          {places.map((p) => (
            <CheckedForm
              method="post"
              key={`${p.id} ${p.litres} ${p.takenLitres}`}
              preventScrollReset
              schema={roomForm(units, p)}
              faults={faults?.typed.id === p.id ? faults : null}
            >
              <input type="hidden" name="id" value={p.id} />
              <Flex align="end" gap="3" py="2" borderBottomWidth="1px" borderColor="ruleSoft" wrap="wrap">
                <Box flex="1 1 150px">
                  <Text fontWeight="600">{p.name}</Text>
                  <Text fontSize="sm" color="inkSoft">
                    {PLACE_WORDS[p.kind]}
                  </Text>
                </Box>
                {(["litres", "takenLitres"] as const).map((name) => (
                  <Box key={name} w="84px">
                    <Field name={name} of={p.id} label={name === "litres" ? "holds" : "taken"}>
                      {(q) => <Input {...q} inputMode="decimal" defaultValue={typedVolume(p[name], units)} px="2" />}
                    </Field>
                  </Box>
                ))}
                <Button type="submit" name="intent" value="place" variant="outline" size="sm">
                  Save
                </Button>
                <Button type="submit" name="intent" value="remove-place" variant="quiet" size="sm" formNoValidate>
                  Remove
                </Button>
              </Flex>
            </CheckedForm>
          ))}
          {fullest.length > 0 && (
            <Box mt="4">
              <Text fontWeight="600">With the rounds as planned</Text>
              {fullest.map((f) => (
                <Text key={f.room.place} color={f.peak > f.capacity + 0.5 ? "madder" : undefined}>
                  {sayPlace(f, units)}
                </Text>
              ))}
            </Box>
          )}
          <CheckedForm method="post" preventScrollReset schema={roomForm(units)} faults={fresh}>
            <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3" mt="5">
              <Field name="name" label="Another place" faults={fresh}>
                {(p) => <Input {...p} defaultValue={shownValue(fresh, "name", "")} placeholder="shed rafters" />}
              </Field>
              <Field name="kind" label="It is" faults={fresh}>
                {(p) => (
                  <Select {...p} defaultValue={shownValue(fresh, "kind", "fridge")}>
                    <Options of={PLACE_KINDS} say={(k) => PLACE_WORDS[k]} />
                  </Select>
                )}
              </Field>
              <Field name="litres" label={`Holds, ${volumeUnit(units).name}`} faults={fresh}>
                {(p) => <Input {...p} inputMode="decimal" defaultValue={shownValue(fresh, "litres", "")} />}
              </Field>
              <Field name="takenLitres" label="Taken by other things" faults={fresh}>
                {(p) => <Input {...p} inputMode="decimal" defaultValue={shownValue(fresh, "takenLitres", "0")} />}
              </Field>
            </Grid>
            <Button type="submit" name="intent" value="place" mt="3">
              Add the place
            </Button>
          </CheckedForm>
        </Section>
      </Grid>
    </Page>
  );
}

type Row = Route.ComponentProps["loaderData"]["crops"][number];

function TasteRow({ crop, faults }: { crop: Row; faults: Parameters<typeof FormError>[0]["faults"] }) {
  const [liking, setLiking] = useState(Number(shownValue(faults, `liking-${crop.id}`, crop.liking)));
  const amount = (name: "weekly" | "spared", label: string) => (
    <Field name={`${name}-${crop.id}`} label={label} faults={faults}>
      {(p) => <Input {...p} defaultValue={shownValue(faults, p.name, crop[name])} px="2" />}
    </Field>
  );
  return (
    <Grid
      templateColumns={{ base: "44px 1fr 1fr", md: "44px 1.4fr 1fr 1fr" }}
      columnGap="3"
      rowGap="1"
      alignItems="end"
      py="3"
      borderBottomWidth="1px"
      borderColor="ruleSoft"
    >
      <Box alignSelf="center">
        <CropGlyph kind={crop.glyph} stage={1} size={40} />
      </Box>
      <Box gridColumn={{ base: "2 / -1", md: "auto" }}>
        <Slide
          name={`liking-${crop.id}`}
          label={crop.name}
          min={0}
          max={2}
          step={0.1}
          value={liking}
          onValue={setLiking}
          say={sayLiking}
        />
      </Box>
      <Box display={{ base: "block", md: "none" }} />
      {amount("weekly", "eaten in a week")}
      {amount("spared", "put by or given")}
    </Grid>
  );
}
