import { addDays, sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { outlookOf } from "#core/planning/outlook";
import type { DayChances } from "#core/planting/conclude";
import { bandsOf, LEAST_SETTLED, lossesSeen, roundsKept, type Settled, settle } from "#core/season/was-it-right";
import { sayMass } from "#core/units/mass";
import { netOf } from "#core/weighing/net";
import { isCrop, isUnripe } from "#core/weighing/pick";
import { listRounds } from "#db/work";
import { db, type GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";
import { grownOf } from "./season-data.server";

/** Rounds and losses shown at most. */
const SHOWN = 12;
/** How far back chances are worked out again: a season. */
const DAYS_BACK = 240;

/** What was said and what was true, in this garden, as far as it can be known: worked out once for each state. */
export const rightView = (d: GardenNow) => remembered(d, "was it right", () => viewOf(d));

function viewOf(d: GardenNow) {
  const { snapshot, today } = d;
  const { units } = snapshot.garden;
  const from = addDays(today, -DAYS_BACK);
  // plantings that are over are judged as if they still grew, up to their end
  const recent = snapshot.plantings.filter((p) => p.endedOn === null || p.endedOn >= from);
  const judged = outlookOf(
    { ...snapshot, plantings: recent.map((p) => ({ ...p, endedOn: null })) },
    d.now,
    false,
    true,
  );
  const settled: Settled[] = [];
  const tracks = new Map<string, DayChances[]>();
  const nameOf = new Map(
    grownOf(d).map((g) => [g.planting.id, { kind: g.planting.kind, crop: g.crop.name, bed: g.bed.name }]),
  );
  const say = (id: string): string => {
    const n = nameOf.get(id);
    return n ? plantingName(n, { name: n.crop }) : "a planting that is gone";
  };
  for (const { planting, judgement, crop } of judged.plantings) {
    const end = recent.find((p) => p.id === planting.id)?.endedOn ?? today;
    const track = judgement.track.filter((t) => t.day >= from && t.day <= end);
    tracks.set(planting.id, track);
    const picks = snapshot.picks
      .filter((p) => p.plantingId === planting.id && isCrop(p) && p.purpose === "harvest")
      .map((p) => ({
        day: p.at.slice(0, 10),
        massG: netOf(p, crop.topsShare, crop.yield.pieceG).netG,
        unripe: isUnripe(p.grade),
        extent: p.extent,
      }));
    settled.push(...settle(planting.id, track, judgement.looked, picks));
  }
  const brought = new Map<string, number>();
  for (const { entries, crop } of grownOf(d))
    for (const { pick } of entries)
      if (pick.roundId && isCrop(pick))
        brought.set(
          pick.roundId,
          (brought.get(pick.roundId) ?? 0) + netOf(pick, crop.topsShare, crop.yield.pieceG).netG,
        );
  const rounds = listRounds(db(), ["planned", "done"]);
  const kept = roundsKept(rounds, brought, today);
  const lines = rounds.flatMap((r) => r.lines.map((l) => ({ plantingId: l.plantingId, day: r.day })));
  const losses = lossesSeen(snapshot.bedLosses, lines, tracks);
  const wrong = [...settled]
    .map((s) => ({ ...s, off: s.was ? 1 - s.said : s.said }))
    .filter((s) => s.off >= 0.6)
    .sort((a, b) => b.off - a.off)
    .slice(0, 5);
  return {
    enough: settled.length >= LEAST_SETTLED,
    settled: settled.length,
    least: LEAST_SETTLED,
    bands: bandsOf(settled),
    wrong: wrong.map((s) => ({
      key: `${s.plantingId} ${s.day}`,
      id: s.plantingId,
      name: say(s.plantingId),
      day: sayDay(s.day),
      said: Math.round(100 * s.said),
      was: s.was,
      by: s.by,
    })),
    rounds: kept.slice(0, SHOWN).map((r) => ({
      id: r.roundId,
      day: sayDay(r.day),
      expected: sayMass(r.expectedG, units),
      brought: sayMass(r.broughtG, units),
      share: r.expectedG > 0 ? Math.round((100 * r.broughtG) / r.expectedG) : null,
    })),
    losses: losses.slice(0, SHOWN).map((l) => ({
      id: l.id,
      plantingId: l.plantingId,
      name: say(l.plantingId),
      day: sayDay(l.day),
      cause: l.cause,
      mass: sayMass(l.massG, units),
      hadLine: l.hadLine,
      said: Math.round(100 * l.said),
      warned: l.warned,
    })),
  };
}
