import { sayNear } from "#core/calendar/day";
import type { PlantingOutlook } from "#core/planning/outlook";
import { type WalkTurn, walkingOrder } from "#core/planning/rounds/walking-order";
import { growthAhead } from "#core/planting/growth-ahead";
import { markable } from "#core/planting/marked";
import { listPeople } from "#db/garden";
import { techniqueOf } from "../handbook/technique.server";
import { gatesOf } from "../jobs/gates.server";
import { jobsOfPlanting } from "../jobs/jobs.server";
import { lessonsOfCrop } from "../lessons/learned.server";
import { db, type GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { judgementView } from "./views.server";

/** Whether dew or rain is likely to lie on the leaves now. */
export const leavesWet = (d: GardenNow): boolean => gatesOf(d).leaves !== "";

/** Whether thunder is likely about today: a downpour or gale of some chance in a warm day. */
export function thunderAbout(d: GardenNow): boolean {
  const day = d.outlook.days[0];
  return Boolean(
    day && day.weather.tempMaxC >= 18 && day.hazards.some((h) => h.kind === "downpour" && h.chance >= 0.3),
  );
}

export type WalkStop = PlantingOutlook & { turn: WalkTurn };

/** Growing plantings in walking order. */
export const walkOrder = (d: GardenNow): WalkStop[] =>
  remembered(d, "walk order", () =>
    walkingOrder(d.outlook.plantings, d.snapshot.checks, d.today, leavesWet(d)).map((s) => ({
      ...s.planting,
      turn: s.turn,
    })),
  );

/** Plantings looked at today. */
export const seenToday = (d: GardenNow): Set<string> =>
  new Set(d.snapshot.checks.filter((c) => c.at.slice(0, 10) === d.today).map((c) => c.plantingId));

/** The planting to look at after this one: the next in order not yet seen today, else null. */
export function nextToSee(d: GardenNow, plantingId: string): string | null {
  const order = walkOrder(d);
  const at = order.findIndex((p) => p.planting.id === plantingId);
  const seen = seenToday(d);
  const rest = [...order.slice(at + 1), ...order.slice(0, Math.max(0, at))];
  return rest.find((p) => !seen.has(p.planting.id) && p.planting.id !== plantingId)?.planting.id ?? null;
}

/** Everything the page needs to judge one planting by itself, also when the signal is gone. */
export function walkSheet(d: GardenNow, plantingId: string) {
  const order = walkOrder(d);
  const at = order.findIndex((p) => p.planting.id === plantingId);
  const p = order[at];
  if (!p) return null;
  const j = p.judgement;
  const checks = d.snapshot.checks.filter((c) => c.plantingId === p.planting.id);
  const todays = checks.filter((c) => c.at.slice(0, 10) === d.today);
  const lastCheck = checks.filter((c) => c.at.slice(0, 10) < d.today && c.readings.length > 0).at(-1);
  const seen = seenToday(d);
  return {
    planting: p.planting,
    bed: { name: p.bed.name, note: p.bed.note },
    crop: p.crop,
    school: p.school,
    technique: techniqueOf(d, p),
    units: d.snapshot.garden.units,
    coins: d.snapshot.garden.coins,
    now: d.now,
    today: d.today,
    lessons: lessonsOfCrop(d, p.crop.id),
    jobs: jobsOfPlanting(d, p.planting.id).filter((l) => l.state !== "soon"),
    view: judgementView(p, d.today, d.snapshot.garden.units),
    prior: Array.from(j.prior, (x) => Number(x.toPrecision(6))),
    steps: j.steps,
    plants: j.context.plants,
    misled: j.misled.map((m) => ({ ...m, cueIds: [...m.cueIds] })),
    recentLook: j.recentLook,
    way: j.way,
    barred: j.held,
    enoughIn: j.enoughIn,
    needs: j.needs,
    dateDue: j.dateDue,
    /** pieces that can be marked one by one, 0: none; as they were marked last; and today's marks */
    markable: markable(p.crop, j.way, p.planting),
    marked: j.marked,
    markedToday: todays.some((c) => c.marked.length > 0),
    /** a deciding sign of an earlier look that still stands */
    standing: j.override?.cue ?? null,
    /** readings of the days before that can still be relied on */
    looksBefore: j.evidence.filter((e) => e.day < d.today),
    usedUp: j.usedUp,
    order: j.worth.map((w) => w.cue.id),
    todays: todays.flatMap((c) => c.readings),
    photos: todays.flatMap((c) => c.photos),
    last: Object.fromEntries(checks.flatMap((c) => c.readings.map((r) => [r.cueId, r.value] as const))),
    sameAs: lastCheck
      ? {
          day: sayNear(lastCheck.at.slice(0, 10), d.today),
          readings: lastCheck.readings.filter((r) => p.crop.cues.some((c) => c.id === r.cueId && c.kind !== "event")),
        }
      : null,
    growth: growthAhead(p, checks, d.today),
    evidence: j.evidence.filter((e) => e.day !== d.today).slice(0, 3),
    position: { at: at + 1, of: order.length, seen: seen.size },
    turn: p.turn,
    wet: leavesWet(d) && p.crop.weather.foliage !== "any",
    next: nextToSee(d, p.planting.id),
    before: order[at - 1]?.planting.id ?? null,
    after: order[at + 1]?.planting.id ?? null,
    people: listPeople(db()).map((x) => x.name),
  };
}
export type WalkSheet = NonNullable<ReturnType<typeof walkSheet>>;
