import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { moveLines, moveRound, unlawful } from "#core/planning/rounds/hand-moves";
import { newId } from "#db/change";
import { done, refuse } from "../server/forms.server";
import type { GardenNow } from "../server/garden-now.server";
import { planAnew, roundsAhead, saveMoved, slotIdOf } from "./rounds.server";

/** A line made by hand; its figures and its why are worked out when it is saved. */
const lineFor = (roundId: string, plantingId: string, take: "ready" | "strip") => ({
  id: newId(),
  roundId,
  plantingId,
  take,
  expectedG: 0,
  lostG: 0,
  minutes: 0,
  why: "",
});

/** What a gardener does to the planned rounds: plan anew, pin, drop, move, take along, leave out, split. */
export async function changeRounds(d: GardenNow, typed: Record<string, string>) {
  if (typed.intent === "plan") {
    const journalId = await planAnew().catch((error: Error) => error);
    return journalId instanceof Error
      ? refuse({ errors: { form: journalId.message }, typed })
      : done("/rounds", journalId);
  }
  const { rounds, problem } = roundsAhead(d);
  // a hand may lift any bar but the one a label sets
  const keep = (moved: typeof rounds, label: string) => {
    const against = unlawful(moved, problem.bars ?? []);
    if (!against) return done("/rounds", saveMoved(moved, label));
    const p = d.outlook.plantings.find((x) => x.planting.id === against.plantingId);
    const name = p ? plantingName(p.planting, p.crop) : "one of them";
    return refuse({ errors: { form: `${name} may not be picked then: ${against.why}.` }, typed });
  };
  const round = rounds.find((r) => r.id === typed.roundId);
  if (!round)
    return refuse({
      errors: { form: "This round is no longer there; the plan was changed meanwhile." },
      typed,
    });
  if (typed.intent === "pin")
    return done(
      "/rounds",
      saveMoved(
        rounds.map((r) => (r.id === round.id ? { ...r, pinned: !r.pinned } : r)),
        round.pinned ? "Round set free" : "Round pinned",
      ),
    );
  if (typed.intent === "drop")
    return done(
      "/rounds",
      saveMoved(
        rounds.filter((r) => r.id !== round.id),
        `Round on ${sayDay(round.day)} dropped`,
      ),
    );
  if (typed.intent === "leave")
    return done(
      "/rounds",
      saveMoved(
        rounds.map((r) => (r.id === round.id ? { ...r, lines: r.lines.filter((l) => l.id !== typed.lineId) } : r)),
        "Left out of the round",
      ),
    );
  if (typed.intent === "add") {
    const planting = d.outlook.plantings.find((p) => p.planting.id === typed.plantingId);
    if (!planting) return refuse({ errors: { form: "Choose what to take along." }, typed });
    const line = lineFor(round.id, planting.planting.id, typed.take === "strip" ? "strip" : "ready");
    return keep(
      rounds.map((r) => (r.id === round.id ? { ...r, pinned: true, lines: [...r.lines, line] } : r)),
      `${plantingName(planting.planting, planting.crop)} taken along on ${sayDay(round.day)}`,
    );
  }
  if (typed.intent === "split") {
    const slot = problem.slots.find((s) => s.id === typed.slotId);
    const ticked = round.lines.filter((l) => typed[`line-${l.id}`] === "on");
    if (!slot || slot.id === slotIdOf(round))
      return refuse({ errors: { form: "Choose another hour for them." }, typed });
    if (ticked.length === 0) return refuse({ errors: { form: "Tick what is to go to the other hour." }, typed });
    const moved = moveLines(
      rounds,
      round.id,
      ticked.map((l) => l.plantingId),
      slot,
      newId(),
    );
    return keep(moved, `${ticked.length} of the round moved to ${sayDay(slot.day)} ${slot.startsAt}`);
  }
  if (typed.intent === "move") {
    const slot = problem.slots.find((s) => s.id === typed.slotId);
    if (!slot) return refuse({ errors: { form: "There is no such hour in the coming fortnight." }, typed });
    const moved = moveRound(rounds, round.id, slot);
    return keep(moved, `Round moved to ${sayDay(slot.day)} ${slot.startsAt}`);
  }
  return refuse({ errors: { form: "Nothing was asked." }, typed });
}
