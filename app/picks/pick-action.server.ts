import { redirect } from "react-router";
import { sayDate } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { MOST_PHOTOS } from "#core/garden/photos";
import type { Planting } from "#core/garden/planting";
import { isLaw, waitingOn } from "#core/garden/treatment";
import { sayWait } from "#core/garden/words";
import type { Crop } from "#core/handbook/crop";
import type { PickWish } from "#core/planning/question/wish";
import { standsForYears } from "#core/season/after-last-pick";
import { sayMass } from "#core/units/mass";
import { bulkOf, containerMeasures } from "#core/weighing/bulk";
import { doubtsOfPick, type PickDoubt } from "#core/weighing/doubts";
import { netOf } from "#core/weighing/net";
import { gradesFor, type PickRecord } from "#core/weighing/pick";
import { GRADE_WORDS } from "#core/weighing/words";
import { newId } from "#db/change";
import { listContainers } from "#db/garden";
import { findPick, removePick, savePick } from "#db/work";
import { done, type FormFaults, missing, ownId, readForm, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { keepPhotos, photosOf } from "../server/photos.server";
import { pickForm } from "./pick.form";

type Answer = ReturnType<typeof refuse> | ReturnType<typeof done>;
/** A pick that can be kept, with new photos beside those it had; `twice`: it was sent before, its photos are there. */
type Ready = { had: number; twice: boolean; save(photos: readonly string[]): Answer };

/** Logs a pick as it was entered, without photos. */
export function logPick(typed: Record<string, string>): Answer {
  const ready = readyPick(typed, undefined);
  return "save" in ready ? ready.save([]) : ready;
}

/** Logs a pick as a page sent it, with its photos; changes one, or takes one out. Photos are kept only with their pick. */
export async function logPickSent(form: FormData, pickId: string | undefined): Promise<Answer> {
  const typed = typedOf(form);
  const ready = readyPick(typed, pickId);
  if (!("save" in ready)) return ready;
  const files = ready.twice ? [] : photosOf(form);
  if (files.length + ready.had > MOST_PHOTOS)
    return refuse({ errors: { form: `a pick holds at most ${MOST_PHOTOS} photos` }, typed });
  const kept = await keepPhotos(files);
  return kept.ok ? ready.save(kept.names) : refuse({ errors: { form: kept.message }, typed });
}

function readyPick(typed: Record<string, string>, pickId: string | undefined): Answer | Ready {
  const d = gardenNow();
  const known = pickId ? findPick(db(), pickId) : null;
  if (typed.intent === "remove") {
    if (!known) throw missing("pick");
    return done("/picks", removePick(db(), known.id, "Pick removed", d.now));
  }
  const planting = d.snapshot.plantings.find((p) => p.id === typed.plantingId);
  if (!planting) return refuse({ errors: { plantingId: "choose what was picked" }, typed });
  const { units } = d.snapshot.garden;
  // a pick that waited for the signal comes with its own id; sent twice, it is kept once
  const newPickId = (pickId ? null : ownId(typed)) ?? newId();
  const twin = pickId ? null : findPick(db(), newPickId);
  if (twin && twin.plantingId !== planting.id)
    return refuse({ errors: { form: "another pick has this id already" }, typed });
  const crop = handbook().of(planting.cropId);
  const bulk = bulkOf(crop, containerMeasures(d.snapshot.containers));
  const read = readForm(pickForm({ containers: listContainers(db()), units, bulk }), typed);
  if (!read.ok) return refuse(read.faults);
  const entered = { ...read.row, id: known?.id ?? newPickId };
  const unfit = unripenable(entered, crop);
  if (unfit) return refuse({ errors: { grade: unfit }, typed });
  const wait = waitingOn(d.snapshot.treatments, planting.id, entered.at.slice(0, 10)).find(isLaw);
  if (wait)
    return refuse({
      errors: {
        plantingId: `not to be picked yet: ${sayWait(wait)}.${wait.kind === "manure" ? "" : " The label is the law."}`,
      },
      typed,
    });
  const bed = d.snapshot.beds.find((b) => b.id === planting.bedId);
  // what cannot well be is asked about once; what waited without a signal is kept, for nobody is there to ask
  const doubts = bed && typed.sure === undefined ? doubtsOfPick(entered, planting, bed, crop, d.today) : [];
  if (doubts.length > 0) return refuse(askAbout(doubts, planting, typed));
  const label = `${sayMass(netOf(entered, crop.topsShare, crop.yield.pieceG).netG, units)} of ${plantingName(planting, crop)} ${known ? "changed" : "logged"}`;
  const restOn = typed.restOn ?? "";
  const rest: PickWish | null =
    restOn === "" ? null : { id: newId(), plantingId: planting.id, kind: "take-all", day: restOn };
  const had = (known ?? twin)?.photos.filter((name) => typed[`drop-${name}`] !== "on") ?? [];
  return {
    had: had.length,
    twice: twin !== null,
    save(photos) {
      const pick = { ...entered, photos: [...had, ...photos] };
      const journalId = savePick(db(), pick, label, d.now, rest, standsForYears(crop));
      if (typed.then === "another") return redirect(`/picks/new?done=${journalId}`);
      if (typed.then === "tops") return redirect(`/picks/new?planting=${planting.id}&part=tops&done=${journalId}`);
      return done(pick.roundId ? `/rounds/${pick.roundId}` : "/picks", journalId);
    },
  };
}

/** A part said to ripen indoors that this crop never does, in words; null: there is none. */
export function unripenable(pick: PickRecord, crop: Crop): string | null {
  const grades = gradesFor(crop);
  const wrong = [pick.grade, ...pick.sorted.map((p) => p.grade)].find((g) => !grades.includes(g));
  if (!wrong) return null;
  return grades.includes("half-to-ripen")
    ? `${crop.name} ripens indoors only once it is half coloured: grade the rest “${GRADE_WORDS["eat-first"]}”`
    : `${crop.name} does not ripen once it is cut: grade it “${GRADE_WORDS["eat-first"]}” or “${GRADE_WORDS.small}”`;
}

/** Doubts beside their fields, each as a question; saved once more, the pick is kept as it is. */
function askAbout(doubts: readonly PickDoubt[], planting: Planting, typed: Record<string, string>): FormFaults {
  const ask: Record<PickDoubt, [field: string, words: string]> = {
    "to-come": ["at", "this day is still to come"],
    "before-start": ["at", `it was only started on ${sayDate(planting.startedOn)}`],
    "after-end": ["at", `it was cleared on ${planting.endedOn ? sayDate(planting.endedOn) : ""}`],
    nothing: ["gross", "nothing was picked, by this"],
    "too-much": ["gross", "this is far more than these plants could give"],
  };
  const errors: Record<string, string> = { form: "Is this right? Save it once more to keep it as it is." };
  for (const doubt of doubts) {
    const [field, words] = ask[doubt];
    errors[field] ??= words;
  }
  return { errors, typed: { ...typed, sure: "yes" } };
}
