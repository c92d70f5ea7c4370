import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Form } from "react-router";
import { sayDate } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { schoolOf } from "#core/handbook/index";
import { inRipeColour } from "#core/handbook/ripe-colour";
import { checkSchema, type Reading, type ReadingValue } from "#core/planting/check";
import { readingFault } from "#core/planting/cue-kinds/index";
import { findPlanting } from "#db/plot";
import { findCheck, removeCheck, saveCheck } from "#db/work";
import { done, faultsOf, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { Button, Field, FormError, Input, LinkButton, Page, shownValue, TextArea } from "../ui/ui";
import type { Route } from "./+types/look";
import { CueControl } from "./cue-control";
import { Signs } from "./signs";

function lookOf(id: string) {
  const check = findCheck(db(), id);
  const planting = check && findPlanting(db(), check.plantingId);
  if (!check || !planting) throw missing("look");
  return { check, planting, crop: inRipeColour(handbook().of(planting.cropId), planting.ripeColour) };
}

export function loader({ params }: Route.LoaderArgs) {
  const { check, planting, crop } = lookOf(params.checkId);
  const { garden } = gardenNow().snapshot;
  return { check, planting, crop, school: schoolOf(crop, planting.schoolId), units: garden.units, coins: garden.coins };
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const { check, planting, crop } = lookOf(params.checkId);
  const { now } = gardenNow();
  const name = plantingName(planting, crop);
  const back = `/plot/plantings/${planting.id}`;
  if (typed.intent === "remove") return done(back, removeCheck(db(), check.id, `Look at ${name} removed`, now));
  const errors: Record<string, string> = {};
  const readings: Reading[] = [];
  for (const cue of crop.cues) {
    const written = typed[`cue-${cue.id}`];
    if (written === undefined || written === "") continue;
    const value: ReadingValue =
      cue.kind === "choice" ? written : cue.kind === "event" ? written === "yes" : Number(written.replace(",", "."));
    const fault = readingFault(cue, value);
    if (fault) errors.form = `${cue.label}: ${fault}`;
    else readings.push({ cueId: cue.id, value });
  }
  if (errors.form) return refuse({ errors, typed });
  const checked = checkSchema.safeParse({
    ...check,
    at: (typed.at ?? "").slice(0, 16),
    note: typed.note ?? "",
    readings,
  });
  if (!checked.success) return refuse(faultsOf(checked.error, typed));
  if (checked.data.at > now) return refuse({ errors: { at: "this has not happened yet" }, typed });
  return done(back, saveCheck(db(), checked.data, `Look at ${name} changed`));
}

export const meta: Route.MetaFunction = () => [{ title: "A look · Akmedon" }];

export default function Look({ loaderData, actionData }: Route.ComponentProps) {
  const { check, planting, crop, school, units, coins } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const [given, setGiven] = useState<Record<string, ReadingValue>>(() =>
    Object.fromEntries(check.readings.map((r) => [r.cueId, r.value])),
  );
  const give = (cueId: string, value: ReadingValue | null) =>
    setGiven((g) => {
      const { [cueId]: _, ...rest } = g;
      return value === null ? rest : { ...rest, [cueId]: value };
    });
  return (
    <Page
      title={`Look of ${sayDate(check.at.slice(0, 10))}`}
      lead={`${plantingName(planting, crop)}. What you change here changes every verdict after it.`}
    >
      <Form method="post">
        <FormError faults={faults} />
        <Box maxW="720px">
          {crop.cues
            .filter((c) => c.kind !== "event")
            .map((cue) => (
              <CueControl
                key={cue.id}
                cue={cue}
                school={school}
                glyph={crop.glyph}
                units={units}
                coins={coins}
                value={given[cue.id] ?? null}
                last={null}
                suggested={false}
                onGive={(value) => give(cue.id, value)}
              />
            ))}
          <Signs crop={crop} given={given} onGive={give} />
          <Flex gap="4" wrap="wrap" mb="5">
            <Field name="at" label="When" faults={faults}>
              {(p) => <Input {...p} type="datetime-local" defaultValue={shownValue(faults, "at", check.at)} />}
            </Field>
            <Box flex="1" minW="220px">
              <Field name="note" label="Note" faults={faults}>
                {(p) => <TextArea {...p} rows={2} defaultValue={shownValue(faults, "note", check.note)} />}
              </Field>
            </Box>
          </Flex>
          <Flex gap="2.5">
            <Button type="submit">Save the look</Button>
            <LinkButton variant="quiet" to={`/season/lessons?planting=${planting.id}`}>
              A lesson
            </LinkButton>
            <LinkButton variant="quiet" to={`/plot/plantings/${planting.id}`}>
              Back
            </LinkButton>
            <Button type="submit" name="intent" value="remove" variant="danger" ml="auto">
              Remove
            </Button>
          </Flex>
        </Box>
      </Form>
    </Page>
  );
}
