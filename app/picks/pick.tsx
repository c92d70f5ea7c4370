import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useMemo, useState } from "react";
import { EXTENTS, PARTS, ROW_SHARES, tareOf } from "#core/weighing/pick";
import { EXTENT_WORDS, GRADE_WORDS, sayRowShare } from "#core/weighing/words";
import { LessonsNote } from "../lessons/lessons-note";
import { lastGood } from "../offline/last-good";
import { freshId } from "../offline/queue";
import { formOf, missing } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { CheckedForm } from "../ui/checked-form";
import { CropGlyph } from "../ui/crop-glyph";
import { Fold } from "../ui/fold";
import { PhotoField } from "../ui/photo-field";
import { Tickbox } from "../ui/tickbox";
import {
  Anchor,
  Button,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Options,
  Page,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/pick";
import { AmountFields } from "./amount-fields";
import { pickForm } from "./pick.form";
import { logPickSent } from "./pick-action.server";
import { arithmetic } from "./pick-arithmetic";
import { pickFormData } from "./pick-form.server";
import { PickMore } from "./pick-more";
import { queuePick } from "./pick-offline";
import { PickSorting, WayField, withOwn } from "./pick-sorting";
import { PlantingChoice } from "./planting-choice";
import { ArithmeticLine, ContainerCounter } from "./scale-parts";

export function loader({ params, url }: Route.LoaderArgs) {
  const query = url.searchParams;
  const data = pickFormData(
    gardenNow(),
    (params as { pickId?: string }).pickId,
    query.get("planting"),
    query.get("round"),
  );
  if (!data) throw missing(query.get("planting") ? "such planting to pick from" : "pick");
  return { ...data, part: PARTS.find((p) => p === query.get("part")) ?? "crop" };
}

export async function action({ request, params }: Route.ActionArgs) {
  return logPickSent(await formOf(request), (params as { pickId?: string }).pickId);
}

/** Without a signal a new pick is still entered, and waits in the browser. */
export const clientLoader = async ({ serverLoader, params, url }: Route.ClientLoaderArgs) => {
  if ((params as { pickId?: string }).pickId) return serverLoader();
  const data = await lastGood("pick-new", () => serverLoader());
  return { ...data, plantingId: url.searchParams.get("planting") ?? data.plantingId };
};
export const clientAction = ({ request, params, serverAction }: Route.ClientActionArgs) =>
  (params as { pickId?: string }).pickId ? serverAction() : queuePick(request, () => serverAction());

export const meta: Route.MetaFunction = () => [{ title: "Pick · Akmedon" }];

/** A pick has a weight or a count: whichever comes, and after the containers too. */
const AMOUNT = ["gross", "count"];

/** Containers at hand before any was used, and at most. */
const FEW = 2;
const MOST_NEAR = 4;

export default function PickPage({ loaderData, actionData }: Route.ComponentProps) {
  const { pick, plantings, containers, people, now, units, crops, roundId } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const [plantingId, setPlanting] = useState(faults?.typed.plantingId ?? loaderData.plantingId);
  const [gross, setGross] = useState(shownValue(faults, "gross", pick?.entered));
  const [count, setCount] = useState(shownValue(faults, "count", pick?.count));
  const [topsOn, setTops] = useState(faults ? faults.typed.topsOn === "on" : (pick?.topsOn ?? false));
  const known = pick?.tare ?? [];
  const [boxes, setBoxes] = useState<Record<string, number>>(() =>
    Object.fromEntries(
      containers.map((c) => [
        c.id,
        faults ? Number(faults.typed[`box-${c.id}`] ?? 0) : (known.find((t) => t.name === c.name)?.count ?? 0),
      ]),
    ),
  );
  const otherKnown = known.filter((t) => !containers.some((c) => c.name === t.name));
  const [other, setOther] = useState(
    shownValue(faults, "otherTare", otherKnown.length > 0 ? `${tareOf(otherKnown)} g` : ""),
  );
  const [ownId, setOwnId] = useState("");
  useEffect(() => setOwnId(freshId()), []);
  const planting = plantings.find((p) => p.id === plantingId) ?? plantings[0];
  const crop = crops.find((c) => c.id === planting?.cropId) ?? crops[0]!;
  const [chosen, setExtent] = useState<string | null>(faults?.typed.extent ?? pick?.extent ?? null);
  // an empty garden has no crop to be picked
  const extent = chosen ?? (planting && crop.once ? "final" : "all-ready");
  const bulk = crop?.bulk;
  const schema = useMemo(() => pickForm({ containers, units, bulk }), [containers, units, bulk]);
  const sum = arithmetic({ gross, count, topsOn, boxes, other, containers, crop, planting, units });
  if (plantings.length === 0)
    return (
      <Page title="Log a pick" lead="Nothing grows that could be picked.">
        <LinkButton to="/plot">To the plot</LinkButton>
      </Page>
    );
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  // what stood on the scale lately, or stands on it now, is at hand; the rest is folded away
  const lately = containers.some((c) => c.used > 0);
  const near = containers
    .filter((c, k) => (lately ? c.used > 0 : k < FEW) || (boxes[c.id] ?? 0) > 0)
    .slice(0, MOST_NEAR);
  const far = containers.filter((c) => !near.includes(c));
  const counter = (c: (typeof containers)[number]) => (
    <ContainerCounter
      key={c.id}
      container={c}
      count={boxes[c.id] ?? 0}
      units={units}
      onCount={(n) => setBoxes({ ...boxes, [c.id]: n })}
    />
  );
  return (
    <Page
      title={pick ? "Pick" : "Log a pick"}
      lead={planting?.how ?? ""}
      actions={
        pick ? (
          <LinkButton to={`/season/lessons?planting=${pick.plantingId}`} variant="quiet">
            A lesson
          </LinkButton>
        ) : undefined
      }
    >
      <Grid
        templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(320px,1.2fr) minmax(280px,0.8fr)" }}
        gap={{ base: "6", lg: "10" }}
      >
        <CheckedForm method="post" encType="multipart/form-data" schema={schema} faults={faults} patient={AMOUNT}>
          <FormError faults={faults} />
          {faults?.typed.sure && <input type="hidden" name="sure" value="yes" />}
          <input type="hidden" name="roundId" value={roundId ?? ""} />
          <input type="hidden" name="id" value={ownId} />
          <input type="hidden" name="plantingName" value={planting?.name ?? ""} />
          <Grid gap="4">
            <Field name="plantingId" label="What" faults={faults}>
              {(p) => <PlantingChoice field={p} plantings={plantings} value={plantingId} onChoose={setPlanting} />}
            </Field>
            <AmountFields
              gross={gross}
              onGross={setGross}
              count={count}
              onCount={setCount}
              units={units}
              focus={!pick}
              faults={faults}
            />
            <Box as="fieldset">
              <chakra.legend fontWeight="600" mb="1">
                Containers on the scale
              </chakra.legend>
              <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="2">
                {near.map(counter)}
              </Grid>
              <Fold
                title={far.length > 0 ? "Other containers" : "A container that is not on the list"}
                open={faults?.errors.otherTare || other !== ""}
              >
                <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="2">
                  {far.map(counter)}
                  <Field name="otherTare" label="Other empties, weight" faults={faults}>
                    {(p) => <Input {...p} value={other} onChange={(e) => setOther(e.target.value)} />}
                  </Field>
                </Grid>
              </Fold>
            </Box>
            <ArithmeticLine sum={sum} />
            <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(3, minmax(0, 1fr))" }} gap="4">
              <Field name="extent" label="How much of it" faults={faults}>
                {(p) => (
                  <Select {...p} value={extent} onChange={(e) => setExtent(e.target.value)}>
                    <Options of={EXTENTS} say={(x) => EXTENT_WORDS[x]} />
                  </Select>
                )}
              </Field>
              {extent === "some" && planting?.byRow && (
                <Field name="rowDone" label="Of the whole row, done now" faults={faults}>
                  {(p) => (
                    <Select {...p} defaultValue={value("rowDone", pick?.rowDone)}>
                      <option value="">not said</option>
                      <Options of={ROW_SHARES} say={(share) => sayRowShare(share)} />
                    </Select>
                  )}
                </Field>
              )}
              <Field name="grade" label="Grade" faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={value("grade", pick?.grade ?? "sound")}>
                    <Options of={withOwn(crop.grades, pick?.grade ?? "sound")} say={(x) => GRADE_WORDS[x]} />
                  </Select>
                )}
              </Field>
              <Field name="method" label="How" faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={value("method", pick?.method)} key={`method-${crop.id}`}>
                    <Options of={crop.methods} />
                  </Select>
                )}
              </Field>
              <Field name="at" label="When" faults={faults}>
                {(p) => <Input {...p} type="datetime-local" defaultValue={value("at", pick?.at ?? now)} />}
              </Field>
              <Field name="by" label="Who" faults={faults}>
                {(p) => (
                  <>
                    <Input {...p} list="people" defaultValue={value("by", pick?.by ?? people[0])} />
                    <datalist id="people">
                      {people.map((x) => (
                        <option key={x} value={x} />
                      ))}
                    </datalist>
                  </>
                )}
              </Field>
              <WayField way={pick?.way ?? ""} faults={faults} />
            </Grid>
            <PickSorting
              key={crop.id}
              parts={pick?.sorted ?? []}
              crop={crop}
              units={units}
              wholeG={sum.netG}
              faults={faults}
            />
            <Flex gap="6" wrap="wrap">
              {crop.topsShare > 0 && (
                <Tickbox name="topsOn" label="tops still on" checked={topsOn} onChange={setTops} />
              )}
              <Tickbox
                name="estimated"
                label="an estimate, not weighed"
                checked={faults ? faults.typed.estimated === "on" : (pick?.estimated ?? false)}
              />
            </Flex>
            <PickMore
              pick={pick}
              part={loaderData.part}
              crop={crop}
              leave={planting?.leave ?? ""}
              netG={sum.netG}
              units={units}
              today={now.slice(0, 10)}
              faults={faults}
            />
            <Field name="note" label="Note" faults={faults}>
              {(p) => <TextArea {...p} rows={2} defaultValue={value("note", pick?.note)} />}
            </Field>
            <PhotoField kept={pick?.photos ?? []} removable />
          </Grid>
          <Flex gap="3" mt="6" wrap="wrap">
            <Button type="submit" size="lg">
              Save the pick
            </Button>
            {!pick && !roundId && (
              <Button type="submit" size="lg" variant="outline" name="then" value="another">
                Save, and another
              </Button>
            )}
            {!pick && (
              <Button type="submit" size="lg" variant="quiet" name="then" value="tops">
                Save, and what came with it
              </Button>
            )}
            {pick && (
              <Button type="submit" name="intent" value="remove" variant="danger" ml="auto" formNoValidate>
                Remove
              </Button>
            )}
          </Flex>
        </CheckedForm>
        <Box>
          <Flex gap="4" align="center" mb="4">
            <CropGlyph kind={crop.glyph} stage={1.25} size={84} />
            <Box>
              <Text fontWeight="650">Leave {planting?.leave}.</Text>
              <Anchor to={`/handbook/${crop.id}`}>{crop.name} in the handbook</Anchor>
            </Box>
          </Flex>
          <Note title="At once">{crop.atOnce}</Note>
          <Note title="After">{crop.after}</Note>
          <LessonsNote lessons={crop.lessons} />
          <Cautions of={crop.cautions} />
        </Box>
      </Grid>
    </Page>
  );
}
