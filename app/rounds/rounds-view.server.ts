import { standInOn } from "#core/calendar/windows";
import { plantingName } from "#core/garden/name";
import { alternativesIn } from "#core/planning/rounds/alternatives";
import { totalsOf } from "#core/planning/rounds/explain";
import { fullestPlaces, leftStanding } from "#core/planning/rounds/left";
import { scheduleOf } from "#core/planning/rounds/rounds";
import { sayLeft, sayPlace } from "#core/planning/words";
import { revision } from "#db/change";
import { findPlanNote } from "#db/work";
import { db, type GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { missed, roundsAhead, slotIdOf } from "./rounds.server";

const sixFigures = (_: string, value: unknown) => (typeof value === "number" ? Number(value.toPrecision(6)) : value);

/** What the page of the rounds is drawn from; worked out once for each state of the garden. */
export const roundsView = (d: GardenNow) => remembered(d, "rounds view", () => shape(d));

/**
 * The planner's own question as JSON, for what-ifs while a round is dragged; six figures are plenty for a drawing. It
 * is as large as the page, so the page asks for it when it rests.
 */
export const questionView = (d: GardenNow): string =>
  remembered(d, "rounds question", () => JSON.stringify(roundsAhead(d).problem, sixFigures));

function shape(d: GardenNow) {
  const { outlook, snapshot, today } = d;
  const { rounds, problem } = roundsAhead(d);
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  const schedule = scheduleOf(problem, rounds);
  const fullest = fullestPlaces(problem, schedule);
  const alternatives = alternativesIn(problem, schedule);
  const slotAt = new Map(problem.slots.map((s, j) => [s.id, j]));
  const nameOf = (id: string) => {
    const p = byId.get(id);
    return { kind: p ? plantingName(p.planting, p.crop) : "gone", bed: p?.bed.name ?? "" };
  };
  const round3 = (x: number) => Math.round(x * 1000) / 1000;
  const order = [...outlook.plantings].sort((a, b) => a.bed.walkOrder - b.bed.walkOrder);
  return {
    today,
    units: snapshot.garden.units,
    lanes: order.map((p) => ({
      plantingId: p.planting.id,
      kind: plantingName(p.planting, p.crop),
      crop: p.crop.name,
      own: p.planting.kind,
      bed: p.bed.name,
      once: p.supply.once,
      days: p.judgement.days
        .slice(0, 15)
        .map((x) => ({ ready: round3(x.ready), nearly: round3(x.nearly), past: round3(x.past) })),
    })),
    days: outlook.days.slice(0, 14).map((x) => ({
      day: x.weather.day,
      away: x.away,
      hazards: x.hazards
        .filter((h) => h.kind !== "dew" && h.chance >= 0.15)
        .map((h) => ({ kind: h.kind, chance: round3(h.chance) })),
    })),
    left: leftStanding(problem, schedule).map((l) => ({
      plantingId: l.plantingId,
      why: sayLeft(l, snapshot.garden.units),
      ...nameOf(l.plantingId),
    })),
    places: fullest.map((f) => ({ words: sayPlace(f, snapshot.garden.units) })),
    tripName:
      snapshot.trips.filter((t) => t.toDay >= today).sort((a, b) => (a.fromDay < b.fromDay ? -1 : 1))[0]?.name ?? "",
    rounds: rounds.map((r) => ({
      ...r,
      by: standInOn(r.day, snapshot.trips),
      alternatives:
        slotAt.has(slotIdOf(r)) && r.lines.length > 0
          ? alternatives(slotAt.get(slotIdOf(r))!).map((a) => {
              const slot = problem.slots[a.slot];
              return { ...a, slotId: slot?.id ?? "", day: slot?.day ?? "", startsAt: slot?.startsAt ?? "" };
            })
          : [],
      lines: [...r.lines]
        .sort((a, b) => (byId.get(a.plantingId)?.bed.walkOrder ?? 0) - (byId.get(b.plantingId)?.bed.walkOrder ?? 0))
        .map((l) => ({
          ...l,
          kind: nameOf(l.plantingId).kind,
          bed: byId.get(l.plantingId)?.bed.name ?? "",
        })),
    })),
    slots: problem.slots,
    now: totalsOf(problem, schedule),
    fullest: fullest[0] ?? null,
    revision: revision(db()),
    missed: missed(d).map((r) => ({
      id: r.id,
      day: r.day,
      startsAt: r.startsAt,
      names: r.lines.map((l) => nameOf(l.plantingId).kind),
    })),
    note: findPlanNote(db()),
    windows: snapshot.windows.length,
    trip: snapshot.trips.some((t) => t.toDay >= today && t.standIn !== ""),
    roundMinutes: snapshot.garden.roundMinutes,
  };
}
