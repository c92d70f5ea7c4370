import { redirect } from "react-router";
import { localTimeSchema } from "#core/calendar/schemas";
import { plantingName } from "#core/garden/name";
import { checkSchema, type Reading, type ReadingValue } from "#core/planting/check";
import { readingFault } from "#core/planting/cue-kinds/index";
import { newId } from "#db/change";
import { findCheck, saveCheck } from "#db/work";
import { WalkForm } from "../components/walk-form";
import { queueWalk, walkFallback } from "../offline/walk-offline";
import { db, desk } from "../server/desk.server";
import { done, faultsOf, formOf, missing, refuse, typedOf } from "../server/forms.server";
import { keepPhotos, photosOf } from "../server/photos.server";
import { nextToSee, walkSheet } from "../server/walk.server";
import type { Route } from "./+types/walk-planting";

export function loader({ params }: Route.LoaderArgs) {
  const d = desk();
  const sheet = walkSheet(d, params.plantingId);
  if (sheet) return sheet;
  // closed, or not begun yet: its own page says so
  if (d.snapshot.plantings.some((p) => p.id === params.plantingId))
    throw redirect(`/plot/plantings/${params.plantingId}`);
  throw missing("growing planting");
}

/** Without a signal the sheet kept in the page stands in. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  walkFallback(() => serverLoader(), params.plantingId);

/** Without a signal the readings wait in the browser, and the walk goes on. */
export const clientAction = ({ request, params, serverAction }: Route.ClientActionArgs) =>
  queueWalk(request, params.plantingId, () => serverAction());

export async function action({ request, params }: Route.ActionArgs) {
  const form = await formOf(request);
  const typed = typedOf(form);
  const d = desk();
  const p = d.outlook.plantings.find((x) => x.planting.id === params.plantingId);
  if (!p) throw missing("growing planting");
  // a look that waited for the signal comes with its own id and hour; sent twice, it is kept once
  const id = /^[\w-]{8,40}$/.test(typed.id ?? "") ? typed.id! : newId();
  const known = findCheck(db(), id);
  if (known && known.plantingId !== p.planting.id)
    return refuse({ errors: { form: "another look has this id already" }, typed });
  const errors: Record<string, string> = {};
  const readings: Reading[] = [];
  for (const cue of p.crop.cues) {
    const written = typed[`cue-${cue.id}`];
    if (written === undefined || written === "") continue;
    const value: ReadingValue =
      cue.kind === "choice" ? written : cue.kind === "event" ? written === "yes" : Number(written.replace(",", "."));
    const fault = readingFault(cue, value);
    if (fault) errors[`cue-${cue.id}`] = `${cue.label}: ${fault}`;
    else readings.push({ cueId: cue.id, value });
  }
  if (Object.keys(errors).length > 0) return refuse({ errors: { form: Object.values(errors).join("; ") }, typed });
  const kept = known ? { ok: true as const, names: known.photos } : await keepPhotos(photosOf(form));
  if (!kept.ok) return refuse({ errors: { form: kept.message }, typed });
  const seenAt = localTimeSchema.safeParse(typed.seenAt);
  const checked = checkSchema.safeParse({
    id,
    plantingId: p.planting.id,
    at: seenAt.success && seenAt.data <= d.now ? seenAt.data : d.now,
    by: typed.by ?? "",
    note: typed.note ?? "",
    readings,
    photos: kept.names,
    marked: marksTyped(typed.marked),
  });
  if (!checked.success) return refuse(faultsOf(checked.error, typed));
  const name = plantingName(p.planting, p.crop);
  const journalId = saveCheck(
    db(),
    checked.data,
    readings.length > 0 ? `Looked at ${name}` : `Looked at ${name}: nothing new`,
  );
  if (typed.then === "pick")
    return redirect(`/picks/new?planting=${p.planting.id}${journalId ? `&done=${journalId}` : ""}`);
  const next = nextToSee(desk(), p.planting.id);
  return done(next ? `/walk/${next}` : "/walk", journalId);
}

/** Marks as the page sends them; what is no list of marks is left for the schema to refuse. */
function marksTyped(text: string | undefined): unknown {
  if (!text) return [];
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

export const meta: Route.MetaFunction = () => [{ title: "Walk · Akmedon" }];

export default function WalkPlanting({ loaderData, actionData }: Route.ComponentProps) {
  // a new planting begins with a clean sheet
  return (
    <WalkForm
      key={loaderData.planting.id}
      data={loaderData}
      faults={actionData && "errors" in actionData ? actionData : null}
    />
  );
}
