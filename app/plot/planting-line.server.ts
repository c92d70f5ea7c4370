import type { Treatment } from "#core/garden/treatment";
import { TREATMENT_WORDS } from "#core/garden/words";
import { outcomesOf } from "#core/keeping/outcomes";
import { seedsOf } from "#core/keeping/seeds";
import { keptShare } from "#core/season/bed-loss";
import { figuresOf, keptPromises } from "#core/season/planting-figures";
import { sumsOf } from "#core/season/planting-sums";
import { drawnTogether, ownEvents, type TimelineEvent, timelineOf, weatherEvents } from "#core/season/timeline";
import { sayOwnEvent, sayWeatherEvent } from "#core/season/words";
import { sayMass } from "#core/units/mass";
import { isCrop } from "#core/weighing/pick";
import { PART_WORDS, PURPOSE_WORDS } from "#core/weighing/words";
import { listRounds } from "#db/work";
import { entriesOf, loggedPicks } from "../picks/picks.server";
import { keptLine, sayGap, sumLines } from "../season/sum-words";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { pickTotals } from "../walk/views.server";

const sayTreatment = (t: Treatment): string =>
  [TREATMENT_WORDS[t.kind], t.product, t.waitDays > 0 ? `${t.waitDays} days to wait` : "", t.note]
    .filter(Boolean)
    .join(", ");

/** The time line of a planting with its figures; null when there is no such planting. */
export function plantingLine(d: GardenNow, plantingId: string) {
  const { snapshot, today } = d;
  const planting = snapshot.plantings.find((p) => p.id === plantingId);
  const bed = snapshot.beds.find((b) => b.id === planting?.bedId);
  if (!planting || !bed) return null;
  const crop = handbook().of(planting.cropId);
  const { units } = snapshot.garden;
  const entries = entriesOf(loggedPicks(snapshot), planting.id);
  const rounds = listRounds(db(), ["planned", "done", "dropped"]).filter((r) =>
    r.lines.some((l) => l.plantingId === planting.id),
  );
  const promises = rounds
    .filter((r) => r.status === "done")
    .map((r) => {
      const line = r.lines.find((l) => l.plantingId === planting.id)!;
      const got = entries.filter((e) => e.pick.roundId === r.id && e.pick.part === "crop");
      return { day: r.day, expectedG: line.expectedG, gotG: got.reduce((s, e) => s + e.net, 0) };
    });
  const looks = pickTotals(snapshot, planting).checks.map(
    (c): TimelineEvent => ({
      day: c.day,
      kind: "look",
      words: [c.words, c.note].filter(Boolean).join(". "),
      id: c.id,
    }),
  );
  const picks = entries.map((e): TimelineEvent => {
    const extra = [
      e.pick.part === "crop" ? "" : PART_WORDS[e.pick.part],
      e.pick.purpose === "harvest" ? "" : PURPOSE_WORDS[e.pick.purpose],
      e.by,
      e.pick.note,
    ].filter(Boolean);
    const amount = `${e.estimated ? "about " : ""}${sayMass(e.net, units)}`;
    return {
      day: e.at.slice(0, 10),
      kind: "pick",
      words: `Picked ${[amount, ...extra].join(", ")}`,
      id: e.pick.id,
    };
  });
  const plans = rounds.map((r): TimelineEvent => {
    const line = r.lines.find((l) => l.plantingId === planting.id)!;
    const what = { planned: "Planned for a round", done: "A round went", dropped: "A round was dropped" }[r.status];
    return {
      day: r.day,
      kind: "round",
      words: `${what}: about ${sayMass(line.expectedG, units)} expected`,
      id: r.id,
    };
  });
  const weather = drawnTogether(weatherEvents(planting, bed, crop, snapshot.weather, snapshot.covers, today)).map(
    (e): TimelineEvent => ({ day: e.day, kind: "weather", words: sayWeatherEvent(e, units), id: null }),
  );
  const losses = snapshot.bedLosses
    .filter((l) => l.plantingId === planting.id)
    .map(
      (l): TimelineEvent => ({
        day: l.day,
        kind: "loss",
        words: `About ${sayMass(l.massG, units)} lost: ${l.cause}${l.note ? ` (${l.note})` : ""}`,
        id: null,
      }),
    );
  const lostG = snapshot.bedLosses.filter((l) => l.plantingId === planting.id).reduce((s, l) => s + l.massG, 0);
  const sums = sumsOf(planting, crop, entries, lostG, snapshot.garden.timeZone, today.slice(0, 4));
  const became = outcomesOf(entries, snapshot.lotEvents, (list) =>
    seedsOf(list, new Map([[planting.id, planting]]), handbook(), snapshot.places),
  );
  const kept = keptShare(
    entries.filter((e) => isCrop(e.pick)).reduce((s, e) => s + e.net, 0),
    lostG,
    became.lostG + became.compostG,
  );
  const own = ownEvents(planting, snapshot.treatments).map(
    (e): TimelineEvent =>
      e.kind === "treatment"
        ? { day: e.day, kind: e.kind, words: sayTreatment(e.treatment), id: null }
        : { day: e.day, kind: e.kind, words: sayOwnEvent(e), id: planting.id },
  );
  return {
    planting,
    bed: bed.name,
    crop: { id: crop.id, name: crop.name, glyph: crop.glyph },
    units,
    today,
    figures: figuresOf(planting, bed, crop, entries),
    gap: sums.gapHours === null ? "" : sayGap(sums.gapHours),
    sums: [...(kept ? [keptLine(kept, units)] : []), ...sumLines(sums, units)],
    kept: keptPromises(promises),
    rounds: promises.length,
    events: timelineOf([...own, ...looks, ...picks, ...plans, ...weather, ...losses]),
  };
}
