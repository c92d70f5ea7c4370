import { sayDay } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { moveLines, moveRound, unlawful } from "#core/planning/rounds/hand-moves";
import { sayBar } from "#core/planning/words";
import { newId } from "#db/change";
import { byIntent, done, refuse } from "../server/forms.server";
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
  if (typed.intent !== "plan") return changeRound(d, typed);
  const journalId = await planAnew().catch((error: Error) => error);
  return journalId instanceof Error
    ? refuse({ errors: { form: journalId.message }, typed })
    : done("/rounds", journalId);
}

/** What is done to one round that is planned. */
function changeRound(d: GardenNow, typed: Record<string, string>) {
  const { rounds, problem } = roundsAhead(d);
  const round = rounds.find((r) => r.id === typed.roundId);
  if (!round)
    return refuse({
      errors: { form: "This round is no longer there; the plan was changed meanwhile." },
      typed,
    });
  const not = (form: string) => refuse({ errors: { form }, typed });
  const slot = problem.slots.find((s) => s.id === typed.slotId);
  /** @param to the round as it is to be; null: gone */
  const save = (to: typeof round | null, label: string) =>
    done(
      "/rounds",
      saveMoved(
        rounds.flatMap((r) => (r.id === round.id ? (to ?? []) : r)),
        label,
      ),
    );
  // a hand may lift any bar but the one a label sets
  const keep = (moved: typeof rounds, label: string) => {
    const against = unlawful(moved, problem.bars ?? []);
    if (!against) return done("/rounds", saveMoved(moved, label));
    const p = d.outlook.plantings.find((x) => x.planting.id === against.plantingId);
    return not(
      `${p ? plantingName(p.planting, p.crop) : "one of them"} may not be picked then: ${sayBar(against.why, d.snapshot.garden.units)}.`,
    );
  };
  return byIntent(typed, {
    pin: () => save({ ...round, pinned: !round.pinned }, round.pinned ? "Round set free" : "Round pinned"),
    drop: () => save(null, `Round on ${sayDay(round.day)} dropped`),
    leave: () => save({ ...round, lines: round.lines.filter((l) => l.id !== typed.lineId) }, "Left out of the round"),
    add: () => {
      const planting = d.outlook.plantings.find((p) => p.planting.id === typed.plantingId);
      if (!planting) return not("Choose what to take along.");
      const line = lineFor(round.id, planting.planting.id, typed.take === "strip" ? "strip" : "ready");
      return keep(
        rounds.map((r) => (r.id === round.id ? { ...r, pinned: true, lines: [...r.lines, line] } : r)),
        `${plantingName(planting.planting, planting.crop)} taken along on ${sayDay(round.day)}`,
      );
    },
    split: () => {
      const ticked = round.lines.filter((l) => typed[`line-${l.id}`] === "on").map((l) => l.plantingId);
      if (!slot || slot.id === slotIdOf(round)) return not("Choose another hour for them.");
      if (ticked.length === 0) return not("Tick what is to go to the other hour.");
      return keep(
        moveLines(rounds, round.id, ticked, slot, newId()),
        `${ticked.length} of the round moved to ${sayDay(slot.day)} ${slot.startsAt}`,
      );
    },
    move: () =>
      slot
        ? keep(moveRound(rounds, round.id, slot), `Round moved to ${sayDay(slot.day)} ${slot.startsAt}`)
        : not("There is no such hour in the coming fortnight."),
  });
}
