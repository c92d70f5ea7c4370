import { plantingName } from "#core/garden/name";
import { lotsNow } from "#core/keeping/lot";
import { seedsOf } from "#core/keeping/seeds";
import { type Draft, draftsOf, type Lesson, remindDays } from "#core/season/lessons";
import { figuresOf } from "#core/season/planting-figures";
import { sayFinding } from "#core/season/words";
import { picksIn } from "#core/weighing/pick-log";
import { change, newId } from "#db/change";
import { lessonLine, lessonsDue } from "../lessons/learned.server";
import { loggedPicks } from "../picks/picks.server";
import { byIntent, done, missing, readForm, refuse } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { lessonForm } from "./lesson.form";
import { glutDrafts } from "./season-weeks.server";

/** Drafts that the figures of a season propose and nobody has answered yet. */
function drafts(d: GardenNow, year: string) {
  const { snapshot } = d;
  const answered = new Set(snapshot.lessons.map((l) => l.id));
  const beds = new Map(snapshot.beds.map((b) => [b.id, b]));
  const plantings = new Map(snapshot.plantings.map((p) => [p.id, p]));
  const entries = picksIn(loggedPicks(snapshot), year);
  const lots = [...lotsNow(seedsOf(entries, plantings, handbook(), snapshot.places), snapshot.lotEvents).values()];
  const picked = [...new Set(entries.map((e) => e.pick.plantingId))];
  const { units } = snapshot.garden;
  const worded = ({ finding, ...draft }: Draft, name: string) => ({ ...draft, ...sayFinding(finding, name, units) });
  const gluts = glutDrafts(d, year)
    .filter((x) => !answered.has(x.id))
    .map((x) => {
      const crop = handbook().of(x.cropId!);
      return { ...worded(x, crop.name), remindOn: remindDays(crop, null, null, d.today).start };
    });
  const each = picked.flatMap((id) => {
    const p = plantings.get(id);
    const bed = p && beds.get(p.bedId);
    if (!p || !bed) return [];
    const crop = handbook().of(p.cropId);
    const figures = figuresOf(
      p,
      bed,
      crop,
      entries.filter((e) => e.pick.plantingId === id),
    );
    const lostG = lots.filter((l) => l.plantingId === id).reduce((s, l) => s + l.used.loseG, 0);
    const lostInBed = snapshot.bedLosses.filter((l) => l.plantingId === id && l.day.startsWith(year));
    const days = remindDays(crop, p, figures.first, d.today);
    return draftsOf(p, crop, figures, lostG, lostInBed)
      .filter((x) => !answered.has(x.id))
      .map((x) => ({
        ...worded(x, plantingName(p, crop)),
        remindOn: x.about === "pick" ? (days.pick ?? days.start) : days.start,
      }));
  });
  return [...gluts, ...each];
}

/** The page of lessons: what comes up now, what the figures propose, and all that was kept. */
export function lessonsView(d: GardenNow, query: URLSearchParams) {
  const { snapshot, today } = d;
  const plantingId = query.get("planting");
  const planting = snapshot.plantings.find((p) => p.id === plantingId) ?? null;
  const crop = planting ? handbook().of(planting.cropId) : null;
  const first = planting
    ? (loggedPicks(snapshot)
        .find((e) => e.pick.plantingId === planting.id)
        ?.at.slice(0, 10) ?? null)
    : null;
  const days = crop ? remindDays(crop, planting, first, today) : null;
  return {
    today,
    due: lessonsDue(d),
    drafts: drafts(d, today.slice(0, 4)),
    kept: snapshot.lessons
      .filter((l) => l.state === "kept")
      .map((l) => lessonLine(d, l))
      .reverse(),
    about: planting && crop ? { plantingId: planting.id, name: plantingName(planting, crop) } : null,
    days,
    crops: handbook().all.map((c) => ({ id: c.id, name: c.name })),
  };
}

/** Keeps, changes, throws away or takes out a lesson. */
export function changeLessons(d: GardenNow, typed: Record<string, string>) {
  const known = d.snapshot.lessons.find((l) => l.id === typed.id);
  const draft = drafts(d, d.today.slice(0, 4)).find((x) => x.id === typed.id);
  const put = (label: string, work: Parameters<typeof change>[3]) =>
    done("/season/lessons", change(db(), label, d.now, work));
  return byIntent(typed, {
    remove: () => put("Lesson removed", (c) => c.remove("lessons", typed.id ?? "")),
    throw: () => {
      if (!draft) throw missing("draft of a lesson");
      const { about: _, ...rest } = draft;
      return put("Draft thrown away", (c) => c.put("lessons", { ...rest, at: d.now, state: "thrown" }));
    },
    keep: () => {
      const read = readForm(lessonForm, typed);
      if (!read.ok) return refuse(read.faults);
      const planting = d.snapshot.plantings.find((p) => p.id === (typed.plantingId || draft?.plantingId));
      const lesson: Lesson = {
        ...read.row,
        state: "kept",
        id: known?.id ?? draft?.id ?? newId(),
        at: known?.at ?? d.now,
        cropId: read.row.cropId ?? planting?.cropId ?? draft?.cropId ?? known?.cropId ?? null,
        plantingId: planting?.id ?? known?.plantingId ?? null,
        bedId: planting?.bedId ?? known?.bedId ?? null,
      };
      return put("Lesson kept", (c) => c.put("lessons", lesson));
    },
  });
}
