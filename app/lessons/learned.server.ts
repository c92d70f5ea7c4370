import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { isDue, type Lesson } from "#core/season/lessons";
import { sayRemind } from "#core/season/words";
import { type GardenNow, handbook } from "../server/garden-now.server";

const nameOf = (d: GardenNow, plantingId: string | null): string => {
  const p = d.snapshot.plantings.find((x) => x.id === plantingId);
  return p ? plantingName(p, handbook().of(p.cropId)) : "";
};

/** A lesson as it is shown. */
export const lessonLine = (d: GardenNow, l: Lesson) => ({
  id: l.id,
  day: sayDay(l.at.slice(0, 10)),
  year: l.at.slice(0, 4),
  words: l.words,
  next: l.next,
  about: nameOf(d, l.plantingId) || (l.cropId ? (handbook().find(l.cropId)?.name ?? "") : ""),
  remind: sayRemind(l),
  remindOn: l.remindOn,
});

/** Lessons that are to come up today. */
export const lessonsDue = (d: GardenNow) =>
  d.snapshot.lessons.filter((l) => isDue(l, d.today)).map((l) => lessonLine(d, l));

/** Lessons kept about a crop or one of its plantings, the latest first: told where something is decided about it. */
export const lessonsOfCrop = (d: GardenNow, cropId: string) => {
  const plantings = new Set(d.snapshot.plantings.filter((p) => p.cropId === cropId).map((p) => p.id));
  return d.snapshot.lessons
    .filter(
      (l) => l.state === "kept" && (l.cropId === cropId || (l.plantingId !== null && plantings.has(l.plantingId))),
    )
    .map((l) => lessonLine(d, l))
    .reverse();
};

/** The same for every crop about which anything was learned. */
export const lessonsByCrop = (d: GardenNow): Record<string, ReturnType<typeof lessonsOfCrop>> => {
  const ofPlanting = new Map(d.snapshot.plantings.map((p) => [p.id, p.cropId]));
  const crops = new Set(
    d.snapshot.lessons.flatMap((l) => l.cropId ?? (l.plantingId && ofPlanting.get(l.plantingId)) ?? []),
  );
  return Object.fromEntries([...crops].map((id) => [id, lessonsOfCrop(d, id)]));
};
