import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { type Crop, HABITS } from "#core/handbook/crop";
import { findCrop } from "#core/handbook/index";
import { PLACE_KINDS } from "#core/household/place";
import { PLACE_WORDS } from "#core/household/words";
import { removeOwnCrop, saveOwnCrop } from "#db/handbook";
import { done, formOf, missing, readForm, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook, plainHandbook } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { Tickbox } from "../ui/tickbox";
import {
  Button,
  type Faults,
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
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/own-crop";
import { ownCropForm } from "./own-crop.form";
import { bareCrop, blankCrop, idFor } from "./own-crop.server";
import { cueFigure, degrees } from "./own-crop-figures";

/** The crop a form begins from, and whether it is the gardener's own already. */
function beginFrom(cropId: string): { base: Crop; own: boolean } {
  if (cropId === "new") return { base: blankCrop(), own: false };
  const crop = plainHandbook().find(cropId);
  if (!crop) throw missing("crop of that name in the handbook");
  return { base: bareCrop(crop), own: gardenNow().snapshot.ownCrops.some((c) => c.id === cropId) };
}

export function loader({ params }: Route.LoaderArgs) {
  const { base, own } = beginFrom(params.cropId);
  const { units } = gardenNow().snapshot.garden;
  return { base, own, units, isNew: params.cropId === "new", printed: findCrop(params.cropId) !== null };
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const { base, own } = beginFrom(params.cropId);
  const { now, snapshot } = gardenNow();
  if (typed.intent === "remove") {
    if (!own) throw missing("crop of your own");
    const removed = removeOwnCrop(db(), base, findCrop(base.id) !== null, now);
    return removed.ok ? done("/handbook", removed.journalId) : refuse({ errors: { form: removed.message }, typed });
  }
  // a copy gets an id of its own; “in its place” keeps the id, so that plantings follow the changed facts
  const keepsId = own || (params.cropId !== "new" && typed.place === "instead");
  const id = keepsId ? base.id : idFor(typed.name ?? "", (x) => handbook().find(x) !== null);
  const read = readForm(ownCropForm(base, snapshot.garden.units), typed);
  if (!read.ok) return refuse(read.faults);
  return done(`/handbook/${id}`, saveOwnCrop(db(), { ...read.row, id }, now));
}

export const meta: Route.MetaFunction = () => [{ title: "Your own crop · Akmedon" }];
const LANDMARKS = ["start", "early", "ready", "upper", "past"] as const;

export default function OwnCrop({ loaderData, actionData }: Route.ComponentProps) {
  const { base, own, units, isNew, printed } = loaderData;
  const temp = degrees(units);
  const schema = useMemo(() => ownCropForm(base, units), [base, units]);
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const text = (name: string, label: string, value: string | number | null, hint?: string) => (
    <Field name={name} label={label} hint={hint} faults={faults}>
      {(p) => <Input {...p} defaultValue={shownValue(faults, name, value)} />}
    </Field>
  );
  const pair = (name: string, label: string, value: [number, number] | null) => (
    <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2.5">
      {text(`${name}Low`, `${label}, from`, value?.[0] ?? null)}
      {text(`${name}High`, "to", value?.[1] ?? null)}
    </Grid>
  );
  return (
    <Page
      title={isNew ? "Your own crop" : own ? `Change ${base.name}` : `A copy of ${base.name}`}
      lead="Yours, kept with your garden: no update of the handbook changes it."
    >
      <CheckedForm method="post" schema={schema} faults={faults}>
        <FormError faults={faults} />
        <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1.2fr" }} gap="12">
          <Box>
            <Section title="What it is">
              <Grid gap="4">
                {text("name", "Name", isNew ? "" : own ? base.name : `${base.name}, mine`)}
                {text("synonyms", "Also called", base.synonyms.join(", "), "Separated by commas.")}
                {text("family", "Family", base.family, "The group of rotation.")}
                <Field name="nature" label="The question" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={shownValue(faults, "nature", base.nature)}>
                      <option value="sizes">Is it big enough?</option>
                      <option value="ripens">Is it ripe?</option>
                    </Select>
                  )}
                </Field>
                <Field name="habit" label="How it is picked" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={shownValue(faults, "habit", base.habit)}>
                      <Options of={HABITS} say={(h) => h.replaceAll("-", " ")} />
                    </Select>
                  )}
                </Field>
                {!isNew && !own && (
                  <Field
                    name="place"
                    label="Where it stands"
                    hint="In its place: your plantings of this crop follow what you change here."
                    faults={faults}
                  >
                    {(p) => (
                      <Select {...p} defaultValue={shownValue(faults, "place", "beside")}>
                        <option value="beside">beside the handbook’s, as a crop of its own</option>
                        <option value="instead">in its place</option>
                      </Select>
                    )}
                  </Field>
                )}
              </Grid>
            </Section>
            <Section title="Days and warmth">
              <Grid gap="4">
                {pair("days-sown", "Days sown", base.days.sown)}
                {pair("days-transplanted", "Days set out", base.days.transplanted)}
                {pair("days-planted", "Days planted", base.days.planted)}
                {pair("days-yearly", "Days each year", base.days.yearly)}
                {text("usualStart", "Usual start, month-day", base.usualStart, "As 04-15.")}
                {text(
                  "baseC",
                  `Grows above, ${temp.unit}`,
                  base.warmth.baseC === null ? null : temp.show(base.warmth.baseC),
                  "Leave empty when unknown.",
                )}
                <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2.5">
                  {text("intervalWarm", "Pick every, days, warm", base.interval.warmDays)}
                  {text("intervalCool", "cool", base.interval.coolDays)}
                  {text("primeWarm", "At its best, days, warm", base.prime.warmDays)}
                  {text("primeCool", "cool", base.prime.coolDays)}
                </Grid>
                {text("killC", `Lost to frost at, ${temp.unit}`, temp.show(base.weather.killC))}
                <Field name="foliage" label="When the leaves are wet" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={shownValue(faults, "foliage", base.weather.foliage)}>
                      <option value="any">may be touched</option>
                      <option value="better-dry">better dry</option>
                      <option value="dry">hands off</option>
                      <option value="fruit-dry">fruit must be dry</option>
                      <option value="dry-day">wants a dry day</option>
                    </Select>
                  )}
                </Field>
              </Grid>
            </Section>
          </Box>
          <Box>
            <Section title="Cues" note="What it shows on the way from young to past">
              {base.cues.map((cue) => (
                <Box key={cue.id} mb="5">
                  {text(`cue-${cue.id}-ask`, cue.label, cue.ask)}
                  {"marks" in cue && (
                    <Grid templateColumns="repeat(5, 1fr)" gap="2" mt="2">
                      {LANDMARKS.map((k) => (
                        <Box key={k}>
                          {text(
                            `cue-${cue.id}-${k}`,
                            k === "start" ? `${k}, ${cueFigure(cue.kind, units).unit}` : k,
                            cueFigure(cue.kind, units).show(cue.marks[k]),
                          )}
                        </Box>
                      ))}
                    </Grid>
                  )}
                  {cue.kind === "choice" && (
                    <Text color="inkSoft" fontSize="sm" mt="1">
                      {cue.options.map((o) => o.label).join(" → ")}
                    </Text>
                  )}
                </Box>
              ))}
            </Section>
            <Section title="Picking it">
              <Grid gap="4">
                <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2.5">
                  {text("seasonFrom", "First picked, month-day", base.season?.from ?? "", "Your own rule; or empty.")}
                  {text("seasonTo", "Last picked, month-day", base.season?.to ?? "", "As 06-24.")}
                </Grid>
                <Field name="how" label="Technique" faults={faults}>
                  {(p) => <TextArea {...p} rows={2} defaultValue={shownValue(faults, "how", base.technique.how)} />}
                </Field>
                {text("leave", "What to leave", base.technique.leave)}
                <Tickbox
                  name="touchesSoil"
                  label="What is eaten touches the soil: raw manure is waited for longest"
                  checked={faults ? faults.typed.touchesSoil === "on" : base.touchesSoil}
                />
                <Field name="cautions" label="Cautions" hint="One a line." faults={faults}>
                  {(p) => (
                    <TextArea {...p} rows={3} defaultValue={shownValue(faults, "cautions", base.cautions.join("\n"))} />
                  )}
                </Field>
              </Grid>
            </Section>
            <Section title="Keeping it">
              <Grid gap="4">
                {pair("keeps", "Keeps, days", base.after.days)}
                {pair("keepC", `Best at, ${temp.unit}`, [
                  temp.show(base.after.tempC[0]),
                  temp.show(base.after.tempC[1]),
                ])}
                <Field name="store" label="Where you keep it" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={shownValue(faults, "store", base.store ?? "")}>
                      <option value="">where its facts say</option>
                      <Options of={PLACE_KINDS} say={(k) => PLACE_WORDS[k]} />
                    </Select>
                  )}
                </Field>
              </Grid>
            </Section>
            {!isNew && printed && own && <Note>Removing your copy brings the handbook’s own facts back.</Note>}
            <Flex gap="2.5" wrap="wrap">
              <Button type="submit">Save the crop</Button>
              <LinkButton variant="quiet" to={isNew ? "/handbook" : `/handbook/${base.id}`}>
                Back
              </LinkButton>
              {own && (
                <Button type="submit" name="intent" value="remove" variant="danger" ml="auto" formNoValidate>
                  Remove
                </Button>
              )}
            </Flex>
          </Box>
        </Grid>
      </CheckedForm>
    </Page>
  );
}
