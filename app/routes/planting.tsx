import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Form } from "react-router";
import { daysBetween, sayDate } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { STARTS } from "#core/handbook/crop";
import { showsColour } from "#core/handbook/ripe-colour";
import { outlookOf, type Snapshot } from "#core/planning/outlook";
import { sayArea, typedDistance } from "#core/units/distance";
import { sayMass } from "#core/units/mass";
import { findPlanting } from "#db/plot";
import { LessonsNote } from "../components/lessons-note";
import { PlantingDates } from "../components/planting-dates";
import { PlantingLosses } from "../components/planting-losses";
import { PlantingSide } from "../components/planting-side";
import { ReadyDates } from "../components/ready-dates";
import { RipeColour } from "../components/ripe-colour";
import {
  Anchor,
  Button,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Page,
  Select,
  shownValue,
  TextArea,
} from "../components/ui";
import { db, desk, handbook } from "../server/desk.server";
import { formOf, missing, typedOf } from "../server/forms.server";
import { jobsOfPlanting } from "../server/jobs.server";
import { changePlanting } from "../server/planting-form.server";
import { lessonsByCrop } from "../server/season.server";
import { judgementView, pickTotals, windowsView } from "../server/views.server";
import type { Route } from "./+types/planting";

export function loader({ params, request }: Route.LoaderArgs) {
  const { snapshot, today, now, outlook } = desk();
  const isNew = params.plantingId === "new";
  const asked = new URL(request.url).searchParams;
  const planting = isNew ? null : findPlanting(db(), params.plantingId);
  if (!isNew && !planting) throw missing("planting");
  const seen = outlook.plantings.find((p) => p.planting.id === planting?.id);
  const tracked = planting
    ? outlookOf({ ...snapshot, plantings: [{ ...planting, endedOn: null }] }, now, false, true).plantings[0]
    : undefined;
  return {
    planting,
    today,
    units: snapshot.garden.units,
    bedId: planting?.bedId ?? asked.get("bed") ?? snapshot.beds[0]?.id ?? "",
    // from a page that proposes it
    proposed: { cropId: asked.get("crop"), how: STARTS.find((s) => s === asked.get("how")) ?? null },
    lessons: lessonsByCrop(desk()),
    windows: seen ? windowsView(seen, snapshot, today) : null,
    jobs: planting ? jobsOfPlanting(desk(), planting.id) : [],
    photoAsked: planting ? wantsPhoto(snapshot, planting, today) : false,
    beds: snapshot.beds.map((b) => ({ id: b.id, name: b.name })),
    crops: handbook().all.map((c) => ({
      id: c.id,
      name: c.name,
      glyph: c.glyph,
      days: c.days,
      yearly: c.days.yearly !== null,
      colours: showsColour(c),
      schools: c.schools.map((s) => ({ id: s.id, name: s.name, gives: s.gives, costs: s.costs })),
    })),
    losses: snapshot.bedLosses
      .filter((l) => l.plantingId === planting?.id)
      .map((l) => ({ ...l, day: sayDate(l.day), amount: `about ${sayMass(l.massG, snapshot.garden.units)}` })),
    judged: seen ? judgementView(seen, today, snapshot.garden.units) : null,
    treatments: snapshot.treatments.filter((t) => t.plantingId === planting?.id),
    wishes: snapshot.pickWishes.filter((w) => w.plantingId === planting?.id),
    history: planting ? pickTotals(snapshot, planting) : null,
    track: (tracked?.judgement.track ?? [])
      .filter((d) => planting?.endedOn == null || d.day <= planting.endedOn)
      .map((d) => [d.day, round3(d.nearly), round3(d.ready), round3(d.past)] as const),
  };
}

/** A planting of the last week of which no picture was taken yet. */
const wantsPhoto = (snapshot: Snapshot, planting: Planting, today: string): boolean =>
  planting.endedOn === null &&
  planting.startedOn <= today &&
  daysBetween(planting.startedOn, today) <= 7 &&
  !snapshot.checks.some((c) => c.plantingId === planting.id && c.photos.length > 0);

const round3 = (x: number) => Math.round(x * 1000) / 1000;

export const action = async ({ request, params }: Route.ActionArgs) =>
  changePlanting(typedOf(await formOf(request)), params.plantingId);

export const meta: Route.MetaFunction = () => [{ title: "Planting · Akmedon" }];
const START_WORDS = {
  sown: "sown where it stands",
  transplanted: "set out as a young plant",
  planted: "sets, tubers or cloves planted",
};

export default function PlantingPage({ loaderData, actionData }: Route.ComponentProps) {
  const { planting, beds, crops, bedId, today, judged, history, track, proposed, photoAsked, units } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const [cropId, setCropId] = useState(
    faults?.typed.cropId ?? planting?.cropId ?? crops.find((c) => c.id === proposed.cropId)?.id ?? crops[0]?.id ?? "",
  );
  const crop = crops.find((c) => c.id === cropId) ?? crops[0]!;
  const [how, setHow] = useState(faults?.typed.startedHow ?? planting?.startedHow ?? proposed.how ?? "sown");
  const usual =
    crop.days[how as keyof typeof START_WORDS] ?? crop.days.sown ?? crop.days.transplanted ?? crop.days.planted;
  const [startedOn, setStartedOn] = useState(shownValue(faults, "startedOn", planting?.startedOn ?? today));
  const [packet, setPacket] = useState<[string, string]>([
    shownValue(faults, "packetMinDays", planting?.packetMinDays),
    shownValue(faults, "packetMaxDays", planting?.packetMaxDays),
  ]);
  const [schoolId, setSchool] = useState(faults?.typed.schoolId ?? planting?.schoolId ?? "");
  const school = crop.schools.find((s) => s.id === schoolId) ?? crop.schools[0]!;
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  return (
    <Page
      title={planting ? plantingName(planting, crop) : "New planting"}
      lead={
        planting
          ? `Day ${daysBetween(planting.startedOn, planting.endedOn ?? today)}`
          : "One crop of one kind in one bed, started once."
      }
      actions={
        planting ? (
          <>
            <LinkButton to={`/season/lessons?planting=${planting.id}`} variant="quiet">
              A lesson
            </LinkButton>
            {!planting.endedOn && <LinkButton to={`/walk/${planting.id}`}>Check it</LinkButton>}
            <LinkButton to={`/plot/plantings/${planting.id}/line`} variant="outline">
              Time line
            </LinkButton>
          </>
        ) : undefined
      }
    >
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(320px,1.1fr) minmax(280px,0.9fr)" }} gap="10">
        <Form method="post">
          <FormError faults={faults} />
          {faults?.typed.sure && <input type="hidden" name="sure" value="yes" />}
          <LessonsNote lessons={loaderData.lessons[crop.id] ?? []} />
          {photoAsked && planting && (
            <Note title="A picture of the first day">
              Bed, label and packet in one picture say later what went where.{" "}
              <Anchor to={`/walk/${planting.id}`}>Take it with a look</Anchor>.
            </Note>
          )}
          <Grid gap="4">
            <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="4">
              <Field name="cropId" label="Crop" faults={faults}>
                {(p) => (
                  <Select {...p} value={cropId} onChange={(e) => setCropId(e.target.value)}>
                    {crops.map((c) => (
                      <option key={c.id} value={c.id}>
                        {c.name}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <Field name="kind" label="Kind" hint="The name on the packet, or what you call it." faults={faults}>
                {(p) => <Input {...p} defaultValue={value("kind", planting?.kind)} />}
              </Field>
              {crop.colours && <RipeColour kept={planting?.ripeColour} faults={faults} />}
              <Field name="bedId" label="Bed" faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={value("bedId", bedId)}>
                    {beds.map((b) => (
                      <option key={b.id} value={b.id}>
                        {b.name}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <Field name="startedHow" label="How it was started" faults={faults}>
                {(p) => (
                  <Select {...p} value={how} onChange={(e) => setHow(e.target.value)}>
                    {Object.entries(START_WORDS).map(([k, words]) => (
                      <option key={k} value={k}>
                        {words}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              <Field name="startedOn" label="On" faults={faults}>
                {(p) => <Input {...p} type="date" value={startedOn} onChange={(e) => setStartedOn(e.target.value)} />}
              </Field>
              <Field name="endedOn" label="Cleared on" hint="Empty while it grows." faults={faults}>
                {(p) => <Input {...p} type="date" defaultValue={value("endedOn", planting?.endedOn)} />}
              </Field>
            </Grid>
            <Grid templateColumns="1fr 1fr 1fr" gap="4">
              <Field name="plants" label="Plants" faults={faults}>
                {(p) => <Input {...p} inputMode="numeric" defaultValue={value("plants", planting?.plants)} />}
              </Field>
              <Field name="rowM" label="Row" hint={units === "us" ? "240 ft" : "3.5 m"} faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={value("rowM", planting?.rowM == null ? null : typedDistance(planting.rowM, units))}
                  />
                )}
              </Field>
              <Field name="areaM2" label="Area" hint={units === "us" ? "12 sq ft" : "2.5 m²"} faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={value("areaM2", planting?.areaM2 == null ? null : sayArea(planting.areaM2, units))}
                  />
                )}
              </Field>
            </Grid>
            <Text fontSize="sm" color="inkSoft" mt="-2">
              Any one of the three will do; it tells how much to expect.
            </Text>
            <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
              <Field
                name="packetMinDays"
                label="Packet: days from"
                hint={usual ? `Handbook: ${usual[0]} to ${usual[1]}` : undefined}
                faults={faults}
              >
                {(p) => (
                  <Input
                    {...p}
                    inputMode="numeric"
                    value={packet[0]}
                    onChange={(e) => setPacket([e.target.value, packet[1]])}
                    placeholder={usual ? String(usual[0]) : ""}
                  />
                )}
              </Field>
              <Field name="packetMaxDays" label="to" faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    inputMode="numeric"
                    value={packet[1]}
                    onChange={(e) => setPacket([packet[0], e.target.value])}
                    placeholder={usual ? String(usual[1]) : ""}
                  />
                )}
              </Field>
            </Grid>
            <ReadyDates
              startedOn={startedOn}
              packet={packet}
              usual={usual ?? null}
              yearly={crop.yearly}
              today={today}
            />
            <Field
              name="schoolId"
              label="School of picking"
              hint={`Gives ${school.gives}; costs ${school.costs}.`}
              faults={faults}
            >
              {(p) => (
                <Select {...p} value={school.id} onChange={(e) => setSchool(e.target.value)}>
                  {crop.schools.map((s) => (
                    <option key={s.id} value={s.id}>
                      {s.name}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            <Field name="note" label="Note" faults={faults}>
              {(p) => <TextArea {...p} rows={2} defaultValue={value("note", planting?.note)} />}
            </Field>
          </Grid>
          <Flex gap="3" mt="6" wrap="wrap">
            <Button type="submit" name="intent" value="save">
              Save the planting
            </Button>
            <LinkButton variant="quiet" to="/plot">
              Back
            </LinkButton>
            {planting && (
              <Button type="submit" name="intent" value="remove" variant="danger" ml="auto" formNoValidate>
                Remove
              </Button>
            )}
          </Flex>
        </Form>
        <Box>
          <PlantingSide
            crop={crop}
            judged={judged}
            history={history}
            track={track}
            isNew={planting === null}
            plantingId={planting && !planting.endedOn ? planting.id : null}
            today={today}
            jobs={loaderData.jobs}
            windows={loaderData.windows}
          />
          {planting && !planting.endedOn && (
            <PlantingDates
              treatments={loaderData.treatments}
              wishes={loaderData.wishes}
              today={today}
              faults={faults}
            />
          )}
          {planting && <PlantingLosses losses={loaderData.losses} today={today} faults={faults} />}
        </Box>
      </Grid>
    </Page>
  );
}
