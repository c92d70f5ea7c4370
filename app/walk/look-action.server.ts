import { redirect } from "react-router";
import { localTimeSchema } from "#core/calendar/schemas";
import { plantingName } from "#core/garden/name";
import { type OwnJob, ownJobSchema } from "#core/jobs/mark";
import { checkSchema, type Reading, type ReadingValue } from "#core/planting/check";
import { readingFault } from "#core/planting/cue-kinds/index";
import { newId } from "#db/change";
import { findCheck, saveCheck } from "#db/work";
import { done, faultsOf, missing, ownId, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { keepPhotos, photosOf } from "../server/photos.server";
import { nextToSee } from "./walk.server";

/** The gardener's own day to look again, as a job; null: none was typed. */
function lookAgainJob(plantingId: string, note: string, typed: string, seenOn: string): OwnJob | null | "wrong" {
  if (typed.trim() === "") return null;
  const words = note.trim() === "" ? "Look again" : `Look again: ${note.trim()}`.slice(0, 160);
  const job = ownJobSchema.safeParse({
    ...{ id: newId(), words, plantingId, bedId: null, lotId: null, startOn: typed, everyDays: null, times: null },
    ...{ untilOn: null, onFrost: false, dryLeaves: false, minutes: 3, note: "" },
  });
  return job.success && job.data.startOn > seenOn ? job.data : "wrong";
}

/** Keeps a look as it was sent: its readings, note, photos and marks; then on to the next planting, or to its pick. */
export async function logLook(form: FormData, plantingId: string) {
  const typed = typedOf(form);
  const d = gardenNow();
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
  const again = known
    ? null
    : lookAgainJob(p.planting.id, checked.data.note, typed.againOn ?? "", checked.data.at.slice(0, 10));
  if (again === "wrong") return refuse({ errors: { againOn: "a day after this look" }, typed });
  const name = plantingName(p.planting, p.crop);
  const said = readings.length > 0 || checked.data.note !== "" ? `Looked at ${name}` : `Looked at ${name}: nothing new`;
  const journalId = saveCheck(db(), checked.data, said, again);
  if (typed.then === "pick")
    return redirect(`/picks/new?planting=${p.planting.id}${journalId ? `&done=${journalId}` : ""}`);
  const next = nextToSee(gardenNow(), p.planting.id);
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
