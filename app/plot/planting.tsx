import { Box, Grid } from "@chakra-ui/react";
import { useSearchParams } from "react-router";
import { daysBetween, sayDate } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { Planting } from "#core/garden/planting";
import { manureWaitDays } from "#core/garden/treatment";
import { START_WORDS } from "#core/garden/words";
import { LONGER } from "#core/handbook/bed-after";
import { STARTS } from "#core/handbook/crop";
import { showsColour } from "#core/handbook/ripe-colour";
import { outlookOf } from "#core/planning/outlook";
import type { Snapshot } from "#core/snapshot";
import { sayArea, typedDistance } from "#core/units/distance";
import { sayMass } from "#core/units/mass";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { findPlanting } from "#db/plot";
import { jobsOfPlanting } from "../jobs/jobs.server";
import { lessonsByCrop } from "../lessons/learned.server";
import { LessonsNote } from "../lessons/lessons-note";
import { estimatesOf } from "../season/estimates.server";
import { formOf, missing, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { Anchor, LinkButton, Note, Page } from "../ui/ui";
import { judgementView, pickTotals, windowsView } from "../walk/views.server";
import type { Route } from "./+types/planting";
import { PlantingDates } from "./planting-dates";
import { PlantingForm } from "./planting-form";
import { changePlanting } from "./planting-form.server";
import { PlantingLosses } from "./planting-losses";
import { PlantingSide } from "./planting-side";

export function loader({ params, url }: Route.LoaderArgs) {
  const { snapshot, today, now, outlook } = gardenNow();
  const isNew = params.plantingId === "new";
  const asked = url.searchParams;
  const planting = isNew ? null : findPlanting(db(), params.plantingId);
  if (!isNew && !planting) throw missing("planting");
  const seen = outlook.plantings.find((p) => p.planting.id === planting?.id);
  const grown = planting && handbook().of(planting.cropId);
  const tracked = planting
    ? outlookOf({ ...snapshot, plantings: [{ ...planting, endedOn: null }] }, now, false, true).plantings[0]
    : undefined;
  return {
    planting,
    today,
    units: snapshot.garden.units,
    facts: planting ? factsOf(planting, snapshot, today) : "",
    bedId: planting?.bedId ?? asked.get("bed") ?? snapshot.beds[0]?.id ?? "",
    // from a page that proposes it
    proposed: { cropId: asked.get("crop"), how: STARTS.find((s) => s === asked.get("how")) ?? null },
    lessons: lessonsByCrop(gardenNow()),
    windows: seen ? windowsView(seen, snapshot, today) : null,
    estimates: seen ? estimatesOf(gardenNow(), seen) : [],
    jobs: planting ? jobsOfPlanting(gardenNow(), planting.id) : [],
    photoAsked: planting ? wantsPhoto(snapshot, planting, today) : false,
    beds: snapshot.beds.map((b) => ({ id: b.id, name: b.name })),
    crops: handbook().all.map((c) => ({
      id: c.id,
      name: c.name,
      glyph: c.glyph,
      days: c.days,
      yearly: c.days.yearly !== null,
      colours: showsColour(c),
      lasting: LONGER.filter((l) => l.family === c.family).map((l) => ({ id: l.id, name: l.name, years: l.years })),
      schools: c.schools.map((s) => ({ id: s.id, name: s.name, gives: s.gives, costs: s.costs })),
    })),
    losses: snapshot.bedLosses
      .filter((l) => l.plantingId === planting?.id)
      .map((l) => ({ ...l, day: sayDate(l.day), amount: `about ${sayMass(l.massG, snapshot.garden.units)}` })),
    weighs: grown && {
      crop: { yield: grown.yield },
      bulk: bulkOf(grown, containerMeasures(snapshot.containers)),
    },
    judged: seen ? judgementView(seen, today, snapshot.garden.units) : null,
    manureDays: grown ? manureWaitDays(grown) : 0,
    treatments: snapshot.treatments.filter((t) => t.plantingId === planting?.id),
    wishes: snapshot.pickWishes.filter((w) => w.plantingId === planting?.id),
    history: planting ? pickTotals(snapshot, planting) : null,
    track: (tracked?.judgement.track ?? [])
      .filter((d) => planting?.endedOn == null || d.day <= planting.endedOn)
      .map((d) => [d.day, round3(d.nearly), round3(d.ready), round3(d.past)] as const),
  };
}

/** What a planting is in a line: where, since when, how much, how it is picked. */
function factsOf(planting: Planting, snapshot: Snapshot, today: string): string {
  const { units } = snapshot.garden;
  const day = daysBetween(planting.startedOn, planting.endedOn ?? today);
  return [
    snapshot.beds.find((b) => b.id === planting.bedId)?.name ?? "",
    `${START_WORDS[planting.startedHow]} ${sayDate(planting.startedOn)}`,
    planting.endedOn ? `cleared ${sayDate(planting.endedOn)} after ${day} days` : `day ${day}`,
    planting.plants === null ? "" : `${planting.plants} ${planting.plants === 1 ? "plant" : "plants"}`,
    planting.rowM === null ? "" : `a row of ${typedDistance(planting.rowM, units)}`,
    planting.areaM2 === null ? "" : sayArea(planting.areaM2, units),
    planting.packetMinDays === null ? "" : `packet ${planting.packetMinDays} to ${planting.packetMaxDays} days`,
  ]
    .filter(Boolean)
    .join(" · ");
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
/** A planting as it stands: verdict, season, picks, jobs; its form opens behind Edit. A new one is its form. */
export default function PlantingPage({ loaderData, actionData }: Route.ComponentProps) {
  const { planting, crops, today, judged, history, track, photoAsked, lessons } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const [params] = useSearchParams();
  const editing = !planting || params.has("edit");
  const crop = crops.find((c) => c.id === planting?.cropId) ?? crops[0]!;
  const of = planting && !planting.endedOn ? planting.id : null;
  const side = (
    <PlantingSide
      crop={crop}
      judged={judged}
      history={history}
      track={track}
      isNew={planting === null}
      plantingId={of}
      today={today}
      jobs={loaderData.jobs}
      windows={loaderData.windows}
      estimates={loaderData.estimates}
    />
  );
  return (
    <Page
      title={planting ? plantingName(planting, crop) : "New planting"}
      lead={planting ? loaderData.facts : "One crop of one kind in one bed, started once."}
      actions={
        planting ? (
          <>
            {!planting.endedOn && <LinkButton to={`/walk/${planting.id}`}>Check it</LinkButton>}
            <LinkButton to={editing ? "?" : "?edit"} variant="outline" preventScrollReset>
              {editing ? "Close the form" : "Edit"}
            </LinkButton>
            <LinkButton to={`/plot/plantings/${planting.id}/line`} variant="outline">
              Time line
            </LinkButton>
            <LinkButton to={`/season/lessons?planting=${planting.id}`} variant="quiet">
              A lesson
            </LinkButton>
          </>
        ) : undefined
      }
    >
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(320px,1.1fr) minmax(280px,0.9fr)" }} gap="10">
        <Box>
          {editing ? (
            <PlantingForm key={planting?.id ?? "new"} data={loaderData} faults={faults} />
          ) : (
            <>
              <LessonsNote lessons={lessons[crop.id] ?? []} />
              {photoAsked && planting && (
                <Note title="A picture of the first day">
                  Bed, label and packet in one picture say later what went where.{" "}
                  <Anchor to={`/walk/${planting.id}`}>Take it with a look</Anchor>.
                </Note>
              )}
              {planting?.note && <Note>{planting.note}</Note>}
              {side}
            </>
          )}
        </Box>
        <Box>
          {editing && side}
          {of && (
            <PlantingDates
              treatments={loaderData.treatments}
              wishes={loaderData.wishes}
              today={today}
              manureDays={loaderData.manureDays}
              faults={faults}
            />
          )}
          {planting && loaderData.weighs && (
            <PlantingLosses
              losses={loaderData.losses}
              {...loaderData.weighs}
              units={loaderData.units}
              today={today}
              faults={faults}
            />
          )}
        </Box>
      </Grid>
    </Page>
  );
}
