import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { formOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { CheckedForm } from "../ui/checked-form";
import { Fold } from "../ui/fold";
import {
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  LinkButton,
  Options,
  Page,
  Section,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/dishes";
import { DISH_CROPS, dishForm } from "./dish.form";
import { changeDishes, dishesView } from "./dishes.server";
import { DishNote } from "./dishes-part";

export const loader = () => dishesView(gardenNow());
export const action = async ({ request }: Route.ActionArgs) => changeDishes(gardenNow(), await formOf(request));

export const meta: Route.MetaFunction = () => [{ title: "Dishes · Akmedon" }];

/** The household's own dishes: what they are called, what they use, where they are written. */
export default function Dishes({ loaderData, actionData }: Route.ComponentProps) {
  const { dishes, crops, cautions } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const at = faults?.typed.id ?? null;
  return (
    <Page
      title="Your dishes"
      lead="What you like to make, and of what. When something wants to be used, its dishes stand beside it under Keep."
      actions={
        <LinkButton to="/keep" variant="outline">
          Keep
        </LinkButton>
      }
    >
      <FormError faults={faults} />
      <Cautions of={cautions} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }} gapX="12">
        <Section title="Noted" note={dishes.length > 0 ? `${dishes.length}` : undefined}>
          {dishes.length === 0 && <Text color="inkSoft">None yet. Begin with the one for too many courgettes.</Text>}
          {dishes.map((x) => (
            <Box key={x.id} py="2.5" borderTopWidth="1px" borderColor="ruleSoft" data-dish={x.name}>
              <Text fontWeight="650">{x.name}</Text>
              <Text fontSize="sm" color="inkSoft">
                {x.uses}
              </Text>
              <DishNote note={x.note} />
              <Fold title="Change it" open={at === x.id}>
                <DishForm dish={x} crops={crops} faults={at === x.id ? faults : null} />
              </Fold>
            </Box>
          ))}
        </Section>
        <Section title="Another dish">
          <DishForm key={dishes.length} dish={null} crops={crops} faults={at === "" ? faults : null} />
        </Section>
      </Grid>
    </Page>
  );
}

type View = Route.ComponentProps["loaderData"];

function DishForm({
  dish,
  crops,
  faults,
}: {
  dish: View["dishes"][number] | null;
  crops: View["crops"];
  faults: Faults;
}) {
  const key = dish?.id ?? "new";
  return (
    <CheckedForm method="post" schema={dishForm} faults={faults}>
      <input type="hidden" name="id" value={dish?.id ?? ""} />
      <Grid gap="4">
        <Field name="name" of={key} label="What is it called?">
          {(p) => <Input {...p} defaultValue={shownValue(faults, "name", dish?.name)} />}
        </Field>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2">
          {DISH_CROPS.map((field, k) => (
            <Field key={field} name={field} of={key} label={`Crop ${k + 1}`}>
              {(p) => (
                <Select {...p} defaultValue={shownValue(faults, field, dish?.cropIds[k])} minW="0">
                  <option value="">{k === 0 ? "a crop" : "and perhaps"}</option>
                  <Options of={crops} />
                </Select>
              )}
            </Field>
          ))}
        </Grid>
        <Field name="note" of={key} label="How it goes, or where it is written">
          {(p) => <TextArea {...p} rows={3} defaultValue={shownValue(faults, "note", dish?.note)} />}
        </Field>
      </Grid>
      <Flex gap="3" mt="4">
        <Button type="submit" name="intent" value="keep" variant={dish ? "outline" : "solid"}>
          {dish ? "Save it" : "Note it"}
        </Button>
        {dish && (
          <Button type="submit" name="intent" value="remove" variant="danger" formNoValidate>
            Remove
          </Button>
        )}
      </Flex>
    </CheckedForm>
  );
}
