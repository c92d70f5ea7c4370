import { redirect } from "react-router";
import { localTimeSchema } from "#core/calendar/schemas";
import { plantingName } from "#core/garden/name";
import { checkSchema, type Reading, type ReadingValue } from "#core/planting/check";
import { readingFault } from "#core/planting/cue-kinds/index";
import { newId } from "#db/change";
import { findCheck, saveCheck } from "#db/work";
import { db, desk } from "./desk.server";
import { done, faultsOf, missing, ownId, refuse, typedOf } from "./forms.server";
import { keepPhotos, photosOf } from "./photos.server";
import { nextToSee } from "./walk.server";

/** Keeps a look as it was sent: its readings, note, photos and marks; then on to the next planting, or to its pick. */
export async function logLook(form: FormData, plantingId: string) {
  const typed = typedOf(form);
  const d = desk();
  const p = d.outlook.plantings.find((x) => x.planting.id === plantingId);
  if (!p) throw missing("growing planting");
  // a look that waited for the signal comes with its own id and hour; sent twice, it is kept once
  const id = ownId(typed) ?? newId();
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
